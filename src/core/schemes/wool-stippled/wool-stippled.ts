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

type Tone = "base" | "dark" | "middle" | "light" | "bright" | "glaze";

/** Wool: coarse dots over a gradient, finer and rarer towards the light; dots over every visible step. */
export const woolStippled = defineScheme<Tone>({
  id: "wool-stippled",
  version: 1,
  label: "Stippled wool",
  about:
    "Coarse dots in rising tones, finer and rarer towards the light; the borders of steps are broken with dots.",
  material: "wool",
  startColour: "#5d6a4c",
  tones({ answers }) {
    const span = CONTRAST[answers.look];
    return {
      base: tone("wool", -6 * span, 0.95, -4),
      dark: tone("wool, dark", -19 * span, 0.8, -10),
      middle: tone("wool, middle", 3 * span, 1, 0),
      light: tone("wool, light", 11 * span, 0.95, 4),
      bright: tone("wool, lightest", 18 * span, 0.8, 7),
      glaze: clearTone("wool glaze", -10, 1, -5),
    };
  },
  coats(room) {
    const { look, age } = room.answers;
    const steps = [...nap(room), tie];
    if (look === "quiet") return steps;
    return [...steps, bright(room), ...(age === "new" ? [] : [hem(room)])];
  },
});

const dots = (room: SchemeRoom, density: number, size: number, together = 3) => ({
  density: perMm2(room, density),
  size: markMm(room, size),
  spread: 45,
  together,
});

/** Dots from coarse to fine, the steps between them broken by dots of the tone before. */
const nap = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  baseLayer("Wool", "base"),
  depthLayer("Dark in the folds", "dark", 0.05, { params: { feather: 70 } }),
  {
    key: "coarse",
    name: "Coarse dots",
    technique: "stipple",
    tone: "middle",
    water: 0.5,
    passes: 2,
    place: inZones(["raised"], 0.3),
    params: dots(room, 15, 0.2),
  },
  {
    key: "light",
    name: "Lighter dots",
    technique: "stipple",
    tone: "light",
    water: 0.5,
    place: inZones(["raised", "lit"], 0.08),
    params: dots(room, 16, 0.15),
  },
  {
    key: "border",
    name: "Dots over the step",
    technique: "stipple",
    tone: "middle",
    water: 1,
    place: inZones([], 0, { near: { coatId: "light", side: "border", reachMm: 0.9 * room.scale } }),
    params: dots(room, 4, 0.13, 1),
  },
];

const tie: SchemeCoat<Tone> = {
  key: "tie",
  name: "Glaze in the shade",
  technique: "glaze",
  tone: "glaze",
  water: 4,
  passes: 2,
  place: inZones(["shaded"], 0.15),
  params: { pull: 60 },
};

const bright = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "bright",
  name: "Lightest dots",
  technique: "stipple",
  tone: "bright",
  water: 0.5,
  place: inZones(["raised", "lit"], 0),
  params: dots(room, 10, 0.11, 2),
});

const hem = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "hem",
  name: "Worn hem",
  technique: "stipple",
  tone: "bright",
  water: 0.5,
  place: inZones(["hem", "worn"], 0),
  params: dots(room, 5 * WEAR_OF[room.answers.age], 0.12, 2),
});
