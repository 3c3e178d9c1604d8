import { object, string } from "yup";
import type { Job, Paint } from "../../core/job";
import { CHIPPED_BY, GROUNDS, HANDLED, MADE, STUFFS, WEATHERS, type Told } from "../../core/ageing/told";
import { historySteps } from "../../core/schemes/history";
import type { StartPlan } from "../../core/schemes/start";
import { jobField, paintsField } from "../checked";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";

export interface HistoryInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly surfaceId: string;
  readonly told: Told;
}

/** The told history of a surface, worked out in a painter's own pots; null where it was stopped. */
export const history = defineQuestion<HistoryInput, StartPlan>({
  id: "history",
  schema: object({
    job: jobField(),
    paints: paintsField(),
    surfaceId: string().strict().required(),
    told: object({
      stuff: string().strict().required().oneOf(STUFFS),
      made: string().strict().required().oneOf(MADE),
      handled: string().strict().required().oneOf(HANDLED),
      weather: string().strict().required().oneOf(WEATHERS),
      ground: string().strict().required().oneOf(GROUNDS),
      chippedBy: string().strict().required().oneOf(CHIPPED_BY),
      dust: string()
        .strict()
        .required()
        .matches(/^#[0-9a-f]{6}$/, "dust must be a colour such as #9a8a70"),
    }).required(),
  }),
  async run({ job, paints, surfaceId, told }, { wanted }) {
    await bringWhatIsKept(job.surfaces.filter(({ id }) => id === surfaceId));
    const planning = historySteps(job, surfaceId, told, paints);
    for (let step = planning.next(); ; step = planning.next()) {
      if (step.done) return step.value;
      if (!(await wanted(step.value.done, step.value.total))) return null;
    }
  },
});
