import { Unzlib } from "fflate";
import { InputError } from "../../errors";

/** A relief picture has at most this many cells along a side once it is kept. */
export const MOST_RELIEF_CELLS = 512;
const FEWEST_CELLS = 4;

/** A refusal of a relief picture, with the reason. */
export const refuse = (message: string) => new InputError([{ field: "relief", message }]);

/** Most pixels of a picture that is decoded, and most bytes it may unpack to: about a second's work and 160 MB. */
const MOST_PIXELS = 16_000_000;
const MOST_UNPACKED_BYTES = 36_000_000;
/** What a PNG begins with, and how many bytes its head takes. */
const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const HEAD_BYTES = 33;
/** Values a pixel has, by the PNG's colour type. */
const CHANNELS: Readonly<Partial<Record<number, number>>> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 };
/** Interlaced pictures begin up to seven passes of lines, each with a byte of its own. */
const INTERLACED_SHARE = 1.5;

/** What is said of a file that is no such picture at all. */
export const unreadable = () =>
  refuse("This file cannot be read as a PNG. A greyscale PNG of 16 bits is wanted.");

/** Refuses by the head alone what would take too long or too much memory to decode. @returns bytes it unpacks to */
function checkHead(bytes: Uint8Array): number {
  if (bytes.length < HEAD_BYTES || SIGNATURE.some((byte, at) => bytes[at] !== byte)) throw unreadable();
  const head = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [width, height] = [head.getUint32(16), head.getUint32(20)];
  const [depth, channels] = [head.getUint8(24), CHANNELS[head.getUint8(25)]];
  if (channels === undefined) throw unreadable();
  if (width < FEWEST_CELLS || height < FEWEST_CELLS)
    throw refuse(
      `The picture is ${width} × ${height} pixels; at least ${FEWEST_CELLS} × ${FEWEST_CELLS} are needed.`,
    );
  if (width * height > MOST_PIXELS)
    throw refuse(
      `The picture has ${width} × ${height} pixels; ${MOST_PIXELS / 1e6} million are the most. Make it smaller: ${MOST_RELIEF_CELLS} along a side are kept.`,
    );
  if (depth < 8 && channels === 1 && head.getUint8(25) === 0)
    throw refuse(`The picture has ${depth} bits a pixel; 8 or 16 are wanted.`);
  const unpacked = height * (1 + Math.ceil((width * channels * depth) / 8));
  if (unpacked > MOST_UNPACKED_BYTES)
    throw refuse(
      `The picture unpacks to ${Math.ceil(unpacked / 1e6)} MB; ${MOST_UNPACKED_BYTES / 1e6} are the most. Save it as greyscale, or make it smaller: ${MOST_RELIEF_CELLS} along a side are kept.`,
    );
  return unpacked;
}

/** Parts of a PNG that its pixels need; all others are left packed, as they may unpack to anything. */
const NEEDED: ReadonlySet<string> = new Set(["IHDR", "PLTE", "tRNS", "IDAT", "IEND"]);

/** The parts that are needed, in order. Whatever stands behind the end is left. */
function neededParts(bytes: Uint8Array): { readonly kind: string; readonly whole: Uint8Array }[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const parts: { kind: string; whole: Uint8Array }[] = [];
  for (let at = SIGNATURE.length; at + 12 <= bytes.length;) {
    const kind = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    const end = at + 12 + view.getUint32(at);
    if (NEEDED.has(kind)) parts.push({ kind, whole: bytes.subarray(at, end) });
    if (kind === "IEND") break;
    at = end;
  }
  return parts;
}

/** Bytes unpacked at a time: each may become a thousand. */
const UNPACKED_AT_ONCE = 16_384;

/** Refuses pixels that unpack to more than the head tells. */
function checkPacked(packed: readonly Uint8Array[], most: number): void {
  let unpacked = 0;
  const unpack = new Unzlib((piece) => {
    unpacked += piece.length;
    if (unpacked > most) throw refuse("The picture holds more than its size tells: the file is damaged.");
  });
  for (const part of packed)
    for (let at = 0; at < part.length; at += UNPACKED_AT_ONCE)
      unpack.push(part.subarray(at, at + UNPACKED_AT_ONCE), false);
}

/**
 * The picture with nothing in it but what its pixels need, found to unpack to what its head tells.
 * @throws InputError where it is no PNG, too large or too small, or unpacks to more than it says
 */
export function onlyPixels(bytes: Uint8Array): Uint8Array {
  const unpacked = checkHead(bytes);
  const parts = neededParts(bytes);
  const packed = parts.filter(({ kind }) => kind === "IDAT").map(({ whole }) => whole.subarray(8, -4));
  try {
    checkPacked(packed, INTERLACED_SHARE * unpacked + 64);
  } catch (error) {
    throw error instanceof InputError ? error : unreadable();
  }
  const all = [Uint8Array.from(SIGNATURE), ...parts.map(({ whole }) => whole)];
  const whole = new Uint8Array(all.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of all) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}
