import type { MixPart, Paint } from "../job";
import { paintOptics } from "./appearance";
import { ciede2000 } from "./difference";
import { filmLight, overGround, type Optics } from "./film";
import { mixOptics } from "./mix";
import { gcd } from "./search";
import { spectrumToLab, type Triple } from "./spaces";
import type { Spectrum } from "./spectrum";

/** A tone that is there and what it should become. */
export interface ToneGoal {
  readonly ground: Spectrum;
  readonly goal: Triple;
}

/** A glaze that carries the tones towards their goals, and how near each comes. */
export interface FoundGlaze {
  readonly parts: readonly MixPart[];
  /** Parts of water to one of paint. */
  readonly water: number;
  readonly coats: number;
  /** Dry film of all coats, µm. */
  readonly filmUm: number;
  /** CIEDE2000 of each tone from its goal. */
  readonly differences: readonly number[];
  /** Root of their mean square: what is ranked. */
  readonly score: number;
  readonly spectra: readonly Spectrum[];
}

/** What a search for a glaze may use. */
export interface GlazeOptions {
  /** Dry film of one coat at a thinning, µm. */
  readonly coatUm: (water: number) => number;
  readonly keep: number;
  /** Largest number of parts of one pot in a pair. */
  readonly mostParts: number;
}

/** Thinnings and numbers of coats a painter would lay as a glaze. */
export const GLAZE_WATERS = [2, 3, 4, 5, 6, 8, 10] as const;
export const GLAZE_COATS = [1, 2, 3, 4] as const;

/** A glaze whose good route ranks no further behind than this may have a better one, and is tried out. */
const NEARLY = 2;

interface Route {
  readonly water: number;
  readonly coats: number;
  readonly filmUm: number;
}

const laid = (optics: Optics, filmUm: number, ground: Spectrum): Spectrum =>
  ground.map((value, band) =>
    overGround(filmLight(optics.absorption[band]!, optics.scattering[band]!, filmUm), value),
  );

function scoreOf(optics: Optics, filmUm: number, tones: readonly ToneGoal[]) {
  const spectra = tones.map(({ ground }) => laid(optics, filmUm, ground));
  const differences = spectra.map((seen, at) => ciede2000(spectrumToLab(seen), tones[at]!.goal));
  const score = Math.sqrt(differences.reduce((sum, value) => sum + value * value, 0) / tones.length);
  return { spectra, differences, score };
}

/** Ways of laying a glaze, thinnest film first. */
function routes(coatUm: (water: number) => number): Route[] {
  return GLAZE_WATERS.flatMap((water) =>
    GLAZE_COATS.map((coats) => ({ water, coats, filmUm: coatUm(water) * coats })),
  ).sort((a, b) => a.filmUm - b.filmUm || a.coats - b.coats);
}

/** The best route of one glaze, each tried. */
function bestOfAll(optics: Optics, ways: readonly Route[], tones: readonly ToneGoal[]): Route {
  const scores = ways.map(({ filmUm }) => scoreOf(optics, filmUm, tones).score);
  return ways[scores.reduce((best, score, at) => (score < scores[best]! - 1e-9 ? at : best), 0)]!;
}

/** A route near the best of one glaze: the score mostly falls and rises once with the film, so a third is tried, then around. */
function goodRoute(optics: Optics, ways: readonly Route[], tones: readonly ToneGoal[]): Route {
  const scores = new Map<number, number>();
  const at = (index: number) => {
    const known = scores.get(index);
    if (known !== undefined) return known;
    const { score } = scoreOf(optics, ways[index]!.filmUm, tones);
    scores.set(index, score);
    return score;
  };
  for (let index = 0; index < ways.length; index += 3) at(index);
  const coarse = [...scores].reduce((a, b) => (b[1] < a[1] ? b : a))[0];
  let best = coarse;
  for (let index = Math.max(0, coarse - 2); index <= Math.min(ways.length - 1, coarse + 2); index++) {
    if (at(index) < at(best) - 1e-9) best = index;
  }
  return ways[best]!;
}

/** Every pair of whole parts up to a number that cannot be made smaller. */
const pairsOfParts = (mostParts: number): (readonly [number, number])[] => {
  const parts = Array.from({ length: mostParts }, (_, at) => at + 1);
  return parts.flatMap((m) => parts.flatMap((n) => (gcd(m, n) === 1 ? [[m, n] as const] : [])));
};

/**
 * Which glaze, thinned how and laid how often, carries some tones nearest to their goals: every pot and every pair of
 * pots in whole parts is tried.
 * @param wanted asked now and then; false stops it
 * @returns at most `keep` glazes, best first; null where it was stopped
 */
export async function findGlazes(
  paints: readonly Paint[],
  tones: readonly ToneGoal[],
  { coatUm, keep, mostParts }: GlazeOptions,
  wanted: (done: number, total: number) => Promise<boolean>,
): Promise<FoundGlaze[] | null> {
  const ways = routes(coatUm);
  let best: FoundGlaze[] = [];
  const consider = (parts: readonly MixPart[], optics: Optics) => {
    // Half a unit more is worth a pot less.
    const rank = (one: Pick<FoundGlaze, "score" | "parts">) => one.score + 0.5 * (one.parts.length - 1);
    const worst = best.length === keep ? rank(best[keep - 1]!) : Infinity;
    const good = goodRoute(optics, ways, tones);
    if (rank({ parts, score: scoreOf(optics, good.filmUm, tones).score }) >= worst + NEARLY) return;
    const way = bestOfAll(optics, ways, tones);
    const seen = scoreOf(optics, way.filmUm, tones);
    if (rank({ parts, score: seen.score }) >= worst) return;
    best = [...best, { parts, ...way, ...seen }].sort((a, b) => rank(a) - rank(b)).slice(0, keep);
  };
  const pairs = pairsOfParts(mostParts);
  const optics = paints.map(paintOptics);
  for (const [first, one] of paints.entries()) {
    if (!(await wanted(first, paints.length))) return null;
    consider([{ paintId: one.id, parts: 1 }], optics[first]!);
    for (let second = first + 1; second < paints.length; second++) {
      const other = paints[second]!;
      for (const [m, n] of pairs) {
        const mixed = mixOptics([
          { optics: optics[first]!, parts: m, strength: one.strength },
          { optics: optics[second]!, parts: n, strength: other.strength },
        ]);
        const parts = [
          { paintId: one.id, parts: m },
          { paintId: other.id, parts: n },
        ];
        consider(parts, mixed);
      }
    }
  }
  return best;
}
