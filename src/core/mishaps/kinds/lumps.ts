import { after, coatInSpot, happenedCoat, lastPainted, lessened, withRepair } from "../coats";
import type { MishapContext, MishapDefinition, Repair } from "../mishap";

/** What a wet brush leaves of lumps that it draws out, share of their film. */
const DRAWN_OUT = 0.35;

/** While it can be worked. */
const whileWet = (context: MishapContext): Repair[] => [
  {
    id: "draw-out",
    label: "Draw it out and leave it alone",
    say: "One stroke with a wet brush that is wiped once, to level it. Then hands off until it is dry.",
    change: (happened) => lessened(context, happened, DRAWN_OUT),
  },
];

/** Paint that was worked while it set, or dots laid into wet dots. */
export const lumps: MishapDefinition = {
  id: "lumps",
  label: "Lumps, or torn paint",
  about: "Paint was laid into paint that had begun to set: it rolls up and dries rough.",
  asks: {
    place: true,
    amount: { label: "Size of the rough place", unit: "mm", range: [0.5, 12], step: 0.1, usual: 3 },
    mix: false,
  },
  goal: "look",
  suits: () => true,
  happened(context) {
    const { coat, surface } = context;
    const rough = happenedCoat(context, {
      ...{ name: `Rough: ${coat.name}`, technique: "stipple", params: { density: 9, size: 0.2, spread: 60 } },
      ...{ mixId: coat.mixId, water: 0, passes: 2, place: coatInSpot(context) },
    });
    return after(surface, lastPainted(context), rough);
  },
  repairs(context) {
    const { coat } = context;
    return {
      wet: whileWet(context),
      dry: [
        {
          id: "sand",
          label: "Let it dry through, sand it, lay the coat there again",
          say: "Wait until it is dry through. Rub the place down with wet fine abrasive, wipe it clean, and lay the coat over it again.",
          caution:
            "Sand wet, never dry: the dust of paint is not to be breathed. Follow the label of the paint and the rules of the place.",
          change: (happened) =>
            withRepair(context, lessened(context, happened, 0), [
              {
                ...{
                  name: `Again where it was sanded: ${coat.name}`,
                  technique: "layer",
                  params: { feather: 70 },
                },
                ...{ mixId: coat.mixId, water: Math.max(3, coat.water), passes: 1 },
                place: coatInSpot(context),
              },
            ]),
        },
        {
          id: "thin-over",
          label: "Accept the roughness, even its colour out",
          say: "Lay one thinned film of the coat's own mix over the place and a little beyond: it stays rough, and reads as one colour.",
          change: (happened) =>
            withRepair(context, happened, [
              {
                ...{ name: `Even out: ${coat.name}`, technique: "glaze", params: { pull: 0 } },
                ...{ mixId: coat.mixId, water: 3, passes: 1, place: coatInSpot(context) },
              },
            ]),
        },
      ],
    };
  },
};
