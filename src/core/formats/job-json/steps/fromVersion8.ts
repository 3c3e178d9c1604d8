import { each, jobStep } from "./fields";

/** Version 8 knew no sculpted hides: every form was smooth. */
export const fromVersion8 = jobStep((job) => ({
  ...job,
  version: 9,
  surfaces: each(job.surfaces, (surface) => ({ hide: null, ...surface })),
}));
