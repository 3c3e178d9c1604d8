import { BANDS, RGB_WEIGHTS, WHITE_XYZ, XYZ_TO_RGB, XYZ_WEIGHTS } from "./bands";
import type { Spectrum } from "./spectrum";

export type Triple = readonly [number, number, number];

/** sRGB transfer, linear 0…1 to encoded 0…1. Source: IEC 61966-2-1. */
export const encodeSrgb = (linear: number): number =>
  linear <= 0.0031308 ? 12.92 * linear : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055;

/** sRGB transfer, encoded 0…1 to linear 0…1. Source: IEC 61966-2-1. */
export const decodeSrgb = (encoded: number): number =>
  encoded <= 0.04045 ? encoded / 12.92 : Math.pow((encoded + 0.055) / 1.055, 2.4);

function weigh(spectrum: Spectrum, rows: readonly Float64Array[]): Triple {
  const out: [number, number, number] = [0, 0, 0];
  for (let axis = 0; axis < 3; axis++) {
    const row = rows[axis]!;
    let sum = 0;
    for (let band = 0; band < BANDS; band++) sum += row[band]! * spectrum[band]!;
    out[axis] = sum;
  }
  return out;
}

/** CIE XYZ of a reflectance under D65, 2° observer, Y 1 for white. */
export const spectrumToXyz = (spectrum: Spectrum): Triple => weigh(spectrum, XYZ_WEIGHTS);
/** Linear sRGB of a reflectance under D65; may lie outside 0…1. */
export const spectrumToLinear = (spectrum: Spectrum): Triple => weigh(spectrum, RGB_WEIGHTS);

/** Linear sRGB to XYZ (D65). Source: IEC 61966-2-1. */
export const linearToXyz = ([r, g, b]: Triple): Triple => [
  0.4124564 * r + 0.3575761 * g + 0.1804375 * b,
  0.2126729 * r + 0.7151522 * g + 0.072175 * b,
  0.0193339 * r + 0.119192 * g + 0.9503041 * b,
];

const labCurve = (t: number) => (t > 216 / 24389 ? Math.cbrt(t) : (24389 / 27) * (t / 116) + 16 / 116);

/** CIE L*a*b* (D65) of XYZ with white Y = 1. Source: CIE 15:2004, section 8.2.1. */
export function xyzToLab([x, y, z]: Triple): Triple {
  const fx = labCurve(x / WHITE_XYZ[0]);
  const fy = labCurve(y / WHITE_XYZ[1]);
  const fz = labCurve(z / WHITE_XYZ[2]);
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

const labUncurve = (f: number) => (f > 6 / 29 ? f * f * f : (116 * f - 16) * (27 / 24389));

/** XYZ (D65, white Y = 1) of CIE L*a*b*. */
export function labToXyz([l, a, b]: Triple): Triple {
  const fy = (l + 16) / 116;
  return [
    WHITE_XYZ[0] * labUncurve(fy + a / 500),
    WHITE_XYZ[1] * labUncurve(fy),
    WHITE_XYZ[2] * labUncurve(fy - b / 200),
  ];
}

/** L*a*b* of "#rrggbb". @throws RangeError for anything else */
export const hexToLab = (hex: string): Triple => xyzToLab(linearToXyz(hexToLinear(hex)));

/** The sRGB colour of L*a*b*, moved into the gamut where it lies outside. */
export const labToHex = (lab: Triple): string => {
  const xyz = labToXyz(lab);
  return linearToHex(
    XYZ_TO_RGB.map((row) => row[0] * xyz[0] + row[1] * xyz[1] + row[2] * xyz[2]) as unknown as Triple,
  );
};

/** CIELAB of a reflectance under D65, 2° observer. */
export const spectrumToLab = (spectrum: Spectrum): Triple => xyzToLab(spectrumToXyz(spectrum));

/** CIE L* of a reflectance under D65, 2° observer; `from`: where its bands begin among others. */
export function spectrumToLightness(spectrum: Spectrum, from = 0): number {
  const weights = XYZ_WEIGHTS[1];
  let y = 0;
  for (let band = 0; band < BANDS; band++) y += weights[band]! * spectrum[from + band]!;
  return 116 * labCurve(y) - 16;
}

/** Moves a linear colour outside sRGB towards the grey of its own luminance until it fits: keeps hue and lightness. */
export function fitGamut([r, g, b]: Triple): Triple {
  const y = Math.min(1, Math.max(0, 0.2126 * r + 0.7152 * g + 0.0722 * b));
  let keep = 1;
  for (const channel of [r, g, b]) {
    if (channel < 0) keep = Math.min(keep, y / (y - channel));
    else if (channel > 1) keep = Math.min(keep, (1 - y) / (channel - y));
  }
  return keep === 1 ? [r, g, b] : [y + keep * (r - y), y + keep * (g - y), y + keep * (b - y)];
}

const toByte = (linear: number) => Math.round(255 * encodeSrgb(Math.min(1, Math.max(0, linear))));

/** Linear sRGB as "#rrggbb", cut to what a screen can show. */
export function linearToHex(linear: Triple): string {
  return `#${fitGamut(linear)
    .map((channel) => toByte(channel).toString(16).padStart(2, "0"))
    .join("")}`;
}

/** A reflectance as a screen shows it, "#rrggbb". */
export const spectrumToHex = (spectrum: Spectrum): string => linearToHex(spectrumToLinear(spectrum));

/** @throws RangeError unless the text is # and six hexadecimal digits */
export function hexToLinear(hex: string): Triple {
  const match = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(hex);
  if (!match) throw new RangeError(`a colour must be # and six hexadecimal digits, got "${hex}"`);
  return [1, 2, 3].map((group) => decodeSrgb(parseInt(match[group]!, 16) / 255)) as unknown as Triple;
}

/** CIE chroma C*ab. */
export const chromaOf = (lab: Triple): number => Math.hypot(lab[1], lab[2]);
