import { inZones, type Place } from "../../job";
import {
  baseLayer,
  depthLayer,
  clearTone,
  CONTRAST,
  defineScheme,
  flickMm,
  perMm2,
  tone,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
} from "../scheme";

type Tone = "base" | "dark" | "middle" | "light" | "bright" | "glaze";

/** Worn cloth: hard scratchy threads both ways over a gradient, softened by a thin glaze. */
export const clothScratched = defineScheme<Tone>({
  id: "cloth-scratched",
  version: 1,
  label: "Scratch-woven cloth",
  about:
    "Hard thin strokes along and across the weave, lighter on less ground each time; a thin glaze softens them.",
  material: "worn cloth",
  startColour: "#71664f",
  tones({ answers }) {
    const span = CONTRAST[answers.look];
    return {
      base: tone("cloth", -5 * span, 1, -4),
      dark: tone("cloth, dark", -20 * span, 0.85, -10),
      middle: tone("cloth, threads", 5 * span, 0.98, 0),
      light: tone("cloth, light threads", 15 * span, 0.9, 4),
      bright: tone("cloth, frayed", 25 * span, 0.75, 8),
      glaze: clearTone("cloth glaze", -9, 1.05, -4),
    };
  },
  coats(room) {
    const { look, age } = room.answers;
    const steps = [...threads(room), soften];
    if (look === "quiet") return steps;
    const frayed = { key: "last", name: "Frayed threads", tone: "bright", length: 0.35 } as const;
    const density = 2.2 * Math.sqrt(WEAR_OF[age]);
    return [
      ...steps,
      ...woven(room, { ...frayed, place: inZones(["raised", "lit"], 0), density }),
      frayedHem(room),
    ];
  },
});

interface Threads {
  readonly key: string;
  readonly name: string;
  readonly tone: Tone;
  readonly place: Place;
  readonly density: number;
  readonly length: number;
}

/** Threads one way, then the other. */
const woven = (room: SchemeRoom, { key, name, tone, place, density, length }: Threads): SchemeCoat<Tone>[] =>
  ([0, 90] as const).map((angle) => ({
    key: `${key}-${angle}`,
    name: `${name}, ${angle === 0 ? "down" : "across"}`,
    technique: "hatch",
    tone,
    water: 0.5,
    place,
    params: {
      density: perMm2(room, density),
      length: length * room.scale,
      lengthSpread: 45,
      width: flickMm(room, 0.05),
      angle,
      angleSpread: 6,
      wander: 4,
    },
  }));

/** Dark folds, threads on what stands out, lighter ones in the light. */
function threads(room: SchemeRoom): SchemeCoat<Tone>[] {
  const middle = { key: "threads", name: "Threads", tone: "middle", density: 6.5, length: 0.55 } as const;
  const light = { key: "light", name: "Light threads", tone: "light", density: 5, length: 0.42 } as const;
  return [
    baseLayer("Cloth", "base"),
    depthLayer("Dark in the folds", "dark", 0.04),
    ...woven(room, { ...middle, place: inZones(["raised"], 0.4) }),
    ...woven(room, { ...light, place: inZones(["raised", "lit"], 0.08) }),
  ];
}

const soften: SchemeCoat<Tone> = {
  key: "soften",
  name: "Glaze over all",
  technique: "glaze",
  tone: "glaze",
  water: 5,
  passes: 2,
  place: { kind: "everywhere" },
  params: { pull: 40 },
};

const frayedHem = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "fray",
  name: "Frayed hem",
  technique: "scratch",
  tone: "bright",
  water: 0.5,
  place: inZones(["hem"], 0),
  params: {
    density: perMm2(room, 2.4 * WEAR_OF[room.answers.age]),
    length: 0.4 * room.scale,
    lengthSpread: 60,
    width: flickMm(room, 0.05),
    angle: 90,
    angleSpread: 25,
  },
});
