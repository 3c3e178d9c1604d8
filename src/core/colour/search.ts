import type { MixPart, Paint } from "../job";
import { paintOptics } from "./appearance";
import { BANDS } from "./bands";
import { ciede2000 } from "./difference";
import { masstone, type Optics } from "./film";
import { mixOptics } from "./mix";
import { seer, type SeenAs } from "./seenAs";
import { spectrumToLab, type Triple } from "./spaces";
import { thickLabs } from "./thickLabs";

/** Whole parts of pots, by their place in the list. */
export interface Recipe {
  readonly pots: readonly number[];
  readonly parts: readonly number[];
}

/** A mix found for a goal, and how far it is off, CIEDE2000. */
export interface FoundMix {
  readonly parts: readonly MixPart[];
  /** CIEDE2000 against the goal, as the mix will be seen. */
  readonly difference: number;
  readonly lab: Triple;
}

/** Mixes nearer to each other than this cannot be told apart in their rank. */
const RANK_STEPS = 5;
/** The step of difference, a fifth of a unit wide, in which a mix is ranked. */
export const rankStep = (difference: number): number => Math.round(difference * RANK_STEPS);
/** Largest difference that still falls into a step. */
export const endOfStep = (step: number): number => (step + 0.5) / RANK_STEPS;

const size = (mix: FoundMix) =>
  mix.parts.length * 1000 + mix.parts.reduce((sum, part) => sum + part.parts, 0);

/** By difference; where two mixes cannot be told apart, fewer pots and then fewer parts come first. */
export const compareMixes = (a: FoundMix, b: FoundMix): number =>
  rankStep(a.difference) - rankStep(b.difference) || size(a) - size(b) || a.difference - b.difference;

/** L*a*b* of recipes as they will be seen; buffers are reused, so that millions can be tried. */
function labsSeen(paints: readonly Paint[], seen: SeenAs): (recipe: Recipe) => Triple {
  const optics = paints.map((paint) => paintOptics(paint));
  const see = seer(seen);
  const mixed: Optics = { absorption: new Float64Array(BANDS), scattering: new Float64Array(BANDS) };
  return ({ pots, parts }) => {
    let total = 0;
    mixed.absorption.fill(0);
    mixed.scattering.fill(0);
    for (let k = 0; k < pots.length; k++) {
      const weight = parts[k]! * paints[pots[k]!]!.strength;
      const one = optics[pots[k]!]!;
      total += weight;
      for (let band = 0; band < BANDS; band++) {
        mixed.absorption[band]! += weight * one.absorption[band]!;
        mixed.scattering[band]! += weight * one.scattering[band]!;
      }
    }
    for (let band = 0; band < BANDS; band++) {
      mixed.absorption[band]! /= total;
      mixed.scattering[band]! /= total;
    }
    return spectrumToLab(see(mixed));
  };
}

/** What is found of a recipe: its colour as it will be seen, and how far that is off, CIEDE2000. */
type Judged = Pick<FoundMix, "difference" | "lab">;

/** Judges recipes against a goal. */
export function judge(paints: readonly Paint[], goal: Triple, seen: SeenAs): (recipe: Recipe) => Judged {
  const labOf = labsSeen(paints, seen);
  return (recipe) => {
    const lab = labOf(recipe);
    return { difference: ciede2000(lab, goal), lab };
  };
}

/** Parts by the ids of their pots, with what was judged of them. */
export const namedMix = (paints: readonly Paint[], { pots, parts }: Recipe, judged: Judged): FoundMix => ({
  parts: pots.map((pot, k) => ({ paintId: paints[pot]!.id, parts: parts[k]! })),
  ...judged,
});

/** Greatest common divisor of two whole numbers. */
export const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/** Part numbers without a common divisor, so that 2 : 4 is not tried beside 1 : 2; the last number runs fastest. */
export function ratios(count: number, most: number): number[][] {
  let rows: number[][] = [[]];
  for (let k = 0; k < count; k++) {
    rows = rows.flatMap((row) => Array.from({ length: most }, (_, part) => [...row, part + 1]));
  }
  return rows.filter((row) => row.reduce(gcd, 0) === 1);
}

/** How far a search goes: parts, pots, and answers to keep. */
export interface SearchOptions {
  /** Largest number of parts of one pot. */
  readonly mostParts: number;
  /** Most pots in a mix, 1 to 3. */
  readonly pots: 1 | 2 | 3;
  /** How many mixes are wanted. */
  readonly keep: number;
  /** Thick where left out. */
  readonly seen?: SeenAs;
}

/** The best so far in their order; of those that are alike the first found comes first. */
class Best {
  readonly mixes: FoundMix[] = [];

  constructor(private readonly most: number) {}

  /** Whether a mix so far off can still come among them. */
  takes(difference: number): boolean {
    return this.mixes.length < this.most || rankStep(difference) <= rankStep(this.mixes.at(-1)!.difference);
  }

  add(mix: FoundMix): void {
    const { mixes } = this;
    let at = mixes.length;
    while (at > 0 && compareMixes(mixes[at - 1]!, mix) > 0) at--;
    mixes.splice(at, 0, mix);
    if (mixes.length > this.most) mixes.pop();
  }
}

/** All sets of one to so many places in a list. */
function* potSets(count: number, most: number): Generator<number[]> {
  function* more(from: number, pots: number[]): Generator<number[]> {
    if (pots.length > 0) yield pots;
    if (pots.length === most) return;
    for (let next = from; next < count; next++) yield* more(next + 1, [...pots, next]);
  }
  yield* more(0, []);
}

/**
 * The whole-part mixes nearest to a goal, by trying every one of them: what the table of all mixes is tested against, and
 * what is used where WebAssembly is missing. Colours of thick films are kept for the next goal.
 * @param goal L*a*b* to be met, as the mix will be seen
 * @returns at most `keep` mixes, best first
 */
export function tryAllMixes(paints: readonly Paint[], goal: Triple, options: SearchOptions): FoundMix[] {
  const { mostParts, seen = { kind: "thick" } } = options;
  const labOf = labsSeen(paints, seen);
  const best = new Best(options.keep);
  const sets = [1, mostParts, mostParts].map((most, at) => ({
    name: `${at + 1}:${most}`,
    parts: ratios(at + 1, most),
  }));
  for (const pots of potSets(paints.length, options.pots)) {
    const set = sets[pots.length - 1]!;
    const own = pots.map((pot) => paints[pot]!);
    const labs = seen.kind === "thick" ? thickLabs(own, set, (parts) => labOf({ pots, parts })) : null;
    set.parts.forEach((parts, at) => {
      const lab: Triple = labs
        ? [labs[3 * at]!, labs[3 * at + 1]!, labs[3 * at + 2]!]
        : labOf({ pots, parts });
      const difference = ciede2000(lab, goal);
      if (best.takes(difference)) best.add(namedMix(paints, { pots, parts }, { difference, lab }));
    });
  }
  return best.mixes;
}

/** L*a*b* of a thick film of a mix. */
export function labOfParts(parts: readonly MixPart[], paints: readonly Paint[]): Triple {
  const known = parts.flatMap((part) => {
    const paint = paints.find((candidate) => candidate.id === part.paintId);
    return paint ? [{ optics: paintOptics(paint), parts: part.parts, strength: paint.strength }] : [];
  });
  return spectrumToLab(masstone(mixOptics(known)));
}
