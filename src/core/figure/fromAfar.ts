import type { PiecePicture } from "../piece/still";
import { seenFrom } from "../simulate/seenFrom";

/** A still picture run together as the eye does from a distance, mm; the picture itself stays as it is. */
export function fromAfar(picture: PiecePicture, viewMm: number): PiecePicture {
  const { width, height, pxPerMm } = picture;
  const rgba = picture.rgba.slice();
  const inside = new Float32Array(width * height);
  for (let at = 0; at < inside.length; at++) inside[at] = rgba[at * 4 + 3]! / 255;
  seenFrom(rgba, inside, { width, height, pitchMm: 1 / pxPerMm }, viewMm);
  return { ...picture, rgba };
}
