import { kernelOnce } from "../kernel";
import { TILES_BASE64 } from "./generated/tilesBytes";

/** Cells along a tile, which repeats without a seam. */
export const TILE = 512;
/** Values of a tile lie within so much of 0. */
export const TILE_MOST = 2.5;

interface Exports {
  readonly memory: WebAssembly.Memory;
  smear(seed: number, radiusX: number, radiusY: number): void;
  normalise(): void;
}

const kernel = kernelOnce(TILES_BASE64, "the kernel of tiles") as () => Exports;

const made = ({ memory }: Exports) => new Float32Array(memory.buffer, 0, TILE * TILE);

/**
 * Even chance smeared twice over so many cells each way, along and across, row by row: mean 0, variance 1.
 * @param seed any whole number; its low 32 bits count
 */
export function smear(seed: number, radiusX: number, radiusY: number): Float32Array {
  const run = kernel();
  run.smear(seed, radiusX, radiusY);
  return made(run).slice();
}

/** One tile and shares of another, brought to mean 0 and variance 1 again. */
export function blended(
  [one, share]: readonly [Float32Array, number],
  [other, otherShare]: readonly [Float32Array, number],
): Float32Array {
  const run = kernel();
  const out = made(run);
  for (let at = 0; at < out.length; at++) out[at] = share * one[at]! + otherShare * other[at]!;
  run.normalise();
  return made(run).slice();
}
