import { lowerEnvelope } from "../surface/parabola";
import { coarseSize, grow, shrink } from "../surface/coarse";
import type { SurfaceGrid } from "../surface/grid";

/**
 * What a ball of bristles touches: the relief closed from above by a parabola rolled over it. Equal to the relief on
 * high ground, above it over hollows narrower than the bristles reach.
 * @param radiusMm radius of the parabola's tip
 * @returns mm, nowhere below the relief
 */
export function bristleEnvelope(
  relief: Float32Array,
  width: number,
  height: number,
  pitchMm: number,
  radiusMm: number,
): Float32Array {
  const bend = (pitchMm * pitchMm) / (2 * radiusMm);
  const raised = lowerEnvelope(
    relief.map((mm) => -mm),
    width,
    height,
    bend,
  ).map((mm) => -mm);
  return lowerEnvelope(raised, width, height, bend);
}

/** Bristles do not feel what is finer than this, mm. */
const FEEL_MM = 0.085;

/**
 * How far below the touching bristles each cell lies, mm, 0 where they touch.
 * @param heightMm the ground with the paint on it, per cell
 */
export function bristleGaps(grid: SurfaceGrid, heightMm: Float32Array, radiusMm: number): Float32Array {
  const step = Math.max(1, Math.floor(FEEL_MM / grid.pitchMm));
  const { width, height } = coarseSize(grid, step);
  const relief = shrink(heightMm, grid, step);
  const envelope = bristleEnvelope(relief, width, height, grid.pitchMm * step, radiusMm);
  return grow(
    envelope.map((mm, at) => Math.max(0, mm - relief[at]!)),
    grid,
    step,
  );
}
