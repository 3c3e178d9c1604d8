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
const VELVET = { material: "velvet", name: "velvet", chroma: [0.8, 1.1], hueDeg: [-8, 4] } as const;

/** Velvet: mostly dark, with narrow lights that fall off fast, in soft thin touches; a rich glaze ties it. */
export const velvet = defineScheme<Tone>({
  id: "velvet",
  version: 3,
  label: "Velvet",
  about:
    "A deep ground with narrow lights that fall off fast, broken by soft thin touches; a rich glaze ties it.",
  material: "velvet",
  startColour: "#5a2437",
  tones: (room) => ({ ...valueTones(room, VELVET), glaze: clearTone("velvet glaze", -8, 1.5, 0) }),
  coats(room) {
    const { look, age } = room.answers;
    const steps = [
      ...volumeCoats(room, VELVET, { feather: 90, waver: 25, fade: 0.6 }),
      ...pile(room),
      glaze(room),
    ];
    if (look === "quiet") return age === "old" ? [...steps, rubbed(room)] : steps;
    return [...steps, sheen(room), ...(age === "new" ? [] : [rubbed(room)])];
  },
});

const pile = (room: SchemeRoom): SchemeCoat<Tone>[] =>
  touchCoats(room, "velvet", {
    width: [0.36, 0.18],
    density: [16, 22],
    long: 120,
    hides: [60, 50],
    angleSpread: 45,
    reach: 0.4,
  }).map((coat) => ({ ...coat, water: 2 }));

const glaze = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "glaze",
  name: "Rich glaze",
  technique: "glaze",
  tone: "glaze",
  water: 6,
  place: inZones([], 0, inSteps(room, "velvet", -1, 1.2, 1.4)),
  params: { pull: 20, unevenness: 8 },
});

/** The brightest, where the pile turns. */
const sheen = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "bright",
  name: "Brightest, where it turns",
  technique: "touch",
  tone: valueTone(room, "velvet", LIGHTEST),
  water: 2,
  place: inZones([], 0, inSteps(room, "velvet", room.standard === "display" ? 2.4 : 1.4, LIGHTEST, 0.8)),
  params: { density: perMm2(room, 16), width: markMm(room, 0.15), long: 120, hides: 45, angleSpread: 45 },
});

const rubbed = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "rubbed",
  name: "Rubbed pile",
  technique: "touch",
  tone: valueTone(room, "velvet", 1),
  water: 2,
  place: inZones(["worn"], 0, { fall: 2 }),
  params: {
    density: perMm2(room, 8 * WEAR_OF[room.answers.age]),
    width: markMm(room, 0.14),
    long: 140,
    hides: 45,
    angleSpread: 60,
  },
});
