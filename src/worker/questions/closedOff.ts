import { object, string } from "yup";
import type { Job } from "../../core/job";
import { closedOff as found, type ClosedOff } from "../../core/plan/together";
import { jobField } from "../checked";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";

export interface ClosedOffInput {
  readonly job: Job;
  readonly figureId: string;
}

/** Pieces of a figure that a brush no longer reaches everywhere once all is put together. */
export const closedOff = defineQuestion<ClosedOffInput, readonly ClosedOff[]>({
  id: "closedOff",
  newestOnly: true,
  schema: object({ job: jobField(), figureId: string().strict().required() }),
  async run({ job, figureId }) {
    await bringHeights(job.surfaces.filter((surface) => surface.figureId === figureId));
    return found(job, figureId);
  },
});
