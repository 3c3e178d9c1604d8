import { thickDifference } from "../colour/appearance";
import type { Mix, MixPart, Paint } from "../job";
import type { Painter } from "../painter";
import type { PaintForm } from "./paintForm";

/** A card, by its id and what it is called. */
export interface CardName {
  readonly id: string;
  readonly title: string;
}

/** What one card asks of one mix, all its figures and passes together. */
export interface MixNeed {
  readonly card: CardName;
  readonly mix: Mix;
  readonly form: PaintForm;
  /** Parts of water to one of paint. */
  readonly water: number;
  /** Paint on the figures before it is thinned, µl. */
  readonly paintUl: number;
  /** Times the brush is rinsed, each leaving some mixed paint behind. */
  readonly rinses: number;
  /** When it is wanted, minutes of work and drying from the start of the job. */
  readonly atMinutes: number;
}

/** How a batch is measured out. */
export type Measure = "drops" | "brush-loads" | "blob" | "pinches";

/** How much of one pot goes into a batch. */
export interface PotAmount {
  readonly paintId: string;
  /** Drops or brush-loads; 0 where a touch of it is enough. */
  readonly count: number;
  /** What is counted makes this much, µl. */
  readonly ul: number;
}

/** One mix made once, for every card that can use it before it dries on the palette. */
export interface MixBatch {
  readonly mix: Mix;
  readonly form: PaintForm;
  /** Cards it serves, in the order of painting. */
  readonly cards: readonly CardName[];
  /** What is left of it once each of these cards is painted, in their order, before thinning, µl. */
  readonly leftUl: readonly number[];
  /** Paint wanted before thinning, with what stays on palette and in brushes, µl. */
  readonly neededUl: number;
  readonly measure: Measure;
  readonly pots: readonly PotAmount[];
  /** What is counted out, before thinning, µl. */
  readonly madeUl: number;
  /** CIEDE2000 by which drops of unlike size miss the colour of the parts; 0 where they do not. */
  readonly dropsMiss: number;
}

/** More than this many times of what is needed is not mixed in drops but in brush-loads. */
const WASTEFUL = 3;
/** A pot of which less than this share of a brush-load is wanted is added as a touch. */
const TOUCH_SHARE = 0.6;
/** What a touch of a pot takes out of it, µl. */
const TOUCH_UL = 1;
/** What is held between two fingers, µl of powder. */
export const PINCH_UL = 60;

interface PotPart extends MixPart {
  readonly dropUl: number;
}

const potsOf = ({ parts }: Mix, paints: readonly Paint[]): PotPart[] =>
  parts.map((part) => ({ ...part, dropUl: paints.find((paint) => paint.id === part.paintId)?.dropUl ?? 40 }));

/** Counts of a batch by one way of measuring. */
export interface Counted {
  readonly measure: Measure;
  readonly pots: readonly PotAmount[];
}

const volumeOf = ({ pots }: Counted): number => pots.reduce((sum, { ul }) => sum + ul, 0);

/** The smallest whole multiple of the parts in drops that is enough. */
function inDrops(pots: readonly PotPart[], neededUl: number): Counted {
  const onceUl = pots.reduce((sum, { parts, dropUl }) => sum + parts * dropUl, 0);
  const times = onceUl > 0 ? Math.max(1, Math.ceil(neededUl / onceUl - 1e-9)) : 0;
  return {
    measure: "drops",
    pots: pots.map(({ paintId, parts, dropUl }) => ({
      paintId,
      count: parts * times,
      ul: parts * times * dropUl,
    })),
  };
}

/** Brush-loads in the parts; of a pot that is wanted by less than a load, a touch. */
function inLoads(pots: readonly PotPart[], neededUl: number, loadUl: number): Counted {
  const all = pots.reduce((sum, { parts }) => sum + parts, 0);
  const most = Math.max(...pots.map(({ parts }) => parts));
  const onceUl = all * loadUl;
  if (onceUl <= Math.max(neededUl, loadUl) * WASTEFUL) {
    const times = Math.max(1, Math.ceil(neededUl / onceUl - 1e-9));
    return {
      measure: "brush-loads",
      pots: pots.map(({ paintId, parts }) => ({ paintId, count: parts * times, ul: parts * times * loadUl })),
    };
  }
  return {
    measure: "brush-loads",
    pots: pots.map(({ paintId, parts }) => {
      const wanted = (neededUl * parts) / all / loadUl;
      if (wanted < TOUCH_SHARE && parts < most) return { paintId, count: 0, ul: TOUCH_UL };
      const count = Math.max(1, Math.ceil(wanted - 1e-9));
      return { paintId, count, ul: count * loadUl };
    }),
  };
}

