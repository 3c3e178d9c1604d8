import { aligned, kernelOnce, makeRoom } from "../kernel";
import { LIQUID_BASE64 } from "./generated/liquidBytes";

interface Exports {
  readonly memory: WebAssembly.Memory;
  exchange(width: number, height: number, dx: number, dy: number, farthest: number, evens: number): void;
}

/** A liquid on a ground: both µm, per cell, and whether a cell is on the piece, 0…1. */
export interface Liquid {
  readonly ground: Float32Array;
  readonly depth: Float32Array;
  readonly inside: Float32Array;
  readonly size: { readonly width: number; readonly height: number };
}

/** A cell counts as on the piece from this share on. */
const ON_PIECE = 0.5;

const kernel = kernelOnce(LIQUID_BASE64, "the kernel of liquids") as () => Exports;

/**
 * Lets liquid run between cells some way apart, along and across in turn, from the higher surface to the lower. A cell
 * gives half of what it has to a side at most; nothing is made or lost, and nothing leaves the piece.
 * @param exchanges how many cells apart, 1 or more, and how often
 * @param evensOut share of the difference in level that is made good in one turn, 0…0.5
 * @returns depth of the liquid, µm, per cell
 */
export function exchanged(
  { ground, depth, inside, size }: Liquid,
  exchanges: readonly (readonly [apart: number, turns: number])[],
  evensOut: number,
): Float32Array {
  const { width, height } = size;
  const run = kernel();
  const plane = aligned(depth.length * 4);
  const farthest = Math.max(...exchanges.map(([apart]) => Math.max(apart, apart * width)));
  const zerosAt = 3 * plane;
  const fluxAt = zerosAt + aligned(farthest * 4);
  makeRoom(run.memory, fluxAt + plane);
  const floats = (at: number, length = depth.length) => new Float32Array(run.memory.buffer, at, length);
  floats(0).set(ground);
  floats(plane).set(depth);
  const open = floats(2 * plane);
  for (let at = 0; at < open.length; at++) open[at] = inside[at]! < ON_PIECE ? 0 : 1;
  floats(zerosAt, (fluxAt - zerosAt) / 4).fill(0);
  for (const [apart, turns] of exchanges)
    for (let turn = 0; turn < turns; turn++) {
      run.exchange(width, height, apart, 0, farthest, evensOut);
      run.exchange(width, height, 0, apart, farthest, evensOut);
    }
  return floats(plane).slice();
}
