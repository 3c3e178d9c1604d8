import { each, jobStep } from "./fields";

/** Version 7 knew neither growth nor budgets: hair lay down the piece, and every mark was painted. */
export const fromVersion7 = jobStep((job) => ({
  ...job,
  version: 8,
  surfaces: each(job.surfaces, (surface) => ({ growth: null, effort: null, ...surface })),
}));
