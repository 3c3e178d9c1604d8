import type { Triple } from "../../colour/spaces";
import type { ColourRead, LogEntry, Paint } from "../../job";
import { createRandom } from "../../random";
import { filmLab, type PotShares } from "./readFilm";

/** A coat as it was laid: its pots, dry film, µm, and the ground below, L*a*b*. */
export interface Mixed {
  readonly shares: PotShares;
  readonly um: number;
  readonly under: Triple;
}

const AT = "2026-05-04T19:30:00.000Z";

/**
 * A log with a reading of each coat, as it looks when the pots are as they really are.
 * @param noise of the reader, L*a*b*
 */
export function readLog(mixed: readonly Mixed[], real: readonly Paint[], noise = 0.3): LogEntry[] {
  const random = createRandom(5);
  const blur = () => (random.next() + random.next() + random.next() - 1.5) * 2 * noise;
  return mixed.map(({ shares, um, under }, at) => {
    const [l, a, b] = filmLab(shares, real, { um, under })!.map((value) => value + blur()) as [
      number,
      number,
      number,
    ];
    const read: ColourRead = { at: AT, by: "typed", l, a, b, film: { um, under, off: [0, 0, 0] } };
    return {
      ...{ id: `entry-${at}`, cardId: "coat-skirt/base", cardTitle: "Base", doneAt: AT },
      ...{ minutes: null, note: "", recipe: null, readings: [read] },
      planned: {
        ...{ mix: "Mix", parts: shares.map((share) => ({ ...share })), water: 1, passes: 2 },
        ...{ minutes: 5, figures: 1, form: { id: "cone-band", version: 1, params: {} } },
      },
    };
  });
}
