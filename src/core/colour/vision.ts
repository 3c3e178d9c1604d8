import { ciede2000 } from "./difference";
import { fitGamut, linearToXyz, spectrumToLinear, xyzToLab, type Triple } from "./spaces";
import type { Spectrum } from "./spectrum";

export const VISIONS = ["ordinary", "red-weak", "green-weak", "blue-weak"] as const;
export type Vision = (typeof VISIONS)[number];

/**
 * Linear sRGB as seen without one kind of cone. Source: Machado, Oliveira, Fernandes, "A Physiologically-based Model
 * for Simulation of Color Vision Deficiency", IEEE TVCG 15(6), 2009, severity 1.
 */
const SEEN: Readonly<Record<Exclude<Vision, "ordinary">, readonly (readonly [number, number, number])[]>> = {
  "red-weak": [
    [0.152286, 1.052583, -0.204868],
    [0.114503, 0.786281, 0.099216],
    [-0.003882, -0.048116, 1.051998],
  ],
  "green-weak": [
    [0.367322, 0.860646, -0.227968],
    [0.280085, 0.672501, 0.047413],
    [-0.01182, 0.04294, 0.968881],
  ],
  "blue-weak": [
    [1.255528, -0.076749, -0.178779],
    [-0.078411, 0.930809, 0.147602],
    [0.004733, 0.691367, 0.3039],
  ],
};

/** Linear sRGB as somebody sees it. */
export function seenBy(vision: Vision, linear: Triple): Triple {
  const inside = fitGamut(linear);
  if (vision === "ordinary") return inside;
  const [r, g, b] = inside;
  const rows = SEEN[vision].map((row) => row[0] * r + row[1] * g + row[2] * b);
  return fitGamut([rows[0]!, rows[1]!, rows[2]!]);
}

/** CIEDE2000 between two spectra as somebody sees them. */
export function differenceSeenBy(vision: Vision, one: Spectrum, other: Spectrum): number {
  const lab = (spectrum: Spectrum) => xyzToLab(linearToXyz(seenBy(vision, spectrumToLinear(spectrum))));
  return ciede2000(lab(one), lab(other));
}
