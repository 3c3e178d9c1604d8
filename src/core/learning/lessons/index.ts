import type { Lesson } from "../lesson";
import { brushLoad } from "./brushLoad";
import { drying } from "./drying";
import { pace } from "./pace";
import { thinning } from "./thinning";

/** Everything the log teaches. A new lesson is a file here and a line. */
export const lessons: readonly Lesson[] = [pace, drying, thinning, brushLoad];
