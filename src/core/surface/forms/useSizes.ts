import type { FormUse } from "../../job";
import { completeParams, type ParamValues } from "../../params";
import type { ParamSpecs } from "../../params";
import type { FormDefinition } from "./form";

/** All sizes of a piece: as given, as they were before its form had them, or the usual ones. */
export function sizesOfUse<S extends ParamSpecs>(
  { params, added = {} }: Pick<FormDefinition<S>, "params" | "added">,
  use: FormUse,
): ParamValues<S> {
  const since = Object.entries(added).filter(([version]) => use.version < Number(version));
  // What an earlier version brought is told first: a later one says how such pieces were until then.
  const before = Object.assign({}, ...since.reverse().map(([, sizes]) => sizes)) as Record<string, number>;
  return completeParams(params, { ...before, ...use.params });
}
