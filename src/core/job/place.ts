import { array, string } from "yup";
import { fields, id, one, oneOfKind, size, manyOf, type Shape } from "../shape";
import { ZONES, type Zone } from "../surface/zoneNames";

const span = fields({
  along: one(["length", "height"]),
  from: size(0, 1),
  to: size(0, 1),
  /** Width over which either border fades, mm. */
  softMm: size(0, 20),
});
/** A stretch of the form, in shares of its length (from the first seam) or height (from the hem). */
export type Span = Shape<typeof span>;

const outline = fields({
  /** Share of length, share of height, and so on; three corners or more. */
  points: manyOf(size(-0.2, 1.2), 400, 6),
  /** Width over which its border fades, mm. */
  softMm: size(0, 20),
});
/** A closed line drawn round a place. */
export type Outline = Shape<typeof outline>;

const values = fields({
  from: size(0, 1),
  to: size(0, 1),
  /** Over how much of the plan either border fades. */
  fade: size(0, 1),
});

/** A stretch of a surface's value plan. */
export type ValueSpan = Shape<typeof values>;

export const MARK_SIDES = ["inside", "outside", "border", "around"] as const;

const near = fields({
  coatId: id(),
  side: one(MARK_SIDES),
  /** How far from the marks' border it fades; for "border" how far it reaches to both sides, for "around" to the outer one, mm. */
  reachMm: size(0, 20),
});
/** A place told by the marks of an earlier coat of the same surface. */
export type NearMarks = Shape<typeof near>;

const shed = fields({
  lightId: id(),
  /** Shares of its light: 1 is ground that faces it close by. */
  from: size(0, 1),
  to: size(0, 1),
  /** Over how much of that either border fades. */
  fade: size(0, 1),
});

/** What a painted light of the figure sheds on a surface, from a share of it to another. */
export type ShedSpan = Shape<typeof shed>;

const zonePlace = fields({
  kind: one(["zones"]),
  zones: array(one(ZONES)).strict().defined().max(4),
  /** 1 lets the coat reach everywhere, most in the zones. */
  fade: size(0, 1),
  /** How fast it falls off inside the zones: 1 as they are, more for a quick fall from bright to dark. */
  fall: size(0.2, 6),
  span: span.nullable().defined(),
  outline: outline.nullable().defined(),
  near: near.nullable().defined(),
  /** A stretch of the surface's value plan, from its deepest shadow, 0, to its highest light, 1. */
  values: values.nullable().defined(),
  /** Where a painted light of the figure reaches. */
  shed: shed.nullable().defined(),
});
/** Places that belong to all of these at once. */
export type ZonePlace = Shape<typeof zonePlace>;

/** Where a coat goes. A pattern's place is one of those that the surface's own pattern has, by its key. */
export const placeSchema = oneOfKind({
  everywhere: fields({ kind: one(["everywhere"]) }),
  hollows: fields({ kind: one(["hollows"]) }),
  zones: zonePlace,
  pattern: fields({
    kind: one(["pattern"]),
    key: string()
      .strict()
      .required()
      .matches(/^[A-Za-z0-9][A-Za-z0-9:+_-]{0,119}$/, "${path} must be the key of a place of the pattern"),
  }),
});
export type Place = Shape<typeof placeSchema>;

/** A place by zones alone. */
export const inZones = (zones: readonly Zone[], fade: number, more: Partial<ZonePlace> = {}): ZonePlace => ({
  kind: "zones",
  zones,
  fade,
  fall: 1,
  span: null,
  outline: null,
  near: null,
  values: null,
  shed: null,
  ...more,
});
