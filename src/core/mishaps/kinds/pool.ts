import { inZones } from "../../job";
import {
  after,
  coatInSpot,
  happenedCoat,
  lastPainted,
  lessened,
  mendingMixes,
  mixBelow,
  mixName,
  spotPlace,
  withRepair,
} from "../coats";
import type { MishapContext, MishapDefinition, Repair } from "../mishap";

/** What a wicked pool leaves behind, share of its film. */
const WICKED = 0.2;
/** Width of the rim that a pool dries with, mm. */
const RIM_MM = 0.14;

/** While it can be worked. */
const whileWet = (context: MishapContext): Repair[] => [
  {
    id: "wick",
    label: "Wick it up now",
    say: "Dry a clean brush on paper, touch the pool with its tip and let it draw the paint up. Wipe, touch again; do not rub.",
    change: (happened) => lessened(context, happened, WICKED),
  },
];

/** A drop that dried where it stood: more pigment than the coat, most of it at the rim. */
export const pool: MishapDefinition = {
  id: "pool",
  label: "Pooled spot or tide mark",
  about: "Too much or too thin paint stood at one place and dries with a rim.",
  asks: {
    place: true,
    amount: { label: "Size of the spot", unit: "mm", range: [0.4, 8], step: 0.1, usual: 2 },
    mix: false,
  },
  goal: "look",
  suits: () => true,
  happened(context) {
    const { coat, surface } = context;
    const own = { mixId: coat.mixId, water: Math.max(1, coat.water), passes: 2 } as const;
    const spot = happenedCoat(context, {
      ...{ name: `Pooled: ${coat.name}`, technique: "layer", params: { feather: 10, waver: 60 }, ...own },
      place: spotPlace(context),
    });
    const near = { coatId: spot.id, side: "border", reachMm: RIM_MM } as const;
    const rim = happenedCoat(
      context,
      {
        ...{ name: `Its rim: ${coat.name}`, technique: "layer", params: { feather: 60 }, ...own },
        place: inZones([], 0, { near }),
      },
      1,
    );
    return after(surface, lastPainted(context), spot, rim);
  },
  repairs(context) {
    const { coat } = context;
    const below = mixBelow(context);
    const soften = (mixId: string, passes: number): Repair => ({
      id: `soften-${mixId}-${passes}`,
      label: `Soften it with ${passes === 1 ? "a glaze" : `${passes} glazes`} of ${mixName(context, mixId)}`,
      say: "Thin the tone until it is a film, draw it over the spot and a little beyond, and let every film dry.",
      change: (happened) =>
        withRepair(context, happened, [
          {
            ...{ name: `Soften the spot: ${coat.name}`, technique: "glaze", params: { pull: 0 } },
            ...{ mixId, water: 4, passes, place: spotPlace(context, 1.25, 0.4) },
          },
        ]),
    });
    return {
      wet: whileWet(context),
      dry: [
        ...mendingMixes(context, 3).flatMap((mixId) => [1, 2].map((passes) => soften(mixId, passes))),
        {
          id: "cover",
          label: "Cover the spot and lay the coat there again",
          say: "Cover the spot in the tone below, let it dry, and bring the coat over it as it lies beside.",
          change: (happened) =>
            withRepair(context, happened, [
              {
                ...{ name: `Cover the spot: ${coat.name}`, technique: "layer", params: { feather: 60 } },
                ...{ mixId: below, water: 1.5, passes: 2, place: spotPlace(context, 1.1, 0.3) },
              },
              {
                ...{ name: `Again on the spot: ${coat.name}`, technique: "layer", params: { feather: 60 } },
                ...{ mixId: coat.mixId, water: Math.max(1.5, coat.water), passes: coat.passes },
                place: coatInSpot(context),
              },
            ]),
        },
      ],
    };
  },
};
