import { counted, formatNumber } from "../../../units";
import type { PatternCheck } from "../../family";
import type { CamouflageLayout } from "../layout";
import type { CamouflageParams } from "../params";

/** A share this far off what was asked is told, of the surface. */
const OFF = 0.005;

const percent = (share: number) => `${formatNumber(share * 100, 1)}\u202f%`;

/** Does every colour get the share that was asked for? */
export const shares: PatternCheck<CamouflageParams, CamouflageLayout> = {
  id: "pattern-shares",
  label: "Every colour gets its share",
  run({ surface, layout, params }) {
    const sum = params.layers.reduce((all, layer) => all + (layer.kind === "edge" ? 0 : layer.share), 0);
    const tooMuch =
      sum > 100
        ? [
            {
              key: "sum",
              gravity: "must" as const,
              coatId: null,
              where: surface.name,
              sentence: `The colours ask for ${formatNumber(sum, 0)}\u202f% of the surface together; nothing is left of the base.`,
              reason: `${counted(params.layers.length, "layer")} can share 100\u202f% at most; up to 60\u202f% the base still reads as the base.`,
              remedies: [],
            },
          ]
        : [];
    const short = layout.laid().layers.flatMap(({ layer, asked, reached }) => {
      if (asked === null || Math.abs(reached - asked) <= OFF) return [];
      return [
        {
          key: layer.id,
          gravity: "look" as const,
          coatId: null,
          where: `${surface.name}, ${layer.name}`,
          sentence: `${layer.name} shows on ${percent(reached)}, not on the ${percent(asked)} asked for.`,
          reason: "What it may cover, and the gap it keeps, leave no more room for it.",
          remedies: [
            {
              label: `Ask for ${formatNumber(reached * 100, 1)}\u202f%`,
              changes: [
                {
                  path: ["surfaces", surface.id, "pattern", "params", "layers", layer.id, "share"],
                  value: Math.floor(reached * 1000) / 10,
                },
              ],
            },
          ],
        },
      ];
    });
    return [...tooMuch, ...short];
  },
};
