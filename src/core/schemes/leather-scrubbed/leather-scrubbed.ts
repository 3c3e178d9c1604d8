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

type Tone = ValueTone | "pale" | "palest" | "glaze" | "shade" | "warm";
const LEATHER = { material: "leather", name: "leather", chroma: [0.85, 0.95], hueDeg: [-9, 5] } as const;

/**
 * Leather scrubbed and tied: over its volumes a pale tone is scrubbed, then scratches, then several washes, each in its
 * own place; again on less ground.
 */
export const leatherScrubbed = defineScheme<Tone>({
  id: "leather-scrubbed",
  version: 3,
  label: "Scrubbed and washed",
  about:
    "Over light and shade a pale tone is scrubbed and scratched, then several washes tie it, each in its own place.",
  material: "leather",
  startColour: "#5c4632",
  tones(room) {
    const span = CONTRAST[room.answers.look];
    return {
      ...valueTones(room, LEATHER),
      pale: tone("leather, scrubbed", 15 * span, 0.85, 5),
      palest: tone("leather, bare", 27 * span, 0.7, 9),
      glaze: clearTone("leather wash", -9, 1.1, 0),
      shade: clearTone("leather shade", -22, 0.6, -12),
      warm: clearTone("leather, warm", -3, 1.6, -12),
    };
  },
  coats(room) {
    const steps = [...volumeCoats(room, LEATHER), ...scrubs(room), ...washes];
    if (room.answers.look === "quiet") return [...steps, joins];
    return [...steps, ...bareSkin(room), joins, bareEdge(room)];
  },
});

const acrossOf = ({ narrow }: SchemeRoom) => (narrow ? 90 : 60);
const scratchesOf = ({ narrow }: SchemeRoom) => ({
  lengthSpread: 80,
  angle: 90,
  angleSpread: narrow ? 25 : 65,
});
const oneSide = ({ narrow, scale }: SchemeRoom) =>
  narrow ? { span: { along: "height" as const, from: 0.25, to: 1, softMm: 1.4 * scale } } : {};

/** Scrubbed one way and the other, then scratched. */
const scrubs = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  ...([0, 1] as const).map((turn): SchemeCoat<Tone> => ({
    key: turn === 0 ? "scrub" : "scrub-back",
    name: turn === 0 ? "Scrub" : "Scrub, the other way",
    technique: "dry-brush",
    tone: "pale",
    water: 0,
    passes: 2 - turn,
    place: inZones(["worn"], turn === 0 ? 0.25 : 0.1, inSteps(room, "leather", 0, LIGHTEST, 1)),
    params: {
      load: Math.round((8 - 3 * turn) * WEAR_OF[room.answers.age]) * 5,
      reach: 90,
      radius: 1.6,
      across: (acrossOf(room) + 80 * turn) % 180,
    },
  })),
  {
    key: "scratches",
    event: "scratched",
    name: "Scratches",
    technique: "scratch",
    tone: "pale",
    water: 0.5,
    place: inZones(["worn"], 0.14, { ...oneSide(room), ...inSteps(room, "leather", -0.3, LIGHTEST, 1) }),
    params: {
      density: perMm2(room, 2.6 * WEAR_OF[room.answers.age]),
      length: 0.6 * room.scale,
      width: flickMm(room, 0.05),
      ...scratchesOf(room),
    },
  },
];

const washes: readonly SchemeCoat<Tone>[] = [
  {
    key: "wash",
    name: "Wash over all",
    technique: "wash",
    tone: "glaze",
    water: 5,
    place: { kind: "everywhere" },
    params: { wet: 45, cling: 16, unevenness: 20, rim: 10 },
  },
  {
    key: "warm",
    name: "Warm wash in patches",
    technique: "glaze",
    tone: "warm",
    water: 4,
    passes: 2,
    place: inZones(["unworn"], 0.1),
    params: { pull: 30, unevenness: 45 },
  },
];

const joins: SchemeCoat<Tone> = {
  key: "joins",
  name: "Dark wash in the joins",
  technique: "pin-wash",
  tone: "shade",
  water: 4,
  place: { kind: "everywhere" },
};

/** What the wash left dull is scrubbed and scratched again. */
const bareSkin = (room: SchemeRoom): SchemeCoat<Tone>[] => [
  {
    key: "second-scrub",
    name: "Second scrub, on what stands out",
    technique: "dry-brush",
    tone: "pale",
    water: 0,
    place: inZones(["worn"], 0),
    params: {
      load: Math.round(6 * WEAR_OF[room.answers.age]) * 5,
      reach: 40,
      radius: 1,
      across: acrossOf(room),
    },
  },
  {
    key: "fine-scratches",
    event: "scratched",
    name: "Fine scratches",
    technique: "scratch",
    tone: "palest",
    water: 0.5,
    place: inZones(["worn"], 0.03, { ...oneSide(room), ...inSteps(room, "leather", 0.5, LIGHTEST, 1) }),
    params: {
      density: perMm2(room, 1.6 * WEAR_OF[room.answers.age]),
      length: 0.4 * room.scale,
      width: flickMm(room, 0.04),
      ...scratchesOf(room),
    },
  },
];

const bareEdge = (room: SchemeRoom): SchemeCoat<Tone> => ({
  key: "bare-edge",
  event: "bared",
  name: "Bare edge",
  technique: "edge-line",
  tone: "palest",
  water: 0.5,
  place: inZones(["worn"], 0.1),
  params: { width: markMm(room, 0.09), broken: 60 },
});
