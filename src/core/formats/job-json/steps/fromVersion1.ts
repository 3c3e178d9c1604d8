import { each, jobStep } from "./fields";

/** Version 1 knew no wells, targets, goals of mixes or drops as really mixed. */
export const fromVersion1 = jobStep((job) => ({
  ...job,
  version: 2,
  mixes: each(job.mixes, (mix) => ({ goal: null, ...mix })),
  wells: [],
  references: [],
  targets: [],
  log: each(job.log, (entry) => ({ recipe: null, ...entry })),
}));
