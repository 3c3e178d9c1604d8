import type { Problem } from "../errors";
import type { ParamSpecs, ParamValues } from "../params";
import type { GrowthField } from "../surface/growthField";
import type { SurfaceGrid } from "../surface/grid";
import type { Sculpted } from "../surface/sculpted";
import type { MaterialId } from "../surface/volumes/materials";

/** What a hide is sculpted on. */
export interface HideRoom {
  /** The panel, still smooth. */
  readonly grid: SurfaceGrid;
  /** Which way things grow on it. */
  readonly lie: GrowthField;
  readonly seed: number;
}

/** Usual sizes of a hide, told in plain words; the middle one of the list is offered first. */
export interface HideKind {
  readonly id: string;
  readonly label: string;
  readonly params: Readonly<Record<string, number>>;
}

/** Something that is sculpted all over a form, whatever the form: fur in locks, scales. */
export interface HideDefinition<S extends ParamSpecs = ParamSpecs> {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  readonly about: string;
  /** What it is made of, as far as light on it goes. */
  readonly material: MaterialId;
  /** What one of its things is called, one and many. */
  readonly thing: readonly [one: string, many: string];
  readonly params: S;
  readonly kinds: readonly HideKind[];
  /** Everything wrong with these sizes; empty where it can be sculpted. */
  problems(values: ParamValues<S>): Problem[];
  /** Sculpts it on cells of any size: the same things at every size, drawn as finely as the cells allow. */
  sculpt(room: HideRoom, values: ParamValues<S>): Sculpted;
}

/** Declares a hide, so that its sizes are known to its sculptor. */
export const defineHide = <S extends ParamSpecs>(definition: HideDefinition<S>): HideDefinition<S> =>
  definition;
