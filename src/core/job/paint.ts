import { array, number } from "yup";
import { BANDS } from "../colour/bands";
import { HIDING } from "../colour/paint";
import { colour, fields, id, name, one, size, text, triple, manyOf, type Shape } from "../shape";

export const PAINT_KINDS = [
  "paint",
  "clear",
  "ink",
  "wash",
  "metal",
  "oil",
  "powder",
  "paste",
  "tufts",
  "medium",
  "varnish",
] as const;
export type PaintKind = (typeof PAINT_KINDS)[number];
export const PAINT_STATES = ["have", "low", "out", "wanted"] as const;
export type PaintState = (typeof PAINT_STATES)[number];

export const FINISHES = ["matt", "satin", "gloss"] as const;
export type Finish = (typeof FINISHES)[number];

export const READING_WAYS = ["thick", "black", "white", "tint"] as const;

/** One measured colour of a pot. */
export const readingSchema = fields({
  /** Laid thick, as a film over black or white, or mixed thick with a white pot. */
  laid: one(READING_WAYS),
  /** Dry film over black or white, µm; null for thick ones. */
  filmUm: number().strict().nullable().defined().min(0.5).max(2000),
  /** Parts of white to one of the paint; null where it is no tint. */
  whiteParts: number().strict().nullable().defined().min(0.1).max(100),
  /** CIELAB, D65, 2°. */
  lab: triple(-160, 160).required(),
});
export type PaintReading = Shape<typeof readingSchema>;

const bandValues = () => array(size(0, 100)).strict().required().length(BANDS);

/** K and S of a pot as fitted to readings, per µm of dry film at the twelve bands, and how well they meet them. */
export const fitSchema = fields({
  absorption: bandValues(),
  scattering: bandValues(),
  readings: manyOf(readingSchema, 40),
  /** CIEDE2000 between model and readings. */
  meanDifference: size(0, 200),
  largestDifference: size(0, 200),
});
export type PaintFit = Shape<typeof fitSchema>;

/** A pot on the shelf. */
export const paintSchema = fields({
  id: id(),
  name: name(),
  range: text(80),
  kind: one(PAINT_KINDS),
  state: one(PAINT_STATES),
  /** Dry colour of a thick coat. */
  thick: colour(),
  /** Dry colour of one full coat over white; null where not given. */
  overWhite: colour().nullable().defined(),
  /** Dry colour of one full coat over black; null where not given. */
  overBlack: colour().nullable().defined(),
  hiding: one(HIDING),
  /** How its dry surface looks. */
  finish: one(FINISHES),
  /** Tinting strength against an ordinary paint. */
  strength: size(0.2, 20),
  /** Size of one drop out of this pot, µl. */
  dropUl: size(5, 200),
  /** What readings of this pot gave; null where it was not read. It then stands above the colours given by eye. */
  fit: fitSchema.nullable().defined().default(undefined),
});
export type Paint = Shape<typeof paintSchema>;
