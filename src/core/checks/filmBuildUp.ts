import { figureOf } from "../job";
import { counted, formatNumber } from "../units";
import type { Check } from "./check";
import { coatChange } from "./finding";

/** Above this, µm, crisp edges soften and fine relief fills; a display figure is looked at closer. */
export const MOST_UM = { display: 120, tabletop: 160 } as const;

/** Do the films add up to more than the relief can take? */
export const filmBuildUp: Check = {
  id: "film-build-up",
  label: "Films stay thin",
  run({ job, surface, sampled }) {
    const { standard } = figureOf(job, surface);
    const limit = MOST_UM[standard];
    const { buildUpUm, thickest } = sampled();
    if (buildUpUm <= limit) return [];
    // Paste is there to raise the ground: only paint on it is too much.
    const worst = thickest.find((coat) => coat.passes > 1);
    const fewer = worst ? Array.from({ length: worst.passes - 1 }, (_, at) => worst.passes - 1 - at) : [];
    return [
      {
        key: "sum",
        gravity: buildUpUm > limit * 1.5 ? ("must" as const) : ("look" as const),
        coatId: worst?.id ?? null,
        where: `${surface.name}, where most of them lie on each other`,
        sentence: `Films add up to ${formatNumber(buildUpUm, 0)} µm; on a ${standard} figure ${limit} µm is the most.`,
        reason:
          "Every coat adds thickness: edges soften, folds and vents fill, and the next line runs off the ridge.",
        remedies: fewer.map((passes) => ({
          label: `${counted(passes, "pass", "passes")} of ${worst!.name}`,
          ladder: "passes",
          changes: [coatChange(surface.id, worst!.id, "passes", passes)],
        })),
      },
    ];
  },
};
