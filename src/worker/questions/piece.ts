import { boolean, object } from "yup";
import { stillOf, type PieceView, type StillPiece } from "../../core/piece/still";
import type { SpecimenRequest } from "../../core/simulate/simulator";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";
import { pieceViewField } from "../pieceView";
import { simulator, skinOf } from "../simulation";
import { specimenRequestField } from "../specimenRequest";

export interface PieceInput {
  readonly request: SpecimenRequest;
  readonly view: PieceView;
  /** From the finest cells rather than from those of the preview. */
  readonly full: boolean;
}

/** A still picture of the painted piece as it stands in space. */
export const piece = defineQuestion<PieceInput, StillPiece>({
  id: "piece",
  newestOnly: true,
  schema: object({
    full: boolean().strict().required(),
    request: specimenRequestField(),
    view: pieceViewField().required(),
  }),
  async run({ request, view, full }, { wanted }) {
    const sim = await simulator;
    await bringHeights(request.job.surfaces.filter(({ id }) => id === request.surfaceId));
    const laid = await sim.lay(request, !full, wanted);
    return laid && stillOf(skinOf(sim, request, laid), view);
  },
  transfers: ({ picture }) => [picture.rgba.buffer],
});
