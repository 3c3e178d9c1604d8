import type { Hand, PaintKind, Place } from "../job";
import type { ParamSpecs, ParamValues } from "../params";
import type { Random } from "../random";
import { fieldsOf } from "../surface/fields";
import { weightsOfPlace, type WornPlace } from "../surface/places";
import type { SurfaceGrid } from "../surface/grid";
import type { SingleMarks } from "./singleMarks";

/**
 * What one coat leaves on the grid. Volume is thickness × covered share, so that half a cell in a full film is not
 * taken for a whole cell in half a film.
 */
export interface FilmBuffer {
  /** µm of dry film times covered share, per cell. */
  readonly volumeUm: Float32Array;
  /** Covered share, 0…1, per cell. */
  readonly cover: Float32Array;
}

/** An empty film; it can be emptied and used for one coat after another of the same grid. */
export const createFilmBuffer = (cells: number): FilmBuffer => ({
  volumeUm: new Float32Array(cells),
  cover: new Float32Array(cells),
});

/** One pull of the brush asked for: a flat path with its width at both ends. */
export interface Stroke {
  /** x0, y0, x1, y1 … mm. */
  readonly path: Float64Array;
  readonly startWidthMm: number;
  readonly endWidthMm: number;
}

/** One touch of the brush: where, and how wide, mm. */
export interface Dot {
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Radians on the flat. */
  readonly angle: number;
}

/** Numbered pieces of the panel: boxes, patches, scales, stones. One entry a cell of the grid. */
export interface Regions {
  /** The piece a cell lies in or next to: the same number for the same piece, from 0; −1 where none is near. */
  readonly number: Int32Array;
  /** Distance to that piece's border, mm: above 0 inside it, below outside. Far from a border it may be cut short. */
  readonly depthMm: Float32Array;
}

/** Where a coat goes, in a form that techniques can work on. */
export type Marks =
  | {
      readonly kind: "field";
      readonly hollowsOnly: boolean;
      readonly place?: WornPlace;
      /** How much of each cell belongs to the pattern's place besides, 0…1; all of it where left out. */
      readonly within?: (grid: SurfaceGrid) => Float32Array;
      /** The share of its marks that each cell keeps, 0…1, where the surface has a budget of them. */
      readonly effort?: (grid: SurfaceGrid) => Float32Array;
    }
  | { readonly kind: "strokes"; readonly strokes: readonly Stroke[] }
  | { readonly kind: "dots"; readonly dots: readonly Dot[] }
  | { readonly kind: "regions"; readonly regions: Regions };

export type MarkKind = Marks["kind"];

export type MarkName = "dot" | "stab" | "touch" | "stroke" | "pull" | "tuft";

/** What a technique has at hand while it lays a coat. */
export interface LayContext {
  readonly grid: SurfaceGrid;
  readonly marks: Marks;
  /** Dry film of one pass where it is laid evenly, µm. */
  readonly passUm: number;
  readonly passes: number;
  /** Parts of water to one of paint: thin paint has soft edges. */
  readonly water: number;
  readonly hand: Hand;
  /** Relief with the paint that lies on it, mm per cell; techniques that `feel` ask for it. */
  heightMm(): Float32Array;
  /** Covered share of the earlier coat that the place names; null where it names none or it is not there. */
  readonly nearCover: Float32Array | null;
  /** Single marks may run over seams. */
  readonly overSeams: boolean;
}

