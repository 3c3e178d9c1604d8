import { figureOf, type Coat } from "../job";
import { coatMeets, patternKey, placeOf, type Pattern } from "../patterns/pattern";
import { coatPassUm } from "../techniques/passUm";
import { counted, formatNumber } from "../units";
import type { Check } from "./check";
import { coatChange } from "./finding";
import { tonesOf } from "./tones";

/** Above this, µm, crisp edges soften and fine relief fills; a display figure is looked at closer. */
export const MOST_UM = { display: 120, tabletop: 160 } as const;

const filmOf = (coat: Coat) => coatPassUm(coat) * coat.passes;
const sumOf = (coats: readonly Coat[]) => coats.reduce((total, coat) => total + filmOf(coat), 0);

/** A strip of a pattern: it crosses tones without covering them. */
const isStrip = (pattern: Pattern | null, coat: Coat) => placeOf(pattern, coat)?.covers === false;

/** The most that the pattern's strips add up to at one point. */
function thickestCrossing(pattern: Pattern | null, coats: readonly Coat[]): number {
  const strips = coats.filter((coat) => isStrip(pattern, coat));
  if (!pattern || strips.length === 0) return 0;
  const sets = pattern.family.crossings?.(pattern.layout) ?? [strips.map((coat) => patternKey(coat)!)];
  return Math.max(0, ...sets.map((keys) => sumOf(strips.filter((coat) => keys.includes(patternKey(coat)!)))));
}

/** Do the films add up to more than the relief can take? */
export const filmBuildUp: Check = {
  id: "film-build-up",
  label: "Films stay thin",
  run({ job, surface, coats, pattern }) {
    const limit = MOST_UM[figureOf(job, surface).standard];
    const strips = thickestCrossing(pattern, coats);
    const whole = coats.filter((coat) => !isStrip(pattern, coat));
    const sums = tonesOf(pattern).map((tone) => ({
      tone,
      um: strips + sumOf(whole.filter((coat) => coatMeets(pattern, coat, tone.key))),
    }));
    const most = sums.reduce((a, b) => (b.um > a.um ? b : a));
    if (most.um <= limit) return [];
    const thickest = coats
      .filter((coat) => coatMeets(pattern, coat, most.tone.key) && coat.passes > 1)
      .sort((a, b) => coatPassUm(b) - coatPassUm(a))[0];
    return [
      {
        key: "sum",
        gravity: most.um > limit * 1.5 ? ("must" as const) : ("look" as const),
        coatId: thickest?.id ?? null,
        where: !pattern
          ? "everywhere"
          : strips > 0
            ? `where lines cross on ${most.tone.label}`
            : `on ${most.tone.label}`,
        sentence: `Films add up to ${formatNumber(most.um, 0)} µm; on a ${figureOf(job, surface).standard} figure ${limit} µm is the most.`,
        reason:
          "Every coat adds thickness: edges soften, folds and vents fill, and the next line runs off the ridge.",
        remedies: thickest
          ? [
              {
                label: `${counted(thickest.passes - 1, "pass", "passes")} of ${thickest.name}`,
                changes: [coatChange(surface.id, thickest.id, "passes", thickest.passes - 1)],
              },
            ]
          : [],
      },
    ];
  },
};
