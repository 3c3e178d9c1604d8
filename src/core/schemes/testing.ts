import { decodeSrgb, linearToXyz, xyzToLab, type Triple } from "../colour/spaces";

/** CIELAB of one cell of a picture, for tests. */
export function labAt(rgba: Uint8ClampedArray, at: number): Triple {
  const [r, g, b] = [0, 1, 2].map((channel) => decodeSrgb(rgba[at * 4 + channel]! / 255)) as [
    number,
    number,
    number,
  ];
  return xyzToLab(linearToXyz([r, g, b]));
}

/** L* of one cell of a picture, for tests. */
export const lightness = (rgba: Uint8ClampedArray, at: number): number => labAt(rgba, at)[0];
