import { number, object, string } from "yup";
import { drawFigure, type FigureStill, type FigureView } from "../core/figure/figureStill";
import type { Part } from "../core/figure/judge/looks";
import { standingFigure } from "../core/figure/standingFigure";
import { figureOf } from "../core/job";
import type { Simulator, StillWanted } from "../core/simulate/simulator";
import { jobField, paintsField } from "./checked";
import { skinsOn, type FigureShown } from "./figureSkins";
import { pieceViewField } from "./pieceView";

/** A figure, and from where and how large it is judged. */
export interface FigureJudgedInput extends Pick<FigureShown, "job" | "paints" | "figureId"> {
  readonly view: FigureView;
}

/** Checks a figure that is to be judged. */
export const figureJudgedSchema = () =>
  object({
    job: jobField(),
    paints: paintsField(),
    figureId: string().strict().required(),
    view: pieceViewField()
      .shape({ viewMm: number().strict().min(50).max(10000).nullable().defined() })
      .required(),
  });

/** A picture that a figure is judged by, and its parts. */
export interface FigurePictured {
  readonly still: FigureStill;
  readonly parts: readonly Part[];
}

/** Draws a painted figure to be judged; null where it has no body or was stopped. */
export async function pictured(
  sim: Simulator,
  { job, paints, figureId, view }: FigureJudgedInput,
  wanted: StillWanted,
): Promise<FigurePictured | null> {
  const figure = figureOf(job, { figureId });
  const standing = standingFigure(job, figure);
  if (!standing) return null;
  const shown: FigureShown = { job, paints, figureId, as: "paint", step: null };
  const skins = await skinsOn(sim, shown, false, wanted);
  if (!skins) return null;
  const own = job.surfaces.filter(({ figureId: id, seat }) => id === figureId && seat !== null);
  const parts = own.map(({ id, name, volumes }) => ({
    id,
    name,
    importance: volumes.importance,
  }));
  return { still: drawFigure(standing, figure, skins, view), parts };
}
