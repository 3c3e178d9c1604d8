import { number, object, string } from "yup";
import { shareOverFigure, type FigureShare } from "../../core/effort/overFigure";
import type { Job } from "../../core/job";
import { jobField } from "../checked";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";

export interface FigureEffortInput {
  readonly job: Job;
  readonly figureId: string;
  /** Marks that may be set on the whole figure. */
  readonly marks: number;
}

/** What each surface of a figure keeps of a budget for all of it. */
export const figureEffort = defineQuestion<FigureEffortInput, readonly FigureShare[]>({
  id: "figureEffort",
  newestOnly: true,
  schema: object({
    job: jobField(),
    figureId: string().strict().required(),
    marks: number().strict().min(1).max(10_000_000).required(),
  }),
  async run({ job, figureId, marks }) {
    await bringHeights(job.surfaces.filter((surface) => surface.figureId === figureId));
    return shareOverFigure(job, figureId, marks);
  },
});
