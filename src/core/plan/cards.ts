import {
  activeCoats,
  isMishap,
  mixById,
  type Coat,
  type Job,
  type Mix,
  type Paint,
  type Surface,
} from "../job";
import type { Painter } from "../painter";
import { InputError } from "../errors";
import { patternOf } from "../patterns/bind";
import { buildForm } from "../surface/forms/buildForm";
import type { SurfaceForm } from "../surface/forms/form";
import { isTechniqueId, techniques } from "../techniques";
import type { TechniqueDefinition } from "../techniques/technique";
import { piecesOf } from "../figure/pairs";
import { glanceAt, paintIn, type LaidPaint } from "../simulate/glance";
import type { Counting, UnitShare } from "../patterns/family";
import { batchesOf, type MixBatch, type MixNeed } from "./batches";
import { batchFor, type Batch } from "./drops";
import { countedOnce, countingOf } from "./countFirst";
import { dryerAt, dryingInRoom, type BlownAt, type DryerSays } from "./dryer";
import { BINDER_CAUTIONS, binderOf, mediumShareOf, type Drying } from "./drying";
import { paintFormOf, SOLIDS } from "./paintForm";
import { placeName } from "./placeWords";
import { figuresInOwnMix, figuresWith, unitSays, unitShareOf } from "./unitShare";
import { coatWork, type CoatWork } from "./work";

/** Where a coat goes, what to hold, what to do: in words. */
export interface CardWay {
  readonly where: string;
  readonly tool: string;
  readonly how: string;
  /** What is tried elsewhere first; null where the coat forgives. */
  readonly trial: string | null;
}

/** One bench step. */
export interface Card {
  /** Surface and coat; the log names it. */
  readonly id: string;
  readonly surface: Surface;
  readonly coat: Coat;
  readonly title: string;
  readonly way: CardWay;
  readonly mix: Mix | null;
  /** Parts of water to one of this painter's paint. */
  readonly water: number;
  /** Its own paint in drops, as if mixed for this card alone; null where there is nothing to count in drops. */
  readonly batch: Batch | null;
  /** What it asks of its mixes. */
  readonly needs: readonly MixNeed[];
  /** The batches its paint comes from; each is mixed at the first of its cards. */
  readonly mixing: readonly MixBatch[];
  /** The paint as it lies on one piece, all passes together. */
  readonly laid: LaidPaint;
  readonly drying: Drying;
  /** Whether a dryer may be held at a pass of it. */
  readonly dryer: DryerSays;
  /** Until one pass is touch dry as computed for the room, minutes, before the painter's own times of it. */
  readonly roomDry: number;
  readonly work: CoatWork;
  /** Strokes, all passes, figures and pieces. */
  readonly strokes: number;
  readonly handMinutes: number;
  /** Figures it is painted on. */
  readonly figures: number;
  /** Which of the unit they are, from 1, by the mix they get it in; null for its own. */
  readonly onFigures: UnitShare["byMix"];
  /** Pieces of each figure: two of a pair. */
  readonly pieces: 1 | 2;
  /** Until the next coat may follow, after the last pass. */
  readonly dryMinutes: number;
  /** What is counted on the piece before it is painted full. */
  readonly countFirst: readonly Counting[];
  /** What to look at before going on. */
  readonly lookAt: readonly string[];
  readonly caution: string | null;
  /** How many painted coats the surface has before this one. */
  readonly step: number;
}

/** Share of a paste that stays as it dries: the rest is water that has to come through it. */
const PASTE_SOLIDS = 0.7;

function lookAt(job: Job, surface: Surface, form: SurfaceForm, coat: Coat, work: CoatWork): string[] {
  const says: string[] = [];
  const { place } = coat;
  const pattern = place.kind === "pattern" ? patternOf(job, surface, form) : null;
  if (pattern && place.kind === "pattern")
    says.push(...pattern.family.lookAt(pattern.layout, place.key, work.strokes));
  if (isTechniqueId(coat.technique.id)) says.push(techniques[coat.technique.id].bench.lookAt);
  const last = activeCoats(surface).findLast((one) => !isMishap(one)) === coat;
  if (last) says.push("Look from below and from the side: the last missed spots lie under overhangs.");
  if (coat.passes > 1) says.push(`${coat.passes} passes; let each dry before the next.`);
  return says;
}

