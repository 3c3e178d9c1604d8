import type { Coat } from "../job";
import type { Check } from "./check";
import { setsAlike } from "./tones";

/** Tones brushed over each other that differ by less (CIEDE2000) read as one. */
const ALIKE = 2.5;
const BRUSHED: ReadonlySet<string> = new Set(["dry-brush", "overbrush"]);

const isBrushed = ({ technique: { id } }: Coat): boolean => BRUSHED.has(id);

/** Do tones that are dry brushed over each other come apart? */
export const brushedApart: Check = {
  id: "brushed-apart",
  label: "Brushed tones come apart",
  concerns: (_form, { coats }) => coats.filter(isBrushed).length > 1,
  run: (context) =>
    setsAlike(context, {
      is: isBrushed,
      alike: ALIKE,
      twiceMeant: true,
      sentence: (before, coat, apart) =>
        `${before} and ${coat} differ by ${apart} only: brushed twice, one tone.`,
      reason: `Below ${ALIKE} (CIEDE2000) a brushed tone cannot be told from the one below it; it has to rise more, or it is work for nothing.`,
    }),
};
