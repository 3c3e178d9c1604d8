import { formatNumber } from "../../../units";
import type { SettCheck } from "../coats";
import { settGoals } from "../goals";

/** A half-tone this far (CIEDE2000) from the light of its two threads no longer reads as their crossing. */
const FITS_TO = 6;

/** Do mixed half-tones still stand between their stripes? */
export const halfTones: SettCheck = {
  id: "half-tones",
  label: "Half-tones fit their stripes",
  run(context) {
    if (context.params.method !== "boxes") return [];
    return settGoals(context).matches.flatMap(({ key, text, difference }) =>
      context.params.crossings[key] === undefined || difference <= FITS_TO
        ? []
        : [
            {
              key,
              gravity: "look" as const,
              coatId: null,
              where: `half-tone ${text}`,
              sentence: `The half-tone ${text} is off by ${formatNumber(difference, 1)} from the light of its two threads.`,
              reason:
                "Its mix was made for other stripes, or pots were changed since. In the palette the woven crossings tell what comes nearest now.",
              remedies: [],
            },
          ],
    );
  },
};
