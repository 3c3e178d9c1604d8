import type { MixPart, Paint } from "../job";
import { bother } from "./bother";
import { compareMixes, tryAllMixes, type FoundMix } from "./search";
import type { SeenAs } from "./seenAs";
import { hexToLab, labToHex, type Triple } from "./spaces";
import { hexToSpectrum } from "./spectrum";

/** A mix of two pots further off than this is tried with three. */
const NEAR_ENOUGH = 3;
const PARTS = { two: 5, three: 4 } as const;
/** More pots than this are not tried in twos, nor more than this in threes; the nearest to the goal are. */
const MOST_POTS = { two: 48, three: 14 } as const;

/** A smooth spectrum that shows a colour. */
export const labToSpectrum = (lab: Triple) => hexToSpectrum(labToHex(lab));

const isOwned = (paint: Paint) => paint.state === "have" || paint.state === "low";
/** Pots that can be painted with so that they cover. */
export const covers = (paint: Paint) => isOwned(paint) && paint.kind === "paint";
/** Pots that tint what is below. */
export const tints = (paint: Paint) => isOwned(paint) && ["clear", "ink", "wash"].includes(paint.kind);

function nearest(paints: readonly Paint[], goal: Triple, most: number): Paint[] {
  const away = (paint: Paint) => {
    const [l, a, b] = hexToLab(paint.thick);
    return Math.hypot(l - goal[0], a - goal[1], b - goal[2]);
  };
  if (paints.length <= most) return [...paints];
  return [...paints].sort((one, other) => away(one) - away(other)).slice(0, most);
}

/** Whether two mixes are of the same parts. */
export const sameParts = (a: readonly MixPart[], b: readonly MixPart[]) =>
  a.length === b.length &&
  a.every((part) => b.some((own) => own.paintId === part.paintId && own.parts === part.parts));

/** The tones of one surface come of few pots: one that none of them uses yet costs this much besides, CIEDE2000. */
const WORTH_A_POT = 0.8;
/** Mixes looked at for the one that is least bother. */
const MANY = 60;

/** What is wished of a mix besides its colour. */
export interface MixWish {
  readonly care?: number;
  readonly but?: readonly (readonly MixPart[])[];
}

/**
 * The whole-part mix of owned pots that a painter would choose, nearness and bother together; null where none is owned.
 * @param wish how much nearness counts against bother, and which mixes will not do
 */
export function findMix(
  paints: readonly Paint[],
  goal: Triple,
  seen: SeenAs,
  inUse: ReadonlySet<string>,
  { care = 1, but = [] }: MixWish = {},
): FoundMix | null {
  const options = { keep: MANY, seen };
  const cost = (mix: FoundMix) =>
    care * mix.difference +
    bother(mix, { paints, goal, inUse }) +
    WORTH_A_POT * mix.parts.filter(({ paintId }) => !inUse.has(paintId)).length;
  const best = (found: readonly FoundMix[]) =>
    found
      .filter(({ parts }) => !but.some((other) => sameParts(parts, other)))
      .map((mix) => ({ mix, cost: cost(mix) }))
      .sort((a, b) => a.cost - b.cost || compareMixes(a.mix, b.mix))[0]?.mix;
  const two = tryAllMixes(nearest(paints, goal, MOST_POTS.two), goal, {
    ...options,
    mostParts: PARTS.two,
    pots: 2,
  });
  const simple = best(two);
  if (!simple || care * simple.difference <= NEAR_ENOUGH) return simple ?? null;
  const few = nearest(paints, goal, MOST_POTS.three);
  const three = tryAllMixes(few, goal, { ...options, mostParts: PARTS.three, pots: 3 });
  return best([...two, ...three]) ?? null;
}

/** Where a glaze gathers it lies about this thick, µm dry: there its colour counts. */
const GATHERED_UM = 7;

/**
 * The mix of clear pots whose gathered film takes a ground nearest to a goal; null where none is owned.
 * @param ground L*a*b* of what lies below
 * @param goal L*a*b* of what is to be seen where the film gathers
 */
export const findClear = (
  paints: readonly Paint[],
  ground: Triple,
  goal: Triple,
  inUse: ReadonlySet<string>,
): FoundMix | null =>
  findMix(paints, goal, { kind: "film", ground: labToSpectrum(ground), filmUm: GATHERED_UM }, inUse);
