import { inZones } from "../../job";
import { after, happenedCoat, lastPainted, lessened, mixBelow, mixesByLight, withRepair } from "../coats";
import type { MishapContext, MishapDefinition, Repair } from "../mishap";

/** What is left of a wash that is wiped off the high ground while it is wet, share of its film. */
const WIPED = 0.35;
const THIN: ReadonlySet<string> = new Set(["wash", "pin-wash", "glaze", "stain", "streak", "airbrush"]);

/** While it can be worked. */
const whileWet = (context: MishapContext): Repair[] => [
  {
    id: "wipe",
    label: "Wipe the high ground now",
    say: "With a damp brush or sponge go over what stands out, away from the hollows; rinse often.",
    change: (happened) => lessened(context, happened, WIPED),
  },
];

/** All of the surface but its hollows. */
const MOST = inZones([], 0, { values: { from: 0.25, to: 1, fade: 0.25 } });

/** The tone from before the wash once more over most of it: as a film that tints, or as a layer that covers. */
const groundBack = (
  context: MishapContext,
  mixId: string,
  technique: "glaze" | "layer",
  passes: number,
): Repair => ({
  id: `${technique}-${passes}`,
  label: `${technique === "glaze" ? "Glaze" : "Bring"} the ground back over most of it${passes > 1 ? `, ${passes} films` : ""}`,
  say:
    technique === "glaze"
      ? "Thin the tone from before the wash to a film and draw it over all but the hollows."
      : "Lay the tone from before the wash over all but the hollows, and draw its border out.",
  change: (happened) =>
    withRepair(context, happened, [
      {
        ...{ name: `Ground back: ${context.coat.name}`, technique, mixId, passes, place: MOST },
        ...(technique === "glaze"
          ? { params: { pull: 0 }, water: 4 }
          : { params: { feather: 90 }, water: 2 }),
      },
    ]),
});

/** A wash that tinted all of the surface. */
export const allDark: MishapDefinition = {
  id: "all-dark",
  label: "The wash made it all dark",
  about: "It was laid too full, or the ground was too dark already: high ground is tinted like the hollows.",
  asks: {
    place: false,
    amount: { label: "As if it had films more, all over", unit: "passes", range: [1, 6], step: 1, usual: 2 },
    mix: false,
  },
  goal: "look",
  suits: ({ surface, coat }) =>
    THIN.has(coat.technique.id) && surface.coats.findIndex(({ id }) => id === coat.id) > 0,
  happened(context) {
    const { coat, surface, told } = context;
    const all = happenedCoat(context, {
      ...{ name: `All over: ${coat.name}`, technique: "glaze", params: { pull: 0, unevenness: 20 } },
      ...{ mixId: coat.mixId, water: coat.water, passes: told.amount, place: { kind: "everywhere" } },
    });
    return after(surface, lastPainted(context), all);
  },
  repairs(context) {
    const { coat } = context;
    const below = mixBelow(context);
    const lightest = mixesByLight(context).at(-1) ?? below;
    return {
      wet: whileWet(context),
      dry: [
        groundBack(context, below, "glaze", 1),
        groundBack(context, below, "glaze", 2),
        groundBack(context, below, "layer", 1),
        groundBack(context, below, "layer", 2),
        {
          id: "dry-brush-lights",
          label: "Dry brush the lights back",
          say: "With hardly any paint go over what stands out in the lightest tone of before.",
          change: (happened) =>
            withRepair(context, happened, [
              {
                ...{ name: `Lights back: ${coat.name}`, technique: "dry-brush", mixId: lightest },
                ...{ water: 0.3, passes: 2, place: { kind: "everywhere" } },
              },
            ]),
        },
      ],
    };
  },
};
