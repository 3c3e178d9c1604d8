import type { Job, Paint } from "../job";
import { familyIn } from "../patterns";
import { deriveCoats } from "../patterns/derive";

/** Whether single figures of the job differ in their patterns. */
export const figuresDiffer = (job: Job): boolean =>
  job.figure.count > 1 && job.surfaces.some((surface) => familyIn(surface)?.forFigure !== undefined);

/**
 * The job as one figure of its unit is painted: patterns in that figure's own settings, coats following from them.
 * @param number from 1; the job itself where its figures are all alike
 */
export function asFigure(job: Job, paints: readonly Paint[], number: number): Job {
  if (!figuresDiffer(job)) return job;
  const surfaces = job.surfaces.map((surface) => {
    const { pattern } = surface;
    const family = familyIn(surface);
    if (!pattern || !family?.forFigure) return surface;
    return { ...surface, pattern: { ...pattern, params: family.forFigure(pattern.params, number) } };
  });
  return deriveCoats({ ...job, surfaces }, paints, job);
}
