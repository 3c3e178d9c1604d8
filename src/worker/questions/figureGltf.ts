import { object, string } from "yup";
import { standingFigure } from "../../core/figure/standingFigure";
import { figureOf, type Job, type Paint } from "../../core/job";
import { jobField, paintsField } from "../checked";
import { skinsOn } from "../figureSkins";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";

export interface FigureGltfInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly figureId: string;
}

/** A whole figure as binary glTF; null where it has no body or was stopped. */
export const figureGltf = defineQuestion<FigureGltfInput, Uint8Array<ArrayBuffer>>({
  id: "figureGltf",
  schema: object({ job: jobField(), paints: paintsField(), figureId: string().strict().required() }),
  async run({ job, paints, figureId }, { wanted }) {
    // The writer is seldom wanted: it must not delay the first picture.
    const { writeFigureGltf } = await import("../../core/formats/figure-gltf/figureGltf");
    const sim = await simulator;
    const figure = figureOf(job, { figureId });
    await bringHeights(job.surfaces.filter((surface) => surface.figureId === figureId));
    const standing = standingFigure(job, figure);
    if (!standing) return null;
    const shown = { job, paints, figureId, as: "paint" as const, step: null };
    const skins = await skinsOn(sim, shown, true, wanted);
    return skins && writeFigureGltf(standing, figure, skins);
  },
  transfers: (bytes) => [bytes.buffer],
});
