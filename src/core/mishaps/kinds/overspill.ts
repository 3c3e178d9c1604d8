import { inZones, type ZonePlace } from "../../job";
import { after, happenedCoat, lastPainted, lessened, mendingMixes, mixName, withRepair } from "../coats";
import type { MishapContext, MishapDefinition, Repair } from "../mishap";

/** What a damp brush leaves of paint that is lifted at once, share of its film. */
const LIFTED = 0.15;

/** All around the marks of the coat. */
const beside = ({ coat, told }: MishapContext): ZonePlace =>
  inZones([], 0, { near: { coatId: coat.id, side: "around", reachMm: told.amount } });

/** Lines that came out too thick, and paint that ran over their borders. */
export const overspill: MishapDefinition = {
  id: "overspill",
  label: "Line too thick, or over its border",
  about: "The brush was loaded too full, or pressed: the marks are wider than they were to be.",
  asks: {
    place: false,
    amount: { label: "Too wide by, to each side", unit: "mm", range: [0.1, 2], step: 0.05, usual: 0.35 },
    mix: false,
  },
  goal: "look",
  // What covers everything has no border to run over.
  suits: ({ coat }) => coat.place.kind !== "everywhere",
  happened(context) {
    const { coat, surface } = context;
    const over = happenedCoat(context, {
      ...{ name: `Over the border: ${coat.name}`, technique: "layer", params: { feather: 15, waver: 60 } },
      ...{ mixId: coat.mixId, water: Math.min(coat.water, 3), passes: Math.min(3, coat.passes) },
      place: beside(context),
    });
    return after(surface, lastPainted(context), over);
  },
  repairs(context) {
    const { coat } = context;
    const cut = (mixId: string, passes: number): Repair => ({
      id: `cut-back-${mixId}-${passes}`,
      label: `Cut back with ${mixName(context, mixId)}${passes > 1 ? `, ${passes} passes` : ""}`,
      say: "With the colour that lies beside it, draw along the border from outside until the mark is as wide as it was to be.",
      change: (happened) =>
        withRepair(context, happened, [
          {
            ...{ name: `Cut back: ${coat.name}`, technique: "layer", params: { feather: 15, waver: 10 } },
            ...{ mixId, water: 1, passes, place: beside(context) },
          },
        ]),
    });
    return {
      wet: [
        {
          id: "lift",
          label: "Lift it at once",
          say: "With a clean damp brush stroke along the border, away from the mark; rinse and wipe after every stroke.",
          change: (happened) => lessened(context, happened, LIFTED),
        },
      ],
      dry: mendingMixes(context, 4).flatMap((mixId) => [cut(mixId, 1), cut(mixId, 2)]),
    };
  },
};
