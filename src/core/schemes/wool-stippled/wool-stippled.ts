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
    const { answers } = room;
    const wear = WEAR_OF[answers.age];
    const dots = (density: number, size: number, together = 3) => ({
      density: perMm2(room, density),
      size: markMm(room, size),
      spread: 45,
      together,
    });
    const steps: SchemeCoat<Tone>[] = [
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
        params: dots(15, 0.2),
      },
      {
        key: "light",
        name: "Lighter dots",
        technique: "stipple",
        tone: "light",
        water: 0.5,
        place: inZones(["raised", "lit"], 0.08),
        params: dots(16, 0.15),
      },
      {
        key: "border",
        name: "Dots over the step",
        technique: "stipple",
        tone: "middle",
        water: 1,
        place: inZones([], 0, { near: { coatId: "light", side: "border", reachMm: 0.9 * room.scale } }),
        params: dots(4, 0.13, 1),
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
    if (answers.look === "quiet") return [...steps, tie];
    const bright: SchemeCoat<Tone> = {
      key: "bright",
      name: "Lightest dots",
      technique: "stipple",
      tone: "bright",
      water: 0.5,
      place: inZones(["raised", "lit"], 0),
      params: dots(10, 0.11, 2),
    };
    if (answers.age === "new") return [...steps, tie, bright];
    const hem: SchemeCoat<Tone> = {
      key: "hem",
      name: "Worn hem",
      technique: "stipple",
      tone: "bright",
      water: 0.5,
      place: inZones(["hem", "worn"], 0),
      params: dots(5 * wear, 0.12, 2),
    };
    return [...steps, tie, bright, hem];
  },
});
