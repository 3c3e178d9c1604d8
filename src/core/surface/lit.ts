import { clamp } from "../units";
import { coarseSize, grow, shrink } from "./coarse";
import type { LampVector, SurfaceGrid } from "./grid";
import { eachLight, type RoomLight } from "./roomLight";
import { eachSlope } from "./slopes";

/** How far a ridge can throw shade, mm. */
const SHADE_REACH_MM = 3;
/** Width of the half shade, as a rise of the horizon. */
const HALF_SHADE = 0.18;
/** Light changes no faster than this, mm: it is worked out on a grid no finer. */
const LIGHT_MM = 0.09;
/** Open sky changes slower still. */
const SKY_MM = 0.16;
const SKY_REACH_MM = 2.2;
const SKY_WAYS = 12;

interface Coarse {
  readonly relief: Float32Array;
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
  readonly step: number;
}

function coarsened(grid: SurfaceGrid, finestMm: number): Coarse {
  const step = Math.max(1, Math.floor(finestMm / grid.pitchMm));
  return {
    relief: shrink(grid.relief, grid, step),
    ...coarseSize(grid, step),
    pitchMm: grid.pitchMm * step,
    step,
  };
}

/** Steepest rise of the ground seen from each cell in one direction, as a tangent; at least `least`. */
function horizonOf(coarse: Coarse, dx: number, dy: number, reachMm: number, least: number): Float32Array {
  const { relief, width, height, pitchMm } = coarse;
  const out = new Float32Array(relief.length).fill(least);
  // Steps grow with distance: what is far needs to be looked at less closely.
  for (let mm = pitchMm; mm <= reachMm; mm += Math.max(pitchMm, mm * 0.22)) {
    const [ox, oy] = [Math.round((dx * mm) / pitchMm), Math.round((dy * mm) / pitchMm)];
    if (ox === 0 && oy === 0) continue;
    const scale = 1 / (Math.hypot(ox, oy) * pitchMm);
    const shift = oy * width + ox;
    const [fromX, toX] = [Math.max(0, -ox), Math.min(width, width - ox)];
    for (let row = Math.max(0, -oy); row < Math.min(height, height - oy); row++) {
      for (let at = row * width + fromX; at < row * width + toX; at++) {
        const slope = (relief[at + shift]! - relief[at]!) * scale;
        if (slope > out[at]!) out[at] = slope;
      }
    }
  }
  return out;
}

const isLevel = (relief: Float32Array) => relief.every((value) => value === relief[0]);
const onPanel = (grid: SurfaceGrid, values: Float32Array) => {
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
  const horizon = horizonOf(coarse, lamp[0] / flat, lamp[1] / flat, SHADE_REACH_MM, -1);
  const out = new Float32Array(relief.length);
  eachSlope(relief, coarse, (at, sx, sy) => {
    const facing = (-sx * lamp[0] - sy * lamp[1] + lamp[2]) / Math.sqrt(1 + sx * sx + sy * sy) / lamp[2];
    out[at] = clamp(facing, 0, 1) * clamp((rise - horizon[at]!) / HALF_SHADE + 0.5, 0, 1);
  });
  const lit = onPanel(grid, grow(out, grid, step));
  if (bend) for (let at = 0; at < lit.length; at++) lit[at]! *= bend[at]!;
  return lit;
}

/** Ways in which the horizon of a piece in a room is looked for: its lamp comes from another side in every place. */
const SHADE_WAYS = 8;

const horizonsOf = (coarse: Coarse): Float32Array[] =>
  Array.from({ length: SHADE_WAYS }, (_, way) => {
    const angle = (way * 2 * Math.PI) / SHADE_WAYS;
    return horizonOf(coarse, Math.cos(angle), Math.sin(angle), SHADE_REACH_MM, -1);
  });

