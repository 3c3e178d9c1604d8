import { groundKey } from "../groundwork/key";
import { canBuildOn } from "../groundwork/onGrid";
import { groundTold, LEVEL_MM, levelPlace, type FootTold } from "../groundwork/told";
import type { FootPlace, Groundwork } from "../job";
import { withUnit } from "../units";
import type { Check, CheckContext } from "./check";
import type { CheckResult, Remedy } from "./finding";

const mm = (value: number, places = 1): string => withUnit(value, places, "mm");

const placeOf = (surfaceId: string, foot: FootPlace): Remedy => ({
  label: "Move it to level ground",
  changes: (["xMm", "yMm"] as const).map((key) => ({
    path: ["surfaces", surfaceId, "groundwork", "feet", foot.id, key],
    value: foot[key],
  })),
});

/** Beds the piece under a foot level, where that is enough. */
function bedded({ surface, form }: CheckContext, work: Groundwork, told: FootTold): Remedy[] {
  const piece = work.pieces[told.piece];
  if (!piece) return [];
  const pieces = work.pieces.map((one) =>
    one.id === piece.id ? { ...one, bedding: "bedded" as const, tiltDeg: 0 } : one,
  );
  const after = groundTold(form, groundKey(surface), { ...work, pieces });
  if (after.feet.find(({ id }) => id === told.id)!.unevenMm > LEVEL_MM) return [];
  const path = ["surfaces", surface.id, "groundwork", "pieces", piece.id];
  return [
    {
      label: "Bed that piece level",
      changes: [
        { path: [...path, "bedding"], value: "bedded" },
        { path: [...path, "tiltDeg"], value: 0 },
      ],
    },
  ];
}

function judged(context: CheckContext, work: Groundwork, told: FootTold, number: number): CheckResult[] {
  const { surface, form } = context;
  if (told.unevenMm <= LEVEL_MM && !told.overRim) return [];
  const foot = work.feet.find(({ id }) => id === told.id)!;
  const there = levelPlace(form, groundKey(surface), work, foot);
  return [
    {
      ...{ key: told.id, gravity: "must", coatId: null, where: `${surface.name}, foot ${number}` },
      sentence: told.overRim
        ? `Foot ${number} would reach over the rim of the base.`
        : `Under foot ${number} the ground goes up and down by ${mm(told.unevenMm, 2)}.`,
      reason: told.overRim
        ? "A foot needs all of its sole on the base, or its peg breaks out."
        : `More than ${mm(LEVEL_MM)} is seen: the figure leans, or a sole hangs in the air.`,
      remedies: [...bedded(context, work, told), ...(there ? [placeOf(surface.id, there)] : [])],
    },
  ];
}

/** Soles of one figure stand at about one height. */
const SOLES_MM = 0.5;

function unlike({ surface }: CheckContext, feet: readonly FootTold[]): CheckResult[] {
  const heights = feet.map(({ heightMm }) => heightMm);
  const apart = Math.max(...heights) - Math.min(...heights);
  if (feet.length !== 2 || apart <= SOLES_MM) return [];
  return [
    {
      ...{ key: "heights", gravity: "note", coatId: null, where: surface.name },
      sentence: `One foot would stand ${mm(apart)} above the other.`,
      reason: "Right for a figure with one foot on a rock; any other leans. Measure its soles.",
      remedies: [],
    },
  ];
}

/** Do feet and pegs stand level, with all of their soles on the base? */
export const feetLevel: Check = {
  id: "feet-level",
  label: "Feet stand level on the base",
  concerns: (form, { groundwork }) => canBuildOn(form) && groundwork !== null && groundwork.feet.length > 0,
  run(context) {
    const work = context.surface.groundwork;
    if (!work || !canBuildOn(context.form)) return [];
    const { feet } = groundTold(context.form, groundKey(context.surface), work);
    return [...feet.flatMap((told, at) => judged(context, work, told, at + 1)), ...unlike(context, feet)];
  },
};
