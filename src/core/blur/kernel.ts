import { aligned, kernelOnce, makeRoom } from "../kernel";
import { BLUR_BASE64 } from "./generated/blurBytes";

interface Exports {
  readonly memory: WebAssembly.Memory;
  blur(width: number, height: number, radius: number, share: number, other: number, sums: number): void;
}

/** A box of 2 × radius + 1 whole cells with a share of one more at each end. */
export interface Box {
  readonly radius: number;
  readonly share: number;
}

/** Lines whose sums lie side by side; the same number stands in assembly/blur.ts. */
const STRIP = 16;

const kernel = kernelOnce(BLUR_BASE64, "the kernel of blurs") as () => Exports;

/**
 * A plane of so many cells along and across, meant over a box three times each way. Each mean is worked out anew from
 * running sums, so no error runs along a line. Source: Wells, "Efficient synthesis of Gaussian filters", 1986.
 */
export function boxedThrice(input: Float32Array, width: number, height: number, box: Box): Float32Array {
  const run = kernel();
  const plane = aligned(input.byteLength);
  const sums = aligned((Math.max(width, height) + 1) * STRIP * 8);
  makeRoom(run.memory, 2 * plane + sums);
  const own = new Float32Array(run.memory.buffer, 0, input.length);
  own.set(input);
  run.blur(width, height, box.radius, box.share, plane, 2 * plane);
  return own.slice();
}
