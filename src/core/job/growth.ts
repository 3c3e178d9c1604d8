import { fields, id, listOf, size, type Shape } from "../shape";

/** Most handles of one surface: more than a painter could keep apart. */
export const MOST_HANDLES = 40;

const handle = fields({
  id: id(),
  /** Where it stands: shares of the form's length (from the first seam) and height (from the hem). */
  x: size(0, 1),
  y: size(0, 1),
  /** Degrees from the way down the piece, anticlockwise as you look at its outside: 90 lies across, to the right where down is down. */
  angleDeg: size(-180, 180),
  /** How long hair grows there, % of what a coat asks for. */
  lengthPct: size(10, 300),
  /** How far it stands off the ground, degrees: 0 lies flat. */
  liftDeg: size(0, 85),
});
/** One handle of a growth map: which way hair, fur or scales lie there. */
export type GrowthHandle = Shape<typeof handle>;

export const growthSchema = fields({
  handles: listOf(handle, "handles", MOST_HANDLES),
  /** How far weight pulls the lie towards the ground, %. */
  pull: size(0, 100),
  /** How far the lie strays to either side in slow waves, degrees. */
  sway: size(0, 45),
});
/** Which way things grow on a surface; between its handles it is found. */
export type Growth = Shape<typeof growthSchema>;
