import { InputError, type Problem } from "../errors";
import type { HideUse } from "../job";
import { completeParams, type ParamSpecs, type ParamValues } from "../params";
import { hideIds, hides, isHideId } from ".";
import type { HideDefinition } from "./hide";

/** A hide as a surface has it: what it is, and all its sizes. */
export interface HideInUse {
  readonly definition: HideDefinition;
  readonly values: ParamValues<ParamSpecs>;
}

/** What is wrong with a surface's hide; empty where it can be sculpted. */
export function hideProblems(use: HideUse): Problem[] {
  if (!isHideId(use.id))
    return [{ field: "hide", message: `"${use.id}" is no hide; known are ${hideIds.join(", ")}.` }];
  const definition = hides[use.id];
  return definition.problems(completeParams(definition.params, use.params));
}

/** A surface's hide with all its sizes. @throws InputError where it cannot be, or is not known */
export function hideInUse(use: HideUse): HideInUse {
  const wrong = hideProblems(use);
  if (wrong.length > 0 || !isHideId(use.id)) throw new InputError(wrong);
  const definition = hides[use.id];
  return { definition, values: completeParams(definition.params, use.params) };
}
