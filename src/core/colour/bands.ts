/**
 * The twelve wavelength bands of all spectra, and how light in them is seen.
 * Observer: CIE 1931 2°, multi-lobe fit of Wyman, Sloan and Shirley, "Simple Analytic Approximations to the
 * CIE XYZ Color Matching Functions", JCGT 2(2), 2013. Illuminant: CIE D65 (CIE 15:2004, table T.1, 10 nm).
 */
export const BANDS = 12;
export const FIRST_NM = 410;
export const LAST_NM = 690;
/** Middle of a band, nm. */
export const bandNm = (band: number): number => FIRST_NM + ((LAST_NM - FIRST_NM) * band) / (BANDS - 1);

/** Reflectances stay inside these; a higher floor breaks dark saturated blues. */
export const MIN_REFLECTANCE = 0.0001;
export const MAX_REFLECTANCE = 0.985;

const D65_FROM_400_BY_10 = [
  82.7549, 91.486, 93.4318, 86.6823, 104.865, 117.008, 117.812, 114.861, 115.923, 108.811, 109.354, 107.802,
  104.79, 107.689, 104.405, 104.046, 100, 96.3342, 95.788, 88.6856, 90.0062, 89.5991, 87.6987, 83.2886,
  83.6992, 80.0268, 80.2146, 82.2778, 78.2842, 69.7213, 71.6091,
] as const;

function d65(nm: number): number {
  const at = (nm - 400) / 10;
  const low = Math.floor(at);
  const a = D65_FROM_400_BY_10[low] ?? 0;
  const b = D65_FROM_400_BY_10[low + 1] ?? a;
  return a + (b - a) * (at - low);
}

function lobe(nm: number, height: number, centre: number, below: number, above: number): number {
  const t = (nm - centre) / (nm < centre ? below : above);
  return height * Math.exp(-0.5 * t * t);
}

const xBar = (nm: number) =>
  lobe(nm, 1.056, 599.8, 37.9, 31) + lobe(nm, 0.362, 442, 16, 26.7) + lobe(nm, -0.065, 501.1, 20.4, 26.2);
const yBar = (nm: number) => lobe(nm, 0.821, 568.8, 46.9, 40.5) + lobe(nm, 0.286, 530.9, 16.3, 31.1);
const zBar = (nm: number) => lobe(nm, 1.217, 437, 11.8, 36) + lobe(nm, 0.681, 459, 26, 13.8);

/** XYZ of the perfect white under D65, Y = 1. */
export const WHITE_XYZ = [0.95047, 1, 1.08883] as const;

function weights(bar: (nm: number) => number, white: number): Float64Array {
  const row = Float64Array.from({ length: BANDS }, (_, band) => bar(bandNm(band)) * d65(bandNm(band)));
  const sum = row.reduce((total, value) => total + value, 0);
  return row.map((value) => (value * white) / sum);
}

/** Rows X, Y, Z: the dot product with a reflectance gives XYZ under D65; a reflectance of 1 gives white. */
export const XYZ_WEIGHTS = [
  weights(xBar, WHITE_XYZ[0]),
  weights(yBar, WHITE_XYZ[1]),
  weights(zBar, WHITE_XYZ[2]),
] as const;

/** XYZ (D65) to linear sRGB. Source: IEC 61966-2-1, inverse of the primaries' matrix. */
export const XYZ_TO_RGB = [
  [3.2404541621141054, -1.5371385127977166, -0.4985314095560162],
  [-0.9692660305051868, 1.8760108454466942, 0.0415560175303498],
  [0.0556434309591147, -0.2040259135167538, 1.0572251882231791],
] as const;

/** Rows R, G, B (linear sRGB) against the bands; each row sums to 1, so a white reflectance gives exact white. */
export const RGB_WEIGHTS: readonly [Float64Array, Float64Array, Float64Array] = (() => {
  const row = (channel: 0 | 1 | 2) => {
    const m = XYZ_TO_RGB[channel];
    const raw = Float64Array.from({ length: BANDS }, (_, band) =>
      m.reduce((total, factor, axis) => total + factor * XYZ_WEIGHTS[axis]![band]!, 0),
    );
    const sum = raw.reduce((total, value) => total + value, 0);
    return raw.map((value) => value / sum);
  };
  return [row(0), row(1), row(2)];
})();
