import { isOfMarks, marksUnseen, USUAL_EFFORT } from "../effort/effortOf";
import { InputError } from "../errors";
import { defaultPainter } from "../painter";
import { strokeMinutes } from "../plan/work";
import { formatNumber } from "../units";
import type { Check } from "./check";

/** From this share of a surface's marks on, and this many of them, work where nobody looks is told. */
const [LEAST_SHARE, LEAST_MARKS] = [0.15, 200] as const;
/** A mark at the pace of a usual hand, minutes. */
const MINUTES = strokeMinutes(defaultPainter);

/** Are strokes and dots set where they are looked at? A surface with a budget has said so itself. */
export const unseenMarks: Check = {
  id: "unseen-marks",
  label: "Marks lie where one looks",
  concerns: (_form, { seat, coats }) => seat !== null && coats.some(isOfMarks),
  run({ job, surface }) {
    if (surface.effort || !surface.seat) return [];
    const { all, unseen } = countOf(() => marksUnseen(job, surface));
    if (unseen < LEAST_MARKS || unseen / all < LEAST_SHARE) return [];
    const kept = Math.max(1, Math.round(all - unseen));
    return [
      {
        ...{ key: "marks", gravity: "note" as const, coatId: null, where: surface.name },
        sentence: `${formatNumber(unseen, 0)} of ${formatNumber(all, 0)} strokes and dots lie where nobody looks: about ${formatNumber(unseen * MINUTES, 0)} min a figure.`,
        reason: `From the front, the player's side, both sides and above this ground is hidden or turned away. At a usual hand's pace that is time for what is seen.`,
        remedies: [
          {
            label: `Keep to ${formatNumber(kept, 0)} where it is looked at`,
            changes: [
              {
                path: ["surfaces", surface.id, "effort"],
                value: { marks: kept, seen: 100, lit: USUAL_EFFORT.lit },
              },
            ],
          },
        ],
      },
    ];
  },
};

/** A budget is shared out on the piece as it is built: what cannot be built is told by others. */
function countOf(count: () => ReturnType<typeof marksUnseen>): ReturnType<typeof marksUnseen> {
  try {
    return count();
  } catch (error) {
    if (error instanceof InputError) return { all: 0, unseen: 0 };
    throw error;
  }
}
