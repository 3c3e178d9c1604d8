import { after, coatAgain, figuresOf, isNew, lessened, withRepair } from "../coats";
import type { MishapContext, MishapDefinition } from "../mishap";
import type { Surface } from "../../job";

/** What a damp brush leaves of a coat that is wiped off at once, share of its film. */
const WIPED = 0.2;

/** The coat once more, in the mix it was planned in, and where it was planned. */
function againPlanned(context: MishapContext, happened: Surface, passes: number): Surface {
  const { coat } = context;
  const wrong = happened.coats.find((one) => one.mishap === "wrong-mix" && isNew(context, one.id));
  const { role, event, mishap, figures, ...own } = coat;
  const again = {
    ...{ ...own, id: `${coat.id.slice(0, 40)}-again`, name: `Again: ${coat.name}`.slice(0, 80) },
    ...{
      passes: Math.min(12, passes),
      held: false,
      role: null,
      event: null,
      mends: "wrong-mix" as const,
      ...figuresOf(context),
    },
  };
  return wrong ? after(happened, wrong.id, again) : withRepair(context, happened, []);
}

/** A coat painted in another mix than it was planned in. */
export const wrongMix: MishapDefinition = {
  id: "wrong-mix",
  label: "Wrong mix in the well",
  about: "It was painted in another mix, or in one that additions by eye had carried off.",
  asks: { place: false, amount: null, mix: true },
  goal: "look",
  suits: ({ job }) => job.mixes.length > 1,
  happened(context) {
    const { coat, surface, told } = context;
    if (told.mixId === null || told.mixId === coat.mixId) return surface;
    const wrong = coatAgain(context, `Wrong mix: ${coat.name}`, { mixId: told.mixId });
    const put = after(surface, coat.id, wrong);
    // On some figures of a unit only: the others have the coat as it was planned.
    if (told.figures) return put;
    return {
      ...put,
      coats: put.coats.map((one) => (one.id === coat.id ? { ...one, held: true } : one)),
    };
  },
  repairs(context) {
    const { coat } = context;
    const again = (passes: number) => ({
      id: `again-${passes}`,
      label: passes > coat.passes ? "Paint it again over it, one pass more" : "Paint it again over it",
      say: "Correct the well with what it lacks, or mix anew by the card, and lay the coat again over what is there.",
      change: (happened: Surface) => againPlanned(context, happened, passes),
    });
    return {
      wet: [
        {
          id: "wipe-off",
          label: "Wipe it off and paint it again",
          say: "Wipe the coat off with a damp brush before it sets; then lay it again in its own mix.",
          change: (happened) => againPlanned(context, lessened(context, happened, WIPED), coat.passes),
        },
      ],
      dry: [again(coat.passes), again(coat.passes + 1)],
    };
  },
};
