import { BANDS, MAX_REFLECTANCE, MIN_REFLECTANCE, RGB_WEIGHTS } from "./bands";
import { solveLinear } from "./linear";
import { hexToLinear, type Triple } from "./spaces";

/** Reflectance, 0…1, at the twelve bands. */
export type Spectrum = Float64Array;

/** The same reflectance 0…1 at every band. */
export const uniformSpectrum = (reflectance: number): Spectrum => new Float64Array(BANDS).fill(reflectance);

/** Light of two spectra side by side, as the eye adds them: a plain average per band. */
export function averageLight(a: Spectrum, b: Spectrum, shareOfB = 0.5): Spectrum {
  return a.map((value, band) => value * (1 - shareOfB) + b[band]! * shareOfB);
}

/** One Newton system of the least-slope problem at the current z and multipliers. */
function newtonSystem(z: readonly number[], lambda: readonly number[], target: Triple): number[][] {
  const n = BANDS + 3;
  const matrix = Array.from({ length: n }, () => new Array<number>(n + 1).fill(0));
  for (let band = 0; band < BANDS; band++) {
    const row = matrix[band]!;
    const th = Math.tanh(z[band]!);
    const slope = (1 - th * th) / 2;
    const pull = RGB_WEIGHTS.reduce((sum, weights, axis) => sum + weights[band]! * lambda[axis]!, 0);
    const diagonal = band === 0 || band === BANDS - 1 ? 2 : 4;
    row[band] = diagonal - 2 * slope * th * pull;
    let gradient = diagonal * z[band]!;
    for (const next of [band - 1, band + 1]) {
      if (next < 0 || next >= BANDS) continue;
      row[next] = -2;
      gradient -= 2 * z[next]!;
    }
    for (let axis = 0; axis < 3; axis++) {
      const coupling = slope * RGB_WEIGHTS[axis]![band]!;
      row[BANDS + axis] = coupling;
      matrix[BANDS + axis]![band] = coupling;
      matrix[BANDS + axis]![n]! -= (RGB_WEIGHTS[axis]![band]! * (th + 1)) / 2;
    }
    row[n] = -(gradient + slope * pull);
  }
  for (let axis = 0; axis < 3; axis++) matrix[BANDS + axis]![n]! += target[axis]!;
  return matrix;
}

/**
 * The smoothest reflectance, in hyperbolic space, that has a given colour under D65.
 * Source: Burns, "Numerical methods for smoothest reflectance reconstruction", Color Res Appl 45, 2020 (LHTSS).
 * @param linear linear sRGB, 0…1; values at the very ends are moved in by less than half a byte
 */
export function linearToSpectrum(linear: Triple): Spectrum {
  const target = linear.map((channel) => Math.min(0.9985, Math.max(0.00012, channel))) as unknown as Triple;
  if (Math.max(...linear) < 0.00015) return uniformSpectrum(0.0001);
  const z = new Array<number>(BANDS).fill(Math.atanh(2 * Math.min(0.97, Math.max(0.03, target[1])) - 1));
  const lambda = [0, 0, 0];
  for (let turn = 0; turn < 60; turn++) {
    const step = solveLinear(newtonSystem(z, lambda, target));
    const largest = step.slice(0, BANDS).reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    // A full step from far away overshoots the flat ends of tanh; hold it to half a unit of z or so.
    const scale = largest > 0.8 ? 0.8 / largest : 1;
    for (let band = 0; band < BANDS; band++) z[band]! += scale * step[band]!;
    for (let axis = 0; axis < 3; axis++) lambda[axis]! += scale * step[BANDS + axis]!;
    if (largest < 1e-9) break;
  }
  return Float64Array.from(z, (value) => (Math.tanh(value) + 1) / 2);
}

/** As `linearToSpectrum`, held inside the range in which film optics stay well behaved. */
export function hexToSpectrum(hex: string): Spectrum {
  return linearToSpectrum(hexToLinear(hex)).map((value) =>
    Math.min(MAX_REFLECTANCE, Math.max(MIN_REFLECTANCE, value)),
  );
}
