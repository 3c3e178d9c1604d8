import { boolean, number, object } from "yup";
import { drawPiece, type PiecePicture, type PieceView } from "../../core/piece/still";
import type { SpecimenRequest } from "../../core/simulate/simulator";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";
import { specimenRequestField } from "../specimenRequest";

export interface PieceInput {
  readonly request: SpecimenRequest;
  readonly view: PieceView;
  /** From the finest cells rather than from those of the preview. */
  readonly full: boolean;
}

/** A still picture of the painted piece as it stands in space. */
export const piece = defineQuestion<PieceInput, PiecePicture>({
  id: "piece",
  newestOnly: true,
  schema: object({
    full: boolean().strict().required(),
    request: specimenRequestField(),
    view: object({
      turnDeg: number().strict().required().min(-360).max(360),
      tiltDeg: number().strict().min(-89).max(89).nullable().defined(),
      pxPerMm: number().strict().required().min(0.5).max(200),
      mostPx: number().strict().required().integer().min(16).max(2000),
    }).required(),
  }),
  async run({ request, view, full }, { wanted }) {
    const sim = await simulator;
    await bringHeights(request.job.surfaces.filter(({ id }) => id === request.surfaceId));
    const laid = await sim.lay(request, !full, wanted);
    return laid && drawPiece(sim.skin(request, laid), view);
  },
  transfers: ({ rgba }) => [rgba.buffer],
});
