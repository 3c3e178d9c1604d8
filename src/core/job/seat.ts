import { boolean } from "yup";
import { fields, one, size, type Shape } from "../shape";

/** Places of a body that pieces are worn on or fixed to. */
export const SEATS = [
  "head",
  "neck",
  "shoulders",
  "chest",
  "back",
  "waist",
  "left-hip",
  "right-hip",
  "left-arm",
  "right-arm",
  "left-hand",
  "right-hand",
  "left-leg",
  "right-leg",
  "left-hind-leg",
  "right-hind-leg",
  "left-foot",
  "right-foot",
  "tail",
  "left-flank",
  "right-flank",
  "belly",
  "hull",
  "wall",
  "roof",
  "base",
] as const;
export type SeatId = (typeof SEATS)[number];

const turn = () => size(-180, 180);
const move = () => size(-400, 400);

/** Where a surface sits on its figure, and how it is turned and moved there. */
export const seatSchema = fields({
  id: one(SEATS),
  /** Round the seat's upright, degrees; anticlockwise seen from above. */
  turnDeg: turn(),
  /** Its top towards you, degrees. */
  tiltDeg: turn(),
  /** Its top to the left as you look at it, degrees. */
  leanDeg: turn(),
  /** To the right, up and outwards as you look at the seat, mm. */
  asideMm: move(),
  upMm: move(),
  outMm: move(),
  /** One of two alike pieces: the other sits on the other side, mirrored. Says nothing where the seat has no other side. */
  both: boolean().strict().required(),
});
export type SeatUse = Shape<typeof seatSchema>;

/** A seat taken as it is. */
export const onSeat = (id: SeatId): SeatUse => ({
  id,
  ...{ turnDeg: 0, tiltDeg: 0, leanDeg: 0, asideMm: 0, upMm: 0, outMm: 0, both: false },
});