/** One way of putting paint on: its settings, what it can lie on, and how it lays a film. */
export interface TechniqueDefinition<S extends ParamSpecs = ParamSpecs> {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  readonly about: string;
  readonly params: S;
  /** The kinds of marks it can lay. */
  readonly lays: readonly MarkKind[];
  /** Dry film of a pass against that of an ordinary brushed pass at the same thinning. */
  readonly filmShare: number;
  /**
   * Dry film of one pass where it is laid evenly, µm, for techniques whose settings decide how much is laid; by
   * `filmShare` where left out.
   */
  filmUm?(params: ParamValues<S>, water: number): number;
  /** Parts of water to one of paint that a new coat starts with; 1 where left out. */
  readonly startWater?: number;
  /** Kinds of pots its mix must be made of; any paint where left out. */
  readonly potKinds?: readonly PaintKind[];
  /** Settings that a new coat starts with, where they are not the usual ones. */
  readonly startParams?: Readonly<Record<string, number>>;
  /** Where a new coat by area goes first; everywhere where left out. */
  readonly startPlace?: Place;
  /** Where its paint ends up depends on the paint below. */
  readonly feels?: boolean;
  /** Its film is so thick that it becomes the ground of what follows. */
  readonly raises?: boolean;
  /** It goes over finished paint, though it raises the ground: tufts, snow, water. */
  readonly comesLast?: true;
  /** Its paint comes from the side of the lamp, or from one told against it. */
  readonly followsLamp?: boolean;
  /** Whether it goes over an area at the pace of an airbrush; at that of a brush where left out. */
  readonly sprayed?: true;
  /** Its marks run down, as the piece is seated. */
  readonly runsDown?: true;
  /** Its marks lie the way things grow on the surface. */
  readonly followsGrowth?: boolean;
  /** Its marks belong to single locks or scales of a hide; a smooth surface has none. */
  readonly onThings?: true;
  /** Goes on what is dry through: it is masked, or its solvent would lift what lies below. */
  readonly onDry?: true;
  /** Laid wet and left to settle where it will: moving air would spoil it. */
  readonly settles?: true;
  /** Must be laid while the coat before it is still wet. */
  readonly wetInWet?: boolean;
  /** Its marks are fine single ones that must sit where they are meant: a shaky hand shows in them. */
  readonly steady?: true;
  /** Not there to be seen by itself, as varnish is. */
  readonly unseen?: boolean;
  /** What a card tells the hand: what to hold, what to do, what to look at before going on. */
  readonly bench: {
    readonly tool: string;
    readonly how: string;
    readonly lookAt: string;
    /** What is tried elsewhere first, where the coat cannot be taken back easily. */
    readonly trial?: string;
  };
  /** Said on the card where the step can hurt someone; null where it cannot. */
  readonly caution: string | null;
  /** Marks the hand makes on an area, where the technique is one of single marks; null for brushing. */
  marksOn?(areaMm2: number, params: ParamValues<S>): { readonly count: number; readonly name: MarkName };
  /** Its setting that says how wide a mark is, mm, where it has one. */
  readonly markWidth?: keyof S & string;
  /** Its marks one by one, where they can be too much alike; left out where it has none, or none could be. */
  readonly singles?: SingleMarks<ParamValues<S>>;
  /** Adds the coat to an empty buffer. Same inputs, same film. */
  lay(film: FilmBuffer, context: LayContext, params: ParamValues<S>, random: Random): void;
}

/** Declares a technique, so that its settings are known to its lay. */
export const defineTechnique = <S extends ParamSpecs>(
  definition: TechniqueDefinition<S>,
): TechniqueDefinition<S> => definition;

/** Softness of a mark's edge by thinning, mm: hard with little water, soft with much. */
export const edgeSoftMm = (water: number): number => 0.012 + 0.014 * Math.min(water, 6);

/** How far a hand strays from a line, mm: 0.09 for a shaky hand, 0.012 for a very steady one. */
export const wobbleMm = (hand: Hand): number => 0.09 - 0.078 * Math.min(1, Math.max(0, hand.steadiness01));

/** Adds a film of a thickness over a share of one cell. */
export function addFilm(film: FilmBuffer, at: number, filmUm: number, cover: number): void {
  film.volumeUm[at]! += filmUm * cover;
  if (cover > film.cover[at]!) film.cover[at] = cover;
}

