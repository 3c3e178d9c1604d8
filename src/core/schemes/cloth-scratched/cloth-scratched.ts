import { inZones, type Place } from "../../job";
import {
  clearTone,
  defineScheme,
  flickMm,
  perMm2,
  tone,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
} from "../scheme";
import { LIGHTEST, inSteps, valueTone, valueTones, volumeCoats, type ValueTone } from "../volumes";

type Tone = ValueTone | "bright" | "glaze";
const CLOTH = { material: "worn cloth", name: "cloth", chroma: [0.85, 0.85], hueDeg: [-10, 5] } as const;
/** Frayed threads lie this much above the lightest step, L*. */
const FRAYED = 12;

/** Worn cloth: volumes, then hard scratchy threads both ways in their tones, softened by a thin glaze. */
export const clothScratched = defineScheme<Tone>({
  id: "cloth-scratched",
  version: 3,
  label: "Scratch-woven cloth",
  about:
    "Light and shade first, then hard thin strokes along and across the weave, each a step lighter than its ground; a thin glaze softens them.",
  material: "worn cloth",
  startColour: "#71664f",
  tones(room) {
    const steps = valueTones(room, CLOTH);
    const lightest = steps[valueTone(room, CLOTH.material, LIGHTEST)]!;
    return {
      ...steps,
      bright: tone("cloth, frayed", lightest.lighter + FRAYED, 0.75, 8),
      glaze: clearTone("cloth glaze", -9, 1.05, -4),
    };
  },
  coats(room) {
    const { look, age } = room.answers;
    const steps = [...volumeCoats(room, CLOTH), ...threads(room), soften];
    if (look === "quiet") return age === "old" ? [...steps, frayedHem(room)] : steps;
    const frayed = { key: "last", name: "Frayed threads", tone: "bright", length: 0.35 } as const;
    const density = 2.6 * Math.sqrt(WEAR_OF[age]);
    const lit = inZones([], 0, inSteps(room, CLOTH.material, 1, LIGHTEST, 0.8));
    return [...steps, ...woven(room, { ...frayed, place: lit, density }), frayedHem(room)];
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

/** Threads over every step of light in the tone of the next: those in the shade quiet, those in the light many. */
function threads(room: SchemeRoom): SchemeCoat<Tone>[] {
  const over = (key: string, name: string, from: number, density: number, length: number) =>
    woven(room, {
      ...{ key, name, density, length },
      tone: valueTone(room, CLOTH.material, from + 1),
      place: inZones([], 0, inSteps(room, CLOTH.material, from - 0.3, from + 1.6, 1)),
    });
  return [
    ...over("shade", "Threads in the shade", -1, 3, 0.5),
    ...over("threads", "Threads", 0, 6.5, 0.55),
    ...over("light", "Light threads", 1, 6, 0.42),
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
  event: "rubbed",
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
