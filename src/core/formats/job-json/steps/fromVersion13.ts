import { jobStep } from "./fields";

/** In version 13 nothing could go wrong: no coat lay there by mishap (`mishap`), none was for some figures alone. */
export const fromVersion13 = jobStep((job) => ({ ...job, version: 14 }));
