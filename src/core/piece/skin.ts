import type { SurfaceGrid } from "../surface/grid";
import type { OnPiece } from "./raster";

/** How the ground of a painted piece lies and shines, cell by cell. */
export interface PieceGround {
  readonly grid: SurfaceGrid;
  /** Relief with the paint on it, mm. */
  readonly heights: Float32Array;
  /** 0 matt … 1 gloss, below 0 the share of metal flakes, per cell; null where all of it is matt. */
  readonly gloss: Float32Array | null;
}

/** What a piece wears: its ground, and its paint without any light. */
export interface PieceSkin extends PieceGround {
  /** The paint's own colour, sRGB bytes, per cell; alpha 0 beside the piece. */
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  /** Under the lamp, or its plain colours alone. */
  readonly lit: boolean;
}

/** The inner side, primed dark and not painted, as linear light. */
export const INSIDE = 0.03;

/** Slope between neighbouring cells less the slope that the mesh has there, mm per mm. */
export function fineRise(
  heights: Float32Array,
  cell: number,
  way: number,
  step: number,
  pitchMm: number,
): number {
  const wide = step * way;
  if (cell < wide || cell + wide >= heights.length) return 0;
  const fine = heights[cell + way]! - heights[cell - way]!;
  const coarse = (heights[cell + wide]! - heights[cell - wide]!) / step;
  return (fine - coarse) / (2 * pitchMm);
}

/** So much of a cell must be on the piece: less than half, so that the two ends of a closed band meet. */
export const LEAST_INSIDE = 0.3;

/** Whether a place of the mesh lies on the piece rather than beside it, between the four cells around it. */
export function onPiece({ inside, width, height }: SurfaceGrid, step: number): OnPiece {
  return (column, row) => {
    const x = Math.min(width - 1.001, column * step);
    const y = Math.min(height - 1.001, row * step);
    const at = Math.floor(y) * width + Math.floor(x);
    const [tx, ty] = [x % 1, y % 1];
    const top = inside[at]! * (1 - tx) + inside[at + 1]! * tx;
    return top + (inside[at + width]! * (1 - tx) + inside[at + width + 1]! * tx - top) * ty >= LEAST_INSIDE;
  };
}
