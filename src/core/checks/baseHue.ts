import { seenCheck } from "./seen";

/** Does the base still decide the hue? */
export const baseHue = seenCheck("base-hue", "The base's hue still reads");
