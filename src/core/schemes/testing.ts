import { decodeSrgb, linearToXyz, xyzToLab } from "../colour/spaces";

/** L* of one cell of a picture, for tests. */
export function lightness(rgba: Uint8ClampedArray, at: number): number {
  const [r, g, b] = [0, 1, 2].map((channel) => decodeSrgb(rgba[at * 4 + channel]! / 255)) as [
    number,
    number,
    number,
  ];
  return xyzToLab(linearToXyz([r, g, b]))[0];
}
