import { inZones } from "../../job";
import { clearTone, CONTRAST, defineScheme, WEAR_OF, type SchemeCoat } from "../scheme";
import { LIGHTEST, valueTone, valueTones, volumeCoats, type ValueTone } from "../volumes";

type Tone = ValueTone | "glaze";
const CLOTH = { material: "plain cloth", name: "cloth", chroma: [0.9, 0.95], hueDeg: [-4, 3] } as const;

/** Plain cloth that should not draw the eye: its volumes, softly, and one wash. */
export const clothQuiet = defineScheme<Tone>({
  id: "cloth-quiet",
  version: 2,
  label: "Plain cloth",
  about: "Shade and light in soft layers, and one wash over them: volumes without texture.",
  material: "plain cloth",
  startColour: "#4d5560",
  tones: (room) => ({
    ...valueTones(room, CLOTH),
    glaze: clearTone("cloth wash", -10 * CONTRAST[room.answers.look], 1, -4),
  }),
  coats(room) {
    const { age } = room.answers;
    const steps: SchemeCoat<Tone>[] = [
      ...volumeCoats(room, CLOTH, { feather: 95, waver: 30 }),
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
    if (age === "new") return steps;
    return [
      ...steps,
      {
        key: "rubbed",
        name: "Rubbed places",
        technique: "dry-brush",
        tone: valueTone(room, "plain cloth", LIGHTEST),
        water: 0,
        place: inZones(["worn"], 0),
        params: { load: Math.round(5 * WEAR_OF[age]) * 5, reach: 40, radius: 1 },
      },
    ];
  },
});
