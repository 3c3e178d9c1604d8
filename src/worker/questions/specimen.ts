import { boolean, object } from "yup";
import { buildUp } from "../../core/simulate/planes";
import type { Specimen, SpecimenRequest } from "../../core/simulate/simulator";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";
import { laid, simulator } from "../simulation";
import { specimenRequestField } from "../specimenRequest";
import { takeSteps, type Steps } from "../steps";

/** The picture as it comes: small first, then full with the thickest films in it, µm. */
export type SpecimenPart =
  | { readonly kind: "preview"; readonly specimen: Specimen }
  | { readonly kind: "full"; readonly specimen: Specimen; readonly mostUm: number };

export interface SpecimenInput {
  readonly request: SpecimenRequest;
  /** Whether the full picture is wanted too, and what each coat did. */
  readonly full: boolean;
}

/** The picture of a surface: small, full, then what each coat did; null where only the small one was wanted. */
export const specimen = defineQuestion<SpecimenInput, Steps, SpecimenPart>({
  id: "specimen",
  newestOnly: true,
  schema: object({
    full: boolean().strict().required(),
    request: specimenRequestField(),
  }),
  async run({ request, full }, { wanted, part }) {
    const sim = await simulator;
    const { surfaceId } = request;
    await bringHeights(request.job.surfaces.filter((surface) => surface.id === surfaceId));
    const coarse = await sim.lay(request, true, wanted);
    if (!coarse) return null;
    const preview = sim.picture(request, coarse);
    part({ kind: "preview", specimen: preview }, [preview.rgba.buffer]);
    // Small pictures of the desk need no more than this.
    if (!full) return null;
    if (laid.last?.id !== surfaceId) laid.last = { surface: coarse, id: surfaceId };
    if (!(await wanted(0, coarse.coats.length))) return null;
    const fine = await sim.lay(request, false, wanted);
    if (!fine) return null;
    laid.last = { surface: fine, id: surfaceId };
    const picture = sim.picture(request, fine);
    const films = fine.coats.map((one) => one.film);
    const mostUm = buildUp(films, fine.grid.inside.length).reduce((most, um) => Math.max(most, um), 0);
    part({ kind: "full", specimen: picture, mostUm }, [picture.rgba.buffer]);
    // What each coat did is read after the picture is there: it takes as long as a few coats.
    if (!(await wanted(0, coarse.coats.length))) return null;
    return takeSteps(sim, request, coarse);
  },
  transfers: ({ pictures }) => pictures.map((picture) => picture.buffer),
});
