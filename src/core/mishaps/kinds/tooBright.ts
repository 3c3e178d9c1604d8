import { after, areaOf, coatAgain, lastPainted, lessened, mixBelow, withRepair } from "../coats";
import type { MishapContext, MishapDefinition, Repair } from "../mishap";

/** What a damp brush leaves of a light that is drawn back, share of what is too much. */
const DRAWN_BACK = 0.4;

/** While it can be worked. */
const whileWet = (context: MishapContext): Repair[] => [
  {
    id: "draw-back",
    label: "Draw it back with a damp brush",
    say: "Rinse and wipe the brush, draw over the light once from its middle outwards, wipe, and look again.",
    change: (happened) => lessened(context, happened, DRAWN_BACK),
  },
];

/** A light that stands out more than it was to. */
export const tooBright: MishapDefinition = {
  id: "too-bright",
  label: "Too bright, too strong",
  about: "Wet paint looked weaker than it dries, or the brush held more than it was to.",
  asks: {
    place: false,
    amount: { label: "As if it had passes more", unit: "passes", range: [1, 6], step: 1, usual: 2 },
    mix: false,
  },
  goal: "look",
  suits: () => true,
  happened(context) {
    const again = coatAgain(context, `Too strong: ${context.coat.name}`, { passes: context.told.amount });
    return after(context.surface, lastPainted(context), again);
  },
  repairs(context) {
    const { coat } = context;
    const below = mixBelow(context);
    const glazed = (passes: number) => ({
      id: `glaze-${passes}`,
      label: passes === 1 ? "Glaze it with the tone below" : `Glaze it with the tone below, ${passes} films`,
      say: "Thin the tone below until it is a film, draw it over the light and let it dry before you judge it.",
      change: (happened: Parameters<typeof withRepair>[1]) =>
        withRepair(context, happened, [
          {
            ...{ name: `Take back: ${coat.name}`, technique: "glaze" as const, params: { pull: 0 } },
            ...{ mixId: below, water: 4, passes, place: areaOf(coat) },
          },
        ]),
    });
    return {
      wet: whileWet(context),
      dry: [
        glazed(1),
        glazed(2),
        glazed(3),
        {
          id: "dry-brush-back",
          label: "Dry brush the tone below back over it",
          say: "With hardly any paint on the brush go over the lights in the tone below, until they sit back.",
          change: (happened) =>
            withRepair(context, happened, [
              {
                ...{ name: `Dry brush back: ${coat.name}`, technique: "dry-brush", mixId: below },
                ...{ water: 0.3, passes: 1, place: areaOf(coat) },
              },
            ]),
        },
      ],
    };
  },
};
