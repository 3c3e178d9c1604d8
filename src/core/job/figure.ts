import { colour, fields, id, listOf, name, one, size, text, whole, type Shape } from "../shape";
import { use } from "./surface";

export const PRIMERS = ["black", "grey", "white"] as const;
export type Primer = (typeof PRIMERS)[number];
export const STANDARDS = ["tabletop", "display"] as const;

export const lampSchema = fields({ fromDeg: size(0, 360), heightDeg: size(5, 90) });
/**
 * The light a figure is painted for, as it falls on a piece that faces you upright. `fromDeg` runs anticlockwise from
 * the right (90 is from above), `heightDeg` from the piece's own level (0) to straight from the front (90).
 */
export type Lamp = Shape<typeof lampSchema>;

/** High on the left, where most painters put it. */
export const USUAL_LAMP: Lamp = { fromDeg: 133, heightDeg: 45 };

/** How a painted light sheds: to all sides like a flame, or before itself like a screen, less the more aslant. */
export const SHEDS = ["around", "front"] as const;

/** How the glass of a painted light is painted: glowing from its middle, mirroring across, or not at all. */
export const GLASSES = ["lamp", "lens", "screen", "none"] as const;
export type Glass = (typeof GLASSES)[number];
/** How far a painted light is taken. */
export const STRENGTHS = ["faint", "plain", "strong"] as const;
export type Strength = (typeof STRENGTHS)[number];
/** What a painted light falls on: ground as it is, or darkened first so that the light can show. */
export const LIT_GROUNDS = ["as-it-is", "darkened"] as const;
export type LitGround = (typeof LIT_GROUNDS)[number];

const paintedLight = fields({
  id: id(),
  name: name(),
  /** The surface it sits on, and where: shares of its length, from the first seam, and of its height, from the hem. */
  surfaceId: id(),
  along: size(0, 1),
  up: size(0, 1),
  /** How far its middle stands off the surface, mm. */
  outMm: size(0, 60),
  /** Across, mm: a wide light throws a soft shade. */
  widthMm: size(0.1, 60),
  /** At this distance half of its light is left on what faces it, mm. */
  reachMm: size(0.2, 200),
  sheds: one(SHEDS),
  /** Its light where it is seen best. */
  colour: colour(),
  glass: one(GLASSES),
  strength: one(STRENGTHS),
  ground: one(LIT_GROUNDS),
});
/** A lamp, lens, screen or rune whose light is painted on what is near it. */
export type PaintedLight = Shape<typeof paintedLight>;

/** Painted lights that a figure may have. */
export const MOST_LIGHTS = 8;

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
  lamp: lampSchema,
  /** Lights that are painted on it. */
  lights: listOf(paintedLight, "painted lights", MOST_LIGHTS),
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
