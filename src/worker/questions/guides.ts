import { object, string } from "yup";
import { InputError } from "../../core/errors";
import type { Job } from "../../core/job";
import { patternOf } from "../../core/patterns/bind";
import type { PatternGuides } from "../../core/patterns/family";
import { buildForm } from "../../core/surface/forms/buildForm";
import { jobField } from "../checked";
import { defineQuestion } from "../question";

/** Guides of a surface's pattern; null where it has none, or cannot be laid out. */
export const guides = defineQuestion<{ readonly job: Job; readonly surfaceId: string }, PatternGuides>({
  id: "guides",
  schema: object({ job: jobField(), surfaceId: string().strict().required() }),
  run({ job, surfaceId }) {
    const surface = job.surfaces.find((one) => one.id === surfaceId);
    if (!surface) throw new RangeError(`the job has no surface "${surfaceId}"`);
    try {
      const pattern = patternOf(job, surface, buildForm(surface));
      return pattern?.family.guides?.of(pattern.layout) ?? null;
    } catch (error) {
      // What is wrong is told by the checks and where it is typed.
      if (error instanceof InputError) return null;
      throw error;
    }
  },
});
