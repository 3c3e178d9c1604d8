import { bodyOf } from "../figure/bodies";
import type { Job, SeatUse } from "../job";
import { figureOf } from "../job";
import { seatFor } from "../newJob";
import { withSurface } from "./surfaces";

/** The job with a surface seated; null lays it aside. */
export const withSeat = (job: Job, surfaceId: string, seat: SeatUse | null): Job =>
  withSurface(job, surfaceId, (surface) => ({ ...surface, seat }));

/** The job with every surface of a figure on a seat that its body has; those that have one keep it. */
export function seatAll(job: Job, figureId: string): Job {
  const body = bodyOf(figureOf(job, { figureId }));
  if (!body) return job;
  const own = job.surfaces.filter((surface) => surface.figureId === figureId);
  return own.reduce((now, surface) => {
    const sits = body.seats.some(({ id }) => id === surface.seat?.id);
    if (sits) return now;
    // Its own seat is not there any more: others are offered as if it had none.
    const aside = withSeat(now, surface.id, null);
    const seat = seatFor(aside, surface);
    return withSeat(aside, surface.id, seat && { ...seat, both: surface.seat?.both ?? false });
  }, job);
}
