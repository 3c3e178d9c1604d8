import { hexToLab } from "../../colour/spaces";
import { inZones, type Place } from "../../job";
import type { Zone } from "../../surface/zoneNames";
import {
  baseLayer,
  clearTone,
  CONTRAST,
  defineScheme,
  flickMm,
  perMm2,
  tone,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
  usedTones,
} from "../scheme";

type Tone = "pale" | "coat" | "deep" | "dark" | "warm" | "shade" | "tip-back" | "tip-flank" | "tip-belly";

const isTable = ({ standard }: SchemeRoom): boolean => standard === "tabletop";
const isQuiet = ({ answers }: SchemeRoom): boolean => answers.look === "quiet";

/**
 * Sculpted fur from light to dark: over a pale undercoat ever darker coats, each thinner and on less of it, so that the
 * relief does the drawing; two washes cross between belly and back; the tips are brought out again.
 */
export const furThinned = defineScheme<Tone>({
  id: "fur-thinned",
  version: 2,
  label: "Fur, light to dark",
  about:
    "A pale undercoat, then thin coats, each darker and on less of it, that settle between the locks; two washes cross between belly and back without a border, and strokes bring the tips out again.",
  material: "sculpted fur",
  startColour: "#80603a",
  tones: (room) => usedTones(tonesOf(room), coatsOf(room)),
  coats: coatsOf,
});

function tonesOf({ answers }: SchemeRoom): Readonly<Record<Tone, SchemeTone>> {
  const span = CONTRAST[answers.look];
  return {
    pale: tone("fur, undercoat", 36 * span, 0.6, 8),
    coat: tone("fur, first thin coat", 4 * span, 1.15, 0),
    deep: tone("fur, second thin coat", -10 * span, 1, -4),
    dark: tone("fur, back", -22 * span, 0.6, -10),
    warm: clearTone("fur, warm wash", -8, 1.1, -6),
    shade: clearTone("fur, dark wash", -24, 0.6, -12),
    "tip-back": tone("fur, tips of the back", 3 * span, 1, 2),
    "tip-flank": tone("fur, tips of the flanks", 22 * span, 0.9, 6),
    "tip-belly": tone("fur, tips of the belly", 44 * span, 0.45, 8),
  };
}

function coatsOf(room: SchemeRoom): SchemeCoat<Tone>[] {
  return [baseLayer<Tone>("Pale undercoat", "pale"), ...thinCoats(room), ...crossing(room), ...tips(room)];
}

/** A thin coat: half of it stays where it was brushed, half settles between the locks. */
const thin = (
  key: string,
  name: string,
  tone: Tone,
  place: Place,
  { water = 2, wet = 50, cling = 20, passes = 1 } = {},
): SchemeCoat<Tone> => ({
  ...{ key, name, technique: "wash", tone, water, passes, place },
  params: { wet, cling, unevenness: 20, rim: 0 },
});

const thinCoats = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  thin("coat", "First thin coat, all but the belly", "coat", inZones(["off-belly"], 0.22), { cling: 22 }),
  thin("deep", "Second thin coat, up from the flanks", "deep", inZones(["off-belly"], 0.05, { fall: 2.4 }), {
    cling: 28,
  }),
  thin("dark", "Third thin coat, the back", "dark", inZones(["back"], 0), {
    passes: 2,
  }),
  ...(isTable(room) || isQuiet(room)
    ? []
    : [thin("mane", "Mane, along the crest", "dark", inZones(["crest"], 0))]),
  // Old fur is dirty between the locks.
  ...(room.answers.age === "old"
    ? [
        thin(
          "dirt",
          "Dirt between the locks",
          "dark",
          { kind: "everywhere" },
          { water: 6, wet: 40, cling: 3 },
        ),
      ]
    : []),
];

/** On fur darker than this, L*, a dark wash is not seen. */
const DARKEST = 26;

/** Two washes that overlap on the flanks: no border is left between belly and back. */
function crossing(room: SchemeRoom): SchemeCoat<Tone>[] {
  const place = { warm: inZones(["flank"], 0.35), shade: inZones(["off-belly"], 0.1, { fall: 1.8 }) };
  const warm = thin("warm", "Warm wash, belly into flanks", "warm", place.warm, { water: 4, cling: 8 });
  if (hexToLab(room.answers.colour)[0] < DARKEST) return [warm];
  const water = isTable(room) ? 5 : 4;
  return [warm, thin("shade", "Dark wash, back into flanks", "shade", place.shade, { water, cling: 4 })];
}

/** Strands on the tips in the tone of their zone; the last ones are left away for the table. */
function tips(room: SchemeRoom): SchemeCoat<Tone>[] {
  const few = isTable(room) ? 0.55 : 1;
  const strokes = (tone: Tone, zone: Zone, name: string): SchemeCoat<Tone> => ({
    ...{ key: tone, name, technique: "hair", tone, water: 0.5 },
    place: inZones(["tips", zone], 0, { values: { from: 0.3, to: 1, fade: 0.35 } }),
    params: {
      density: Math.max(0.4, perMm2(room, 11 * few * Math.sqrt(WEAR_OF[room.answers.age]))),
      length: Math.round(60 * room.scale) / 100,
      lengthSpread: 40,
      width: flickMm(room, 0.09 * (isTable(room) ? 1.2 : 1)),
      hides: 90,
      apart: 20,
      tufts: 20,
      stray: Math.round(4 * WEAR_OF[room.answers.age]),
    },
  });
  const back = strokes("tip-back", "back", "Tips of the back");
  const belly = strokes("tip-belly", "belly", "Tips of the belly");
  const flank = strokes("tip-flank", "flank", "Tips of the flanks");
  return isQuiet(room) ? [flank, belly] : [back, flank, belly];
}
