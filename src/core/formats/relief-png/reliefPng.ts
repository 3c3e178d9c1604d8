import { decode, encode } from "fast-png";
import { InputError } from "../../errors";
import type { HeightMap } from "../../surface/reliefPicture";

/** A relief picture has at most this many cells along a side once it is kept. */
export const MOST_RELIEF_CELLS = 512;
const FEWEST_CELLS = 4;

const refuse = (message: string) => new InputError([{ field: "relief", message }]);

/** Most pixels of a picture that is decoded: about a second's work and 200 MB. */
const MOST_PIXELS = 16_000_000;
/** Where a PNG's head stands, and what it begins with. */
const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const WIDTH_AT = 16;
const HEAD_BYTES = 33;

/** Refuses by the head alone what would take too long or too much memory to decode. */
function checkSize(bytes: Uint8Array): void {
  if (bytes.length < HEAD_BYTES || SIGNATURE.some((byte, at) => bytes[at] !== byte))
    throw refuse("This file cannot be read as a PNG. A greyscale PNG of 16 bits is wanted.");
  const head = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [width, height] = [head.getUint32(WIDTH_AT), head.getUint32(WIDTH_AT + 4)];
  if (width * height > MOST_PIXELS)
    throw refuse(
      `The picture has ${width} × ${height} pixels; ${MOST_PIXELS / 1e6} million are the most. Make it smaller: ${MOST_RELIEF_CELLS} along a side are kept.`,
    );
}

/**
 * Heights from a greyscale PNG of 8 or 16 bits; of a picture with colours, all must be grey. Transparent places count
 * as low.
 * @throws InputError where it is no such picture
 */
export function readReliefPng(bytes: Uint8Array): HeightMap {
  checkSize(bytes);
  let picture: ReturnType<typeof decode>;
  try {
    picture = decode(bytes);
  } catch {
    throw refuse("This file cannot be read as a PNG. A greyscale PNG of 16 bits is wanted.");
  }
  const { width, height, data, channels, depth } = picture;
  if (width < FEWEST_CELLS || height < FEWEST_CELLS)
    throw refuse(
      `The picture is ${width} × ${height} pixels; at least ${FEWEST_CELLS} × ${FEWEST_CELLS} are needed.`,
    );
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
