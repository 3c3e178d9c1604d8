import type { FormUse } from "../../job";
import { completeParams, type ParamValues } from "../../params";
import type { ParamSpecs } from "../../params";
import type { FormDefinition } from "./form";

/** All sizes of a piece: as given, as they were before its form had them, or the usual ones. */
export const sizesOfUse = <S extends ParamSpecs>(
  { params, version, added }: Pick<FormDefinition<S>, "params" | "version" | "added">,
  use: FormUse,
): ParamValues<S> =>
  completeParams(params, use.version < version ? { ...(added as object), ...use.params } : use.params);
