import { opticsOfMix } from "../../../colour/appearance";
import { masstone } from "../../../colour/film";
import { spectrumToXyz } from "../../../colour/spaces";
import { figureOf, mixById } from "../../../job";
import { visibility } from "../../../stats/visibility";
import { formatNumber } from "../../../units";
import type { SettCheck } from "../coats";

/** A pattern reads when its contrast is a few times the least the eye can see. */
export const READS_FROM = 3;

/** Do neighbouring stripes differ enough to be read at the viewing distance? */
export const stripeContrast: SettCheck = {
  id: "stripe-contrast",
  label: "Stripes read at viewing distance",
  run({ job, surface, paints, layout }) {
    const distance = figureOf(job, surface).viewingDistanceMm;
    const luminance = (code: string) => {
      const mix = mixById(job, layout.params.colours[code] ?? "");
      return spectrumToXyz(masstone(opticsOfMix(mix, paints)))[1];
    };
    const { stripes } = layout.columns;
    const seen = new Set<string>();
    return stripes.flatMap((stripe, at) => {
      const next = stripes[(at + 1) % stripes.length]!;
      const pair = [stripe.code, next.code].sort().join(" and ");
      if (stripe.code === next.code || seen.has(pair)) return [];
      const widthMm = Math.min(stripe.widthMm, next.widthMm);
      const times = visibility(luminance(stripe.code), luminance(next.code), widthMm, distance);
      if (times >= READS_FROM) return [];
      seen.add(pair);
      return [
        {
          key: pair,
          gravity: times < 1 ? ("must" as const) : ("look" as const),
          coatId: null,
          where: `stripes ${pair}`,
          sentence:
            times < 1
              ? `${pair} cannot be told apart at ${formatNumber(distance / 10, 0)} cm.`
              : `${pair} barely read at ${formatNumber(distance / 10, 0)} cm: ${formatNumber(times, 1)} times the least visible contrast.`,
          reason: `Their lightness is too close for stripes ${formatNumber(widthMm, 2)} mm wide; from ${READS_FROM} times on a pattern reads. Lighten one mix or darken the other.`,
          remedies: [],
        },
      ];
    });
  },
};
