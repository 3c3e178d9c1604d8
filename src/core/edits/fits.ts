import { MOST_COATS, MOST_MIXES, type Job } from "../job";

/**
 * Why a job could not be kept with what was laid on one of its surfaces: what there would be too much of, how much is
 * allowed, and what to do; null where it fits.
 */
export function whyTooMuch(job: Job, surfaceId: string): string | null {
  const surface = job.surfaces.find(({ id }) => id === surfaceId);
  const coats = surface?.coats.length ?? 0;
  if (coats > MOST_COATS)
    return `${surface!.name} would have ${coats} coats; ${MOST_COATS} is the most a surface can have. Remove ${coats - MOST_COATS} first.`;
  const mixes = job.mixes.length;
  if (mixes > MOST_MIXES)
    return `The job would have ${mixes} mixes; ${MOST_MIXES} is the most it can have. Remove ${mixes - MOST_MIXES} first.`;
  return null;
}
