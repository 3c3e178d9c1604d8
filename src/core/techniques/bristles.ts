import { fieldsOf } from "../surface/fields";
import type { Place, SurfaceForm } from "../surface/forms/form";
import { growthAt, type Lie } from "../surface/growthField";
import type { SurfaceGrid } from "../surface/grid";
import { fallAt } from "../surface/places";
import { clamp } from "../units";
import type { Random } from "../random";
import { bristleGaps } from "./envelope";
import { bristleKernel } from "./bristleKernel";
import { strokeOver, SwathIndex, type SwathGround } from "./swaths";
import {
  cellPlaces,
  chancesOf,
  placeWeights,
  type CellPlaces,
  type FilmBuffer,
  type LayContext,
} from "./technique";

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

/** Squares in which the strokes that count most are looked up, mm. */
const SQUARE_MM = 0.12;
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

/**
 * How far things lie turned from the way down the piece at a place along and up it, radians, anticlockwise: a painter
 * brushes across what grows, whichever way it lies. None where nobody has said how it grows.
 */
function lieTurn(
  grid: SurfaceGrid,
  { shiftX, shiftY }: CellPlaces,
): ((x: number, y: number) => number) | undefined {
  const field = grid.growth();
  if (!field) return undefined;
  const { form } = grid;
  const placeAt = (along: number, up: number): Place => {
    if (form.round) return form.place([along, -up]);
    const heightMm = clamp(up, 0, form.slantMm);
    const around = along / Math.max(LEAST_ROUND_MM, form.lengthAt(heightMm));
    return { turnDeg: form.turnDeg * clamp(around + 0.5, 0, 1), heightMm };
  };
  return (x, y) => {
    const place = placeAt(x - shiftX, y - shiftY);
    const [flatX, flatY] = form.flatten(place);
    const [downX, downY] = fallAt(form, place);
    growthAt(field, flatX, flatY, lie);
    // The flat's y grows downwards, the piece's upwards.
    return -Math.atan2(downX * lie.y - downY * lie.x, downX * lie.x + downY * lie.y);
  };
}
const lie: Lie = { x: 0, y: 1, length: 1, lift: 0 };
/** At a point no way round is taken as shorter, mm. */
const LEAST_ROUND_MM = 0.5;

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
  for (let pass = 0; pass < context.passes; pass++) {
    const own = chancesOf(random, pass);
    brushOnce(film, context, style, takes, gaps, cellPlaces(context, own, weights), own);
  }
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
  const ground = groundOf(grid.form, places);
  const widthMm = clamp(0.9 + style.radius, 1, 4);
  const angle = (style.across * Math.PI) / 180;
  const turnAt = lieTurn(grid, places);
  const strokes = strokeOver(
    ground,
    { widthMm, lengthMm: 2.7 * widthMm, angle, turnAt },
    random.fork("strokes"),
  );
  bristleKernel().brush(
    film,
    new SwathIndex(strokes, ground, SQUARE_MM),
    { ...places, gaps, inside: grid.inside, edges: fieldsOf(grid).edge },
    { reachMm: style.reach / 1000, load: style.load / 100, ...takes, passUm },
  );
}
