import { eachCoat, jobStep, type Fields } from "./fields";

/** A coat that stands for nothing in the life of its surface, unless it says so. */
export const withEvent = (coat: Fields): Fields => ({ event: null, ...coat });

/** In version 9 coats had no time. */
export const fromVersion9 = jobStep((job) => eachCoat({ ...job, version: 10 }, withEvent));
