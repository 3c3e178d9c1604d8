import type { SurfaceGrid } from "../surface/grid";

/** 0 where a foot or a peg will stand, 1 elsewhere. */
export function footFree({ hide, width, originX, originY, pitchMm }: SurfaceGrid, at: number): number {
  const feet = hide?.feet ?? [];
  const [x, y] = [originX + (at % width) * pitchMm, originY + Math.floor(at / width) * pitchMm];
  return feet.some((foot) => Math.hypot(foot.xMm - x, foot.yMm - y) < foot.radiusMm) ? 0 : 1;
}
