import { newJob, newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import type { Growth, Job, Paint, Place, Surface } from "../job";
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

/** The same piece with one coat, in some place, in a mix of the first pot. */
export function coatMixed(
  { job, surface }: ReturnType<typeof covered>,
  place: Place,
  paints: readonly Paint[],
): { job: Job; surface: Surface } {
  const mix = { id: "mix", name: "Mix", parts: [{ paintId: paints[0]!.id, parts: 1 }], water: 1, goal: null };
  const coats = surface.coats.map((coat) => ({ ...coat, mixId: mix.id, place }));
  const painted = { ...surface, coats };
  return { job: { ...job, mixes: [mix], surfaces: [painted] }, surface: painted };
}
