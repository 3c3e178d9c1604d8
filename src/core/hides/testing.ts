import { newPlainSurface } from "../newJob";
import { newJob } from "../newJob";
import { defaultPainter } from "../painter";
import type { Growth, Job, Surface } from "../job";
import { growthOf } from "../growth/growthOf";
import type { FormId } from "../surface/forms";
import { buildForm } from "../surface/forms/buildForm";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { hides, type HideId } from ".";
import { withHide } from "./withHide";

/** A piece with a hide, lying aside. */
export function covered(
  id: HideId,
  formId: FormId,
  more: {
    sizes?: Record<string, number>;
    of?: Record<string, number>;
    growth?: Growth | null;
    seed?: number;
  } = {},
): { job: Job; surface: Surface } {
  const plain = newPlainSurface("piece", "Piece", formId, []);
  const surface: Surface = {
    ...plain,
    form: { ...plain.form, params: { ...plain.form.params, ...more.of } },
    hide: { id, version: hides[id].version, params: more.sizes ?? {} },
    growth: more.growth ?? null,
    seed: more.seed ?? 5,
  };
  const job = { ...newJob("job", "Job", defaultPainter, []), surfaces: [surface] };
  return { job, surface };
}

/** Its cells, smooth and as sculpted. */
export function gridsOf(
  { job, surface }: ReturnType<typeof covered>,
  pitchMm: number,
): { smooth: SurfaceGrid; grid: SurfaceGrid } {
  const smooth = buildGrid(buildForm(surface), pitchMm);
  return { smooth, grid: withHide(smooth, surface, growthOf(job, surface)) };
}
