import type { Figure, SeatId } from "../../job";
import type { ParamSpecs, ParamValues } from "../../params";
import type { Frame } from "../frame";
import type { Solid } from "../solids";

/** A place for pieces on a body. */
export interface Seat {
  readonly id: SeatId;
  /** In the middle of the body there, looking out of it; pieces hang from here, stand here or have their middle here. */
  readonly at: Frame;
  /** From there to the body's outside in that direction, mm. */
  readonly outMm: number;
}

/** A body in its pose, in the figure's room: x to the right as you look at it, y up from the ground, z towards you, mm. */
export interface Body {
  readonly solids: readonly Solid[];
  readonly seats: readonly Seat[];
}

/** One kind of body that a figure can have: plain solids that carry the pieces and throw their shade. */
export interface BodyDefinition<S extends ParamSpecs = ParamSpecs> {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  readonly about: string;
  readonly params: S;
  /** What it starts with on a figure; left out for the settings' own. */
  startAt?(figure: Pick<Figure, "eyeHeightMm">): Partial<ParamValues<S>>;
  build(values: ParamValues<S>, figure: Pick<Figure, "eyeHeightMm">): Body;
}

/** Declares a body, so that its settings are known to its build. */
export const defineBody = <S extends ParamSpecs>(definition: BodyDefinition<S>): BodyDefinition<S> =>
  definition;
