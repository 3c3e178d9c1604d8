import { object } from "yup";
import type { PlannedFilm } from "../../core/learning/pots/readFilm";
import { InputError } from "../../core/errors";
import type { Job, Paint } from "../../core/job";
import { sampledSurface } from "../../core/simulate/sampled";
import { jobField, paintsField } from "../checked";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";

export interface ExpectedInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
}

/** What each card's coat is to look like where it lies, and on what; by the card's id. */
export type Expected = Readonly<Record<string, PlannedFilm>>;

/** What a reader is to read on each coat as it is planned. Surfaces that cannot be painted have none. */
export const expected = defineQuestion<ExpectedInput, Expected>({
  id: "expected",
  newestOnly: true,
  schema: object({ job: jobField(), paints: paintsField() }),
  async run({ job, paints }, { wanted }) {
    await bringWhatIsKept(job.surfaces);
    const colours: Record<string, PlannedFilm> = {};
    for (const [at, surface] of job.surfaces.entries()) {
      if (!(await wanted(at, job.surfaces.length))) return null;
      try {
        for (const { coat, before, after, meanUm } of sampledSurface(job, surface, paints).coats)
          colours[`${surface.id}/${coat.id}`] = { lab: after, under: before, um: meanUm };
      } catch (error) {
        if (!(error instanceof InputError)) throw error;
      }
    }
    return colours;
  },
});
