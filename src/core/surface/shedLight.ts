import { clamp } from "../units";
import { grow } from "./coarse";
import type { FlatPoint } from "./forms/form";
import type { SurfaceGrid } from "./grid";
import { coarsened, LIGHT_MM, onPanel, type Coarse } from "./lit";
import { eachBetween, type LightLattice } from "./roomLight";
import { eachSlope } from "./slopes";

/** What a painted light sheds on one piece, without the piece's relief. */
export interface ShedLight extends LightLattice {
  /**
   * Seven numbers to a point: how far it is from there to the light's middle, to the right and down the flat and out of it,
   * mm; 0…1 how much of it the rest of the figure and the piece's own bend let through; the unit vector to the light's
   * front as the place has it, or three times 0 where it sheds to all sides.
   */
  readonly values: Float32Array;
  /** Across, mm. */
  readonly widthMm: number;
  /** Where half of it is left, mm. */
  readonly reachMm: number;
  /** It sheds before itself alone, less the more aslant. */
  readonly front: boolean;
  /** Where it sits on the flat; null where it sits on another piece. */
  readonly at: FlatPoint | null;
}

/** Numbers to a point of the lattice. */
export const PER_SHED = 7;

/**
 * The law by which a painted light falls: Lambert's cosine of the angle at which it meets the ground, and with distance
 * 1 / (1 + (d / reach)²), an inverse square that stays whole close by, as a lamp is no point. The reach is set by eye.
 * @param cosine of the angle between the ground's normal and the way to the light; below 0 nothing is lit
 * @returns 0…1
 */
export const shedShare = (cosine: number, distanceMm: number, reachMm: number): number =>
  Math.max(0, Math.min(1, cosine)) / (1 + (distanceMm / reachMm) ** 2);

/** Light below this share is none. */
const LEAST_SHARE = 0.004;
/** Relief throws the shade of a painted light no further than this, mm. */
const SHADE_MM = 12;
/** A way to the light begins this far over the ground, mm; half shade is this wide there, and this much wider per mm. */
const [OVER_MM, SOFT_MM, WIDENS] = [0.02, 0.01, 0.02] as const;
/** Every step along a way is longer by this share than the one before, until it is as long as thin things are wide, mm. */
const [LONGER, LONGEST_MM] = [1.06, 0.16] as const;
/** What lies this near to the light's rim is of the light itself, mm. */
const RIM_MM = 0.1;

/** A place on cells, and the way from there to the light, mm. */
interface Way {
  readonly at: number;
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** How much of the light the relief lets through to a cell, 0…1: marched along the way, with a soft rim as wide as the light looks. */
function freeOfRelief(
  { relief, width, height, pitchMm }: Coarse,
  { at, x, y, z }: Way,
  light: ShedLight,
): number {
  const flat = Math.hypot(x, y);
  const end = Math.min(SHADE_MM, light.at ? flat - light.widthMm / 2 - RIM_MM : flat);
  const [column, row] = [at % width, Math.floor(at / width)];
  const own = relief[at]! + OVER_MM;
  let free = 1;
  const longest = Math.max(pitchMm, LONGEST_MM);
  for (let step = pitchMm, far = pitchMm; far < end && free > 0; far += step) {
    step = Math.min(longest, step * LONGER);
    const share = far / flat;
    const [c, r] = [Math.round(column + (x * share) / pitchMm), Math.round(row + (y * share) / pitchMm)];
    if (c < 0 || r < 0 || c >= width || r >= height) break;
    const clear = own + z * share - relief[r * width + c]!;
    const soft = Math.max(SOFT_MM + WIDENS * far, (share * light.widthMm) / 2);
    free = Math.min(free, clamp(0.5 + clear / (2 * soft), 0, 1));
  }
  return free;
}

/** 0…1: what a painted light sheds on every cell of a panel: `shedShare` of the ground with its relief, less what is in its way. */
export function shedOn(grid: SurfaceGrid, light: ShedLight): Float32Array {
  const coarse = coarsened(grid, LIGHT_MM);
  const { relief, step } = coarse;
  const slopes = new Float32Array(relief.length * 2);
  eachSlope(relief, coarse, (at, sx, sy) => {
    slopes[at * 2] = sx;
    slopes[at * 2 + 1] = sy;
  });
  const out = new Float32Array(relief.length);
  eachBetween(light, light.values, grid, step, (at, line, a, share) => {
    const told = (part: number) => line[a + part]! + (line[a + PER_SHED + part]! - line[a + part]!) * share;
    const [x, y, z] = [told(0), told(1), told(2) - relief[at]!];
    const [sx, sy] = [slopes[at * 2]!, slopes[at * 2 + 1]!];
    const distance = Math.max(1e-6, Math.sqrt(x * x + y * y + z * z));
    const cosine = (-sx * x - sy * y + z) / Math.sqrt(1 + sx * sx + sy * sy) / distance;
    const front = light.front ? Math.max(0, -(told(4) * x + told(5) * y + told(6) * z) / distance) : 1;
    const open = shedShare(cosine, distance, light.reachMm) * told(3) * front;
    if (open < LEAST_SHARE) return;
    out[at] = open * freeOfRelief(coarse, { at, x, y, z }, light);
  });
  return onPanel(grid, grow(out, grid, step));
}

const kept = new WeakMap<ShedLight, { readonly relief: Float32Array; readonly shed: Float32Array }>();

/** What a painted light of the figure sheds on a panel; nothing where the figure has no such light, or it does not reach the panel. */
export function shedOf(grid: SurfaceGrid, lightId: string): Float32Array {
  const light = grid.sheds.find(({ id }) => id === lightId)?.of() ?? null;
  if (!light) return new Float32Array(grid.inside.length);
  const known = kept.get(light);
  if (known?.relief === grid.relief) return known.shed;
  const shed = shedOn(grid, light);
  kept.set(light, { relief: grid.relief, shed });
  return shed;
}

/**
 * What of a painted light is to be seen on a panel where others fall too, 0…1: paint cannot add light to light, so that each
 * colour is seen in its share of both. Earlier lights of the figure are painted below: of this one's film, which lies over
 * theirs, its own share is laid, p² / (p + q) for a light p over earlier ones q, so that the two run into each other.
 * @param laid ids of the lights that have coats on the panel: others take no share; all where left out
 */
export function shedOver(grid: SurfaceGrid, lightId: string, laid?: readonly string[]): Float32Array {
  const own = shedOf(grid, lightId);
  const at = grid.sheds.findIndex(({ id }) => id === lightId);
  const below = grid.sheds
    .slice(0, Math.max(0, at))
    .filter(({ id }) => laid?.includes(id) ?? true)
    .map(({ id }) => shedOf(grid, id));
  if (below.length === 0) return own;
  return own.map((share, cell) => {
    const others = below.reduce((sum, one) => sum + one[cell]!, 0);
    return others > 0 ? (share * share) / (share + others) : share;
  });
}
