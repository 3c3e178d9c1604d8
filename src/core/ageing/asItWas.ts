import { activeCoats, type Coat, type Job, type Surface } from "../job";
import { EVENTS, TIMES, type Time } from "./events";

/** When what a coat stands for happened; null for coats that are no matter of time. */
export const timeOf = ({ event }: Pick<Coat, "event">): Time | null => event && EVENTS[event].time;

/** Times that a surface's painted coats tell of, oldest first. */
export const timesOf = ({ coats }: Pick<Surface, "coats">): Time[] =>
  TIMES.filter((time) => coats.some((coat) => !coat.held && timeOf(coat) === time));

/** Whether a coat is there already at a time. */
const isThere = (coat: Coat, time: Time): boolean => {
  const own = timeOf(coat);
  return own === null || TIMES.indexOf(own) <= TIMES.indexOf(time);
};

/** Painted coats of a surface that are there already at a time; all of them as it stands. */
export const coatsAt = (surface: Pick<Surface, "coats">, time: Time | null): Coat[] =>
  activeCoats(surface).filter((coat) => time === null || isThere(coat, time));

/** The job with every surface as it was at some time. */
export const allAsItWas = (job: Job, time: Time): Job =>
  job.surfaces.reduce((then, { id }) => asItWas(then, id, time), job);

/** The job with a surface as it was at some time: without the coats of all that happened later. */
export function asItWas(job: Job, surfaceId: string, time: Time): Job {
  const surface = job.surfaces.find(({ id }) => id === surfaceId);
  if (!surface || surface.coats.every((coat) => isThere(coat, time))) return job;
  const then = { ...surface, coats: surface.coats.filter((coat) => isThere(coat, time)) };
  return { ...job, surfaces: job.surfaces.map((one) => (one === surface ? then : one)) };
}
