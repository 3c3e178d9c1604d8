import { jobStep } from "./fields";

/** In version 12 a job had no plan of its own for the bench: its cards followed each other as its surfaces did. */
export const fromVersion12 = jobStep((job) => ({
  bench: { unit: "mixed", sittings: [], wishes: [] },
  ...job,
  version: 13,
}));
