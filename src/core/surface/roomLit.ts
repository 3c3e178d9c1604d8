import { eachHorizon, evenWays } from "../horizon/horizons";
import { clamp } from "../units";
import { grow } from "./coarse";
import type { SurfaceGrid } from "./grid";
import { coarsened, HALF_SHADE, isLevel, LIGHT_MM, onPanel, SHADE_REACH_MM } from "./lit";
import { eachLight, type RoomLight } from "./roomLight";
import { eachSlope } from "./slopes";

/** Ways in which the horizon of a piece in a room is looked for: its lamp comes from another side in every place. */
const SHADE_WAYS = evenWays(8);

/** What a relief does to light from any side: its slopes, two to a cell, and its horizons; null where it is level. */
interface ReliefShade {
  readonly step: number;
  readonly slopes: Float32Array;
  readonly horizons: readonly Float32Array[] | null;
}

function shadeOf(grid: SurfaceGrid): ReliefShade {
  const coarse = coarsened(grid, LIGHT_MM);
  const { relief, step } = coarse;
  const slopes = new Float32Array(relief.length * 2);
  eachSlope(relief, coarse, (at, sx, sy) => {
    slopes[at * 2] = sx;
    slopes[at * 2 + 1] = sy;
  });
  if (isLevel(relief)) return { step, slopes, horizons: null };
  const horizons: Float32Array[] = [];
  eachHorizon(coarse, { ways: SHADE_WAYS, reachMm: SHADE_REACH_MM, least: -1 }, (rises) =>
    horizons.push(rises.slice()),
  );
  return { step, slopes, horizons };
}

/** Reliefs of so few cells keep it while their lamp is turned: 40 bytes to a cell. */
const KEPT_CELLS = 120_000;
const kept = new WeakMap<Float32Array, ReliefShade>();

function shadeOnce(grid: SurfaceGrid): ReliefShade {
  const known = kept.get(grid.relief);
  if (known) return known;
  const made = shadeOf(grid);
  if (made.slopes.length / 2 <= KEPT_CELLS) kept.set(grid.relief, made);
  return made;
}

/** How high the horizon stands towards the lamp of each place, between the ways it was looked for, as a tangent. */
function horizonTowards(horizons: readonly Float32Array[], at: number, x: number, y: number): number {
  const count = horizons.length;
  const way = ((((Math.atan2(y, x) / (2 * Math.PI)) * count) % count) + count) % count;
  const first = Math.floor(way) % count;
  const share = way - Math.floor(way);
  return horizons[first]![at]! * (1 - share) + horizons[(first + 1) % count]![at]! * share;
}

/**
 * 0…1: light of the lamp in the figure's room: Lambert's cosine to the relief as it stands there, less what the relief,
 * the piece's bend and the rest of the figure keep off. Ground that faces the open lamp straight on is 1.
 */
export function roomLit(grid: SurfaceGrid, light: RoomLight): Float32Array {
  const { step, slopes, horizons } = shadeOnce(grid);
  const out = new Float32Array(slopes.length / 2);
  eachLight(light, grid, step, (at, x, y, z, free) => {
    const [sx, sy] = [slopes[at * 2]!, slopes[at * 2 + 1]!];
    const facing = (-sx * x - sy * y + z) / Math.sqrt(1 + sx * sx + sy * sy);
    if (facing <= 0) return;
    const rise = z / Math.max(1e-3, Math.sqrt(x * x + y * y));
    const horizon = horizons ? horizonTowards(horizons, at, x, y) : -Infinity;
    out[at] = Math.min(1, facing) * clamp((rise - horizon) / HALF_SHADE + 0.5, 0, 1) * free;
  });
  return onPanel(grid, grow(out, grid, step));
}

/** 0…1: share of the open room each cell sees past its relief and past the rest of the figure. @param sky past its relief alone */
export const roomSky = (sky: Float32Array, open: Float32Array): Float32Array =>
  sky.map((share, at) => share * open[at]!);

/** Light of the lamp and of the room on ground that gets all of it, as a picture shows it. */
const [PICTURE_LAMP, PICTURE_ROOM] = [0.85, 0.35] as const;

/** As `pictureLight`, in the light of the figure's room. @param open share of the room each cell has without its relief */
export function roomPictureLight(
  relief: Float32Array,
  grid: SurfaceGrid,
  low: Float32Array,
  light: RoomLight,
  open: Float32Array,
): Float32Array {
  const { width, height, pitchMm } = grid;
  const out = new Float32Array(relief.length);
  const scale = 1 / (2 * pitchMm);
  eachLight(light, grid, 1, (at, x, y, z, free) => {
    const column = at % width;
    const row = (at / width) | 0;
    const [left, right] = [column > 0 ? at - 1 : at, column < width - 1 ? at + 1 : at];
    const [above, below] = [row > 0 ? at - width : at, row < height - 1 ? at + width : at];
    const sx = (relief[right]! - relief[left]!) * scale;
    const sy = (relief[below]! - relief[above]!) * scale;
    const facing = (-sx * x - sy * y + z) / Math.sqrt(1 + sx * sx + sy * sy);
    const sky = (1 - 0.45 * low[at]!) * (0.5 + 0.5 * open[at]!);
    out[at] = PICTURE_ROOM * sky + PICTURE_LAMP * Math.max(0, facing) * free;
  });
  return out;
}
