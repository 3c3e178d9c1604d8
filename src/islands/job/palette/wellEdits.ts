import type { Job, Well } from "../../../core/job";

/** The job with a well more, under a free id. */
export function withWell(job: Job, make: (id: string) => Well): Job {
  let number = job.wells.length + 1;
  while (job.wells.some((well) => well.id === `well-${number}`)) number++;
  return { ...job, wells: [...job.wells, make(`well-${number}`)] };
}

export const changeWell = (job: Job, id: string, change: (well: Well) => Well): Job => ({
  ...job,
  wells: job.wells.map((well) => (well.id === id ? change(well) : well)),
});

export const withoutWell = (job: Job, id: string): Job => ({
  ...job,
  wells: job.wells.filter((well) => well.id !== id),
});
