import { seenCheck } from "./seen";

/** Does every coat change what it lies on? */
export const unseen = seenCheck("unseen", "Every coat is seen over its ground");