/** The chances of a pass, from 0: its own, so that it lands beside the others. */
export const chancesOf = (random: Random, pass: number): Random =>
  pass === 0 ? random : random.fork(`pass ${pass}`);

/** Lays one pass of a coat into a film that no other pass has touched. */
export type LayPass = (film: FilmBuffer, random: Random, pass: number) => void;

/**
 * Lays a coat pass by pass, each with chances of its own, so that a second pass lands beside the first: the films add
 * up, and what both could have covered is covered as chances join.
 */
export function layPasses(film: FilmBuffer, passes: number, random: Random, layPass: LayPass): void {
  layPass(film, random, 0);
  if (passes === 1) return;
  const one = createFilmBuffer(film.cover.length);
  for (let pass = 1; pass < passes; pass++) {
    if (pass > 1) [one.cover, one.volumeUm].forEach((plane) => plane.fill(0));
    layPass(one, chancesOf(random, pass), pass);
    for (let at = 0; at < one.cover.length; at++) {
      const cover = one.cover[at]!;
      if (cover === 0) continue;
      film.volumeUm[at]! += one.volumeUm[at]!;
      film.cover[at] = 1 - (1 - film.cover[at]!) * (1 - cover);
    }
  }
}

type FieldContext = Pick<LayContext, "grid" | "marks" | "nearCover">;

/** How much a field coat belongs to each cell, 0…1: its place, else hollows or everywhere, as far as a budget lets it; 0 off the panel. */
export function placeWeights(context: FieldContext): Float32Array {
  const { grid, marks } = context;
  if (marks.kind !== "field") return grid.inside;
  let weights = fieldWeights(context, marks);
  for (const share of [marks.within, marks.effort]) {
    if (!share) continue;
    const kept = share(grid);
    weights = weights.map((weight, at) => weight * kept[at]!);
  }
  return weights;
}

function fieldWeights(
  { grid, nearCover }: FieldContext,
  { place, hollowsOnly }: Extract<Marks, { kind: "field" }>,
): Float32Array {
  if (place) return weightsOfPlace(grid, place, nearCover);
  const { inside } = grid;
  const low = hollowsOnly ? fieldsOf(grid).low : null;
  const weights = new Float32Array(inside.length);
  for (let at = 0; at < weights.length; at++) if (inside[at]! > 0) weights[at] = low ? low[at]! : 1;
  return weights;
}

/** Told the cell, where it lies along and up the piece (shifted at random, for textures), and its share of the place. */
export type CellVisit = (at: number, xMm: number, yMm: number, weight: number) => void;

/** Least share of a place that gets paint at all. */
export const LEAST_SHARE = 0.004;

/** What a coat by area goes by, per cell; 0 is the weight of cells that get nothing. */
export interface CellPlaces {
  readonly weights: Float32Array;
  /** Where a cell lies along and up the piece, mm. */
  readonly along: Float32Array;
  readonly up: Float32Array;
  /** Added to both for textures, mm, so that no two coats have the same. */
  readonly shiftX: number;
  readonly shiftY: number;
}

/** Where every cell lies on the piece (shifted at random, for textures) and how much it belongs to the place, 0…1. */
export function cellPlaces(context: LayContext, random: Random, weights = placeWeights(context)): CellPlaces {
  const { along, up } = fieldsOf(context.grid);
  return { weights, along, up, shiftX: random.range(0, 15), shiftY: random.range(0, 15) };
}

/** Visits every cell of the panel that belongs to the coat's place. */
export function eachCell(context: LayContext, random: Random, visit: CellVisit): void {
  const { inside } = context.grid;
  const { weights, along, up, shiftX, shiftY } = cellPlaces(context, random);
  for (let at = 0; at < inside.length; at++) {
    const weight = weights[at]!;
    if (inside[at] === 0 || weight < LEAST_SHARE) continue;
    visit(at, along[at]! + shiftX, up[at]! + shiftY, weight);
  }
}
