import type { Random } from "../random";
import { fieldsOf } from "../surface/fields";
import { clamp } from "../units";
import { addFilm, type FilmBuffer, type LayContext } from "./technique";
import { cloud, stray, streak, wander } from "./texture";

/** How one pull of the brush is laid. */
export interface Pull {
  /** x0, y0, x1, y1 … mm, already strayed from the guide. */
  readonly path: Float64Array;
  /** Half the width at each point, mm. */
  readonly half: Float64Array;
  /** Share of the full film at each point: the brush empties along the pull. */
  readonly load: Float64Array;
  readonly softMm: number;
  readonly filmUm: number;
  readonly seed: number;
  /** Dabbed on and left to level: no ridges along it, only slow unevenness. */
  readonly levels?: boolean;
  /** Piece of cloth it is kept to; left out or null for none. */
  readonly piece?: number | null;
}

/** Points along a path at even steps. */
export function resample(path: Float64Array, stepMm: number): { points: Float64Array; lengthMm: number } {
  const out: number[] = [path[0]!, path[1]!];
  let lengthMm = 0;
  for (let at = 2; at < path.length; at += 2) {
    const [x0, y0, x1, y1] = [path[at - 2]!, path[at - 1]!, path[at]!, path[at + 1]!];
    const part = Math.hypot(x1 - x0, y1 - y0);
    const steps = Math.max(1, Math.round(part / stepMm));
    for (let step = 1; step <= steps; step++) {
      out.push(x0 + ((x1 - x0) * step) / steps, y0 + ((y1 - y0) * step) / steps);
    }
    lengthMm += part;
  }
  return { points: Float64Array.from(out), lengthMm };
}

/** How a brush is pulled: widths, how far without lifting, how much load it loses, how it wobbles. */
export interface PullStyle {
  readonly startWidthMm: number;
  readonly endWidthMm: number;
  /** Longest piece painted without lifting the brush, mm. */
  readonly pullMm: number;
  /** Share of the load lost along one pull, 0…1. */
  readonly fade: number;
  readonly wobbleMm: number;
}

/** Cuts a path into pulls that overlap a little, each strayed, pressed and loaded in its own way. */
export function pullsAlong(
  path: Float64Array,
  style: PullStyle,
  context: LayContext,
  softMm: number,
  random: Random,
): Pull[] {
  const { points, lengthMm } = resample(path, 0.12);
  const count = points.length / 2;
  if (count < 2) return [];
  const pieces = Math.max(1, Math.round(lengthMm / style.pullMm));
  const overlap = pieces > 1 ? Math.ceil((0.35 / lengthMm) * count) : 0;
  return Array.from({ length: pieces }, (_, piece) => {
    const from = Math.max(0, Math.floor((piece * (count - 1)) / pieces) - overlap);
    const to = Math.min(count - 1, Math.ceil(((piece + 1) * (count - 1)) / pieces) + overlap);
    return makePull(points, from, to, count, style, context, softMm, random);
  });
}

function makePull(
  points: Float64Array,
  from: number,
  to: number,
  count: number,
  style: PullStyle,
  context: LayContext,
  softMm: number,
  random: Random,
): Pull {
  const n = to - from + 1;
  const pull = { path: new Float64Array(n * 2), half: new Float64Array(n), load: new Float64Array(n) };
  const seed = Math.floor(random.next() * 0x7fffffff);
  // Starting anew, the brush never lands quite on the line.
  const offset = random.normal() * style.wobbleMm * 0.4;
  const load = 1.12 + 0.08 * random.normal();
  for (let k = 0; k < n; k++) {
    const at = from + k;
    const before = Math.max(0, at - 1) * 2;
    const after = Math.min(count - 1, at + 1) * 2;
    const dx = points[after]! - points[before]!;
    const dy = points[after + 1]! - points[before + 1]!;
    const length = Math.hypot(dx, dy) || 1;
    const aside = offset + style.wobbleMm * stray(seed, k * 0.12);
    pull.path[k * 2] = points[at * 2]! - (dy / length) * aside;
    pull.path[k * 2 + 1] = points[at * 2 + 1]! + (dx / length) * aside;
    const width =
      style.startWidthMm + ((style.endWidthMm - style.startWidthMm) * at) / Math.max(1, count - 1);
    const pressure = 1 + (0.05 + 1.3 * style.wobbleMm) * wander(seed ^ 77, (k * 0.12) / 0.9);
    const tip = Math.min(1, 0.55 + 0.45 * Math.min(k, n - 1 - k) * 0.5);
    pull.half[k] = (width / 2) * pressure * tip;
    pull.load[k] = load - style.fade * (k / Math.max(1, n - 1));
  }
  return { ...pull, softMm, filmUm: context.passUm, seed };
}

/** Planes one pull is gathered in, as large as the largest grid so far and always left at zero. */
const gathered = {
  cover: new Float32Array(0),
  um: new Float32Array(0),
  touched: new Int32Array(0),
  count: 0,
};

function roomFor(cells: number): void {
  if (gathered.cover.length >= cells) return;
  gathered.cover = new Float32Array(cells);
  gathered.um = new Float32Array(cells);
  gathered.touched = new Int32Array(cells);
}

type CellOfMark = (at: number, filmUm: number, cover: number) => void;

/** Visits each cell of a mark made of some pulls once, however often it crosses itself. */
function visitMark({ grid }: Pick<LayContext, "grid">, pulls: readonly Pull[], visit: CellOfMark): void {
  roomFor(grid.inside.length);
  for (const pull of pulls) for (let k = 0; k + 1 < pull.half.length; k++) layPiece(grid, pull, k);
  const piece = pulls[0]?.piece ?? null;
  const pieces = piece === null ? null : fieldsOf(grid).piece;
  const { cover, um, touched, count } = gathered;
  for (let k = 0; k < count; k++) {
    const at = touched[k]!;
    const inside = grid.inside[at]!;
    if (inside > 0 && (!pieces || pieces[at] === piece)) visit(at, um[at]!, cover[at]! * inside);
    cover[at] = 0;
  }
  gathered.count = 0;
}

