import type { MishapId } from "../job";
import { allDark } from "./kinds/allDark";
import { even } from "./kinds/even";
import { forgotten } from "./kinds/forgotten";
import { lumps } from "./kinds/lumps";
import { overspill } from "./kinds/overspill";
import { pool } from "./kinds/pool";
import { shadowsLost } from "./kinds/shadowsLost";
import { tooBright } from "./kinds/tooBright";
import { wrongMix } from "./kinds/wrongMix";
import type { MishapDefinition } from "./mishap";

/** Every mishap there is help for, in the order they are offered. A new one is one file, its id and one line here. */
export const mishaps: Readonly<Record<MishapId, MishapDefinition>> = {
  pool,
  overspill,
  lumps,
  "too-bright": tooBright,
  "shadows-lost": shadowsLost,
  "all-dark": allDark,
  even,
  "wrong-mix": wrongMix,
  forgotten,
};

export { MISHAP_IDS as mishapIds } from "../job";
