import type { CheckResult } from "../../../checks/finding";
import type { Surface } from "../../../job";
import { counted, formatNumber } from "../../../units";
import type { PatternCheck } from "../../family";
import type { CamouflageLayout } from "../layout";
import type { CamouflageParams, Layer } from "../params";

/** A share this far off what was asked is told, of the surface. */
const OFF = 0.005;

const percent = (share: number) => `${formatNumber(share * 100, 1)}\u202f%`;

/** Colours that ask for more than there is. */
function tooMuch({ name }: Surface, { layers }: CamouflageParams): CheckResult[] {
  const sum = layers.reduce((all, layer) => all + (layer.kind === "edge" ? 0 : layer.share), 0);
  if (sum <= 100) return [];
  return [
    {
      key: "sum",
      gravity: "must",
      coatId: null,
      where: name,
      sentence: `The colours ask for ${formatNumber(sum, 0)}\u202f% of the surface together; nothing is left of the base.`,
      reason: `${counted(layers.length, "layer")} can share 100\u202f% at most; up to 60\u202f% the base still reads as the base.`,
      remedies: [],
    },
  ];
}

/** A layer that finds less room than it was asked to fill. */
const short = (surface: Surface, layer: Layer, asked: number, reached: number): CheckResult => ({
  key: layer.id,
  gravity: "look",
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
});

/** Does every colour get the share that was asked for? */
export const shares: PatternCheck<CamouflageParams, CamouflageLayout> = {
  id: "pattern-shares",
  label: "Every colour gets its share",
  run: ({ surface, layout, params }) => [
    ...tooMuch(surface, params),
    ...layout
      .laid()
      .layers.flatMap(({ layer, asked, reached }) =>
        asked === null || Math.abs(reached - asked) <= OFF ? [] : [short(surface, layer, asked, reached)],
      ),
  ],
};
