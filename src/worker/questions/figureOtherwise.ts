import { seenOtherwise, type SeenOtherwise } from "../../core/figure/judge/otherwise";
import { figureOf } from "../../core/job";
import { figureJudgedSchema, pictured, type FigureJudgedInput } from "../figurePictured";
import { seatedSurfaces } from "../figureSkins";
import { bringWhatIsKept } from "../heights";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";

/** The figure from all distances that count, and through other eyes; null where it has no body or was stopped. */
export const figureOtherwise = defineQuestion<FigureJudgedInput, SeenOtherwise>({
  id: "figureOtherwise",
  newestOnly: true,
  schema: figureJudgedSchema(),
  async run(input, { wanted }) {
    const { job, figureId, view } = input;
    await bringWhatIsKept(seatedSurfaces(job, figureId));
    const every = { ...input, view: { ...view, viewMm: null } };
    const made = await pictured(await simulator, every, wanted);
    const viewMm = view.viewMm ?? figureOf(job, { figureId }).viewingDistanceMm;
    return made && seenOtherwise(made.still, made.parts, viewMm);
  },
  transfers: ({ distances, eyes }) => [...distances, ...eyes].map(({ picture }) => picture.rgba.buffer),
});
