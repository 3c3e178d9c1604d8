import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { countProblem, roomProblem, sizeProblems } from "./sizes";

const params = {
  roundMm: {
    label: "Round the hand",
    unit: "mm",
    range: [2, 80],
    step: 0.5,
    default: 11,
    about: "A paper strip round the palm and the back of the hand.",
  },
  lengthMm: {
    label: "Wrist to fingertips",
    unit: "mm",
    range: [2, 60],
    step: 0.5,
    default: 7,
    about: "Over the knuckles, the strip lying on the glove.",
  },
  fingers: {
    label: "Fingers",
    unit: "",
    range: [1, 5],
    step: 1,
    default: 4,
    about: "Side by side over the back of the hand; 1 is a mitten.",
  },
  knuckleMm: {
    label: "Height of a knuckle",
    unit: "mm",
    range: [0.05, 2],
    step: 0.05,
    default: 0.35,
    about: "How far it stands above the gap beside it, by eye or with a pin.",
  },
} as const;

/** A finger narrower than this is not cast, mm. */
const LEAST_FINGER_MM = 0.3;

/** A glove or hand laid open: rounded fingers parted by grooves, knuckles, and creases between them. */
export const glove = defineForm({
  id: "glove",
  version: 1,
  label: "Glove, back of the hand",
  about: "The back of a hand: knuckles that stand out, creases behind them, fingers parted by grooves.",
  worn: { seats: ["right-hand", "left-hand"], by: "foot", how: "round" },
  material: "leather",
  params,
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const { roundMm, lengthMm, fingers, knuckleMm } = values;
    const finger = roundMm / fingers;
    return [
      ...countProblem("fingers", fingers, roundMm, LEAST_FINGER_MM, "fingers"),
      ...roomProblem(
        "knuckleMm",
        knuckleMm,
        0.4 * finger,
        `Fingers ${finger.toFixed(2)} mm wide are rounded by half of that; a knuckle`,
      ),
      ...roomProblem("knuckleMm", knuckleMm, 0.15 * lengthMm, `Three knuckles share ${lengthMm} mm; one`),
    ];
  },
  build(values, seed) {
    const wrong = glove.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { roundMm, lengthMm, fingers, knuckleMm } = values;
    const swell = softNoise(seed, 1.6, hash01);
    const finger = roundMm / fingers;
    const relief = (x: number, y: number) => {
      const up = y / lengthMm;
      const index = Math.min(fingers - 1, Math.max(0, Math.floor(x / finger)));
      const across = (x - (index + 0.5) * finger) / finger;
      const bow = 1 - 0.08 * Math.abs(index - (fingers - 1) / 2);
      const parted = 1 / (1 + Math.exp(-(up - 0.42) * 16));
      let height = knuckleMm * (1.6 * Math.sqrt(Math.max(0, 1 - (2 * across) ** 2)) - 0.6) * parted;
      for (const [at, tall] of [
        [0.42 * bow, 1],
        [0.66 * bow, 0.6],
        [0.83 * bow, 0.4],
      ] as const) {
        const off = (up - at) * lengthMm;
        const width = 0.09 * lengthMm;
        height += knuckleMm * tall * Math.exp(-((off / width) ** 2) - (2.4 * across) ** 2);
        for (const crease of [-1, 1]) {
          const line = off - crease * width * 0.95 + 0.12 * (hash01(seed, index, crease + 5) - 0.5);
          height -= 0.28 * knuckleMm * tall * Math.exp(-((line / 0.09) ** 2) - (1.6 * across) ** 2);
        }
      }
      return height + 0.03 * swell(x, y);
    };
    return buildSheet({
      id: "glove",
      lengthMm: roundMm,
      widthMm: lengthMm,
      relief,
      bendMm: roundMm / Math.PI,
    });
  },
});
