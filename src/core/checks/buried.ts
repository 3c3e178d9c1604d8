import { seenCheck } from "./seen";

/** Is anything left of every coat when all is dry? */
export const buried = seenCheck("buried", "No coat is buried");
