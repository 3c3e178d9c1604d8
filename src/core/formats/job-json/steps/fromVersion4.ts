import { each, jobStep } from "./fields";

/** Version 4 knew no bodies: its surfaces lie aside until the painter seats them, so that their light stays as it was. */
export const fromVersion4 = jobStep((job) => ({
  ...job,
  version: 5,
  figures: each(job.figures, (figure) => ({ body: null, ...figure })),
  surfaces: each(job.surfaces, (surface) => ({ seat: null, ...surface })),
}));