/** How high the horizon stands towards the lamp of each place, between the ways it was looked for, as a tangent. */
function horizonTowards(horizons: readonly Float32Array[], at: number, x: number, y: number): number {
  const way = ((((Math.atan2(y, x) / (2 * Math.PI)) * SHADE_WAYS) % SHADE_WAYS) + SHADE_WAYS) % SHADE_WAYS;
  const first = Math.floor(way) % SHADE_WAYS;
  const share = way - Math.floor(way);
  return horizons[first]![at]! * (1 - share) + horizons[(first + 1) % SHADE_WAYS]![at]! * share;
}

/**
 * 0…1: light of the lamp in the figure's room: Lambert's cosine to the relief as it stands there, less what the relief,
 * the piece's bend and the rest of the figure keep off. Ground that faces the open lamp straight on is 1.
 */
export function roomLit(grid: SurfaceGrid, light: RoomLight): Float32Array {
  const coarse = coarsened(grid, LIGHT_MM);
  const { relief, step } = coarse;
  const slopes = new Float32Array(relief.length * 2);
  eachSlope(relief, coarse, (at, sx, sy) => {
    slopes[at * 2] = sx;
    slopes[at * 2 + 1] = sy;
  });
  const horizons = isLevel(relief) ? null : horizonsOf(coarse);
  const out = new Float32Array(relief.length);
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

/** 0…1: share of the open room each cell sees past its relief and past the rest of the figure. */
export function roomSky(grid: SurfaceGrid, light: RoomLight): Float32Array {
  const sky = openSky(grid);
  eachLight(light, grid, 1, (at, _x, _y, _z, _free, open) => {
    sky[at]! *= open;
  });
  return sky;
}

/** Light of the lamp and of the room on ground that gets all of it, as a picture shows it. */
const [PICTURE_LAMP, PICTURE_ROOM] = [0.85, 0.35] as const;

/** As `pictureLight`, in the light of the figure's room. */
export function roomPictureLight(
  relief: Float32Array,
  grid: SurfaceGrid,
  low: Float32Array,
  light: RoomLight,
): Float32Array {
  const { width, height, pitchMm } = grid;
  const out = new Float32Array(relief.length);
  const scale = 1 / (2 * pitchMm);
  eachLight(light, grid, 1, (at, x, y, z, free, open) => {
    const column = at % width;
    const row = (at / width) | 0;
    const [left, right] = [column > 0 ? at - 1 : at, column < width - 1 ? at + 1 : at];
    const [above, below] = [row > 0 ? at - width : at, row < height - 1 ? at + width : at];
    const sx = (relief[right]! - relief[left]!) * scale;
    const sy = (relief[below]! - relief[above]!) * scale;
    const facing = (-sx * x - sy * y + z) / Math.sqrt(1 + sx * sx + sy * sy);
    const sky = (1 - 0.45 * low[at]!) * (0.5 + 0.5 * open);
    out[at] = PICTURE_ROOM * sky + PICTURE_LAMP * Math.max(0, facing) * free;
  });
  return out;
}

/**
 * 0…1: share of the open sky a cell sees: the mean over twelve ways of cos² of the horizon's height, for an evenly
 * bright sky. Source: Max, "Horizon mapping", The Visual Computer 4, 1988.
 */
export function openSky(grid: SurfaceGrid): Float32Array {
  if (isLevel(grid.relief)) return grid.inside.map((inside) => (inside > 0 ? 1 : 0));
  const coarse = coarsened(grid, SKY_MM);
  const out = new Float32Array(coarse.relief.length);
  for (let way = 0; way < SKY_WAYS; way++) {
    const angle = (way * 2 * Math.PI) / SKY_WAYS;
    const horizon = horizonOf(coarse, Math.cos(angle), Math.sin(angle), SKY_REACH_MM, 0);
    for (let at = 0; at < out.length; at++) out[at]! += 1 / (1 + horizon[at]! * horizon[at]!) / SKY_WAYS;
  }
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
