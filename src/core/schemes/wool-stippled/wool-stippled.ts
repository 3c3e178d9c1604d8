import { inZones } from "../../job";
import {
  clearTone,
  defineScheme,
  markMm,
  perMm2,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
} from "../scheme";
import {
  LIGHTEST,
  inSteps,
  touchCoats,
  valueTone,
  valueTones,
  volumeCoats,
  type ValueTone,
} from "../volumes";

type Tone = ValueTone | "glaze";
const WOOL = { material: "wool", name: "wool", chroma: [0.8, 0.85], hueDeg: [-10, 7] } as const;

/** Wool: volumes first, then ragged touches that overlap in every tone, smaller and rarer towards the light. */
export const woolStippled = defineScheme<Tone>({
  id: "wool-stippled",
  version: 2,
  label: "Wool in touches",
  about:
    "Light and shade are laid first, then ragged touches overlap in every tone, smaller towards the light; a thin glaze ties them.",
  material: "wool",
  startColour: "#5d6a4c",
  tones: (room) => ({ ...valueTones(room, WOOL), glaze: clearTone("wool glaze", -10, 1, -5) }),
  coats(room) {
    const { look, age } = room.answers;
    const steps = [...volumeCoats(room, WOOL), ...nap(room), tie(room)];
    if (look === "quiet") return age === "old" ? [...steps, hem(room)] : steps;
    return [...steps, last(room), ...(age === "new" ? [] : [hem(room)])];
  },
});

const nap = (room: SchemeRoom): SchemeCoat<Tone>[] =>
  touchCoats(room, "wool", {
    width: [0.25, 0.15],
    density: [34, 24],
    long: 105,
    hides: [55, 65],
    angleSpread: 55,
  });

const tie = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "tie",
  name: "Glaze in the shade",
  technique: "glaze",
  tone: "glaze",
  water: 5,
  place: inZones([], 0, inSteps(room, "wool", -1, 0.5, 1)),
  params: { pull: 40 },
});

/** What the glaze took from the lights is set on them again. */
const last = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "last",
  name: "Last touches",
  technique: "touch",
  tone: valueTone(room, "wool", LIGHTEST),
  water: 0.5,
  place: inZones([], 0, inSteps(room, "wool", room.standard === "display" ? 2.4 : 1.4, LIGHTEST, 0.4)),
  params: { density: perMm2(room, 12), width: markMm(room, 0.12), long: 110, hides: 70, angleSpread: 60 },
});

const hem = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "hem",
  name: "Worn hem",
  technique: "touch",
  tone: valueTone(room, "wool", LIGHTEST),
  water: 0.5,
  place: inZones(["hem", "worn"], 0),
  params: {
    density: perMm2(room, 9 * WEAR_OF[room.answers.age]),
    width: markMm(room, 0.1),
    long: 160,
    hides: 65,
    angleSpread: 40,
  },
});
