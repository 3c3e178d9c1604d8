import { contrastSensitivity, cyclesPerDegree } from "../stats/visibility";
import { ciede2000 } from "./difference";
import { layFilm, masstone, type Optics } from "./film";
import { mixOptics } from "./mix";
import { spectrumToLab, type Triple } from "./spaces";
import type { Spectrum } from "./spectrum";

/** One step of a gradient: parts of both ends, and the colour they give. */
export interface GradientStep {
  /** Whole parts of the first and of the second end. */
  readonly parts: readonly [first: number, second: number];
  readonly spectrum: Spectrum;
  readonly lab: Triple;
}

/** A row of mixes from one colour to another, and how even its steps are. */
export interface Gradient {
  readonly steps: readonly GradientStep[];
  /** CIEDE2000 from each step to the next. */
  readonly jumps: readonly number[];
  /** Largest departure of a jump from the mean, as a share of the mean. */
  readonly unevenness: number;
}

/** How the steps will lie: as films of a thickness over a ground, or thick where null. */
export type GradientFilm = { readonly filmUm: number; readonly ground: Spectrum } | null;

const SAMPLES = 240;

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

function look(first: Optics, second: Optics, a: number, b: number, film: GradientFilm): Spectrum {
  const mixed = mixOptics([
    { optics: first, parts: a, strength: 1 },
    { optics: second, parts: b, strength: 1 },
  ]);
  return film ? layFilm(mixed, film.filmUm, film.ground) : masstone(mixed);
}

/** Visible way travelled from the first end at even shares of the second, by summing small CIEDE2000 steps. */
function travelled(first: Optics, second: Optics, film: GradientFilm): Float64Array {
  const way = new Float64Array(SAMPLES + 1);
  let before = spectrumToLab(look(first, second, 1, 0, film));
  for (let sample = 1; sample <= SAMPLES; sample++) {
    const share = sample / SAMPLES;
    const here = spectrumToLab(look(first, second, 1 - share, share, film));
    way[sample] = way[sample - 1]! + ciede2000(before, here);
    before = here;
  }
  return way;
}

function wayAt(way: Float64Array, share: number): number {
  const at = share * SAMPLES;
  const low = Math.min(SAMPLES - 1, Math.floor(at));
  return way[low]! + (way[low + 1]! - way[low]!) * (at - low);
}

/**
 * Steps from one mix to another that look evenly spaced dry and in their film, in whole parts.
 * Strong tinters pull even parts together: the steps are even to the eye, not in parts.
 * @param count steps, both ends among them, at least 2
 * @param mostParts largest number of parts of either end in one step
 * @throws RangeError below two steps
 */
export function gradientBetween(
  first: Optics,
  second: Optics,
  count: number,
  mostParts: number,
  film: GradientFilm,
): Gradient {
  if (count < 2) throw new RangeError(`a gradient has at least 2 steps, got ${count}`);
  const way = travelled(first, second, film);
  const total = way[SAMPLES]!;
  const ratios: { parts: [number, number]; way: number }[] = [];
  for (let a = 1; a <= mostParts; a++) {
    for (let b = 1; b <= mostParts; b++) {
      if (gcd(a, b) === 1) ratios.push({ parts: [a, b], way: wayAt(way, b / (a + b)) });
    }
  }
  const chosen: [number, number][] = [[1, 0]];
  for (let step = 1; step < count - 1; step++) {
    const goal = (total * step) / (count - 1);
    const best = ratios.reduce((near, one) =>
      Math.abs(one.way - goal) < Math.abs(near.way - goal) ? one : near,
    );
    chosen.push(best.parts);
  }
  chosen.push([0, 1]);
  const steps = chosen.map((parts): GradientStep => {
    const spectrum = look(first, second, parts[0], parts[1], film);
    return { parts, spectrum, lab: spectrumToLab(spectrum) };
  });
  const jumps = steps.slice(1).map((step, at) => ciede2000(steps[at]!.lab, step.lab));
  const mean = jumps.reduce((sum, jump) => sum + jump, 0) / jumps.length;
  const unevenness = mean > 0 ? Math.max(...jumps.map((jump) => Math.abs(jump - mean))) / mean : 0;
  return { steps, jumps, unevenness };
}

/** A jump of CIEDE2000 between broad neighbouring fields that the eye lets pass. */
const SEEN_JUMP = 1.5;
const MOST_STEPS = 99;
/** Bars per degree at which contrast is seen best (Mannos and Sakrison 1974). */
const BEST_SEEN = 8;

/**
 * A jump that is not seen where each step is a band of a width, looked at from a distance. Up to eight bars a degree it
 * is 1.5; finer bands are seen less, as the contrast sensitivity of the eye falls.
 * @param stepMm width of one step
 */
export function unseenJump(stepMm: number, distanceMm: number): number {
  const cycles = Math.max(BEST_SEEN, cyclesPerDegree(stepMm, distanceMm));
  return (SEEN_JUMP * contrastSensitivity(BEST_SEEN)) / contrastSensitivity(cycles);
}

/**
 * Steps, both ends among them, until the eye sees no jump.
 * @param place how long the gradient is on the figure, and from where it is looked at, mm
 */
export function stepsWithoutJump(
  first: Optics,
  second: Optics,
  film: GradientFilm,
  place: { readonly lengthMm: number; readonly distanceMm: number },
): number {
  const total = travelled(first, second, film)[SAMPLES]!;
  for (let steps = 2; steps < MOST_STEPS; steps++) {
    if (total / (steps - 1) <= unseenJump(place.lengthMm / steps, place.distanceMm)) return steps;
  }
  return MOST_STEPS;
}

/** The gradient as one continuous pull: its light at even shares of the visible way. */
export function continuousPull(first: Optics, second: Optics, film: GradientFilm, count: number): Spectrum[] {
  const way = travelled(first, second, film);
  return Array.from({ length: count }, (_, at) => {
    const goal = (way[SAMPLES]! * at) / (count - 1);
    let sample = 0;
    while (sample < SAMPLES && way[sample]! < goal) sample++;
    const share = sample / SAMPLES;
    return look(first, second, 1 - share, share, film);
  });
}

/** Place of each step on the visible way, 0…1. */
export function placesOfSteps(gradient: Gradient): number[] {
  const total = gradient.jumps.reduce((sum, jump) => sum + jump, 0);
  let at = 0;
  return [0, ...gradient.jumps.map((jump) => (at += jump) / (total || 1))];
}
