import { object, string } from "yup";
import { shareEffort, USUAL_EFFORT, type EffortShared } from "../../core/effort/effortOf";
import type { Job } from "../../core/job";
import { jobField } from "../checked";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";

export interface EffortInput {
  readonly job: Job;
  readonly surfaceId: string;
}

/** Of a surface without a budget, how many marks there are. */
const ALL = { marks: 1_000_000, ...USUAL_EFFORT } as const;

/** How many marks are set one by one on a surface, and where a budget lets them go. */
export const effort = defineQuestion<EffortInput, EffortShared>({
  id: "effort",
  newestOnly: true,
  schema: object({ job: jobField(), surfaceId: string().strict().required() }),
  async run({ job, surfaceId }) {
    const surface = job.surfaces.find(({ id }) => id === surfaceId);
    if (!surface) return null;
    await bringHeights([surface]);
    return shareEffort(job, surface, surface.effort ?? ALL);
  },
});
