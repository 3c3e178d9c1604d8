import { formatNumber } from "../../../units";
import type { PatternCheck } from "../../family";
import type { PatchedLayout } from "../layout";
import type { PatchedParams } from "../params";

/** A share further than this off what was asked is told, of the surface. */
const OFF = 0.01;
const percent = (share: number) => `${formatNumber(share * 100, 1)} %`;

/** Has every colour the share that was asked for? */
export const shares: PatternCheck<PatchedParams, PatchedLayout> = {
  id: "coat-shares",
  label: "Colours have their shares",
  run({ surface, params, layout }) {
    const { reached, asked } = layout.laid();
    const sum = params.colours.slice(1).reduce((all, { share }) => all + share, 0);
    const first = params.colours[0]!.name;
    if (sum > 100)
      return [
        {
          key: "sum",
          gravity: "must",
          coatId: null,
          where: surface.name,
          sentence: `The colours after ${first} ask for ${formatNumber(sum, 0)} % of the surface together; nothing is left of it.`,
          reason: "100 % is all there is: each was cut down in proportion. Lower their shares.",
          remedies: [],
        },
      ];
    return params.colours.flatMap(({ id, name }, k) =>
      Math.abs(reached[k]! - asked[k]!) <= OFF
        ? []
        : [
            {
              key: id,
              gravity: "look" as const,
              coatId: null,
              where: `${surface.name}, ${name}`,
              sentence: `${name} has ${percent(reached[k]!)} of the surface, not the ${percent(asked[k]!)} asked for.`,
              reason: "Spots set by hand hold more than that, or leave no more room.",
              remedies: [],
            },
          ],
    );
  },
};
