import { each, isFields, jobStep } from "./fields";

/** Version 6 knew no pairs: every seated piece of it is one alone. */
export const fromVersion6 = jobStep((job) => ({
  ...job,
  version: 7,
  surfaces: each(job.surfaces, (surface) =>
    isFields(surface.seat) ? { ...surface, seat: { both: false, ...surface.seat } } : surface,
  ),
}));
