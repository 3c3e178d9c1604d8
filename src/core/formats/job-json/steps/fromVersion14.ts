import { isFields, type Step } from "./fields";

/** In version 14 no sittings were kept (`sittings`); the log told neither drying, thinning and brush nor readings. */
export const fromVersion14: Step = ({ job, history }) => ({
  job: { ...job, version: 15 },
  history: isFields(history) ? { sittings: [], ...history } : history,
});
