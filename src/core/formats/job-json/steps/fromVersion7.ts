import { each, jobStep } from "./fields";

/** Version 7 knew no growth: hair lay down the piece, as it does where nothing is said of it. */
export const fromVersion7 = jobStep((job) => ({
  ...job,
  version: 8,
  surfaces: each(job.surfaces, (surface) => ({ growth: null, ...surface })),
}));
