/** Anything with keys, as it comes out of a file. */
export type Fields = Readonly<Record<string, unknown>>;

/** Whether something has keys: no list, no null. */
export const isFields = (value: unknown): value is Fields =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** A job and what happened while it was painted; up to version 3 that was told inside the job. */
export interface Told {
  readonly job: Fields;
  readonly history: unknown;
}

/** Brings what is told of one version to the next. */
export type Step = (told: Told) => Told;

/** A step that concerns the job alone. */
export const jobStep =
  (change: (job: Fields) => Fields): Step =>
  ({ job, history }) => ({ job: change(job), history });

/** Every entry of a list changed; what is no list, or no entry with keys, is handed on as it is. */
export const each = (value: unknown, change: (one: Fields) => Fields): unknown =>
  Array.isArray(value) ? value.map((one: unknown) => (isFields(one) ? change(one) : one)) : value;

/** Every coat of a job changed: painted, parked, and in variants. */
export function eachCoat(job: Fields, change: (coat: Fields) => Fields): Fields {
  const surfaces = each(job.surfaces, (surface) => ({
    ...surface,
    ...(surface.coats === undefined ? {} : { coats: each(surface.coats, change) }),
    ...(surface.parked === undefined ? {} : { parked: each(surface.parked, change) }),
    ...(surface.variants === undefined
      ? {}
      : {
          variants: each(surface.variants, (variant) => ({
            ...variant,
            coats: each(variant.coats, change),
          })),
        }),
  }));
  return { ...job, surfaces };
}
