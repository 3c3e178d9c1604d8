import { fieldsOf } from "../surface/fields";
import type { SurfaceForm } from "../surface/forms/form";
import { clamp } from "../units";
import type { Random } from "../random";
import { bristleGaps } from "./envelope";
import { strokeOver, SwathIndex, type SwathGround } from "./swaths";
import {
  addFilm,
  cellPlaces,
  layPasses,
  placeWeights,
  LEAST_SHARE,
  type CellPlaces,
  type FilmBuffer,
  type LayContext,
} from "./technique";
import { threadOf } from "./texture";

/** How fully bristles touch, by hundredths of their reach: worked out once, as it is asked for every cell. */
const TOUCH = Float32Array.from({ length: 222 }, (_, at) => Math.exp(-((at / 100) ** 1.3)));
/** Logistic for the normal quantile, by shares of 1/500: a thread is above it as often as the share says. */
const QUANTILE = Float32Array.from({ length: 501 }, (_, at) => {
  const share = Math.min(0.998, Math.max(0.002, (at + 0.5) / 500));
  return 0.588 * Math.log(share / (1 - share));
});

/** How a wiped brush is stroked over the ground. */
export interface BristleStyle {
  /** How wide a hollow the tuft bridges, mm. */
  readonly radius: number;
  /** How far below the touching bristles paint still gets, µm. */
  readonly reach: number;
  /** How much was left on it, %. */
  readonly load: number;
  /** Degrees from the length of the piece. */
  readonly across: number;
}

/** What open ground takes of a stroke, and how much more an edge takes, which presses into the tuft. */
export interface Takes {
  readonly flats: number;
  readonly edges: number;
}

/** Room beyond the form's own sizes, mm: cells on its rim lie a little outside. */
const MARGIN_MM = 0.6;

/** The whole form, along and up: from its sizes and not from cells, so that preview and full picture have the same strokes. */
function groundOf(form: SurfaceForm, { shiftX, shiftY }: CellPlaces): SwathGround {
  const { minX, maxX, minY, maxY } = form.bounds;
  const half = Math.max(form.lengthAt(0), form.lengthAt(form.slantMm)) / 2;
  const [left, right, low, high] = form.round ? [minX, maxX, -maxY, -minY] : [-half, half, 0, form.slantMm];
  return {
    minX: left + shiftX - MARGIN_MM,
    maxX: right + shiftX + MARGIN_MM,
    minY: low + shiftY - MARGIN_MM,
    maxY: high + shiftY + MARGIN_MM,
  };
}

/** Covered share of a place by the threads of one stroke; `take` is how much of a full stroke the ground takes. */
function threads(index: SwathIndex, swath: number, x: number, y: number, take: number): number {
  // Bristles lay threads: which of them leave paint is chance, how many follows from load, touch and edge.
  const share = take * index.weight(swath, x, y);
  if (share < 0.01) return 0;
  const thread = threadOf(index.spot[0]! * 1.2, index.spot[1]! * 1.9);
  // Threads thin out towards their sides: no cell is all or nothing.
  const cover = (thread + QUANTILE[share > 0.985 ? 492 : (share * 500) | 0]!) * 0.85 + 0.45;
  return cover < 0 ? 0 : cover > 1 ? 1 : cover;
}

/** Lays what bristles leave where they touch: dry brush and overbrush. */
export function brushOver(
  film: FilmBuffer,
  context: LayContext,
  style: BristleStyle,
  takes: Takes,
  random: Random,
): void {
  // Bristles feel earlier paint as well as the relief.
  const gaps = bristleGaps(context.grid, context.heightMm(), style.radius);
  const weights = placeWeights(context);
  layPasses(film, context.passes, random, (one, own) =>
    brushOnce(one, context, style, takes, gaps, cellPlaces(context, own, weights), own),
  );
}

/** One pass of it, with strokes of its own. */
function brushOnce(
  film: FilmBuffer,
  context: LayContext,
  style: BristleStyle,
  takes: Takes,
  gaps: Float32Array,
  places: CellPlaces,
  random: Random,
): void {
  const { grid, passUm } = context;
  const { inside } = grid;
  const { edge } = fieldsOf(grid);
  const reachMm = style.reach / 1000;
  const load = style.load / 100;
  const { weights, along, up, shiftX, shiftY } = places;
  const ground = groundOf(grid.form, places);
  const widthMm = clamp(0.9 + style.radius, 1, 4);
  const angle = (style.across * Math.PI) / 180;
  const strokes = strokeOver(ground, { widthMm, lengthMm: 2.7 * widthMm, angle }, random.fork("strokes"));
  const index = new SwathIndex(strokes, ground, 0.12);
  // Written out instead of a visit per cell: it is the hot loop of the two commonest texture coats.
  for (let at = 0; at < inside.length; at++) {
    const gap = gaps[at]!;
    if (inside[at] === 0 || weights[at]! < LEAST_SHARE || gap > 2.2 * reachMm) continue;
    const touch = TOUCH[Math.floor((gap / reachMm) * 100)]!;
    const take = load * touch * weights[at]! * (takes.flats + takes.edges * edge[at]!);
    if (take < 0.01) continue;
    const x = along[at]! + shiftX;
    const y = up[at]! + shiftY;
    const spot = index.at(x, y);
    const strongest = index.strongest(spot);
    if (strongest < 0) continue;
    const second = index.secondStrongest(spot);
    const one = threads(index, strongest, x, y, take);
    const other = second < 0 ? 0 : threads(index, second, x, y, take);
    const cover = 1 - (1 - one) * (1 - other);
    if (cover > 0.004) addFilm(film, at, passUm * (0.8 + 0.4 * touch), cover * inside[at]!);
  }
}
