import { demoShelf } from "../../../data/demo/shelf";
import { checkSurface } from "../../checks";
import { putPattern } from "../../edits/patterns";
import { withSurface } from "../../edits/surfaces";
import type { Job, Surface } from "../../job";
import { newJob, newPlainSurface } from "../../newJob";
import { defaultPainter } from "../../painter";
import type { FormId } from "../../surface/forms";
import { buildForm } from "../../surface/forms/buildForm";
import { patternOf } from "../bind";
import { deriveCoats } from "../derive";
import type { LaidCoat, PatchedLayout } from "./layout";
import type { PatchedParams } from "./params";
import { presets, startFrom } from "./presets";

/** A job of one piece in a patched coat. */
export function jobWith(
  change: Partial<PatchedParams> = {},
  formId: FormId = "trunk",
  preset = presets[0]!,
): Job {
  const bare = newJob("trial", "Trial", defaultPainter, demoShelf);
  const surface = newPlainSurface("piece", "Piece", formId, bare.mixes);
  const params = { ...startFrom(preset, bare.figures[0]!, 5), ...change };
  return putPattern({ ...bare, surfaces: [surface] }, "piece", "patched", demoShelf, params);
}
/** Its piece. */
export const pieceOf = (job: Job): Surface => job.surfaces[0]!;
/** Where its blocks lie. */
export const layoutOf = (job: Job): PatchedLayout =>
  patternOf(job, pieceOf(job), buildForm(pieceOf(job)))!.layout as PatchedLayout;
/** The same, laid out. */
export const laidOf = (job: Job): LaidCoat => layoutOf(job).laid();
/** The same in other settings. */
export const changed = (job: Job, change: Partial<PatchedParams>): Job =>
  deriveCoats(
    withSurface(job, "piece", (now) => ({
      ...now,
      pattern: { ...now.pattern!, params: { ...(now.pattern!.params as PatchedParams), ...change } },
    })),
    demoShelf,
    job,
  );
/** What one check finds on it. */
export const found = (job: Job, check: string) => checkSurface(job, pieceOf(job), demoShelf, check);