/**
 * Counts a batch out: in whole drops, or in brush-loads where drops would waste most of it.
 * @param neededUl paint before thinning, µl
 */
export function countedOut(
  form: PaintForm,
  mix: Mix,
  neededUl: number,
  paints: readonly Paint[],
  painter: Painter,
): Counted {
  const pots = potsOf(mix, paints);
  const all = pots.reduce((sum, { parts }) => sum + parts, 0);
  const shared = (measure: Measure, unitUl: number): Counted => ({
    measure,
    pots: pots.map(({ paintId, parts }) => {
      const ul = (neededUl * parts) / all;
      return { paintId, count: Math.max(1, Math.ceil(ul / unitUl - 1e-9)), ul };
    }),
  });
  if (form === "paste") return shared("blob", neededUl);
  if (form === "powder") return shared("pinches", PINCH_UL);
  const drops = inDrops(pots, neededUl);
  return volumeOf(drops) > WASTEFUL * neededUl ? inLoads(pots, neededUl, painter.brushLoadUl) : drops;
}

/** How far drops of unlike size miss the mix that its parts mean. */
function dropsMiss(mix: Mix, counted: Counted, paints: readonly Paint[]): number {
  if (counted.measure !== "drops") return 0;
  const sizes = new Set(potsOf(mix, paints).map(({ dropUl }) => dropUl));
  if (sizes.size <= 1) return 0;
  const real = counted.pots.map(({ paintId, ul }) => ({ paintId, parts: ul }));
  return thickDifference(mix.parts, real, paints);
}

/** Paint a card takes out of a batch, with what its brush keeps, before thinning, µl. */
export const takenUl = ({ paintUl, rinses, water, form }: MixNeed, painter: Painter): number =>
  paintUl + (form === "liquid" ? (painter.brushLossUl * rinses) / (1 + water) : 0);

function batchOf(needs: readonly MixNeed[], paints: readonly Paint[], painter: Painter): MixBatch {
  const { mix, form, water } = needs[0]!;
  const left = form === "powder" ? 0 : painter.paletteLossUl / (1 + (form === "liquid" ? water : 0));
  const neededUl = left + needs.reduce((sum, need) => sum + takenUl(need, painter), 0);
  const counted = countedOut(form, mix, neededUl, paints, painter);
  const cards = [...new Map(needs.map(({ card }) => [card.id, card])).values()];
  const madeUl = volumeOf(counted);
  let takenSoFar = 0;
  const leftUl = cards.map(({ id }) => {
    for (const need of needs) if (need.card.id === id) takenSoFar += takenUl(need, painter);
    // A touch of a pot is no more than its colour wants.
    return Math.max(0, madeUl - takenSoFar);
  });
  return {
    ...{ mix, form, neededUl, ...counted, cards, leftUl, madeUl },
    dropsMiss: dropsMiss(mix, counted, paints),
  };
}

/**
 * Batches of mixes: each serves all needs of its mix that come before it has dried on the palette, with what stays there
 * counted once.
 * @param needs in the order of painting
 */
export function batchesOf(needs: readonly MixNeed[], paints: readonly Paint[], painter: Painter): MixBatch[] {
  const open = new Map<string, MixNeed[]>();
  const batches: MixNeed[][] = [];
  for (const need of needs) {
    if (need.mix.parts.length === 0) continue;
    const key = `${need.form}/${need.mix.id}`;
    const running = open.get(key);
    if (running && need.atMinutes - running[0]!.atMinutes <= painter.paletteHours * 60) {
      running.push(need);
      continue;
    }
    const fresh = [need];
    open.set(key, fresh);
    batches.push(fresh);
  }
  return batches.map((own) => batchOf(own, paints, painter));
}
