import { object } from "yup";
import { InputError } from "../../core/errors";
import { activeCoats, figureOf, type Job, type Paint, type Surface } from "../../core/job";
import { addsOf, type CoatAdds } from "../../core/simulate/adding";
import { glanceAt } from "../../core/simulate/glance";
import type { Simulator } from "../../core/simulate/simulator";
import { jobField, paintsField } from "../checked";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";
import { stepPictures } from "../steps";

export interface AddingInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
}

/** What the coats of each surface add, by the surface's id; surfaces that cannot be painted have none. */
export type Adding = Readonly<Record<string, readonly CoatAdds[]>>;

/** What a job's coats add, on the few cells that its cards were counted on. @throws InputError where it cannot be painted */
function addingOn(sim: Simulator, { job, paints }: AddingInput, surface: Surface): CoatAdds[] {
  const { grid, coats } = glanceAt(job, surface);
  const request = { job, paints, surfaceId: surface.id, upTo: null, lit: false };
  const pictures = stepPictures(sim, request, { grid, coats, reduced: false });
  const ids = activeCoats(surface).map(({ id }) => id);
  return addsOf(ids, pictures, grid, figureOf(job, surface).viewingDistanceMm);
}

/** What each coat of a job adds from the viewing distance; surfaces come ahead as they are done. */
export const adding = defineQuestion<AddingInput, Adding, Adding>({
  id: "adding",
  newestOnly: true,
  behind: true,
  schema: object({ job: jobField(), paints: paintsField() }),
  async run(input, { wanted, part }) {
    const { surfaces } = input.job;
    await bringWhatIsKept(surfaces);
    const sim = await simulator;
    let known: Adding = {};
    for (const [at, surface] of surfaces.entries()) {
      if (!(await wanted(at, surfaces.length))) return null;
      try {
        known = { ...known, [surface.id]: addingOn(sim, input, surface) };
      } catch (error) {
        if (!(error instanceof InputError)) throw error;
      }
      part(known);
    }
    return known;
  },
});
