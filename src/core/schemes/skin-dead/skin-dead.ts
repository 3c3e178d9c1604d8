import { inZones, type NearMarks, type Place } from "../../job";
import {
  baseLayer,
  clearTone,
  CONTRAST,
  defineScheme,
  flickMm,
  markMm,
  perMm2,
  tone,
  usedTones,
  WEAR_OF,
  type Look,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
} from "../scheme";

type Step = `step-${number}`;
type Tone =
  | Step
  | "bruise"
  | "green"
  | "under-red"
  | "torn"
  | "halo"
  | "lip"
  | "raw"
  | `fat-${0 | 1 | 2}`
  | "fibre"
  | "wet";

const isTable = ({ standard }: SchemeRoom): boolean => standard === "tabletop";
const isQuiet = ({ answers }: SchemeRoom): boolean => answers.look === "quiet";

/**
 * The steps from the shadow's hue, 0, to the flesh, 4, and on to the pale, 8: these three are mixed by themselves, each of
 * the others half-way to the eye between two of them.
 */
const STEPS_OF: Readonly<Record<Look, readonly number[]>> = {
  quiet: [0, 2, 4],
  plain: [0, 1, 2, 4, 6, 8],
  striking: [0, 1, 2, 3, 4, 6, 8],
};
const TABLE_STEPS: Readonly<Record<Look, readonly number[]>> = {
  quiet: [0, 2, 4],
  plain: [0, 2, 4, 8],
  striking: [0, 2, 4, 6, 8],
};
const stepsOf = (room: SchemeRoom): readonly number[] =>
  (isTable(room) ? TABLE_STEPS : STEPS_OF)[room.answers.look];
const NAMES: Readonly<Record<string, string>> = {
  0: "shadow hue",
  1: "first step",
  2: "half-way",
  3: "third step",
  4: "flesh",
  6: "towards pale",
  8: "pale",
};

/** Dead, ill or drowned skin: a shadow's hue below, and thin scratchy layers that move from it to flesh and on to pale. */
export const skinDead = defineScheme<Tone>({
  id: "skin-dead",
  version: 1,
  label: "Dead skin",
  about:
    "A green shadow's hue below, bruises and a dull red under it; thin scratchy layers move in even steps from it to the flesh and on to pale, only where it is lit; torn places with a red halo, a pale lip, a dark ring, fat in rising yellows, fibres, and a shine where it is wet.",
  material: "dead skin",
  startColour: "#a98872",
  tones: (room) => usedTones(tonesOf(room), coatsOf(room)),
  coats: coatsOf,
});

/** Half-way steps after those they lie between. */
function stepTones(room: SchemeRoom): Record<Step, SchemeTone> {
  const span = CONTRAST[room.answers.look];
  const half = (at: number, between: readonly [Step, Step]): SchemeTone => ({
    ...tone(`skin, ${NAMES[at]!}`, (at < 4 ? -27 * (4 - at) : 19 * (at - 4)) * (span / 4), 0.9, 20),
    between,
  });
  return {
    "step-0": tone("skin, shadow hue", -27 * span, 0.8, 52),
    "step-4": tone("skin, flesh", 0, 1, 0),
    "step-8": tone("skin, pale", 19 * span, 0.55, 22),
    "step-2": half(2, ["step-0", "step-4"]),
    "step-1": half(1, ["step-0", "step-2"]),
    "step-3": half(3, ["step-2", "step-4"]),
    "step-6": half(6, ["step-4", "step-8"]),
  };
}

function tonesOf(room: SchemeRoom): Readonly<Record<Tone, SchemeTone>> {
  const span = CONTRAST[room.answers.look];
  return {
    ...stepTones(room),
    bruise: clearTone("skin, bruises", -24, 1, -80),
    green: clearTone("skin, green shade", -18, 0.9, 70),
    "under-red": clearTone("skin, dull red below", -14, 1.5, -34),
    torn: tone("wound, dark", -48 * span, 0.7, -40),
    halo: clearTone("wound, red halo", -16, 2, -36),
    lip: tone("wound, pale lip", 10 * span, 1, -14),
    raw: tone("wound, raw red", -26 * span, 1.9, -34),
    "fat-0": tone("wound, fat", -14, 1.6, 16),
    "fat-1": tone("wound, pale fat", 2, 1.8, 22),
    "fat-2": tone("wound, lightest fat", 18, 1.5, 28),
    fibre: tone("wound, fibres", -34 * span, 1.3, -36),
    wet: { ...clearTone("wound, wet", 0, 0, 0), shine: true },
  };
}

function coatsOf(room: SchemeRoom): SchemeCoat<Tone>[] {
  const steps = stepsOf(room).slice(1);
  return [
    baseLayer<Tone>("Shadow hue over all", "step-0"),
    ...below(room),
    ...steps.flatMap((at, number) => scratchy(room, at, number, steps.length)),
    ...(isQuiet(room) ? [] : wounds(room)),
  ];
}

const glaze = (
  [key, name, tone]: readonly [key: string, name: string, tone: Tone],
  place: Place,
  passes: number,
  unevenness: number,
): SchemeCoat<Tone> => ({
  ...{ key, name, technique: "glaze", tone, water: 4, passes, place },
  params: { pull: 20, unevenness },
});

/** Bruises in the hollows, green in the shade, a dull red that shows through the layers. */
const below = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  {
    ...{ key: "bruise", name: "Bruises into the hollows", technique: "wash", tone: "bruise", water: 4.5 },
    place: { kind: "everywhere" },
    params: { wet: 35, cling: 12, unevenness: 35 },
  },
  glaze(
    ["green", "Green into the shade", "green"],
    inZones([], 0, { values: { from: 0, to: 0.4, fade: 0.5 } }),
    2,
    30,
  ),
  ...(isQuiet(room) || isTable(room)
    ? []
    : [
        glaze(
          ["under-red", "Dull red below", "under-red"],
          inZones([], 0, { values: { from: 0.2, to: 0.8, fade: 0.4 } }),
          1,
          60,
        ),
      ]),
];

