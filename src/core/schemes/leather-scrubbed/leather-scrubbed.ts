import { inZones } from "../../job";
import {
  baseLayer,
  clearTone,
  CONTRAST,
  defineScheme,
  flickMm,
  markMm,
  perMm2,
  tone,
  WEAR_OF,
  type SchemeCoat,
} from "../scheme";

type Tone = "base" | "pale" | "palest" | "glaze" | "shade" | "warm";

/**
 * Leather scrubbed and tied: a pale tone scrubbed over, scratches, then several washes, each in its own place; again on
 * less ground.
 */
export const leatherScrubbed = defineScheme<Tone>({
  id: "leather-scrubbed",
  version: 1,
  label: "Scrubbed and washed",
  about:
    "A pale tone is scrubbed and scratched over the base, then several washes tie it, each in its own place.",
  material: "leather",
  startColour: "#5c4632",
  tones({ answers }) {
    const span = CONTRAST[answers.look];
    return {
      base: tone("leather", 0),
      pale: tone("leather, scrubbed", 15 * span, 0.85, 5),
      palest: tone("leather, bare", 25 * span, 0.7, 9),
      glaze: clearTone("leather wash", -9, 1.1, 0),
      shade: clearTone("leather shade", -22, 0.6, -12),
      warm: clearTone("leather, warm", -3, 1.6, -12),
    };
  },
  coats(room) {
    const { answers, narrow } = room;
    const wear = WEAR_OF[answers.age];
    const across = narrow ? 90 : 60;
    const scratches = { lengthSpread: 80, angle: 90, angleSpread: narrow ? 25 : 65 };
    const oneSide = narrow
      ? { span: { along: "height" as const, from: 0.25, to: 1, softMm: 1.4 * room.scale } }
      : {};
    const first: SchemeCoat<Tone>[] = [
      baseLayer("Leather", "base"),
      ...([0, 1] as const).map((turn): SchemeCoat<Tone> => ({
        key: turn === 0 ? "scrub" : "scrub-back",
        name: turn === 0 ? "Scrub" : "Scrub, the other way",
        technique: "dry-brush",
        tone: "pale",
        water: 0,
        passes: 2 - turn,
        place: inZones(["worn"], turn === 0 ? 0.25 : 0.1),
        params: {
          load: Math.round((8 - 3 * turn) * wear) * 5,
          reach: 90,
          radius: 1.6,
          across: turn === 0 ? across : (across + 80) % 180,
        },
      })),
      {
        key: "scratches",
        name: "Scratches",
        technique: "scratch",
        tone: "pale",
        water: 0.5,
        place: inZones(["worn"], 0.14, oneSide),
        params: {
          density: perMm2(room, 2.6 * wear),
          length: 0.6 * room.scale,
          width: flickMm(room, 0.05),
          ...scratches,
        },
      },
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
    const last: SchemeCoat<Tone> = {
      key: "joins",
      name: "Dark wash in the joins",
      technique: "pin-wash",
      tone: "shade",
      water: 4,
      place: { kind: "everywhere" },
    };
    if (answers.look === "quiet") return [...first, last];
    return [
      ...first,
      {
        key: "second-scrub",
        name: "Second scrub, on what stands out",
        technique: "dry-brush",
        tone: "pale",
        water: 0,
        place: inZones(["worn"], 0),
        params: { load: Math.round(6 * wear) * 5, reach: 40, radius: 1, across },
      },
      {
        key: "fine-scratches",
        name: "Fine scratches",
        technique: "scratch",
        tone: "palest",
        water: 0.5,
        place: inZones(["worn"], 0.03, oneSide),
        params: {
          density: perMm2(room, 1.6 * wear),
          length: 0.4 * room.scale,
          width: flickMm(room, 0.04),
          ...scratches,
        },
      },
      last,
      {
        key: "bare-edge",
        name: "Bare edge",
        technique: "edge-line",
        tone: "palest",
        water: 0.5,
        place: inZones(["worn"], 0.1),
        params: { width: markMm(room, 0.09), broken: 60 },
      },
    ];
  },
});
