import { each, eachCoat, isFields, jobStep, type Fields } from "./fields";

/** A coat whose place by zones may follow the value plan. */
export const withValues = (coat: Fields): Fields =>
  isFields(coat.place) && coat.place.kind === "zones"
    ? { ...coat, place: { values: null, ...coat.place } }
    : coat;

/** Version 5 knew no value plans: its surfaces are of dull cloth until the painter says what they are made of. */
export const fromVersion5 = jobStep((job) =>
  eachCoat(
    {
      ...job,
      version: 6,
      surfaces: each(job.surfaces, (surface) => ({
        volumes: { material: "dull-cloth", importance: "usual" },
        ...surface,
      })),
    },
    withValues,
  ),
);
