import { object, string } from "yup";
import { groundKey } from "../../core/groundwork/key";
import { seenFromAbove, type FromAbove } from "../../core/groundwork/seenFromAbove";
import { groundTold, type GroundTold } from "../../core/groundwork/told";
import type { Job } from "../../core/job";
import { buildForm } from "../../core/surface/forms/buildForm";
import { fewCells } from "../../core/simulate/fewCells";
import { jobField } from "../checked";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";

export interface GroundInput {
  readonly job: Job;
  readonly surfaceId: string;
}

/** What is built on a base: seen from above, and in numbers. */
export interface GroundAnswer {
  readonly picture: FromAbove;
  readonly told: GroundTold;
}

const CELLS = 30_000;

/** A base with what stands on it; null where the job has no such surface. */
export const ground = defineQuestion<GroundInput, GroundAnswer>({
  id: "ground",
  newestOnly: true,
  schema: object({ job: jobField(), surfaceId: string().strict().required() }),
  async run({ job, surfaceId }) {
    const surface = job.surfaces.find(({ id }) => id === surfaceId);
    if (!surface) return null;
    await bringWhatIsKept([surface]);
    const form = buildForm(surface);
    const work = surface.groundwork ?? { pieces: [], feet: [] };
    return {
      picture: seenFromAbove(fewCells(job, surface, form, CELLS)),
      told: groundTold(form, groundKey(surface), work),
    };
  },
});
