import type { Job } from "../job";

/** The job with the coats of some cards held back. @param cardIds each `SURFACE/COAT` */
export function leaveOut(job: Job, cardIds: readonly string[]): Job {
  const out = new Set(cardIds);
  return {
    ...job,
    surfaces: job.surfaces.map((surface) => ({
      ...surface,
      coats: surface.coats.map((coat) =>
        out.has(`${surface.id}/${coat.id}`) ? { ...coat, held: true } : coat,
      ),
    })),
  };
}
