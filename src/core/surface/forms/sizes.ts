import type { Problem } from "../../errors";
import type { ParamSpecs, ParamValues } from "../../params";

/** Sizes that are no numbers, out of range, or not whole where they count something. */
export function sizeProblems<S extends ParamSpecs>(specs: S, values: ParamValues<S>): Problem[] {
  return Object.entries(specs).flatMap(([field, spec]): Problem[] => {
    const value = values[field] ?? NaN;
    const unit = spec.unit === "" ? "" : ` ${spec.unit}`;
    if (!Number.isFinite(value) || value < spec.range[0] || value > spec.range[1]) {
      return [
        {
          field,
          message: `${spec.label} must be ${spec.range[0]} to ${spec.range[1]}${unit}, got ${value}.`,
        },
      ];
    }
    if (spec.unit === "" && !Number.isInteger(value))
      return [{ field, message: `${spec.label} must be a whole number, got ${value}.` }];
    return [];
  });
}