/** Cells that a mark covers at most: a band as broad as it is anywhere along each pull, and its round ends. */
export const mostCovered = ({ grid }: Pick<LayContext, "grid">, pulls: readonly Pull[]): number =>
  pulls.reduce((sum, { path, half, softMm }) => {
    const reach = Math.max(...half) + Math.max(softMm, grid.pitchMm) / 2;
    let long = 0;
    for (let at = 2; at < path.length; at += 2)
      long += Math.hypot(path[at]! - path[at - 2]!, path[at + 1]! - path[at - 1]!);
    return sum + (2 * reach * long + Math.PI * reach * reach) / grid.pitchMm ** 2;
  }, 0);

/** Cells, in whole and in part, that a mark would cover and that no paint of the film covers yet. */
export function newlyCovered(
  film: FilmBuffer,
  context: Pick<LayContext, "grid">,
  pulls: readonly Pull[],
): number {
  let gained = 0;
  visitMark(context, pulls, (at, _um, cover) => {
    gained += Math.max(0, cover - film.cover[at]!);
  });
  return gained;
}

/**
 * Lays one mark made of some pulls into the film; where it crosses itself the paint does not add up.
 * @returns cells newly covered
 */
export function layMark(film: FilmBuffer, context: Pick<LayContext, "grid">, pulls: readonly Pull[]): number {
  let gained = 0;
  visitMark(context, pulls, (at, um, cover) => {
    gained += Math.max(0, cover - film.cover[at]!);
    addFilm(film, at, um, cover);
  });
  return gained;
}

/** Lays one pull of a brush. @returns cells newly covered */
export const layPull = (film: FilmBuffer, context: Pick<LayContext, "grid">, pull: Pull): number =>
  layMark(film, context, [pull]);

type Capsule = readonly [ax: number, ay: number, bx: number, by: number];
type CellBox = readonly [fromX: number, toX: number, fromY: number, toY: number];

/** Columns and rows of the cells within reach of a capsule. */
function cellsNear(grid: LayContext["grid"], [ax, ay, bx, by]: Capsule, reach: number): CellBox {
  const { pitchMm, originX, originY, width, height } = grid;
  return [
    Math.max(0, Math.ceil((Math.min(ax, bx) - reach - originX) / pitchMm)),
    Math.min(width - 1, Math.floor((Math.max(ax, bx) + reach - originX) / pitchMm)),
    Math.max(0, Math.ceil((Math.min(ay, by) - reach - originY) / pitchMm)),
    Math.min(height - 1, Math.floor((Math.max(ay, by) + reach - originY) / pitchMm)),
  ];
}

/** Film of paint that was dabbed on and left to level, µm. */
const levelled = ({ filmUm }: Pull, x: number, y: number): number =>
  filmUm * (1 + 0.09 * cloud(x * 0.8, y * 0.8));

/** One straight piece of a pull, as a capsule of changing width. */
function layPiece(grid: LayContext["grid"], pull: Pull, k: number): void {
  const [ax, ay] = [pull.path[k * 2]!, pull.path[k * 2 + 1]!];
  const [bx, by] = [pull.path[k * 2 + 2]!, pull.path[k * 2 + 3]!];
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy || 1e-12;
  const length = Math.sqrt(square);
  const { pitchMm, originX, originY, width } = grid;
  const { cover, um, touched } = gathered;
  // A line thinner than a cell covers part of it; its edge is never sharper than the cell.
  const soft = Math.max(pull.softMm, pitchMm);
  const [half0, half1] = [pull.half[k]!, pull.half[k + 1]!];
  const reach = Math.max(half0, half1) + soft / 2;
  const [fromX, toX, fromY, toY] = cellsNear(grid, [ax, ay, bx, by], reach);
  for (let row = fromY; row <= toY; row++) {
    const py = originY + row * pitchMm - ay;
    for (let column = fromX; column <= toX; column++) {
      const at = row * width + column;
      const before = cover[at]!;
      // Pieces of a pull lie over each other: most of what is near is covered already.
      if (before >= 1) continue;
      const px = originX + column * pitchMm - ax;
      const t = clamp((px * dx + py * dy) / square, 0, 1);
      const ex = px - t * dx;
      const ey = py - t * dy;
      const distance = Math.sqrt(ex * ex + ey * ey);
      const half = half0 + (half1 - half0) * t;
      const covered = clamp((half - distance) / soft + 0.5, 0, Math.min(1, (2 * half) / pitchMm));
      if (covered <= before) continue;
      if (before === 0) touched[gathered.count++] = at;
      cover[at] = covered;
      if (pull.levels) {
        // It depends on the place alone: what comes over the same cell again finds it there.
        if (before === 0) um[at] = levelled(pull, originX + column * pitchMm, originY + row * pitchMm);
        continue;
      }
      const side = (px * dy - py * dx) / length;
      // Against the whole of what is covered: on coarse cells most of it lies beyond the line's own half.
      const ridge = 0.86 + 0.28 * Math.min(1, (distance / (half + soft / 2)) ** 2);
      const load = pull.load[k]! + (pull.load[k + 1]! - pull.load[k]!) * t;
      const uneven = 1 + 0.16 * streak(k * 0.12 + pull.seed * 1e-5, side * 1.6);
      um[at] = Math.max(0.05, pull.filmUm * load * ridge * uneven);
    }
  }
}
