import { putPattern, withParams } from "../../edits/patterns";
import { withSurface } from "../../edits/surfaces";
import type { Hand, Job, Paint } from "../../job";
import { newJob, newPlainSurface } from "../../newJob";
import { defaultPainter } from "../../painter";
import { completeParams } from "../../params";
import { forms, type FormId } from "../../surface/forms";
import type { SurfaceForm } from "../../surface/forms/form";
import { deriveCoats } from "../derive";
import { layoutCamouflage, type LaidPattern } from "./layout";
import type { CamouflageParams } from "./params";
import { presets, startFrom } from "./presets";

export const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.7 };
/** A job without surfaces worth naming, for tests. */
const bareJob = (paints: readonly Paint[]): Job =>
  newJob("trial", "Trial", { ...defaultPainter, hand }, paints);
export const figure = { ...bareJob([]).figures[0]!, eyeHeightMm: 32, standard: "display" as const };
export const formOf = (id: FormId, sizes: Record<string, number> = {}): SurfaceForm =>
  forms[id].build(completeParams(forms[id].params, sizes), 42);
export const CLOAK = { hemMm: 30, neckMm: 14, lengthMm: 16, folds: 5, foldMm: 0.8 };
export const cloak = formOf("cloak", CLOAK);
export const sleeve = formOf("limb", { roundMm: 15, lengthMm: 13 });

export const started = (preset: number, seed = 1): CamouflageParams =>
  startFrom(presets[preset]!, figure, 0.12, seed);
export const lay = (params: CamouflageParams, form = cloak, seed = 7): LaidPattern =>
  layoutCamouflage(params, { form, hand, seed }).laid();

/** A job whose only surface is a cloak, or another piece, in a pattern. */
export function jobWith(
  paints: readonly Paint[],
  params: CamouflageParams,
  formId: FormId = "cloak",
  sizes: Readonly<Record<string, number>> = CLOAK,
): Job {
  const bare = bareJob(paints);
  const plain = newPlainSurface("piece", "Piece", formId, bare.mixes);
  const surface = { ...plain, form: { ...plain.form, params: { ...plain.form.params, ...sizes } } };
  const put = putPattern({ ...bare, figures: [figure], surfaces: [surface] }, "piece", "camouflage", paints);
  return deriveCoats(
    withSurface(put, "piece", (now) => withParams(now, () => params)),
    paints,
    put,
  );
}
