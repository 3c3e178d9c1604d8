import type { SurfaceGrid } from "../surface/grid";
import type { FilmPlanes } from "./planes";

/** A square of cells that lies on the piece, all but its rim. */
export interface Square {
  /** Its first column and row, and cells along a side. */
  readonly left: number;
  readonly top: number;
  readonly side: number;
  /** Its cells on the piece. */
  readonly cells: readonly number[];
}

/** Share of a square that has to lie on the piece. */
const ON_PIECE = 0.8;

/** Squares side by side over a piece. @param side cells */
export function* squaresOn({ width, height, inside }: SurfaceGrid, side: number): Generator<Square> {
  for (let top = 0; top + side <= height; top += side)
    for (let left = 0; left + side <= width; left += side) {
      const cells: number[] = [];
      for (let row = top; row < top + side; row++)
        for (let at = row * width + left; at < row * width + left + side; at++)
          if (inside[at]! > 0.5) cells.push(at);
      if (cells.length >= ON_PIECE * side * side) yield { left, top, side, cells };
    }
}

/** A number of each of its cells, added up. */
export const sumOver = ({ cells }: Square, of: (at: number) => number): number =>
  cells.reduce((sum, at) => sum + of(at), 0);

/** A set's place is told by squares of this side, mm; one of which it covers less than so much lies beside it. */
const [SIDE_MM, LEAST_COVERED] = [1.2, 0.3] as const;

/** How much of its own place a set of strokes covers, 0…1. */
export function coveredOfPlace({ cover }: FilmPlanes, grid: SurfaceGrid): number {
  let [sum, all] = [0, 0];
  for (const square of squaresOn(grid, Math.max(2, Math.round(SIDE_MM / grid.pitchMm)))) {
    const covered = sumOver(square, (at) => cover[at]! / 255);
    if (covered < LEAST_COVERED * square.cells.length) continue;
    sum += covered;
    all += square.cells.length;
  }
  return all > 0 ? sum / all : 0;
}
