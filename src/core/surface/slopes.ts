import type { PlaneSize } from "./coarse";

/** Told a cell and how steeply the ground rises to the right and downwards there, mm per mm. */
export type SlopeVisit = (at: number, toRight: number, downwards: number) => void;

/** Visits every cell with its slopes, by the cells on both sides; on the rim by the one there is. */
export function eachSlope(
  heights: Float32Array,
  { width, height, pitchMm }: PlaneSize & { readonly pitchMm: number },
  visit: SlopeVisit,
): void {
  const scale = 1 / (2 * pitchMm);
  for (let row = 0; row < height; row++) {
    const up = (row > 0 ? row - 1 : row) * width;
    const down = (row < height - 1 ? row + 1 : row) * width;
    for (let column = 0; column < width; column++) {
      const at = row * width + column;
      const right = heights[column < width - 1 ? at + 1 : at]! - heights[column > 0 ? at - 1 : at]!;
      visit(at, right * scale, (heights[down + column]! - heights[up + column]!) * scale);
    }
  }
}
