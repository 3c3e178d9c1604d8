import { ciede2000 } from "../colour/difference";
import type { Triple } from "../colour/spaces";

/**
 * Contrast sensitivity of the eye to bars. Source: Mannos and Sakrison, "The effects of a visual fidelity criterion on
 * the encoding of images", IEEE Trans Inf Theory 20, 1974, equation 22; scaled to a peak of 200 (bright room).
 * @param cyclesPerDegree pairs of bars in a degree of view, above 0
 * @returns 1 / threshold contrast
 */
export function contrastSensitivity(cyclesPerDegree: number): number {
  const peak = 0.9814;
  const at = 0.114 * cyclesPerDegree;
  const relative = 2.6 * (0.0192 + at) * Math.exp(-Math.pow(at, 1.1));
  return (200 * relative) / peak;
}

/** Pairs of bars of a width that fit in a degree of view at a distance, both in mm. */
export const cyclesPerDegree = (barMm: number, distanceMm: number): number =>
  (distanceMm * Math.tan(Math.PI / 180)) / (2 * barMm);

/** Michelson contrast of two luminances, 0…1. */
export const michelson = (a: number, b: number): number => (a + b > 0 ? Math.abs(a - b) / (a + b) : 0);

/** How many times over the threshold of sight a pair of bars lies; below 1 it cannot be seen, from about 3 it reads. */
export function visibility(
  luminanceA: number,
  luminanceB: number,
  barMm: number,
  distanceMm: number,
): number {
  return michelson(luminanceA, luminanceB) * contrastSensitivity(cyclesPerDegree(barMm, distanceMm));
}

/** A pair of bars reads from this many times over the threshold of sight. */
export const READS = 3;

/**
 * The lightness a mark needs on its ground so that marks of its width read one by one from a distance.
 * @param ground L* of the ground
 * @param way 1 for a lighter mark, −1 for a darker one
 * @returns L*; null where no mark of that width is seen apart from there
 */
export function lightnessToRead(
  ground: number,
  markMm: number,
  distanceMm: number,
  way: 1 | -1,
): number | null {
  const contrast = READS / contrastSensitivity(cyclesPerDegree(markMm, distanceMm));
  const own = luminanceOf(ground);
  if (contrast >= 1) return null;
  const ratio = (1 + contrast) / (1 - contrast);
  const wanted = way > 0 ? own * ratio : own / ratio;
  return wanted > 1 ? null : lightnessOf(wanted);
}

/** From how far marks of a width still read one by one, mm; 0 where not even from a hand's breadth. */
export function readsFrom(ground: number, mark: number, markMm: number): number {
  const reads = (mm: number) => visibility(luminanceOf(ground), luminanceOf(mark), markMm, mm) >= READS;
  // Nearer than a hand's breadth nothing is looked at; bars are easiest to see where about eight fill a degree.
  let [near, far] = [NEAREST_MM, 10_000];
  if (!reads(Math.max(near, easiestMm(markMm)))) return 0;
  near = Math.max(near, easiestMm(markMm));
  while (far - near > 1) {
    const middle = (near + far) / 2;
    if (reads(middle)) near = middle;
    else far = middle;
  }
  return near;
}

/** Nobody looks at a figure from nearer, mm. */
const NEAREST_MM = 100;
/** Bars of a degree that are seen best; the curve above has its peak there. */
const BEST_CYCLES = 8;
const easiestMm = (markMm: number): number => (BEST_CYCLES * 2 * markMm) / Math.tan(Math.PI / 180);

/** Weights and widths (degrees of view) by which the eye runs red against green, and blue against yellow together. */
const EYE_SPREAD = {
  redGreen: [
    [0.617, 0.0392],
    [0.383, 0.494],
  ],
  blueYellow: [
    [0.568, 0.0536],
    [0.432, 0.386],
  ],
} as const;

/** Share of a difference in hue between bars that is left once the eye has run them together: Gaussians over a wave. */
const hueLeft = (spread: readonly (readonly [number, number])[], cycles: number): number =>
  spread.reduce((sum, [weight, sigma]) => sum + weight * Math.exp(-2 * (Math.PI * sigma * cycles) ** 2), 0);

/**
 * Share of a difference in lightness that is seen: all of it where it lies far above the threshold, none at the
 * threshold. Source: Georgeson and Sullivan, "Contrast constancy", J Physiol 252, 1975.
 */
const lightLeft = (times: number): number => Math.max(0, 1 - 1 / Math.max(1e-9, times));

const luminanceOf = (lightness: number): number =>
  lightness > 8 ? ((lightness + 16) / 116) ** 3 : lightness / 903.3;
const lightnessOf = (luminance: number): number =>
  luminance > 0.008856 ? 116 * Math.cbrt(luminance) - 16 : 903.3 * luminance;

/**
 * CIEDE2000 between bars of two colours as they are seen from a distance. Hue is lost before lightness: red against
 * green and blue against yellow are blurred as the eye does (Zhang and Wandell, "A spatial extension of CIELAB", J SID
 * 5, 1997, weights made to add up to one).
 * @param barMm width of one bar, mm
 */
export function differenceAtDistance(one: Triple, other: Triple, barMm: number, distanceMm: number): number {
  const cycles = cyclesPerDegree(barMm, distanceMm);
  const times = visibility(luminanceOf(one[0]), luminanceOf(other[0]), barMm, distanceMm);
  const shares = [
    // Wide bars are seen by their edges, whatever the eye makes of slow waves.
    cycles < 1 ? 1 : lightLeft(times),
    hueLeft(EYE_SPREAD.redGreen, cycles),
    hueLeft(EYE_SPREAD.blueYellow, cycles),
  ];
  const seen = (own: Triple, beside: Triple) =>
    own.map(
      (value, axis) => (value + beside[axis]!) / 2 + (shares[axis]! * (value - beside[axis]!)) / 2,
    ) as unknown as Triple;
  return ciede2000(seen(one, other), seen(other, one));
}
