import { aligned, kernelOnce, makeRoom } from "../kernel";
import { HORIZON_BASE64 } from "./generated/horizonBytes";

interface Exports {
  readonly memory: WebAssembly.Memory;
  look(width: number, height: number, dx: number, dy: number, scale: number, rises: number): void;
}

/** Heights, mm, on cells so many mm apart. */
export interface Heights {
  readonly relief: Float32Array;
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
}

/** Which ways are looked along, evenly round from the right on, how far, mm, and the least rise told, a tangent. */
export interface Looking {
  readonly ways: readonly (readonly [dx: number, dy: number])[];
  readonly reachMm: number;
  readonly least: number;
}

/** So many ways evenly round, from the right on, unit vectors. */
export const evenWays = (count: number): (readonly [number, number])[] =>
  Array.from({ length: count }, (_, way) => {
    const angle = (way * 2 * Math.PI) / count;
    return [Math.cos(angle), Math.sin(angle)] as const;
  });

const kernel = kernelOnce(HORIZON_BASE64, "the kernel of horizons") as () => Exports;

/** Steps grow with distance: what is far needs to be looked at less closely. */
const GROWS = 0.22;

/**
 * Steepest rise of the ground seen from each cell, one way after the other, as tangents. What is told of a way is told
 * in place: it is good until the next.
 */
export function eachHorizon(
  { relief, width, height, pitchMm }: Heights,
  { ways, reachMm, least }: Looking,
  visit: (rises: Float32Array, way: number) => void,
): void {
  const run = kernel();
  const plane = aligned(relief.byteLength);
  makeRoom(run.memory, 2 * plane);
  new Float32Array(run.memory.buffer, 0, relief.length).set(relief);
  const rises = new Float32Array(run.memory.buffer, plane, relief.length);
  ways.forEach(([dx, dy], way) => {
    rises.fill(least);
    for (let mm = pitchMm; mm <= reachMm; mm += Math.max(pitchMm, mm * GROWS)) {
      const [ox, oy] = [Math.round((dx * mm) / pitchMm), Math.round((dy * mm) / pitchMm)];
      if (ox === 0 && oy === 0) continue;
      run.look(width, height, ox, oy, 1 / (Math.hypot(ox, oy) * pitchMm), plane);
    }
    visit(rises, way);
  });
}
