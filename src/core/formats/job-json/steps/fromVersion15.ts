import type { Step } from "./fields";

/** In version 15 entries of the log and sittings had no `photos`; who has none leaves them out. */
export const fromVersion15: Step = ({ job, history }) => ({ job: { ...job, version: 16 }, history });
