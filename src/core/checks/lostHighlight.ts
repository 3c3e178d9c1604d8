import { mixById } from "../job";
import type { SampledCoat } from "../simulate/sampled";
import { formatNumber, formatThinning } from "../units";
import type { Check, CheckContext } from "./check";
import { coatChange } from "./finding";
import { isToShade } from "../techniques/toShade";

/** A coat that lifts its ground by this much light (L*) is a highlight. */
const LIFT = 8;
/** A glaze that takes more than this share of the lift has lost it. */
const MOST_LOSS = 0.6;
const WATERS = [3, 4, 5, 6, 8, 10, 14, 20] as const;

interface Loss {
  readonly light: SampledCoat;
  readonly from: number;
  readonly to: number;
}

/** The highlight that a glaze takes most of; null where it leaves them all enough. */
function worstLoss(coats: readonly SampledCoat[], at: number): Loss | null {
  const losses = coats.slice(0, at).flatMap((light, index): (Loss & { share: number })[] => {
    const lift = light.lightness[index]! - light.before[0];
    const [from, to] = [light.lightness[at - 1]!, light.lightness[at]!];
    const share = (from - to) / Math.max(1e-6, lift);
    return lift >= LIFT && from - to > 3 && share > MOST_LOSS ? [{ light, from, to, share }] : [];
  });
  return losses.sort((a, b) => b.share - a.share)[0] ?? null;
}

/** Do glazes leave the highlights that were painted before them? */
export const lostHighlight: Check = {
  id: "lost-highlight",
  label: "Glazes leave the highlights",
  run({ job, surface, sampled }: CheckContext) {
    const { coats } = sampled();
    return coats.flatMap(({ coat }, at) => {
      const loss = isToShade(coat) ? worstLoss(coats, at) : null;
      if (!loss) return [];
      const mix = mixById(job, coat.mixId)?.name ?? coat.name;
      return [
        {
          key: coat.id,
          gravity: "look" as const,
          coatId: coat.id,
          where: `${surface.name}, ${loss.light.coat.name}`,
          sentence: `${coat.name} takes ${loss.light.coat.name} from L* ${formatNumber(loss.from, 0)} to ${formatNumber(loss.to, 0)}, most of what it had risen.`,
          reason: `${mix} lies over the highlight as thickly as beside it. Thin it, keep it out of the light, or paint the highlight again after it.`,
          remedies: WATERS.filter((water) => water > coat.water).map((water) => ({
            label: `Thin it ${formatThinning(water)}`,
            ladder: "water",
            changes: [coatChange(surface.id, coat.id, "water", water)],
          })),
        },
      ];
    });
  },
};
