import type { Problem } from "../../errors";
import { formatNumber } from "../../units";
import type { ParamSpecs, ParamValues } from "../../params";

/** A size of a form in mm. @param usual what a new surface starts with */
export const mmSize = (
  label: string,
  range: readonly [number, number],
  step: number,
  usual: number,
  about: string,
) => ({ label, unit: "mm", range, step, default: usual, about }) as const;

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

/** A size that is more than others leave room for; nothing where it fits. @param most in the field's unit */
export function roomProblem(field: string, value: number, most: number, sentence: string): Problem[] {
  if (value <= most + 1e-9) return [];
  return [
    {
      field,
      message: `${sentence} can be ${formatNumber(Math.max(0, most), 2)} mm at most, got ${formatNumber(value, 2)}.`,
    },
  ];
}

/** A count of things that would be smaller than can be; nothing where they fit. @param leastMm of one of them */
export function countProblem(
  field: string,
  count: number,
  roomMm: number,
  leastMm: number,
  things: string,
): Problem[] {
  if (count <= 1 || roomMm / count >= leastMm - 1e-9) return [];
  const most = Math.max(1, Math.floor(roomMm / leastMm + 1e-9));
  const each = formatNumber(roomMm / count, 2);
  return [
    {
      field,
      message: `${count} ${things} on ${formatNumber(roomMm, 1)} mm would be ${each} mm each; there is room for ${most}.`,
    },
  ];
}

/** A way round that changes faster along a piece than its shell can follow, mm for each mm. */
const STEEPEST = 2 * Math.PI * 0.85;

/**
 * A turned piece that would taper too fast between two measured ways round, or bend so far that its inner side folds.
 * @param girths heights and ways round that were measured, rising
 * @param fields which sizes are to blame
 */
export function turnedProblems(
  girths: readonly (readonly [heightMm: number, roundMm: number])[],
  bendDeg: number,
  fields: { readonly girth: string; readonly what: string },
): Problem[] {
  const found: Problem[] = [];
  const lengthMm = girths.at(-1)![0];
  const steepest = Math.max(
    ...girths
      .slice(1)
      .map(([height, round], at) => Math.abs(round - girths[at]![1]) / (height - girths[at]![0])),
  );
  if (steepest > STEEPEST)
    found.push({
      field: fields.girth,
      message: `The way round changes by ${formatNumber(steepest, 1)} mm for each mm along it; ${fields.what} changes by ${formatNumber(STEEPEST, 1)} mm at most.`,
    });
  const round = Math.max(...girths.map(([, mm]) => mm));
  const most = (0.8 * lengthMm * 360) / round;
  if (bendDeg > most)
    found.push({
      field: "bendDeg",
      message: `${fields.what[0]!.toUpperCase()}${fields.what.slice(1)} ${formatNumber(lengthMm, 1)} mm long and ${formatNumber(round, 1)} mm round can bend by ${formatNumber(most, 0)}° at most.`,
    });
  return found;
}