/** A coat with what it needs to become a card. */
interface Asked {
  readonly job: Job;
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly coat: Coat;
  /** How many painted coats the surface has before this one. */
  readonly step: number;
  readonly laid: LaidPaint;
  readonly paints: readonly Paint[];
  readonly painter: Painter;
}

/** Water that this painter's paint wants for a coat, parts to one. */
const waterOf = ({ coat, painter }: Asked): number => coat.water * painter.waterTimes;

/** The paint for a coat, all figures in its own mix together; null where there is nothing to count in drops. */
function ownBatch(asked: Asked, mix: Mix | null, figures: number): Batch | null {
  const { surface, coat, laid, paints, painter } = asked;
  const form = paintFormOf(coat);
  if (!mix || mix.parts.length === 0 || form === "powder" || form === "tufts") return null;
  const area = laid.coveredMm2 * figures * piecesOf(surface);
  return batchFor(mix, paints, waterOf(asked), area, laid.meanUm, coat.passes, painter, SOLIDS[form]);
}

/** One pass of a coat as it dries. */
function filmOf(asked: Asked, mix: Mix | null): BlownAt {
  const { coat, laid, paints } = asked;
  const form = paintFormOf(coat);
  const loose = form === "powder" || form === "tufts";
  const { id } = coat.technique;
  const technique: TechniqueDefinition | null = isTechniqueId(id) ? techniques[id] : null;
  const film = {
    dryUm: loose ? 0 : laid.meanUm / coat.passes,
    water: form === "liquid" ? waterOf(asked) : 0,
    solids: form === "paste" ? PASTE_SOLIDS : SOLIDS[form],
    binder: binderOf(mix, paints),
    mediumShare: mediumShareOf(mix, paints),
    paste: form === "paste",
  };
  return { film, loose, settles: technique?.settles === true };
}

/** How one pass of a coat dries in the painter's room. */
function dryingFor(coat: BlownAt, painter: Painter): Drying {
  const { workable, touchDry, fullyDry } = dryingInRoom(coat, painter);
  const { dryingTimes: times } = painter;
  return { workable: times * workable, touchDry: times * touchDry, fullyDry: times * fullyDry };
}

/** What a coat asks of its mixes: its own, and those in which figures of the unit get it instead. */
function needsOf(asked: Asked, id: string, mix: Mix | null, share: UnitShare): MixNeed[] {
  const { coat, laid, job, surface } = asked;
  const form = paintFormOf(coat);
  if (form === "tufts") return [];
  return share.byMix.flatMap(({ mixId, figures }) => {
    const own = mixId === null ? mix : mixById(job, mixId);
    if (!own || figures.length === 0) return [];
    const paintUl = (laid.dryUl * piecesOf(surface) * figures.length) / SOLIDS[form];
    return [
      {
        card: { id, title: `${coat.name}, ${surface.name}` },
        mix: own,
        form,
        water: waterOf(asked),
        paintUl,
        rinses: coat.passes,
        atMinutes: 0,
      },
    ];
  });
}

function cautionOf(coat: Coat, mix: Mix | null, paints: readonly Paint[]): string | null {
  const { id } = coat.technique;
  const own = isTechniqueId(id) ? techniques[id].caution : null;
  const binder = BINDER_CAUTIONS[binderOf(mix, paints)];
  return own !== null && binder !== null ? `${own} ${binder}` : (own ?? binder);
}

/** Where a coat goes, what to hold and what to do. */
function wayOf({ job, surface, form, coat }: Asked): CardWay {
  const { id } = coat.technique;
  const bench: Partial<TechniqueDefinition["bench"]> = isTechniqueId(id) ? techniques[id].bench : {};
  const { tool = "", how = "", trial = null } = bench;
  return { where: placeName(coat.place, patternOf(job, surface, form)), tool, how, trial };
}

