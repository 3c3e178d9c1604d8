import { BEDDINGS, MOST_FEET, MOST_PIECES, PIECE_KINDS } from "../groundwork/kinds";
import { fields, id, listOf, one, size, whole, type Shape } from "../shape";

/** From the middle of the base, mm: a large diorama reaches no farther. */
const place = () => size(-120, 120);

const laidPiece = fields({
  id: id(),
  kind: one(PIECE_KINDS),
  /** Its middle: to the right and away from you, mm from the middle of the base. */
  xMm: place(),
  yMm: place(),
  /** The longest way, across that, and high, mm. */
  acrossMm: size(0.5, 120),
  deepMm: size(0.5, 120),
  tallMm: size(0.1, 60),
  /** Its long way, degrees anticlockwise from the right as seen from above. */
  turnDeg: size(-180, 180),
  bedding: one(BEDDINGS),
  /** A bedded one leans so far, degrees, and its high side looks that way; a resting one leans as it must. */
  tiltDeg: size(0, 60),
  tiltToDeg: size(-180, 180),
  /** How far it is pressed into the ground, mm; not into another piece. */
  sunkMm: size(0, 10),
  seed: whole(0, 2 ** 31),
});
/** One piece that a base is built of. */
export type LaidPiece = Shape<typeof laidPiece>;

const foot = fields({
  id: id(),
  xMm: place(),
  yMm: place(),
  /** Of the sole or peg, mm. */
  acrossMm: size(0.3, 60),
});
/** A place where a foot or a peg will stand. */
export type FootPlace = Shape<typeof foot>;

/** What stands on a base: pieces in the order they are laid, and the places that feet and pegs need. */
export const groundworkSchema = fields({
  pieces: listOf(laidPiece, "pieces", MOST_PIECES),
  feet: listOf(foot, "feet and pegs", MOST_FEET),
});
export type Groundwork = Shape<typeof groundworkSchema>;
