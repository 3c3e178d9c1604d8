import type { Coat, CoatTarget, Job, Paint, PatternUse, Surface } from "../job";
import type { Marks } from "../techniques/technique";
import type { SurfaceForm } from "../surface/forms/form";

/** A coat a pattern asks for; `role` tells it apart from the pattern's other coats. */
export type PlannedCoat = Omit<Coat, "id" | "held" | "seed" | "overSeams"> & { readonly role: string };

/** What a family works with. */
export interface FamilyContext {
  readonly job: Job;
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly paints: readonly Paint[];
}

/** One kind of pattern. */
export interface PatternFamily {
  readonly id: PatternUse["id"];
  readonly version: number;
  readonly label: string;
  /** Adds to the job what the pattern lacks (half-tone mixes); gives the same job where nothing is missing. */
  complete(context: FamilyContext): Job;
  /** The coats, in a workable order. */
  coats(context: FamilyContext): PlannedCoat[];
  /** Where one coat goes. */
  marks(context: Pick<FamilyContext, "job" | "surface" | "form">, target: CoatTarget): Marks;
}
