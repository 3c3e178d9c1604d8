import type { PatternUse } from "../job";
import type { PatternFamily } from "./family";
import { camouflage } from "./camouflage/camouflage";
import { patched } from "./patched/patched";
import { sett } from "./sett/sett";

/** Every pattern family, by id. A new family is one folder and one line here. */
export const families: Readonly<Record<string, PatternFamily>> = { sett, camouflage, patched };

/** Whether there is a family of this id. */
export const isFamilyId = (id: string): boolean => Object.hasOwn(families, id);

/** A surface's family; null where it has none, or one that is not known. */
export const familyIn = ({ pattern }: { readonly pattern: PatternUse | null }): PatternFamily | null =>
  pattern && isFamilyId(pattern.id) ? families[pattern.id]! : null;

/** @throws RangeError for a family that is not known */
export function familyOf({ id }: Pick<PatternUse, "id">): PatternFamily {
  const family = isFamilyId(id) ? families[id] : undefined;
  if (!family) throw new RangeError(`"${id}" is no pattern; known are ${Object.keys(families).join(", ")}`);
  return family;
}
