import { figureOf, type Figure, type Job, type Paint, type Surface } from "../job";
import { newFigure } from "../newJob";
import { familyIn } from "../patterns";
import { deriveCoats } from "../patterns/derive";

/** The job with one of its figures changed. */
export const changeFigure = (job: Job, id: string, change: Partial<Omit<Figure, "id">>): Job => ({
  ...job,
  figures: job.figures.map((figure) => (figure.id === id ? { ...figure, ...change } : figure)),
});

/** The job with a figure more, under a free id; it stands in the same light and is seen from as far as the first. */
export function withFigure(job: Job, name: string): Job {
  let number = job.figures.length + 1;
  while (job.figures.some((figure) => figure.id === `figure-${number}`)) number++;
  const { eyeHeightMm, standard, primer, viewingDistanceMm, lamp } = job.figures[0]!;
  const like = { eyeHeightMm, standard, primer, viewingDistanceMm, lamp };
  return { ...job, figures: [...job.figures, { ...newFigure(`figure-${number}`, name), ...like }] };
}

/** Surfaces of one figure. */
export const surfacesOf = (job: Job, figureId: string): Surface[] =>
  job.surfaces.filter((surface) => surface.figureId === figureId);

/** The job without a figure that has no surfaces; the last one stays. */
export const withoutFigure = (job: Job, id: string): Job =>
  job.figures.length < 2 || surfacesOf(job, id).length > 0
    ? job
    : { ...job, figures: job.figures.filter((figure) => figure.id !== id) };

/** Whether a surface's single figures differ in their patterns. */
const differs = (job: Job, surface: Surface): boolean =>
  figureOf(job, surface).count > 1 && familyIn(surface)?.forFigure !== undefined;

/** Whether single figures of a unit differ in their patterns. */
export const figuresDiffer = (job: Job): boolean => job.surfaces.some((surface) => differs(job, surface));

/**
 * The job as one figure of its unit is painted: patterns in that figure's own settings, coats following from them.
 * @param number from 1; the job itself where its figures are all alike
 */
export function asFigure(job: Job, paints: readonly Paint[], number: number): Job {
  if (!figuresDiffer(job)) return job;
  const surfaces = job.surfaces.map((surface) => {
    const { pattern } = surface;
    const family = familyIn(surface);
    if (!pattern || !family?.forFigure || !differs(job, surface)) return surface;
    return { ...surface, pattern: { ...pattern, params: family.forFigure(pattern.params, number) } };
  });
  return deriveCoats({ ...job, surfaces }, paints, job);
}
