import { inZones } from "../../job";
import { hairGlazes, hairTones, hairVolumes, lightsIn, strokesIn, type HairTone } from "../hairs";
import { defineScheme, usedTones, type SchemeCoat, type SchemeRoom } from "../scheme";

/** Short hair of gaps: light ground in soft steps, dark strokes kept apart on it, so that what is left between reads as hair. */
export const hairApart = defineScheme<HairTone>({
  id: "hair-apart",
  version: 1,
  label: "Hair, kept apart",
  about:
    "The ground is painted light, in soft steps; dark strokes are set apart on it with care, so that the gaps between them read as hair. Few light ones at the end.",
  material: "short hair",
  startColour: "#8a6c48",
  tones: (room) => usedTones(hairTones(room), coatsOf(room)),
  coats: coatsOf,
});

function coatsOf(room: SchemeRoom): SchemeCoat<HairTone>[] {
  const last = lightsIn(room) - 1;
  return [
    ...hairVolumes(room),
    strokesIn(room, {
      ...{
        key: "dark",
        name: "Dark strokes, apart",
        tone: "dark",
        many: 1.5,
        apart: 95,
        tufts: 15,
        wide: 0.7,
      },
      place: inZones([], 0.4, { values: { from: 0, to: 0.5, fade: 0.6 } }),
    }),
    strokesIn(room, {
      ...{ key: "middle", name: "Middle strokes, apart", tone: "hair-0", apart: 90, tufts: 20, wide: 0.75 },
      place: inZones([], 0, { values: { from: 0.25, to: 1, fade: 0.5 } }),
    }),
    ...hairGlazes(),
    strokesIn(room, { key: "last", name: "Few light hairs", tone: `hair-${last}`, many: 1, apart: 70 }),
    strokesIn(room, {
      key: "gaps",
      name: "Gaps drawn again",
      tone: "dark",
      many: 0.3,
      apart: 90,
      tufts: 30,
    }),
  ];
}
