import { blur, blurMm } from "../surface/blur";
import { coarseSize, grow, shrink, type PlaneSize } from "../surface/coarse";
import type { SurfaceGrid } from "../surface/grid";
import { addFilm, type FilmBuffer, type LayContext } from "./technique";

/** How far liquid runs before it dries, mm (standard deviation of its reach). */
const REACH_MM = 0.9;
const TURNS = 14;

/**
 * Lets a liquid settle: it leaves a clinging film on high ground and fills low ground to a level that changes slowly
 * from place to place, so that a deep groove holds more than a shallow one and a flooded one lies level. Nothing is
 * made or lost: the level is found so that each neighbourhood keeps the liquid it was given, and what is left of the
 * error is taken out in one factor.
 * @param heightMm the ground with the paint on it, per cell
 * @param givenUm liquid laid on each cell, µm
 * @param clingUm what stays on high ground, µm
 * @returns depth of the liquid, µm; sums to the same as `givenUm`
 */
export function settle(
  grid: SurfaceGrid,
  heightMm: Float32Array,
  givenUm: Float32Array,
  clingUm: number,
): Float32Array {
  const { inside } = grid;
  const ground = heightMm.map((mm) => mm * 1000);
  const loose = givenUm.map((um) => Math.max(0, um - clingUm));
  const half = Math.max(1, Math.floor(LEVEL_MM / grid.pitchMm));
  const small = { ...coarseSize(grid, half), pitchMm: grid.pitchMm * half };
  const run = runDown(grid, heightMm, loose);
  const planes = [ground, inside, run].map((plane) => shrink(plane, grid, half));
  const level = grow(levelOf(small, planes[0]!, planes[1]!, planes[2]!), grid, half);
  const depth = new Float32Array(inside.length);
  let [given, found] = [0, 0];
  for (let at = 0; at < depth.length; at++) {
    depth[at] = Math.max(0, level[at]! - ground[at]!) * inside[at]!;
    given += loose[at]!;
    found += depth[at]!;
  }
  const scale = found > 0 ? given / found : 0;
  for (let at = 0; at < depth.length; at++)
    depth[at] = found > 0 ? depth[at]! * scale + Math.min(givenUm[at]!, clingUm) : givenUm[at]!;
  return depth;
}

/** Folds up to about twice this wide are drained from their ridges, mm (standard deviations). */
const RUN_MM = 2.5;
/** How strongly liquid prefers a hollow to a rise, per mm of depth below the mean around it and mm of RUN_MM. */
const RUN_PULL = 10;
const MOST_PULL = 5;
/** Where nothing in reach pulls more than this, on the mean, liquid stays where it is. */
const LEAST_TAKERS = 1e-3;

/**
 * Liquid run from ridges into the valleys between them, before it settles in each. A wet film drains far before it is
 * touch dry: under gravity to a depth of √(μ x / (ρ g t)) at x mm below the ridge (Jeffreys, Proc Camb Phil Soc 26, 1930),
 * 8 µm at 3 mm after a minute for paint as thin as 5 mPa s, and folds of millimetres draw it as hard by their curvature,
 * γ A (2π/λ)². So what is loose goes to hollows within reach, whatever width they have; which way is down on the seated
 * piece is not known here, and would be one more term of the pull.
 * @param loose liquid that does not cling, µm
 * @returns µm; sums to the same but for what blurs lose at the rim
 */
function runDown(grid: SurfaceGrid, heightMm: Float32Array, loose: Float32Array): Float32Array {
  const { inside } = grid;
  const around = blurMm(heightMm, grid, RUN_MM);
  const pull = new Float32Array(loose.length);
  for (let at = 0; at < pull.length; at++) {
    const depth = (RUN_PULL * (around[at]! - heightMm[at]!)) / RUN_MM;
    pull[at] = Math.exp(Math.min(MOST_PULL, Math.max(-MOST_PULL, depth))) * inside[at]!;
  }
  const [pulls, area] = [blurMm(pull, grid, RUN_MM), blurMm(inside, grid, RUN_MM)];
  // What pulls less than its surroundings gives up that much less, to what pulls more; on level ground all stays.
  const mean = pulls.map((sum, at) => (area[at]! > 1e-4 ? sum / area[at]! : 0));
  const takes = pull.map((own, at) => Math.max(0, own - mean[at]! * inside[at]!));
  const takers = blurMm(takes, grid, RUN_MM);
  const leaves = loose.map((um, at) =>
    takers[at]! > LEAST_TAKERS ? um * Math.max(0, 1 - pull[at]! / mean[at]!) : 0,
  );
  const shared = blurMm(
    leaves.map((um, at) => (um > 0 ? um / takers[at]! : 0)),
    grid,
    RUN_MM,
  );
  return loose.map((um, at) => um - leaves[at]! + shared[at]! * takes[at]!);
}

