import { boolean, number, object, string } from "yup";
import type { SpecimenRequest } from "../../core/simulate/simulator";
import { jobField, paintsField } from "../checked";
import type { PaintedSkin } from "../helpers";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";

/** Ways of looking at a piece of a figure besides its paint. */
const MAPS = ["values", "sprayed"] as const;

export interface SkinInput extends Pick<SpecimenRequest, "job" | "paints" | "surfaceId" | "upTo" | "lit"> {
  readonly map: (typeof MAPS)[number] | null;
  readonly mostCells: number;
  readonly previewCells: number;
  readonly full: boolean;
}

/** What one surface of a figure wears, painted for the worker that draws the figure; null where it was stopped. */
export const skin = defineQuestion<SkinInput, PaintedSkin>({
  id: "skin",
  schema: object({
    job: jobField(),
    paints: paintsField(),
    surfaceId: string().strict().required(),
    upTo: number().strict().integer().min(0).nullable().defined(),
    lit: boolean().strict().required(),
    map: string().strict().oneOf(MAPS).nullable().defined(),
    mostCells: number().strict().integer().min(1000).max(2_000_000).required(),
    previewCells: number().strict().integer().min(1000).max(200_000).required(),
    full: boolean().strict().required(),
  }),
  async run({ full, ...request }, { wanted }) {
    const sim = await simulator;
    await bringWhatIsKept(request.job.surfaces.filter(({ id }) => id === request.surfaceId));
    const laid = await sim.lay(request, !full, wanted);
    if (!laid) return null;
    const { rgba, heights, gloss, grid } = sim.skin(request, laid);
    // Heights can be the relief that this worker keeps; what goes to the other is its own.
    return { rgba, heights: heights.slice(), gloss, width: grid.width, height: grid.height };
  },
  transfers: ({ rgba, heights }) => [rgba.buffer, heights.buffer],
});
