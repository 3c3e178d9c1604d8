import { each, eachCoat, isFields, jobStep, type Fields } from "./fields";

/** A coat whose place by zones may follow a painted light. */
export const withShed = (coat: Fields): Fields =>
  isFields(coat.place) && coat.place.kind === "zones"
    ? { ...coat, place: { shed: null, ...coat.place } }
    : coat;

/** In version 10 no figure had painted lights. */
export const fromVersion10 = jobStep((job) =>
  eachCoat(
    { ...job, version: 11, figures: each(job.figures, (figure) => ({ lights: [], ...figure })) },
    withShed,
  ),
);
