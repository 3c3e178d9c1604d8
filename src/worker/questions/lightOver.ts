import { object, string } from "yup";
import type { Job, Paint } from "../../core/job";
import { lightOverSteps } from "../../core/schemes/lightOver";
import { LOOKS, type Look } from "../../core/schemes/scheme";
import type { StartPlan } from "../../core/schemes/start";
import { jobField, paintsField } from "../checked";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";

export interface LightOverInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly surfaceId: string;
  readonly look: Look;
}

/** Light and shade over a surface's pattern, worked out in a painter's own pots; null where it was stopped. */
export const lightOver = defineQuestion<LightOverInput, StartPlan>({
  id: "lightOver",
  schema: object({
    job: jobField(),
    paints: paintsField(),
    surfaceId: string().strict().required(),
    look: string().strict().required().oneOf(LOOKS),
  }),
  async run({ job, paints, surfaceId, look }, { wanted }) {
    await bringWhatIsKept(job.surfaces.filter(({ id }) => id === surfaceId));
    const planning = lightOverSteps(job, surfaceId, look, paints);
    for (let step = planning.next(); ; step = planning.next()) {
      if (step.done) return step.value;
      if (!(await wanted(step.value.done, step.value.total))) return null;
    }
  },
});
