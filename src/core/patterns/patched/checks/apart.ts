import { ciede2000 } from "../../../colour/difference";
import { hexToLab } from "../../../colour/spaces";
import { formatNumber } from "../../../units";
import type { PatternCheck } from "../../family";
import type { PatchedLayout } from "../layout";
import type { PatchedParams } from "../params";

/** Hairs of two colours that are nearer than this mix to one, CIEDE2000. */
const TOLD_APART = 8;

/** Can the colours be told apart under their hairs? */
export const apart: PatternCheck<PatchedParams, PatchedLayout> = {
  id: "coat-apart",
  label: "Colours of the coat are told apart",
  run({ surface, params }) {
    const { colours } = params;
    return colours.flatMap((one, at) =>
      colours.slice(at + 1).flatMap((other) => {
        const difference = ciede2000(hexToLab(one.colour), hexToLab(other.colour));
        if (difference >= TOLD_APART) return [];
        return [
          {
            key: `${one.id}-${other.id}`,
            gravity: "look" as const,
            coatId: null,
            where: surface.name,
            sentence: `${one.name} and ${other.name} are ${formatNumber(difference, 1)} apart: under hairs they read as one colour.`,
            reason: `Lights and darks of hair differ by more than the blocks do. From ${TOLD_APART} on (CIEDE2000) blocks are seen.`,
            remedies: [],
          },
        ];
      }),
    );
  },
};
