import type { SurfaceGrid } from "./grid";
import { eachSlope } from "./slopes";

const known = new WeakMap<Float32Array, Float32Array>();

/**
 * Real area of each cell over its area on the flat, 1 or more: √(1 + |∇h|²) of the relief. Folds and stones take paint
 * that a flat panel of their outline would not.
 */
export function reliefShares(grid: SurfaceGrid): Float32Array {
  const remembered = known.get(grid.relief);
  if (remembered) return remembered;
  const out = new Float32Array(grid.relief.length);
  eachSlope(grid.relief, grid, (at, sx, sy) => {
    out[at] = Math.sqrt(1 + sx * sx + sy * sy);
  });
  known.set(grid.relief, out);
  return out;
}
