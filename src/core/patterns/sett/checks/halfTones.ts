import { formatNumber } from "../../../units";
import type { Remedy } from "../../../checks/finding";
import { mixById } from "../../../job";
import type { SettCheck, SettContext } from "../coats";
import { solveHalfTone } from "../crossing";
import { settGoals } from "../goals";

/** A half-tone this far (CIEDE2000) from the light of its two threads no longer reads as their crossing. */
const FITS_TO = 6;

/** The half-tone mixed from the stripes as they are now. */
function mixedAnew({ job, paints, params }: SettContext, key: string): Remedy[] {
  const [one, other] = key.split("+").map((code) => params.colours[code]);
  const half = mixById(job, params.crossings[key] ?? "");
  if (!half || one === undefined || other === undefined) return [];
  const value = solveHalfTone(job, paints, one, other);
  return [{ label: "Mix it anew", changes: [{ path: ["mixes", half.id, "parts"], value }] }];
}

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
              remedies: mixedAnew(context, key),
            },
          ],
    );
  },
};
