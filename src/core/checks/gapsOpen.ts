import type { Coat } from "../job";
import { counted, formatNumber, formatThinning, withUnit } from "../units";
import type { Check } from "./check";
import type { Gaps } from "../surface/forms/form";
import { coatChange, type Remedy } from "./finding";

/** Paint lies on both sides of an opening: what is left of its width, as a share, below which it is looked at, and mended. */
export const LEAST_OPEN = { look: 0.75, must: 0.5 } as const;
/** Coats are thinned to one of these, parts of water. */
const WATERS = [2, 3, 4, 6] as const;
/** Remedies are looked for in so many of the thickest coats. */
const MOST_COATS = 3;

/** What is left of an opening with a film on both of its sides, mm. @param um the film, µm */
export const leftOpenMm = ({ widthMm }: Pick<Gaps, "widthMm">, um: number): number =>
  Math.max(0, widthMm - (2 * um) / 1000);

function thinnerOf(surfaceId: string, { id, name, passes, water }: Coat): Remedy[] {
  const fewer = Array.from({ length: passes - 1 }, (_, at) => passes - 1 - at).map((left) => ({
    label: `${counted(left, "pass", "passes")} of ${name}`,
    ladder: `passes/${id}`,
    changes: [coatChange(surfaceId, id, "passes", left)],
  }));
  const thinned = WATERS.filter((parts) => parts > water).map((parts) => ({
    label: `Thin ${name} ${formatThinning(parts)}`,
    ladder: `water/${id}`,
    changes: [coatChange(surfaceId, id, "water", parts)],
  }));
  return [...fewer, ...thinned];
}

/** Do slits and vents stay open under all the films? */
export const gapsOpen: Check = {
  id: "gaps-open",
  label: "Slits and vents stay open",
  concerns: ({ gaps }) => gaps !== undefined,
  run({ surface, form, sampled }) {
    const { gaps } = form;
    if (!gaps) return [];
    const { usualUm, coats } = sampled();
    const leftMm = leftOpenMm(gaps, usualUm);
    const open = leftMm / gaps.widthMm;
    if (open >= LEAST_OPEN.look) return [];
    const inMm = (mm: number) => withUnit(mm, 2, "mm");
    const thickest = [...coats].sort((a, b) => b.meanUm * b.coveredShare - a.meanUm * a.coveredShare);
    return [
      {
        key: gaps.name,
        gravity: open < LEAST_OPEN.must ? ("must" as const) : ("look" as const),
        coatId: thickest[0]?.coat.id ?? null,
        where: `${surface.name}, ${counted(gaps.count, gaps.name)}`,
        sentence:
          leftMm > 0
            ? `Paint leaves ${inMm(leftMm)} of a ${gaps.name} of ${inMm(gaps.widthMm)}, ${formatNumber(100 * open, 0)} %.`
            : `Paint closes a ${gaps.name} of ${inMm(gaps.widthMm)}.`,
        reason: `Films of ${formatNumber(usualUm, 0)} µm lie on both of its sides, less what a brush draws out again before it dries.`,
        remedies: thickest.slice(0, MOST_COATS).flatMap(({ coat }) => thinnerOf(surface.id, coat)),
      },
    ];
  },
};
