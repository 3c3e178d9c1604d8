import type { SurfaceGrid } from "./grid";

const known = new WeakMap<SurfaceGrid, Float32Array>();

/**
 * Real area of each cell over its area on the flat, 1 or more: √(1 + |∇h|²) of the relief. Folds and stones take paint
 * that a flat panel of their outline would not.
 */
export function reliefShares(grid: SurfaceGrid): Float32Array {
  const remembered = known.get(grid);
  if (remembered) return remembered;
  const { relief, width, height, pitchMm } = grid;
  const out = new Float32Array(relief.length).fill(1);
  const scale = 1 / (2 * pitchMm);
  for (let row = 0; row < height; row++) {
    const up = (row > 0 ? row - 1 : row) * width;
    const down = (row < height - 1 ? row + 1 : row) * width;
    for (let column = 0; column < width; column++) {
      const at = row * width + column;
      const sx = (relief[column < width - 1 ? at + 1 : at]! - relief[column > 0 ? at - 1 : at]!) * scale;
      const sy = (relief[down + column]! - relief[up + column]!) * scale;
      out[at] = Math.sqrt(1 + sx * sx + sy * sy);
    }
  }
  known.set(grid, out);
  return out;
}
