import { chromaOf, type Triple } from "../colour/spaces";

/** Pairs of surfaces that lie side by side, by id. */
export type Touching = readonly (readonly [string, string])[];

/** Which colour each surface gets, and how unlike those are that touch. */
export interface Assignment {
  /** Which colour each surface gets, by its place in the list of colours. */
  readonly colourOf: Readonly<Record<string, number>>;
  /** Smallest difference of L* between two that touch; Infinity where none do. */
  readonly leastStep: number;
}

/** Up to this many ways are all tried. */
const ALL_WAYS = 60_000;
/** Neighbours further apart in lightness than this gain nothing more. */
const ENOUGH_STEP = 11;

interface Score {
  readonly least: number;
  readonly sum: number;
}

/**
 * Gives colours to surfaces so that no two that touch are alike in lightness: the smallest step between neighbours is
 * made as large as it can be (up to a step that reads clearly), then as many different colours as there are surfaces
 * are used, then larger steps win. Complete where there are few ways; else each surface is turned in
 * rounds to what suits its neighbours best, which is not always the best there is.
 * @param colours L*a*b*
 * @throws RangeError where there are no colours
 */
export function assignColours(
  surfaces: readonly string[],
  touching: Touching,
  colours: readonly Triple[],
): Assignment {
  if (colours.length === 0) throw new RangeError("there must be at least one colour to give");
  const at = new Map(surfaces.map((id, index) => [id, index]));
  const pairs = touching.flatMap(([a, b]) => {
    const [from, to] = [at.get(a), at.get(b)];
    return from !== undefined && to !== undefined && from !== to ? [[from, to] as const] : [];
  });
  const step = (a: number, b: number) => Math.abs(colours[a]![0] - colours[b]![0]);
  const score = (way: readonly number[]): Score => {
    const least = pairs.reduce((most, [a, b]) => Math.min(most, step(way[a]!, way[b]!)), ENOUGH_STEP);
    const sum = pairs.reduce((all, [a, b]) => all + Math.min(ENOUGH_STEP, step(way[a]!, way[b]!)), 0);
    return { least, sum: new Set(way).size * 1000 + sum };
  };
  const better = (a: Score, b: Score) =>
    a.least > b.least + 1e-9 || (a.least > b.least - 1e-9 && a.sum > b.sum);
  const best =
    colours.length ** surfaces.length <= ALL_WAYS
      ? tryAll(surfaces.length, colours.length, score, better)
      : turnInRounds(surfaces.length, colours.length, score, better);
  const steps = pairs.map(([a, b]) => step(best[a]!, best[b]!));
  return {
    colourOf: Object.fromEntries(surfaces.map((id, index) => [id, best[index]!])),
    leastStep: steps.length > 0 ? Math.min(...steps) : Infinity,
  };
}

type Judge = (way: readonly number[]) => Score;
type Better = (a: Score, b: Score) => boolean;

function tryAll(count: number, colours: number, score: Judge, better: Better): number[] {
  let best = new Array<number>(count).fill(0);
  let bestScore = score(best);
  const way = new Array<number>(count).fill(0);
  for (let number = 1; number < colours ** count; number++) {
    let rest = number;
    for (let k = 0; k < count; k++) {
      way[k] = rest % colours;
      rest = Math.floor(rest / colours);
    }
    const found = score(way);
    if (better(found, bestScore)) [best, bestScore] = [[...way], found];
  }
  return best;
}

function turnInRounds(count: number, colours: number, score: Judge, better: Better): number[] {
  const best = Array.from({ length: count }, (_, at) => at % colours);
  let bestScore = score(best);
  for (let round = 0; round < 12; round++) {
    let changed = false;
    for (let k = 0; k < count; k++) {
      const own = best[k]!;
      for (let colour = 0; colour < colours; colour++) {
        const before = best[k]!;
        best[k] = colour;
        const found = score(best);
        if (better(found, bestScore)) bestScore = found;
        else best[k] = before;
      }
      changed ||= best[k] !== own;
    }
    if (!changed) break;
  }
  return best;
}

/** Lightness and hue of the browns that leathers are given, against a first one; all within what leather is dyed. */
const STEPS: readonly (readonly [lighter: number, hueDeg: number, chroma: number])[] = [
  [0, 0, 1],
  [-12, -10, 0.75],
  [13, 10, 0.95],
  [-21, -22, 0.5],
  [24, 16, 0.7],
  [6, -14, 1.1],
];

/**
 * Browns of one family for a figure's leathers: the first, then darker and lighter ones that lean to either side, each
 * drawn a little towards a colour of the figure's own palette so that they belong to it.
 * @param first L*a*b* of the leather the figure is known by
 * @param echo L*a*b* of a colour found elsewhere on the figure; null for none
 */
export function leatherFamily(first: Triple, echo: Triple | null, count: number): Triple[] {
  const hue = Math.atan2(first[2], first[1]);
  const chroma = chromaOf(first);
  return STEPS.slice(0, Math.max(1, Math.min(STEPS.length, count))).map(([lighter, hueDeg, share], at) => {
    const angle = hue + (hueDeg * Math.PI) / 180;
    const own: Triple = [
      Math.min(78, Math.max(14, first[0] + lighter)),
      chroma * share * Math.cos(angle),
      chroma * share * Math.sin(angle),
    ];
    if (!echo || at === 0) return own;
    const drawn = 0.12;
    return [own[0], own[1] + drawn * (echo[1] - own[1]), own[2] + drawn * (echo[2] - own[2])];
  });
}
