import type { PatternFamily } from "../family";
import { completeSett, layoutOf, settCoats } from "./coats";
import { settMarks } from "./marks";

/** Check cloth: a thread count woven both ways, fitted to the panel. */
export const sett: PatternFamily = {
  id: "sett",
  version: 1,
  label: "Check cloth",
  complete: completeSett,
  coats: settCoats,
  marks: (context, target) => settMarks(layoutOf(context), target),
};
