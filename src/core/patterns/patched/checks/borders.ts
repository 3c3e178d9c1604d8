import { activeCoats, type Surface } from "../../../job";
import { formatNumber } from "../../../units";
import type { PatternCheck } from "../../family";
import { hairTones } from "../hairs";
import { placeOfKey } from "../keys";
import type { PatchedLayout } from "../layout";
import type { PatchedParams } from "../params";

/** Fewer hairs than this over a mm of border leave it a line. */
export const LEAST_CROSSINGS = 2;
/** A border is broken well by a reach of so much of a hair. */
const USUAL_REACH = 0.45;
/** Of a normal spread so much lies on average beyond its middle, in standard deviations: the mean of its positive half, halved. */
const BEYOND = 1 / Math.sqrt(2 * Math.PI);
/** What of a place in the light a tone has on the mean: it is not wanted everywhere. */
const ON_THE_MEAN = 0.5;

/**
 * Hairs of one colour that are rooted beyond its border or run over it, on a mm of border: density times how far they
 * reach over. Null where no hairs are painted.
 */
export function crossingsPerMm(surface: Pick<Surface, "coats">, params: PatchedParams): number | null {
  const tones = hairTones(params.tones);
  const byColour = new Map<string, number>();
  for (const { place, technique, passes } of activeCoats(surface)) {
    const own = place.kind === "pattern" ? placeOfKey(place.key) : null;
    if (own?.kind !== "hairs" || !tones[own.tone]) continue;
    const density = (technique.params.density ?? 0) * passes;
    const crossing = density * ON_THE_MEAN * BEYOND * params.reachMm;
    byColour.set(own.id, (byColour.get(own.id) ?? 0) + crossing);
  }
  return byColour.size === 0 ? null : Math.min(...byColour.values());
}

/** Do hairs break every border? */
export const borders: PatternCheck<PatchedParams, PatchedLayout> = {
  id: "coat-borders",
  label: "Hairs break the borders of blocks",
  run({ surface, params }) {
    const crossings = crossingsPerMm(surface, params);
    if (crossings !== null && crossings >= LEAST_CROSSINGS) return [];
    const reach = Math.round(100 * Math.max(0.25, USUAL_REACH * params.hairMm)) / 100;
    const none = crossings === null;
    return [
      {
        key: "line",
        gravity: "look",
        coatId: null,
        where: surface.name,
        sentence: none
          ? "The blocks have no hairs over them: their borders read as drawn lines."
          : `Only ${formatNumber(crossings, 1)} hairs cross a millimetre of border: it reads as a line.`,
        reason: `From ${LEAST_CROSSINGS} hairs a millimetre on the eye sees a coat that runs together. They need to reach into the next colour, and to stand close enough.`,
        remedies:
          none || reach <= params.reachMm
            ? []
            : [
                {
                  label: `Let hairs reach ${formatNumber(reach, 2)} mm over`,
                  changes: [{ path: ["surfaces", surface.id, "pattern", "params", "reachMm"], value: reach }],
                },
              ],
      },
    ];
  },
};
