import { dryUm } from "../colour/mix";
import { exchanged } from "../liquid/kernel";
import { blurMm } from "../surface/blur";
import { coarseSize, grow, means } from "../surface/coarse";
import type { SurfaceGrid } from "../surface/grid";
import { addFilm, type FilmBuffer, type LayContext } from "./technique";

/** Liquid is followed on a grid no finer than this, mm. */
const LEVEL_MM = 0.07;
/** Liquid is exchanged between places this far apart, mm, as often as told, along and across in turn: far first, near last. */
const EXCHANGES: readonly (readonly [apartMm: number, turns: number])[] = [
  [1.2, 4],
  [0.6, 4],
  [0.3, 4],
  [0.14, 4],
  [LEVEL_MM, 4],
];
/** Share of the difference in level that is made good in one turn. */
const EVENS_OUT = 0.4;
/** Below this depth, µm, a place counts the less as wet. */
const WET_UM = 2;

/**
 * Lets a liquid settle: what does not cling runs from where its surface stands high to where it stands low, over as far
 * as a wet film runs before it is touch dry, and lies level where it has come to rest. It drains from ridges, gathers
 * between folds of every width, and fills a groove by its room. Nothing is made or lost.
 *
 * A film drains under gravity to a depth of √(μ x / (ρ g t)) at x mm below the ridge (Jeffreys, Proc Camb Phil Soc 26,
 * 1930): 8 µm at 3 mm after a minute for paint as thin as 5 mPa s, and a fold of millimetres draws it as hard by its
 * curvature, γ A (2π/λ)². Both are far quicker than drying, so that levels are exchanged here without counting time;
 * which way is down on the seated piece is not known here, and would be one more term of the surface's height.
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
  const step = Math.max(1, Math.floor(LEVEL_MM / grid.pitchMm));
  const ground = heightMm.map((mm) => mm * 1000);
  const loose = givenUm.map((um) => Math.max(0, um - clingUm));
  const [coarseGround, coarseInside, coarseLoose] = [ground, inside, loose].map((plane) =>
    means(plane, grid, step),
  ) as [Float32Array, Float32Array, Float32Array];
  const size = coarseSize(grid, step);
  const liquid = { ground: coarseGround, depth: coarseLoose, inside: coarseInside, size };
  const depth = exchanged(
    liquid,
    EXCHANGES.map(([mm, turns]) => [Math.max(1, Math.round(mm / (grid.pitchMm * step))), turns] as const),
    EVENS_OUT,
  );
  const level = grow(
    depth.map((um, at) => um + coarseGround[at]!),
    grid,
    step,
  );
  const wet = grow(
    depth.map((um) => Math.min(1, um / WET_UM)),
    grid,
    step,
  );
  return laidTo(level, wet, { ground, loose, givenUm, inside, clingUm });
}

/** What a liquid levelled on the coarser grid is laid onto. */
interface Laid {
  readonly ground: Float32Array;
  readonly loose: Float32Array;
  readonly givenUm: Float32Array;
  readonly inside: Float32Array;
  readonly clingUm: number;
}

/** Liquid up to a level, with what clings; what the finer ground makes of it too much or too little is taken out in one factor. */
function laidTo(level: Float32Array, wet: Float32Array, laid: Laid): Float32Array {
  const { ground, loose, givenUm, inside, clingUm } = laid;
  const out = new Float32Array(level.length);
  let [given, found] = [0, 0];
  for (let at = 0; at < out.length; at++) {
    out[at] = Math.max(0, level[at]! - ground[at]!) * wet[at]! * inside[at]!;
    given += loose[at]!;
    found += out[at]!;
  }
  const scale = found > 0 ? given / found : 0;
  for (let at = 0; at < out.length; at++)
    out[at] = found > 0 ? out[at]! * scale + Math.min(givenUm[at]!, clingUm) : givenUm[at]!;
  return out;
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

/** What dries out of a settled liquid. */
export function layLiquid(
  film: FilmBuffer,
  { grid, water, passes }: Pick<LayContext, "grid" | "water" | "passes">,
  depthUm: Float32Array,
): void {
  const solids = dryUm(1, water) * passes;
  for (let at = 0; at < depthUm.length; at++) {
    const um = depthUm[at]! * solids;
    const inside = grid.inside[at]!;
    if (um > 0.002 && inside > 0) addFilm(film, at, um / inside, inside);
  }
}
