import { inZones, type ZonePlace } from "../../job";
import { after, happenedCoat, lastPainted, lessened, mixesByLight, withRepair } from "../coats";
import type { MishapContext, MishapDefinition, Repair } from "../mishap";

/** What a damp brush leaves in the shadows, share of the film. */
const WIPED = 0.3;

/** The darker part of the surface's value plan, down from a share of it. */
const shade = (to: number): ZonePlace => inZones([], 0, { values: { from: 0, to, fade: 0.15 } });
const shareOf = ({ told }: MishapContext) => told.amount / 100;

/** While it can be worked. */
const whileWet = (context: MishapContext): Repair[] => [
  {
    id: "wipe-out",
    label: "Wipe it out of the shadows",
    say: "With a damp brush go along the hollows, away from the lights; rinse and wipe after every stroke.",
    change: (happened) => lessened(context, happened, WIPED),
  },
];

/** The shadow tone drawn in as a film. */
const glazed = (context: MishapContext, mixId: string, passes: number): Repair => ({
  id: `glaze-in-${passes}`,
  label: passes === 1 ? "Glaze the shadow tone in" : `Glaze the shadow tone in, ${passes} films`,
  say: "Thin the shadow tone to a film and draw it from the middle towards the hollows, where the stroke ends.",
  change: (happened) =>
    withRepair(context, happened, [
      {
        ...{ name: `Shadows back: ${context.coat.name}`, technique: "glaze", params: { pull: 30 } },
        ...{ mixId, water: 4, passes, place: shade(shareOf(context)) },
      },
    ]),
});

/** Lights that were painted down into the shadows. */
export const shadowsLost: MishapDefinition = {
  id: "shadows-lost",
  label: "Shadows lost",
  about: "Light paint strayed into the hollows and the shaded side, and the piece looks flat.",
  asks: {
    place: false,
    amount: { label: "Of the shaded side", unit: "%", range: [10, 60], step: 5, usual: 35 },
    mix: false,
  },
  goal: "look",
  // There is a shadow to be lost once something lies below.
  suits: ({ surface, coat }) => surface.coats.findIndex(({ id }) => id === coat.id) > 0,
  happened(context) {
    const { coat, surface } = context;
    const strayed = happenedCoat(context, {
      ...{
        name: `Into the shadows: ${coat.name}`,
        technique: "layer",
        params: { feather: 80, unevenness: 40 },
      },
      ...{ mixId: coat.mixId, water: coat.water, passes: Math.min(2, coat.passes) },
      place: shade(shareOf(context)),
    });
    return after(surface, lastPainted(context), strayed);
  },
  repairs(context) {
    const { coat } = context;
    const tones = mixesByLight(context);
    const [dark = coat.mixId] = tones;
    const place = shade(shareOf(context));
    return {
      wet: whileWet(context),
      dry: [
        ...tones.slice(0, 3).map((mixId, at) => ({
          id: `repaint-${at + 1}`,
          label: `Paint the shadows again in ${context.job.mixes.find((mix) => mix.id === mixId)?.name ?? "their tone"}`,
          say: "Lay the tone into the shaded side and draw its border out with the damp brush.",
          change: (happened: Parameters<typeof withRepair>[1]) =>
            withRepair(context, happened, [
              {
                ...{
                  name: `Shadows again: ${coat.name}`,
                  technique: "layer" as const,
                  params: { feather: 90 },
                },
                ...{ mixId, water: 1.5, passes: 2, place },
              },
            ]),
        })),
        glazed(context, dark, 1),
        glazed(context, dark, 2),
        glazed(context, dark, 3),
      ],
    };
  },
};
