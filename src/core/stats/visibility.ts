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
