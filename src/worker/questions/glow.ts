import { object, string } from "yup";
import type { Job, Paint } from "../../core/job";
import { glowSteps, type GlowPlan } from "../../core/schemes/glow";
import { jobField, paintsField } from "../checked";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";

export interface GlowInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly lightId: string;
}

/** A painted light, worked out for its whole figure in a painter's own pots; null where it was stopped. */
export const glow = defineQuestion<GlowInput, GlowPlan>({
  id: "glow",
  schema: object({ job: jobField(), paints: paintsField(), lightId: string().strict().required() }),
  async run({ job, paints, lightId }, { wanted }) {
    await bringWhatIsKept(job.surfaces);
    const planning = glowSteps(job, lightId, paints);
    for (let step = planning.next(); ; step = planning.next()) {
      if (step.done) return step.value;
      if (!(await wanted(step.value.done, step.value.total))) return null;
    }
  },
});