/** Directions of the strokes of one step against the way skin lies, in turn: they cross. */
const CROSSED = [-50, 10, 65] as const;

/** A step as a thin layer and as scratchy strokes, from its own place in the value plan on. */
function scratchy(room: SchemeRoom, at: number, number: number, count: number): SchemeCoat<Tone>[] {
  const t = count === 1 ? 1 : number / (count - 1);
  const tone: Step = `step-${at}`;
  const [from, fade] = [0.14 + 0.72 * t, 0.34 - 0.08 * t];
  const place = inZones([], 0, { values: { from: Math.round(100 * from) / 100, to: 1, fade } });
  const rough = Math.sqrt(WEAR_OF[room.answers.age]);
  const name = NAMES[at]!;
  const strokes: SchemeCoat<Tone> = {
    ...{ key: `strokes-${at}`, name: `Scratches, ${name}`, technique: "touch", tone, water: 0.8, place },
    params: {
      density: Math.max(
        0.5,
        Math.round(2 * perMm2(room, (22 - 6 * t) * (isTable(room) ? 0.5 : 1) * rough)) / 2,
      ),
      width: flickMm(room, 0.1 - 0.03 * t),
      long: Math.round((460 - 180 * t) / 10) * 10,
      spread: 55,
      hides: 70,
      angle: CROSSED[number % CROSSED.length]!,
      angleSpread: 32,
    },
  };
  return [layerOf(room, at, place), strokes];
}

/** A step's layer: thin, so that those below show; for the table it covers, and few strokes break its border. */
function layerOf(room: SchemeRoom, at: number, place: Place): SchemeCoat<Tone> {
  const [key, tone, name] = [`layer-${at}`, `step-${at}`, NAMES[at]!] as const;
  if (isTable(room))
    return {
      ...{ key, name: `Layer, ${name}`, technique: "layer", tone, water: 1.5, passes: 3, place },
      params: { feather: 80, waver: 50 },
    };
  return {
    ...{ key, name: `Thin layer, ${name}`, technique: "glaze", tone, water: 3, place },
    params: { pull: 0, unevenness: 20 },
  };
}

const near = (side: NearMarks["side"], mm: number, room: SchemeRoom): Place =>
  inZones([], 0, {
    near: { coatId: "torn", side, reachMm: Math.round(100 * mm * Math.min(1.4, room.scale)) / 100 },
  });

/** Within the torn places, so far from their lips, mm: what is left around it shows as a ring. */
const inset = (mm: number, room: SchemeRoom, fall = 3): Place => {
  const place = near("inside", mm, room);
  return place.kind === "zones" ? { ...place, fall } : place;
};

/** Torn places from the outside in: a pale lip, a red halo round it, a dark ring within, raw flesh, fat, fibres, wetness. */
function wounds(room: SchemeRoom): SchemeCoat<Tone>[] {
  const wear = WEAR_OF[room.answers.age];
  const solid = (
    [key, name, tone]: readonly [key: string, name: string, tone: Tone],
    place: Place,
    params: Readonly<Record<string, number>> = { feather: 30, waver: 60 },
  ): SchemeCoat<Tone> => ({
    ...{ key, name, technique: "layer", tone, water: 1, passes: 2, place },
    params,
  });
  const torn: SchemeCoat<Tone> = {
    ...{ key: "torn", name: "Torn places, their pale lip", technique: "blotch", tone: "lip", water: 1 },
    place: inZones([], 0, { values: { from: 0.3, to: 1, fade: 0.2 } }),
    params: {
      coverage: Math.round(6 * wear),
      size: markMm(room, 2.1),
      spread: 40,
      spurs: 2.4,
      apart: 90,
      lie: 80,
      lieSpread: 40,
    },
  };
  const within = [
    glaze(["halo", "Red halo", "halo"], near("border", 1.5, room), 2, 35),
    { ...solid(["hole", "Dark ring and hole", "torn"], inset(0.34, room)), passes: 1 },
    solid(["raw", "Raw flesh within", "raw"], inset(0.6, room), { feather: 60, waver: 60 }),
  ];
  const wet: SchemeCoat<Tone> = {
    ...{ key: "wet", name: "Shine where it is wet", technique: "varnish", tone: "wet", water: 0.5 },
    place: inset(0.34, room),
  };
  return [torn, ...within, ...(isTable(room) ? [] : [...fat(room), fibres(room)]), wet];
}

/** Fat in lumps, in rising yellows, each on less. */
const fat = (room: SchemeRoom): SchemeCoat<Tone>[] =>
  ([24, 15, 6] as const).map((coverage, at): SchemeCoat<Tone> => ({
    key: `fat-${at}`,
    name: ["Fat in lumps", "Paler fat", "Lightest fat"][at]!,
    technique: "sponge",
    tone: `fat-${at as 0 | 1 | 2}`,
    water: 0.5,
    place: inset(0.3, room, 2.4),
    params: { coverage, pore: markMm(room, 0.3 - 0.07 * at), clusters: 60, edges: 0 },
  }));

const fibres = (room: SchemeRoom): SchemeCoat<Tone> => ({
  ...{ key: "fibres", name: "Fibres across", technique: "touch", tone: "fibre", water: 0.5 },
  place: inset(0.3, room),
  params: {
    density: perMm2(room, 7),
    width: flickMm(room, 0.06),
    long: 600,
    spread: 50,
    hides: 80,
    angle: 90,
    angleSpread: 20,
  },
});
