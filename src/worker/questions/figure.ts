import { boolean, number, object, string } from "yup";
import { drawFigure, type FigureStill, type FigureView } from "../../core/figure/figureStill";
import { sprayOnBody } from "../../core/figure/bodyFromAbove";
import { standingFigure } from "../../core/figure/standingFigure";
import { figureOf } from "../../core/job";
import type { PieceSkin } from "../../core/piece/skin";
import { figureJudgedSchema } from "../figurePictured";
import { FIGURE_AS, seatedSurfaces, skinsOn, type FigureShown } from "../figureSkins";
import { bringWhatIsKept } from "../heights";
import { helpersFor } from "../helpers";
import { ROUGH_CELLS } from "../paintingTogether";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";

export interface FigureInput extends FigureShown {
  readonly view: FigureView;
  /** Whether the finer picture is wanted after the quick one. */
  readonly full: boolean;
  /** How many workers may help; each paints some of the surfaces. */
  readonly helpers: number;
}

/** Longest side of the quick picture, and of the rough one before it, pixels. */
const SMALL_PX = { quick: 300, rough: 200 } as const;

/**
 * Whether this worker has drawn a figure. Until then little of its program is compiled and all of it is slow: a rough
 * picture comes before the quick one, which later needs no longer than it.
 */
let practised = false;

/** The whole figure as it stands: quickly, then finer; null where it has no body or was stopped. */
export const figure = defineQuestion<FigureInput, FigureStill, FigureStill>({
  id: "figure",
  newestOnly: true,
  schema: figureJudgedSchema().shape({
    as: string().strict().oneOf(FIGURE_AS).required(),
    step: object({
      surfaceId: string().strict().required(),
      upTo: number().strict().integer().min(0).required(),
    })
      .nullable()
      .defined(),
    mostCells: number().strict().integer().min(10_000).max(2_000_000),
    full: boolean().strict().required(),
    helpers: number().strict().integer().min(0).max(5).required(),
  }),
  async run(input, { wanted, part }) {
    const { job, figureId, view, full } = input;
    const sim = await simulator;
    const own = figureOf(job, { figureId });
    await bringWhatIsKept(seatedSurfaces(job, figureId));
    const standing = standingFigure(job, own);
    if (!standing) return null;
    const sprayed = input.as === "sprayed" ? sprayOnBody(standing) : undefined;
    const drawn = (skins: ReadonlyMap<string, PieceSkin>, how: keyof typeof SMALL_PX): FigureStill =>
      drawFigure(
        standing,
        own,
        skins,
        { ...view, mostPx: Math.min(SMALL_PX[how], view.mostPx) },
        sprayed,
        how,
      );
    const shown = (still: FigureStill) => part(still, [still.picture.rgba.buffer, still.owners.buffer]);
    if (full && !practised) {
      const rough = await skinsOn(sim, { ...input, previewCells: ROUGH_CELLS }, false, wanted);
      if (!rough) return null;
      shown(drawn(rough, "rough"));
      practised = true;
    }
    const helpers = helpersFor(input.helpers);
    const coarse = await skinsOn(sim, input, false, wanted, helpers);
    if (!coarse) return null;
    const first = drawn(coarse, "quick");
    if (!full) return first;
    shown(first);
    const fine = await skinsOn(sim, input, true, wanted, helpers);
    if (!fine || !(await wanted(1, 1))) return null;
    return drawFigure(standing, own, fine, view, sprayed);
  },
  transfers: ({ picture, owners }) => [picture.rgba.buffer, owners.buffer],
});
