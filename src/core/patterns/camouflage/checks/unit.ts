import { figureOf as unitOf } from "../../../job";
import type { PatternCheck } from "../../family";
import type { CamouflageLayout } from "../layout";
import type { CamouflageParams } from "../params";
import { figureId, figureOf, repeats } from "../unit";

/** Does every figure of a unit have a pattern of its own? */
export const unit: PatternCheck<CamouflageParams, CamouflageLayout> = {
  id: "pattern-unit",
  label: "No two figures repeat a pattern",
  run({ job, surface, params }) {
    return repeats(params, unitOf(job, surface).count).map(([one, other]) => {
      // Two by chance alone never agree: one of them at least was set.
      const set = params.figures.some(({ id }) => id === figureId(other)) ? other : one;
      return {
        key: `${one}-${other}`,
        gravity: "look" as const,
        coatId: null,
        where: `${surface.name}, figures ${one} and ${other}`,
        sentence: `Figures ${one} and ${other} have the very same pattern on this piece.`,
        reason: "A unit is of one character, not of one print: side by side a repeat is seen at once.",
        remedies: [
          {
            label: `Another try for figure ${set}`,
            changes: [
              {
                path: ["surfaces", surface.id, "pattern", "params", "figures", figureId(set), "seed"],
                value: (figureOf(params, set).seed + 1) % 100000,
              },
            ],
          },
        ],
      };
    });
  },
};
