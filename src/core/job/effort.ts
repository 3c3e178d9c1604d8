import { fields, size, whole, type Shape } from "../shape";

const percent = () => size(0, 100);

export const effortSchema = fields({
  /** Most marks that are set one by one on the surface, on each figure: a stroke counts one, a touch or dot two thirds. */
  marks: whole(1, 1_000_000),
  /** How far they are kept for what is seen: from the front, the player's side, above and both sides, %. */
  seen: percent(),
  /** How far they are kept for what the lamp lights, %. */
  lit: percent(),
});
/** A budget of marks for a surface, and where they are worth their minutes. */
export type Effort = Shape<typeof effortSchema>;
