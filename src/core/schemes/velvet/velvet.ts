import { inZones } from "../../job";
import {
  baseLayer,
  depthLayer,
  clearTone,
  CONTRAST,
  defineScheme,
  markMm,
  perMm2,
  tone,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
} from "../scheme";

type Tone = "base" | "deep" | "sheen" | "bright" | "glaze";

/** Velvet: deep ground, soft transparent dots, and a light that falls off fast beside each ridge. */
export const velvet = defineScheme<Tone>({
  id: "velvet",
  version: 1,
  label: "Velvet",
  about: "A deep ground, soft thin dots, and a narrow sheen that falls off fast; a rich glaze ties it.",
  material: "velvet",
  startColour: "#5a2437",
  tones({ answers }) {
    const span = CONTRAST[answers.look];
    return {
      base: tone("velvet", -5 * span, 1.05),
      deep: tone("velvet, deep", -16 * span, 0.75, -8),
      sheen: tone("velvet, sheen", 13 * span, 1.05, 3),
      bright: tone("velvet, bright", 24 * span, 0.8, 6),
      glaze: clearTone("velvet glaze", -8, 1.5, 0),
    };
  },
  coats(room) {
    const { look, age } = room.answers;
    const steps = [...pile(room)];
    if (look === "quiet") return steps;
    return [...steps, bright(room), ...(age === "new" ? [] : [rubbed(room)])];
  },
});

const softDots = (room: SchemeRoom, density: number, size: number) => ({
  density: perMm2(room, density),
  size: markMm(room, size),
  spread: 30,
  together: 1,
});

/** Deep folds, a sheen of soft dots on what turns to the light, and a rich glaze over both. */
const pile = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  baseLayer("Velvet", "base"),
  depthLayer("Deep in the folds", "deep", 0.1, { passes: 2, params: { feather: 90, waver: 10 } }),
  {
    key: "sheen",
    name: "Sheen, soft dots",
    technique: "stipple",
    tone: "sheen",
    water: 3,
    passes: 2,
    place: inZones(["raised", "lit"], 0.04, { fall: 1.8 }),
    params: softDots(room, 26, 0.2),
  },
  {
    key: "glaze",
    name: "Rich glaze",
    technique: "glaze",
    tone: "glaze",
    water: 5,
    passes: 2,
    place: { kind: "everywhere" },
    params: { pull: 25, unevenness: 8 },
  },
];

const bright = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "bright",
  name: "Brightest, where it turns",
  technique: "stipple",
  tone: "bright",
  water: 3,
  passes: 2,
  place: inZones(["raised", "lit"], 0, { fall: 3.5 }),
  params: softDots(room, 24, 0.14),
});

const rubbed = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "rubbed",
  name: "Rubbed pile",
  technique: "stipple",
  tone: "sheen",
  water: 2,
  place: inZones(["worn"], 0, { fall: 2 }),
  params: softDots(room, 5 * WEAR_OF[room.answers.age], 0.12),
});
