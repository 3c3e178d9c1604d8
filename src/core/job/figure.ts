import { fields, id, name, one, size, text, whole, type Shape } from "../shape";
import { use } from "./surface";

export const PRIMERS = ["black", "grey", "white"] as const;
export type Primer = (typeof PRIMERS)[number];
export const STANDARDS = ["tabletop", "display"] as const;

const lamp = fields({ fromDeg: size(0, 360), heightDeg: size(5, 90) });
/**
 * The light a figure is painted for, as it falls on a piece that faces you upright. `fromDeg` runs anticlockwise from
 * the right (90 is from above), `heightDeg` from the piece's own level (0) to straight from the front (90).
 */
export type Lamp = Shape<typeof lamp>;

/** High on the left, where most painters put it. */
export const USUAL_LAMP: Lamp = { fromDeg: 133, heightDeg: 45 };

/** The figure that a new job has. */
export const FIRST_FIGURE = "figure-1";

/** One figure of a job, or a unit of them painted alike. */
export const figureSchema = fields({
  id: id(),
  name: name(),
  /** Height from the ground to the eyes, mm. */
  eyeHeightMm: size(5, 400),
  standard: one(STANDARDS),
  primer: one(PRIMERS),
  viewingDistanceMm: size(50, 5000),
  lamp,
  /** What it is made of below its pieces, and its pose; null where nobody has said. */
  body: use.nullable().defined(),
  notes: text(20000),
  /** How many figures are painted alike. */
  count: whole(1, 500),
});
export type Figure = Shape<typeof figureSchema>;

/** The hand and brush that will paint a job. */
export const handSchema = fields({
  /** Finest line the painter can make, mm. */
  finestLineMm: size(0.03, 1),
  /** 0 shaky … 1 very steady. */
  steadiness01: size(0, 1),
});
export type Hand = Shape<typeof handSchema>;

/** Eyes of a standing adult, mm above the ground, the base of every scale here. */
export const REAL_EYE_HEIGHT_MM = 1630;
/** Scale as 1 : ratio. */
export const ratioOf = (figure: Pick<Figure, "eyeHeightMm">): number =>
  REAL_EYE_HEIGHT_MM / figure.eyeHeightMm;

/** The figure a surface is a part of; the job's first for none. */
export const figureOf = (
  job: { readonly figures: readonly Figure[] },
  surface: { readonly figureId: string } | null | undefined,
): Figure => job.figures.find((figure) => figure.id === surface?.figureId) ?? job.figures[0]!;
