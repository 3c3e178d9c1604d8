import { boolean, number, object, string } from "yup";
import { InputError } from "../../core/errors";
import { drawFigure, type FigureStill, type FigureView } from "../../core/figure/figureStill";
import { standingFigure } from "../../core/figure/standingFigure";
import { figureOf, type Job, type Paint } from "../../core/job";
import type { PieceSkin } from "../../core/piece/skin";
import type { Simulator, StillWanted } from "../../core/simulate/simulator";
import { jobField, paintsField } from "../checked";
import { figureSkin, seatedSurfaces } from "../figureSkins";
import { bringWhatIsKept } from "../heights";
import { pieceViewField } from "../pieceView";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";

export interface FigureInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly figureId: string;
  readonly view: FigureView;
  /** With its paint, or primed and bare as under a lamp. */
  readonly painted: boolean;
  /** A surface that is shown after so many painted coats; null where all are shown in full. */
  readonly step: { readonly surfaceId: string; readonly upTo: number } | null;
  /** Whether the finer picture is wanted after the quick one. */
  readonly full: boolean;
}

/** Longest side of the quick picture, pixels. */
const QUICK_PX = 300;
/** Most cells of a surface in the finer picture: a whole figure is smaller on the screen than one piece. */
const FULL_CELLS = 400_000;

/** Skins of everything that is seated; null where it was stopped. */
async function skinsOf(
  sim: Simulator,
  { job, paints, figureId, painted, step }: FigureInput,
  full: boolean,
  wanted: StillWanted,
): Promise<Map<string, PieceSkin> | null> {
  const skins = new Map<string, PieceSkin>();
  const seated = seatedSurfaces(job, figureId);
  for (const [at, { id }] of seated.entries()) {
    if (!(await wanted(at, seated.length))) return null;
    const shown = step?.surfaceId === id ? step.upTo : null;
    const upTo = painted ? shown : 0;
    const request = { job, paints, surfaceId: id, upTo, lit: true, mostCells: FULL_CELLS };
    try {
      const skin = await figureSkin(sim, request, full, () => wanted(at, seated.length));
      if (!skin) return null;
      skins.set(id, skin);
    } catch (error) {
      // A piece that cannot be built or painted is left out; where it is edited it says what is wrong.
      if (!(error instanceof InputError)) throw error;
    }
  }
  return skins;
}

/** The whole figure as it stands: quickly, then finer; null where it has no body or was stopped. */
export const figure = defineQuestion<FigureInput, FigureStill, FigureStill>({
  id: "figure",
  newestOnly: true,
  schema: object({
    job: jobField(),
    paints: paintsField(),
    figureId: string().strict().required(),
    view: pieceViewField()
      .shape({ viewMm: number().strict().min(50).max(10000).nullable().defined() })
      .required(),
    painted: boolean().strict().required(),
    step: object({
      surfaceId: string().strict().required(),
      upTo: number().strict().integer().min(0).required(),
    })
      .nullable()
      .defined(),
    full: boolean().strict().required(),
  }),
  async run(input, { wanted, part }) {
    const { job, figureId, view, full } = input;
    const sim = await simulator;
    const own = figureOf(job, { figureId });
    await bringWhatIsKept(seatedSurfaces(job, figureId));
    const standing = standingFigure(job, own);
    if (!standing) return null;
    const coarse = await skinsOf(sim, input, false, wanted);
    if (!coarse) return null;
    const quick = { ...view, mostPx: Math.min(QUICK_PX, view.mostPx) };
    const first = drawFigure(standing, own, coarse, quick);
    if (!full) return first;
    part(first, [first.picture.rgba.buffer, first.owners.buffer]);
    const fine = await skinsOf(sim, input, true, wanted);
    if (!fine || !(await wanted(1, 1))) return null;
    return drawFigure(standing, own, fine, view);
  },
  transfers: ({ picture, owners }) => [picture.rgba.buffer, owners.buffer],
});