function cardFor(asked: Asked): Card {
  const { job, surface, form, coat, step, paints, painter } = asked;
  const id = `${surface.id}/${coat.id}`;
  const work = coatWork(job, surface, form, coat, painter);
  const mix = mixById(job, coat.mixId) ?? null;
  const share = unitShareOf(job, surface, coat);
  const figures = figuresWith(share);
  const pieces = piecesOf(surface);
  const film = filmOf(asked, mix);
  const drying = dryingFor(film, painter);
  return {
    ...{ id, surface, coat, mix, work, step, drying, figures, pieces, onFigures: share.byMix },
    ...{ water: waterOf(asked), dryer: dryerAt(film, painter.dryingTimes) },
    roomDry: drying.touchDry / painter.dryingTimes,
    title: coat.name,
    way: wayOf(asked),
    countFirst: countingOf(job, surface, form, coat),
    laid: asked.laid,
    batch: ownBatch(asked, mix, figuresInOwnMix(share)),
    needs: needsOf(asked, id, mix, share),
    mixing: [],
    strokes: work.strokes * coat.passes * figures * pieces,
    handMinutes: painter.setUpMinutes + work.handMinutes * coat.passes * figures * pieces,
    dryMinutes: drying.touchDry,
    lookAt: [...unitSays(job, surface, share), ...lookAt(job, surface, form, coat, work)],
    caution: cautionOf(coat, mix, paints),
  };
}

/** When each card is wanted where they are painted one after the other, minutes from the first. */
function oneAfterTheOther(cards: readonly Card[]): number[] {
  let minutes = 0;
  return cards.map((card) => {
    const at = minutes;
    minutes += card.handMinutes + card.dryMinutes * card.coat.passes;
    return at;
  });
}

/**
 * Cards with the batches their paint comes from.
 * @param cards in the order in which they are painted
 * @param wantedAt when each is wanted, minutes from the first
 */
export function withBatches(
  cards: readonly Card[],
  wantedAt: readonly number[],
  paints: readonly Paint[],
  painter: Painter,
): Card[] {
  const needs = cards.flatMap((card, at) =>
    card.needs.map((need) => ({ ...need, atMinutes: wantedAt[at]! })),
  );
  const batches = batchesOf(needs, paints, painter);
  return cards.map((card) => ({
    ...card,
    mixing: batches.filter((batch) => batch.cards.some(({ id }) => id === card.id)),
  }));
}

/** The cards of one surface, before batches; none where it cannot be built: the check says why. */
function cardsOn(job: Job, surface: Surface, paints: readonly Paint[], painter: Painter): Card[] {
  try {
    const form = buildForm(surface);
    const { coats, grid } = glanceAt(job, surface);
    const cards = coats.flatMap(({ coat, film }, step) =>
      isMishap(coat)
        ? []
        : [cardFor({ job, surface, form, coat, step, laid: paintIn(film, grid), paints, painter })],
    );
    return countedOnce(cards);
  } catch (error) {
    if (error instanceof InputError) return [];
    throw error;
  }
}

/** Every card in order. Surfaces that cannot be built have none. */
export function cardsOf(job: Job, paints: readonly Paint[], painter: Painter): Card[] {
  const cards = job.surfaces.flatMap((surface) => cardsOn(job, surface, paints, painter));
  return withBatches(cards, oneAfterTheOther(cards), paints, painter);
}

/** Time of several cards, minutes: of the hand, and of drying. */
export interface Totals {
  readonly handMinutes: number;
  readonly dryMinutes: number;
}

/** Hand time and drying of a list of cards; passes of a coat wait for each other. */
export const totalsOf = (cards: readonly Card[]): Totals => ({
  handMinutes: cards.reduce((sum, card) => sum + card.handMinutes, 0),
  dryMinutes: cards.reduce((sum, card) => sum + card.dryMinutes * card.coat.passes, 0),
});

/** Cautions that hold for every sitting with water-based paint. */
export const SITTING_CAUTIONS = [
  "Do not lick the brush: pigments may be toxic. Follow the label of every pot.",
  "Cut the paper strip away from your hand, with a sharp blade.",
  "Dispose of rinse water by your local rules.",
] as const;
