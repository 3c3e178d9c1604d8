import { eachHorizon, evenWays } from "../horizon/horizons";
import { clamp } from "../units";
import { coarseSize, grow, shrink } from "./coarse";
import type { LampVector, SurfaceGrid } from "./grid";
import { eachSlope } from "./slopes";

/** How far a ridge can throw shade, mm. */
export const SHADE_REACH_MM = 3;
/** Width of the half shade, as a rise of the horizon. */
export const HALF_SHADE = 0.18;
/** Light changes no faster than this, mm: it is worked out on a grid no finer. */
export const LIGHT_MM = 0.09;
/** Open sky changes slower still. */
const SKY_MM = 0.16;
const SKY_REACH_MM = 2.2;
const SKY_WAYS = evenWays(12);

/** A relief on every so many-th cell. */
export interface Coarse {
  readonly relief: Float32Array;
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
  readonly step: number;
}

/** A relief on cells no finer than is asked for. */
export function coarsened(grid: SurfaceGrid, finestMm: number): Coarse {
  const step = Math.max(1, Math.floor(finestMm / grid.pitchMm));
  return {
    relief: shrink(grid.relief, grid, step),
    ...coarseSize(grid, step),
    pitchMm: grid.pitchMm * step,
    step,
  };
}

/** Whether a relief is none. */
export const isLevel = (relief: Float32Array) => relief.every((value) => value === relief[0]);
/** Takes away what lies beside the panel. */
export const onPanel = (grid: SurfaceGrid, values: Float32Array) => {
  for (let at = 0; at < values.length; at++) if (grid.inside[at] === 0) values[at] = 0;
  return values;
};

/**
 * 0…1: light from one side, by what the form and its slopes face and by what stands between; open ground that faces it
 * most is 1.
 * @param bend how much the form faces that side; null where it lies flat
 */
export function litFrom(grid: SurfaceGrid, lamp: LampVector, bend: Float32Array | null): Float32Array {
  if (isLevel(grid.relief) && !bend) return grid.inside.map((inside) => (inside > 0 ? 1 : 0));
  const coarse = coarsened(grid, LIGHT_MM);
  const { relief, step } = coarse;
  const flat = Math.max(1e-3, Math.hypot(lamp[0], lamp[1]));
  const rise = lamp[2] / flat;
  const out = new Float32Array(relief.length);
  const ways = [[lamp[0] / flat, lamp[1] / flat]] as const;
  eachHorizon(coarse, { ways, reachMm: SHADE_REACH_MM, least: -1 }, (horizon) =>
    eachSlope(relief, coarse, (at, sx, sy) => {
      const facing = (-sx * lamp[0] - sy * lamp[1] + lamp[2]) / Math.sqrt(1 + sx * sx + sy * sy) / lamp[2];
      out[at] = clamp(facing, 0, 1) * clamp((rise - horizon[at]!) / HALF_SHADE + 0.5, 0, 1);
    }),
  );
  const lit = onPanel(grid, grow(out, grid, step));
  if (bend) for (let at = 0; at < lit.length; at++) lit[at]! *= bend[at]!;
  return lit;
}

/**
 * 0…1: share of the open sky a cell sees: the mean over twelve ways of cos² of the horizon's height, for an evenly
 * bright sky. Source: Max, "Horizon mapping", The Visual Computer 4, 1988.
 */
export function openSky(grid: SurfaceGrid): Float32Array {
  if (isLevel(grid.relief)) return grid.inside.map((inside) => (inside > 0 ? 1 : 0));
  const coarse = coarsened(grid, SKY_MM);
  const out = new Float32Array(coarse.relief.length);
  eachHorizon(coarse, { ways: SKY_WAYS, reachMm: SKY_REACH_MM, least: 0 }, (horizon) => {
    for (let at = 0; at < out.length; at++)
      out[at]! += 1 / (1 + horizon[at]! * horizon[at]!) / SKY_WAYS.length;
  });
  return onPanel(grid, grow(out, grid, coarse.step));
}

/**
 * Lambert's light of the job's lamp on a relief as a picture shows it, with less open sky in hollows; level ground is 1.
 * @param relief heights, mm; with paint on them where it is to be seen
 * @param low how much each cell lies in a hollow, 0…1
 */
export function pictureLight(
  relief: Float32Array,
  grid: SurfaceGrid,
  low: Float32Array,
  bend: Float32Array | null,
): Float32Array {
  const { lamp } = grid;
  const out = new Float32Array(relief.length);
  eachSlope(relief, grid, (at, sx, sy) => {
    const facing = (-sx * lamp[0] - sy * lamp[1] + lamp[2]) / Math.sqrt(1 + sx * sx + sy * sy);
    const sky = 1 - 0.45 * low[at]!;
    const direct = Math.max(0, facing) / Math.max(0.25, lamp[2]);
    out[at] = sky * (0.35 + 0.65 * direct * (bend ? bend[at]! : 1));
  });
  return out;
}
