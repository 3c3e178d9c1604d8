import type { Paint } from "../job";
import { compareMixes, type FoundMix } from "./search";
import { chromaOf, hexToLab, type Triple } from "./spaces";

/*
 * What a recipe costs at the palette, in units of colour difference (CIEDE2000): so much nearer it must come to be worth
 * it. Set by eye, on what painters write down: two or three pots in a handful of parts, black and white kept for last,
 * and a pot that is open already before one that is not.
 */
const POT = 0.7;
const PART = 0.12;
const FEW_PARTS = 4;
const UNOPENED = 0.35;
/** A pot of another hue than the goal's greys it: all of it on the other side of the circle costs this much. */
const AGAINST_HUE = 1.2;
/** Hues this near to the goal's are its own, degrees. */
const SAME_HUE = 40;
/** A pot far from the goal in a* and b*: nobody mixes a brown from green and red while a brown stands there. */
const UNLIKE = 1.6;
/** So far off a pot still looks like the goal, and so much farther it is quite unlike it, in units of a* and b*. */
const [ALIKE, QUITE_UNLIKE] = [18, 60] as const;
/** Below this chroma a colour has no hue to speak of. */
const GREY = 8;

const hueApart = (one: Triple, other: Triple): number => {
  const turn = ((Math.atan2(one[2], one[1]) - Math.atan2(other[2], other[1])) * 180) / Math.PI;
  return Math.abs(((turn + 540) % 360) - 180);
};

/** How far the hue of one pot lies from the goal's beyond what still counts as its own, 0…1; 0 where either is grey. */
function againstHue(pot: Triple, goal: Triple): number {
  if (chromaOf(pot) < GREY || chromaOf(goal) < GREY) return 0;
  return Math.max(0, hueApart(pot, goal) - SAME_HUE) / (180 - SAME_HUE);
}

/** How unlike the goal one pot looks but for its lightness, 0…1. */
const unlike = (pot: Triple, goal: Triple): number =>
  Math.min(1, Math.max(0, Math.hypot(pot[1] - goal[1], pot[2] - goal[2]) - ALIKE) / QUITE_UNLIKE);

/** What a painter goes by besides the colour itself. */
export interface AtThePalette {
  readonly paints: readonly Paint[];
  /** L*a*b* to be met. */
  readonly goal: Triple;
  /** Pots that are in use already. */
  readonly inUse: ReadonlySet<string>;
}

/** What a mix costs in pots, parts, new pots and pots unlike the goal, in units of CIEDE2000; never below 0. */
export function bother({ parts }: Pick<FoundMix, "parts">, { paints, goal, inUse }: AtThePalette): number {
  const all = parts.reduce((sum, part) => sum + part.parts, 0);
  const against = parts.reduce((sum, part) => {
    const pot = paints.find(({ id }) => id === part.paintId);
    if (!pot) return sum;
    const lab = hexToLab(pot.thick);
    return sum + (part.parts / all) * (AGAINST_HUE * againstHue(lab, goal) + UNLIKE * unlike(lab, goal));
  }, 0);
  const unopened = parts.filter(({ paintId }) => !inUse.has(paintId)).length;
  return POT * (parts.length - 1) + PART * Math.max(0, all - FEW_PARTS) + UNOPENED * unopened + against;
}

/** Mixes in the order a painter would try them: nearness and bother together, least first. */
export function asPainted(mixes: readonly FoundMix[], palette: AtThePalette): FoundMix[] {
  return mixes
    .map((mix) => ({ mix, cost: mix.difference + bother(mix, palette) }))
    .sort((a, b) => a.cost - b.cost || compareMixes(a.mix, b.mix))
    .map(({ mix }) => mix);
}

const keyOf = ({ parts }: FoundMix) =>
  parts
    .map(({ paintId, parts: count }) => `${paintId}:${count}`)
    .sort()
    .join("/");

/** Mixes without those that are there twice. */
export const different = (mixes: readonly FoundMix[]): FoundMix[] => [
  ...new Map(mixes.map((mix) => [keyOf(mix), mix])).values(),
];
