import type { Coat, Job, Paint, Surface } from "../job";
import type { Pattern } from "../patterns/pattern";
import type { SurfaceForm } from "../surface/forms/form";
import type { CheckResult } from "./finding";

export interface CheckContext {
  readonly job: Job;
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly paints: readonly Paint[];
  /** Coats that will be painted, in order. */
  readonly coats: readonly Coat[];
  /** Null where the surface has none. */
  readonly pattern: Pattern | null;
}

export interface Check {
  readonly id: string;
  readonly label: string;
  run(context: CheckContext): CheckResult[];
}
