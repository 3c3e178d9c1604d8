import type { SurfaceGrid } from "../surface/grid";
import { write } from "../surface/vector";

/** A painted piece in space: every `step`-th cell of its grid as a point, with the relief and the paint on it. */
export interface PieceMesh {
  readonly columns: number;
  readonly rows: number;
  /** Cells of the grid between two points. */
  readonly step: number;
  /** x, y, z of each point, mm: right, up, towards the front. */
  readonly points: Float32Array<ArrayBuffer>;
  /** Unit vectors out of the painted side, at each point. */
  readonly normals: Float32Array<ArrayBuffer>;
  /** Squares of four points, named by the upper left one: 2 whole on the piece, 1 in part, 0 beside it. */
  readonly holds: Uint8Array;
}

/** Points of a mesh that is looked at as a whole: more are not seen. */
export const SEEN_POINTS = 50_000;
/** So many times as many where rocks and the like stand on a base. */
const BUILT_FINER = 4;

type MeshSize = Pick<PieceMesh, "columns" | "rows" | "step">;

/** Points along a side where the last ones would fall beside the grid: the last point is its last cell. */
const pointsAlong = (cells: number, step: number) => Math.ceil((cells - 1) / step) + 1;

/** The cell a point stands on. */
const cellOf = (grid: SurfaceGrid, step: number, column: number, row: number): number =>
  Math.min(grid.height - 1, row * step) * grid.width + Math.min(grid.width - 1, column * step);

function placePoints(grid: SurfaceGrid, { columns, rows, step }: MeshSize): Float32Array<ArrayBuffer> {
  const points = new Float32Array(columns * rows * 3);
  // The very middle of a round piece has no direction of its own.
  const most = grid.form.round ? grid.form.slantMm * 0.9999 : Infinity;
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const at = cellOf(grid, step, column, row);
      const heightMm = Math.min(most, grid.heightMm[at]!);
      const point = grid.form.inSpace({ turnDeg: grid.turnDeg[at]!, heightMm });
      write(points, (row * columns + column) * 3, point);
    }
  }
  return points;
}

/** Unit normals from each point's neighbours: down × right looks out of the painted side. @param points as `PieceMesh` has them */
export function normalsOf(points: Float32Array, { columns, rows }: MeshSize): Float32Array<ArrayBuffer> {
  const out = new Float32Array(points.length);
  for (let row = 0; row < rows; row++) {
    const above = (row > 0 ? row - 1 : 0) * columns;
    const below = (row < rows - 1 ? row + 1 : row) * columns;
    for (let column = 0; column < columns; column++) {
      const left = (row * columns + (column > 0 ? column - 1 : 0)) * 3;
      const right = (row * columns + (column < columns - 1 ? column + 1 : column)) * 3;
      const [top, bottom] = [(above + column) * 3, (below + column) * 3];
      const rx = points[right]! - points[left]!;
      const ry = points[right + 1]! - points[left + 1]!;
      const rz = points[right + 2]! - points[left + 2]!;
      const dx = points[bottom]! - points[top]!;
      const dy = points[bottom + 1]! - points[top + 1]!;
      const dz = points[bottom + 2]! - points[top + 2]!;
      const nx = dy * rz - dz * ry;
      const ny = dz * rx - dx * rz;
      const nz = dx * ry - dy * rx;
      const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
      const at = (row * columns + column) * 3;
      // Points that lie together, beyond a tip, face no way of their own: any will do.
      out[at] = length > 0 ? nx / length : 0;
      out[at + 1] = length > 0 ? ny / length : 1;
      out[at + 2] = length > 0 ? nz / length : 0;
    }
  }
  return out;
}

/** Moves points outwards by how far every cell lies above where they stand, mm. */
function raise(
  points: Float32Array,
  normals: Float32Array,
  grid: SurfaceGrid,
  upMm: (at: number) => number,
  { columns, rows, step }: MeshSize,
): void {
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const at = cellOf(grid, step, column, row);
      const up = upMm(at);
      const point = (row * columns + column) * 3;
      for (let axis = 0; axis < 3; axis++) points[point + axis]! += up * normals[point + axis]!;
    }
  }
}

/** Which way what is sculpted over a piece stands up from it, at each point. */
function standingUp(grid: SurfaceGrid, points: Float32Array, size: MeshSize): Float32Array {
  const { upright } = grid.form;
  if (!upright) return normalsOf(points, size);
  const out = new Float32Array(points.length);
  for (let at = 0; at < out.length; at += 3) write(out, at, upright);
  return out;
}

function holdsOf(grid: SurfaceGrid, { columns, rows, step }: MeshSize): Uint8Array {
  const { inside } = grid;
  const holds = new Uint8Array(columns * rows);
  for (let row = 0; row < rows - 1; row++) {
    for (let column = 0; column < columns - 1; column++) {
      const a = inside[cellOf(grid, step, column, row)]!;
      const b = inside[cellOf(grid, step, column + 1, row)]!;
      const c = inside[cellOf(grid, step, column, row + 1)]!;
      const d = inside[cellOf(grid, step, column + 1, row + 1)]!;
      if (a + b + c + d > 0) holds[row * columns + column] = a + b + c + d === 4 ? 2 : 1;
    }
  }
  return holds;
}

/**
 * The piece of a grid, bent as its form stands in space.
 * @param heights relief with the paint on it, mm, per cell of the grid
 * @param mostPoints about how many points it may have; every cell is one where there are no more
 */
export function meshOf(grid: SurfaceGrid, heights: Float32Array, mostPoints: number): PieceMesh {
  // Sides of what is built are steep: fewer points would make icicles of them.
  const most = grid.hide?.built ? BUILT_FINER * mostPoints : mostPoints;
  const step = Math.max(1, Math.round(Math.sqrt((grid.width * grid.height) / most)));
  const bare = bareMesh(grid, step);
  if (heights === grid.relief) return bare;
  const points = bare.points.slice();
  raise(points, bare.normals, grid, (at) => heights[at]! - grid.relief[at]!, bare);
  return { ...bare, points, normals: normalsOf(points, bare) };
}

/** Meshes of bare pieces by their cells: paint that is laid anew lies on the same. */
const bareMeshes = new WeakMap<Float32Array, PieceMesh[]>();
const MOST_STEPS = 2;

function bareMesh(grid: SurfaceGrid, step: number): PieceMesh {
  const known = bareMeshes.get(grid.heightMm) ?? [];
  const own = known.find((mesh) => mesh.step === step);
  if (own) return own;
  const size = { columns: pointsAlong(grid.width, step), rows: pointsAlong(grid.height, step), step };
  const points = placePoints(grid, size);
  const { hide } = grid;
  // What is sculpted over the form stands on it.
  if (hide) raise(points, standingUp(grid, points, size), grid, (at) => hide.upMm[at]!, size);
  const made = { ...size, points, normals: normalsOf(points, size), holds: holdsOf(grid, size) };
  bareMeshes.set(grid.heightMm, [made, ...known].slice(0, MOST_STEPS));
  return made;
}
