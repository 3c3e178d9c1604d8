import { fieldsOf } from "../surface/fields";
import type { Random } from "../random";
import type { SurfaceGrid } from "../surface/grid";

/** Where one mark is set: a cell and its place, mm. */
export interface Spot {
  readonly xMm: number;
  readonly yMm: number;
  /** Cell it lies on. */
  readonly at: number;
  /** Piece of cloth between seams it lies on; null where the panel is one piece. */
  readonly piece: number | null;
}

/** The cell at a flat place, or −1 beside the grid. */
export function cellAt(grid: SurfaceGrid, xMm: number, yMm: number): number {
  const column = Math.round((xMm - grid.originX) / grid.pitchMm);
  const row = Math.round((yMm - grid.originY) / grid.pitchMm);
  if (column < 0 || row < 0 || column >= grid.width || row >= grid.height) return -1;
  return row * grid.width + column;
}

/**
 * Places at random, each independent of all others, as many on average as the density and the weights ask for: an
 * inhomogeneous Poisson process by thinning. Source: Lewis and Shedler, Naval Res Logist Q 26, 1979.
 * @param perMm2 density where the weight is 1
 */
export function scatter(grid: SurfaceGrid, weights: Float32Array, perMm2: number, random: Random): Spot[] {
  const { inside } = grid;
  // Tried on the panel's own box in mm, not on cells: preview and full picture have the same marks.
  const { minX, maxX, minY, maxY } = grid.form.bounds;
  const expected = perMm2 * (maxX - minX) * (maxY - minY);
  const count = Math.max(0, Math.round(expected + Math.sqrt(expected) * random.normal()));
  const pieces = fieldsOf(grid).piece;
  const spots: Spot[] = [];
  for (let tried = 0; tried < count; tried++) {
    const xMm = minX + (maxX - minX) * random.next();
    const yMm = minY + (maxY - minY) * random.next();
    const keep = random.next();
    const at = cellAt(grid, xMm, yMm);
    if (at >= 0 && inside[at]! > 0.5 && keep < weights[at]!)
      spots.push({ xMm, yMm, at, piece: pieces ? pieces[at]! : null });
  }
  return spots;
}