/** The level is looked for on a grid no finer than this, mm. */
const LEVEL_MM = 0.07;

/** The height, µm, to which loose liquid stands, changing slowly from place to place. */
function levelOf(
  grid: PlaneSize & { readonly pitchMm: number },
  ground: Float32Array,
  inside: Float32Array,
  loose: Float32Array,
): Float32Array {
  // It is kept on a grid of a third of the reach.
  const step = Math.max(1, Math.floor(REACH_MM / grid.pitchMm / 3));
  const { width, height } = coarseSize(grid, step);
  const spread = (plane: Float32Array) =>
    blur(gather(plane, grid, step), width, height, REACH_MM / grid.pitchMm / step);
  const wanted = spread(loose);
  const area = spread(inside);
  const weighted = spread(ground.map((um, at) => um * inside[at]!));
  let level = weighted.map((um, at) => (area[at]! > 1e-4 ? um / area[at]! : 0));
  const depth = new Float32Array(ground.length);
  const wet = new Float32Array(ground.length);
  for (let turn = 0; turn < TURNS; turn++) {
    const full = grow(level, grid, step);
    for (let at = 0; at < depth.length; at++) {
      const above = full[at]! - ground[at]!;
      wet[at] = above > 0 ? inside[at]! : 0;
      depth[at] = above * wet[at]!;
    }
    const held = spread(depth);
    const open = spread(wet);
    // Where little is wet yet, the level may rise fast; where all is, it rises by what is missing.
    level = level.map((um, at) =>
      area[at]! < 1e-4 ? um : um + (wanted[at]! - held[at]!) / Math.max(open[at]!, 0.12 * area[at]!),
    );
  }
  return grow(level, grid, step);
}

/** Mean of each block of cells; unlike picking every n-th, it loses nothing that lies between. */
function gather(values: Float32Array, size: PlaneSize, step: number): Float32Array {
  if (step === 1) return values.slice();
  const { width } = coarseSize(size, step);
  const { height } = coarseSize(size, step);
  const sums = new Float32Array(width * height);
  for (let row = 0; row < size.height; row++) {
    // Blocks are centred on the cells that `grow` puts back.
    const to = Math.min(height - 1, Math.floor(row / step + 0.5)) * width;
    const base = row * size.width;
    for (let column = 0; column < size.width; column++) {
      const at = Math.min(width - 1, Math.floor(column / step + 0.5));
      sums[to + at]! += values[base + column]!;
    }
  }
  const scale = 1 / (step * step);
  for (let at = 0; at < sums.length; at++) sums[at]! *= scale;
  return sums;
}

/** Width of the rim a drying pool leaves, mm. */
const TIDE_MM = 0.11;
/** A pool is what stands this much higher than the clinging film, in units of it. */
const POOL_DEPTH = 1.35;

/**
 * A pool that dries slowly carries its pigment to its rim. Moves paint from inside the pools to their borders; the sum
 * stays the same. Source: Deegan and others, "Capillary flow as the cause of ring stains", Nature 389, 1997.
 * @param strength 0 none … 1 a hard ring
 */
export function tideMarks(
  grid: SurfaceGrid,
  depthUm: Float32Array,
  clingUm: number,
  strength: number,
): Float32Array {
  if (strength <= 0) return depthUm;
  const edge = Math.max(1, clingUm) * POOL_DEPTH;
  const pool = depthUm.map((um) => (um > edge ? 1 : 0));
  const soft = blurMm(pool, grid, TIDE_MM);
  const out = new Float32Array(depthUm.length);
  let [before, after] = [0, 0];
  for (let at = 0; at < out.length; at++) {
    const um = depthUm[at]!;
    const share = soft[at]!;
    const rim = 4 * share * (1 - share);
    out[at] = um * (1 + strength * (1.5 * rim * pool[at]! - 0.3 * (1 - rim) * pool[at]!));
    before += um;
    after += out[at]!;
  }
  const scale = after > 0 ? before / after : 1;
  return out.map((um) => um * scale);
}

/** Wet thickness of an ordinary brushed pass, µm: what is wetter or drier leaves that much more or less pigment. */
const BRUSHED_WET_UM = 40;

/** What dries out of a settled liquid. */
export function layLiquid(
  film: FilmBuffer,
  { grid, passUm, passes }: Pick<LayContext, "grid" | "passUm" | "passes">,
  depthUm: Float32Array,
): void {
  const solids = (passUm / BRUSHED_WET_UM) * passes;
  for (let at = 0; at < depthUm.length; at++) {
    const um = depthUm[at]! * solids;
    const inside = grid.inside[at]!;
    if (um > 0.002 && inside > 0) addFilm(film, at, um / inside, inside);
  }
}
