import { inZones } from "../../job";
import { baseLayer, clearTone, CONTRAST, defineScheme, tone, WEAR_OF, type SchemeCoat } from "../scheme";

type Tone = "base" | "light" | "glaze";

/** Plain cloth that should not draw the eye: a small span of value, few coats. */
export const clothQuiet = defineScheme<Tone>({
  id: "cloth-quiet",
  version: 1,
  label: "Plain cloth",
  about: "A base, one soft lighter layer and one wash: a small span of light that leaves the eye free.",
  material: "plain cloth",
  startColour: "#4d5560",
  tones({ answers }) {
    const span = CONTRAST[answers.look];
    return {
      base: tone("cloth", 0),
      light: tone("cloth, lit", 10 * span, 0.95, 3),
      glaze: clearTone("cloth wash", -10 * span, 1, -4),
    };
  },
  coats({ answers }) {
    const steps: SchemeCoat<Tone>[] = [
      baseLayer("Cloth", "base"),
      {
        key: "lit",
        name: "Lit folds",
        technique: "layer",
        tone: "light",
        water: 2,
        place: inZones(["raised", "lit"], 0.05),
        params: { feather: 90, waver: 30 },
      },
      {
        key: "wash",
        name: "Wash",
        technique: "wash",
        tone: "glaze",
        water: 6,
        place: { kind: "everywhere" },
        params: { wet: 35, cling: 14, rim: 0 },
      },
    ];
    if (answers.age === "new") return steps;
    return [
      ...steps,
      {
        key: "rubbed",
        name: "Rubbed places",
        technique: "dry-brush",
        tone: "light",
        water: 0,
        place: inZones(["worn"], 0),
        params: { load: Math.round(5 * WEAR_OF[answers.age]) * 5, reach: 40, radius: 1 },
      },
    ];
  },
});
