import type { Coat, Job, Paint, Surface } from "../job";
import type { Pattern } from "../patterns/pattern";
import type { SurfaceForm } from "../surface/forms/form";
import type { SampledSurface } from "../simulate/sampled";
import type { CheckResult } from "./finding";

/** What a check looks at: one surface of a job, built, with the shelf. */
export interface CheckContext {
  readonly job: Job;
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly paints: readonly Paint[];
  /** Coats that will be painted, in order. */
  readonly coats: readonly Coat[];
  /** The surface as it comes out, painted on few cells when first asked for. */
  readonly sampled: () => SampledSurface;
  /** Null where the surface has none. */
  readonly pattern: Pattern | null;
}

/** One verdict on a design: what it is called, and what it finds. */
export interface Check {
  readonly id: string;
  readonly label: string;
  /** Whether there is anything to look at on a piece; on every piece where left out. */
  readonly concerns?: (form: SurfaceForm, surface: Surface) => boolean;
  run(context: CheckContext): CheckResult[];
}
