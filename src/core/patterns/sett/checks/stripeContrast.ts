import { opticsOfMix } from "../../../colour/appearance";
import { masstone } from "../../../colour/film";
import { spectrumToLab } from "../../../colour/spaces";
import { figureOf, mixById } from "../../../job";
import { differenceAtDistance } from "../../../stats/visibility";
import { formatNumber } from "../../../units";
import type { SettCheck } from "../coats";

/** Stripes that differ by less than this (CIEDE2000, as seen from there) run into one; from READS_FROM on they read. */
const TOLD_FROM = 3;
const READS_FROM = 8;

/** Do neighbouring stripes differ enough, in lightness and hue, to be read at the viewing distance? */
export const stripeContrast: SettCheck = {
  id: "stripe-contrast",
  label: "Stripes read at viewing distance",
  run({ job, surface, paints, layout }) {
    const distance = figureOf(job, surface).viewingDistanceMm;
    const lab = (code: string) =>
      spectrumToLab(masstone(opticsOfMix(mixById(job, layout.params.colours[code] ?? ""), paints)));
    const { stripes } = layout.columns;
    const seen = new Set<string>();
    return stripes.flatMap((stripe, at) => {
      const next = stripes[(at + 1) % stripes.length]!;
      const pair = [stripe.code, next.code].sort().join(" and ");
      if (stripe.code === next.code || seen.has(pair)) return [];
      const widthMm = Math.min(stripe.widthMm, next.widthMm);
      const apart = differenceAtDistance(lab(stripe.code), lab(next.code), widthMm, distance);
      if (apart >= READS_FROM) return [];
      seen.add(pair);
      const from = `${formatNumber(distance / 10, 0)} cm`;
      return [
        {
          key: pair,
          gravity: apart < TOLD_FROM ? ("must" as const) : ("look" as const),
          coatId: null,
          where: `stripes ${pair}`,
          sentence:
            apart < TOLD_FROM
              ? `${pair} cannot be told apart at ${from}: they differ by ${formatNumber(apart, 1)} there.`
              : `${pair} barely read at ${from}: they differ by ${formatNumber(apart, 1)} there.`,
          reason: `Stripes ${formatNumber(widthMm, 2)} mm wide must differ by ${READS_FROM} (CIEDE2000, as the eye runs them together) for a pattern to read. Lighten one mix, darken the other, or part their hues.`,
          remedies: [],
        },
      ];
    });
  },
};
