import type { Coat, Job, Surface } from "../job";

/** The job with one surface changed; the same job where it has no such surface. */
export const withSurface = (job: Job, surfaceId: string, change: (surface: Surface) => Surface): Job => ({
  ...job,
  surfaces: job.surfaces.map((surface) => (surface.id === surfaceId ? change(surface) : surface)),
});

/** The surface with one coat changed. */
export const withCoat = (surface: Surface, coatId: string, change: (coat: Coat) => Coat): Surface => ({
  ...surface,
  coats: surface.coats.map((coat) => (coat.id === coatId ? change(coat) : coat)),
});

/** `base-1`, `base-2` … : the first that is not taken yet. */
export function freeId(base: string, taken: Iterable<{ readonly id: string }>): string {
  const ids = new Set(Array.from(taken, (one) => one.id));
  let number = 1;
  while (ids.has(`${base}-${number}`)) number++;
  return `${base}-${number}`;
}

/** Takes a surface off the figure, with the painted lights on it, and out of every pair that touches. */
export const withoutSurface = (job: Job, surfaceId: string): Job => ({
  ...job,
  surfaces: job.surfaces.filter((surface) => surface.id !== surfaceId),
  figures: job.figures.map((figure) =>
    figure.lights.some((light) => light.surfaceId === surfaceId)
      ? { ...figure, lights: figure.lights.filter((light) => light.surfaceId !== surfaceId) }
      : figure,
  ),
  touching: job.touching.filter((pair) => !pair.includes(surfaceId)),
});
