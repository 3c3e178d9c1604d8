import { array, boolean, string, type InferType } from "yup";
import { colour, fields, listOf, manyOf, one, size, text, whole } from "../../shape";

/** Patch: bent spine with spurs. Bar: runs round or along. Dot: single touches. Edge: along another layer's border. */
export const LAYER_KINDS = ["patch", "bar", "dot", "edge"] as const;
export type LayerKind = (typeof LAYER_KINDS)[number];
/** Whether patches end at seams, as cloth that was cut before it was sewn, or run on over them. */
export const SEAMS = ["cut", "over"] as const;
/** When the cloth is shaded: on the base, over the finished pattern, both, or not at all. */
export const SHADINGS = ["before", "after", "both", "none"] as const;
/** Name of the base in the lists of what a layer may cover. */
export const BASE = "base";
export const MOST_LAYERS = 8;

const layerId = () =>
  string()
    .strict()
    .required()
    .matches(/^[a-z][a-z0-9]{0,11}$/, "${path} must be up to 12 small letters and digits");

const layer = fields({
  id: layerId(),
  name: string().strict().trim().required().max(40),
  kind: one(LAYER_KINDS),
  /** Mix it is painted in; "" until one is made for its colour. */
  mixId: text(120),
  /** Colour its mix is meant to show. */
  colour: colour(),
  /** Length of a patch, width of a bar, of a dot or of an edge line, mm: the middle of them. */
  sizeMm: size(0.08, 40),
  /** How unlike their sizes are, %: standard deviation of the logarithm. */
  spread: size(0, 120),
  /** Length against width. */
  long: size(1, 8),
  /** Share of the surface that shows this colour, %; of an edge, share of the border that is lined. */
  share: size(0, 100),
  /** Degrees from along the piece, and how far single marks turn from that. */
  direction: size(0, 180),
  turn: size(0, 90),
  /** Arms that leave the spine of a patch or bar, on average. */
  spurs: size(0, 6),
  /** 0 lets them fall on each other, 100 keeps them a whole mark apart, %. */
  apart: size(0, 100),
  /** What it may cover: the base and earlier layers, by id; what is not named is left free. */
  over: array(string().strict().required().max(12))
    .strict()
    .defined()
    .max(MOST_LAYERS + 1),
  /** Kept off what it must leave by this much, mm. */
  gapMm: size(0, 5),
  /** Layer whose border an edge follows; null for all other kinds. */
  follows: string().strict().defined().nullable().max(12),
  /** How many pairs of nearest marks are joined into one, and how many odd small ones are put between. */
  merged: whole(0, 40),
  odd: whole(0, 40),
});

/** Most figures of a unit that can be set one by one. */
export const MOST_FIGURES = 60;

const figure = fields({
  /** "f1" is the first. */
  id: string()
    .strict()
    .required()
    .matches(/^f[1-9]\d{0,2}$/, "${path} must be f and the figure's number"),
  /** Another number, another try for this figure alone. */
  seed: whole(0, 99999),
  /** This piece is left without a pattern. */
  plain: boolean().strict().required(),
  /** Dots are left out. */
  noDots: boolean().strict().required(),
  /** Another base tone; null for the unit's own. */
  baseMixId: text(120).nullable(),
});

export const camouflageSchema = fields({
  baseMixId: text(120),
  baseColour: colour(),
  layers: listOf(layer, "layers", MOST_LAYERS),
  seams: one(SEAMS),
  shading: one(SHADINGS),
  /** Mix of the wash and of the lines along seams and hems; "" until they are made, null for none. */
  washMixId: text(120).nullable(),
  lineMixId: text(120).nullable(),
  /** Mix of the light of each colour, by layer id or "base". */
  lights: manyOf(fields({ id: text(12), mixId: text(120) }), MOST_LAYERS + 1),
  /** Another number, another try of the same character. */
  seed: whole(0, 99999),
  /** What differs on single figures of a unit, by their number; all others differ by chance alone. */
  figures: listOf(figure, "figures", MOST_FIGURES),
});

export type CamouflageParams = InferType<typeof camouflageSchema>;
export type Layer = CamouflageParams["layers"][number];
export type FigureOfUnit = CamouflageParams["figures"][number];

/** A layer with everything that is not said as it usually is. */
export const usualLayer = (
  given: Partial<Layer> & Pick<Layer, "id" | "name" | "kind" | "colour">,
): Layer => ({
  mixId: "",
  sizeMm: 2.4,
  spread: 52,
  long: 2.2,
  share: 20,
  direction: 0,
  turn: 80,
  spurs: 1.5,
  apart: 45,
  over: [BASE],
  gapMm: 0,
  follows: null,
  merged: 0,
  odd: 0,
  ...given,
});
