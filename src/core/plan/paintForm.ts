import { SOLIDS_SHARE } from "../colour/mix";
import type { Coat } from "../job";
import { isTechniqueId, techniques } from "../techniques";
import type { TechniqueDefinition } from "../techniques/technique";

/** How paint is handled: thinned and counted in drops, spread as a paste, as dry powder, or no paint but ready-made tufts, counted. */
export type PaintForm = "liquid" | "paste" | "powder" | "tufts";

/** How the paint of a coat is handled. */
export function paintFormOf({ technique: { id } }: Pick<Coat, "technique">): PaintForm {
  const technique: TechniqueDefinition | null = isTechniqueId(id) ? techniques[id] : null;
  const kinds = technique?.potKinds ?? [];
  if (kinds.includes("tufts")) return "tufts";
  return kinds.includes("paste") ? "paste" : kinds.includes("powder") ? "powder" : "liquid";
}

/** Share of the volume put on that stays when it is dry; paste and powder hardly shrink. */
export const SOLIDS: Readonly<Record<PaintForm, number>> = {
  liquid: SOLIDS_SHARE,
  paste: 1,
  powder: 1,
  tufts: 1,
};
