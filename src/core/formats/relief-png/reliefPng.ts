import { decode, encode } from "fast-png";
import type { HeightMap } from "../../surface/reliefPicture";
import { MOST_RELIEF_CELLS, onlyPixels, refuse, unreadable } from "./pngLimits";

/**
 * Heights from a greyscale PNG of 8 or 16 bits; of a picture with colours, all must be grey. Transparent places count
 * as low.
 * @throws InputError where it is no such picture
 */
export function readReliefPng(bytes: Uint8Array): HeightMap {
  const needed = onlyPixels(bytes);
  let picture: ReturnType<typeof decode>;
  try {
    picture = decode(needed);
  } catch {
    throw unreadable();
  }
  const { width, height, data, channels, depth } = picture;
  if (picture.palette !== undefined)
    throw refuse("The picture has a palette; save it as greyscale of 16 bits.");
  const most = 2 ** depth - 1;
  const values = new Float32Array(width * height);
  const alpha = channels === 2 || channels === 4;
  for (let at = 0; at < values.length; at++) {
    const base = at * channels;
    const grey = data[base]!;
    if (channels >= 3 && (data[base + 1] !== grey || data[base + 2] !== grey))
      throw refuse("The picture has colours; a relief is greyscale: white stands out, black lies low.");
    const solid = alpha ? data[base + channels - 1]! / most : 1;
    values[at] = (grey / most) * solid;
  }
  return shrunk({ width, height, values });
}

/** Mean of blocks, so that the longer side has MOST_RELIEF_CELLS at most. */
function shrunk(map: HeightMap): HeightMap {
  const step = Math.ceil(Math.max(map.width, map.height) / MOST_RELIEF_CELLS);
  if (step <= 1) return map;
  const [width, height] = [Math.floor(map.width / step), Math.floor(map.height / step)];
  const values = new Float32Array(width * height);
  for (let row = 0; row < height; row++) {
    for (let column = 0; column < width; column++) {
      let sum = 0;
      for (let dy = 0; dy < step; dy++)
        for (let dx = 0; dx < step; dx++)
          sum += map.values[(row * step + dy) * map.width + column * step + dx]!;
      values[row * width + column] = sum / (step * step);
    }
  }
  return { width, height, values };
}

/** Heights as a greyscale PNG of 16 bits. */
export const writeReliefPng = ({ width, height, values }: HeightMap): Uint8Array =>
  encode({
    width,
    height,
    channels: 1,
    depth: 16,
    data: Uint16Array.from(values, (value) => Math.round(65535 * Math.min(1, Math.max(0, value)))),
  });
