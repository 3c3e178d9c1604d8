import type { PatternUse } from "../job";
import type { PatternFamily } from "./family";
import { sett } from "./sett/sett";

/** Every pattern family, by id. A new family is one folder and one line here. */
export const families: Readonly<Record<PatternUse["id"], PatternFamily>> = { sett };
