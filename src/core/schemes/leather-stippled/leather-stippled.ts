import { inZones } from "../../job";
import {
  clearTone,
  CONTRAST,
  defineScheme,
  flickMm,
  markMm,
  perMm2,
  tone,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
} from "../scheme";
import { LIGHTEST, inSteps, valueTones, volumeCoats, type ValueTone } from "../volumes";

type Tone = ValueTone | "middle" | "light" | "bright" | "glaze" | "shade";
const LEATHER = { material: "leather", name: "leather", chroma: [0.82, 0.95], hueDeg: [-8, 5] } as const;

/**
 * Leather built up: volumes first, then stipple and soft dry brush in rising tones on what wears, thin scratches, then
 * brown glazes; twice, the second time on less ground, so that older wear sinks under newer.
 */
export const leatherStippled = defineScheme<Tone>({
  id: "leather-stippled",
  version: 3,
  label: "Stippled and glazed",
  about:
    "Over light and shade texture is stippled up on what wears, brighter than the goal; brown glazes take it down and tie it.",
  material: "leather",
  startColour: "#6b432c",
  tones(room) {
    const span = CONTRAST[room.answers.look];
    return {
      ...valueTones(room, LEATHER),
      middle: tone("leather, worn", 8 * span, 1.02, 4),
      light: tone("leather, rubbed", 17 * span, 0.92, 7),
      bright: tone("leather, bare", 27 * span, 0.8, 10),
      glaze: clearTone("leather glaze", -7, 1.25, 2),
      shade: clearTone("leather shade", -20, 0.7, -14),
    };
  },
  coats(room) {
    const steps = [...volumeCoats(room, LEATHER), ...stipples(room), scratches(room), firstGlaze];
    if (room.answers.look === "quiet") return [...steps, joins];
    return [...steps, ...dents(room), ...lights(room), joins];
  },
});

/** Worn places from a step of light on: there is little texture in the shade. */
const wornFrom = (room: SchemeRoom, fade: number, from: number, more = {}) =>
  inZones(["worn"], fade, { ...inSteps(room, "leather", from, LIGHTEST, 1), ...more });

const acrossOf = ({ narrow }: SchemeRoom) => ({ angle: 90, angleSpread: narrow ? 22 : 55 });
const fromOneEdge = ({ narrow, scale }: SchemeRoom) =>
  narrow ? { span: { along: "height" as const, from: 0.3, to: 1, softMm: 1.2 * scale } } : {};

const firstTouches = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "first-stipple",
  name: "First touches",
  technique: "touch",
  tone: "middle",
  water: 0.5,
  place: wornFrom(room, 0.22, -0.3),
  params: {
    density: Math.min(24, perMm2(room, 16 * Math.min(1.15, WEAR_OF[room.answers.age]))),
    width: flickMm(room, 0.12),
    long: 140,
    spread: 45,
    hides: 60,
    ...acrossOf(room),
  },
});

/** Worn leather: touched, softened, stippled lighter and less. */
const stipples = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  firstTouches(room),
  {
    key: "soft-brush",
    name: "Soft dry brush",
    technique: "dry-brush",
    tone: "middle",
    water: 0,
    place: wornFrom(room, 0.12, 0),
    params: { load: 30, reach: 60, radius: 0.9, across: room.narrow ? 90 : 60 },
  },
  {
    key: "second-stipple",
    name: "Second stipple, less of it",
    technique: "stipple",
    tone: "light",
    water: 0.5,
    place: wornFrom(room, 0.03, 0.4),
    params: {
      density: perMm2(room, 11 * Math.min(1.3, WEAR_OF[room.answers.age])),
      size: flickMm(room, 0.09),
      spread: 45,
      together: 5,
    },
  },
];

const scratches = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "scratches",
  event: "scratched",
  name: "Scratches",
  technique: "scratch",
  tone: "light",
  water: 0.5,
  place: wornFrom(room, 0.08, 0, fromOneEdge(room)),
  params: {
    density: perMm2(room, 2.1 * WEAR_OF[room.answers.age]),
    length: 0.55 * room.scale,
    lengthSpread: 75,
    width: flickMm(room, 0.05),
    ...acrossOf(room),
  },
});

const firstGlaze: SchemeCoat<Tone> = {
  key: "first-glaze",
  name: "Brown glaze",
  technique: "glaze",
  tone: "glaze",
  water: 4,
  passes: 3,
  place: { kind: "everywhere" },
  params: { pull: 70, unevenness: 22 },
};

/** A dent is a dark mark with a light one beside it. */
const dents = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  {
    key: "dents-dark",
    event: "dented",
    name: "Dents, dark side",
    technique: "scratch",
    tone: "value-0",
    water: 0.5,
    place: inZones(["worn"], 0.12),
    params: { ...dent(room), shift: markMm(room, 0.05) },
  },
  {
    key: "dents-light",
    event: "dented",
    name: "Dents, light side",
    technique: "scratch",
    tone: "light",
    water: 0.5,
    place: inZones(["worn"], 0.12),
    params: dent(room),
    marksOf: "dents-dark",
  },
];

/** Last lights: dots where the light falls, fine scratches, a broken edge. */
const lights = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  {
    key: "third-stipple",
    name: "Last stipple, on the light only",
    technique: "stipple",
    tone: "bright",
    water: 0.5,
    place: wornFrom(room, 0, 1),
    params: {
      density: perMm2(room, 9 * Math.min(1.3, WEAR_OF[room.answers.age])),
      size: flickMm(room, 0.075),
      spread: 40,
      together: 4,
    },
  },
  {
    ...{ key: "fine-scratches", event: "scratched", name: "Fine scratches", technique: "scratch" },
    tone: "bright",
    water: 0.5,
    place: wornFrom(room, 0.02, 0.6, fromOneEdge(room)),
    params: {
      density: perMm2(room, 1.3 * WEAR_OF[room.answers.age]),
      length: 0.4 * room.scale,
      lengthSpread: 80,
      width: flickMm(room, 0.04),
      ...acrossOf(room),
    },
  },
  {
    ...{ key: "edge", event: "rubbed", name: "Broken edge", technique: "edge-line" },
    tone: "bright",
    water: 0.5,
    place: inZones(["worn"], 0.15),
    params: { width: markMm(room, 0.09), broken: 55 },
  },
];

/** The last glaze, drawn into the recesses and away from the light. */
const joins: SchemeCoat<Tone> = {
  key: "last-glaze",
  name: "Dark glaze into the joins",
  technique: "glaze",
  tone: "shade",
  water: 4,
  passes: 3,
  place: inZones(["hollow"], 0),
  params: { pull: 95, unevenness: 15 },
};

const dent = (room: Parameters<typeof perMm2>[0]) => ({
  density: perMm2(room, 0.55 * WEAR_OF[room.answers.age]),
  length: 0.5 * room.scale,
  lengthSpread: 60,
  width: flickMm(room, 0.06),
  angle: 90,
  angleSpread: 70,
});
