import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { roomProblem, sizeProblems } from "./sizes";

const params = {
  roundMm: {
    label: "Round the limb",
    unit: "mm",
    range: [3, 200],
    step: 0.5,
    default: 16,
    about: "Wrap a paper strip round the middle of the sleeve, cuff or glove, mark, unroll, measure.",
  },
  lengthMm: {
    label: "Length",
    unit: "mm",
    range: [1, 120],
    step: 0.5,
    default: 9,
    about: "Along the limb, from hem to hem.",
  },
  creases: {
    label: "Creases round it",
    unit: "",
    range: [0, 20],
    step: 1,
    default: 4,
    about: "Folds that run round the limb, as at an elbow, a wrist or the knuckles of a glove.",
  },
  creaseMm: {
    label: "Depth of a crease",
    unit: "mm",
    range: [0, 3],
    step: 0.05,
    default: 0.3,
    about: "From the swelling into the crease, with a pin.",
  },
} as const;

/** A crease takes this share of the radius at most: what is below it is the limb itself. */
const DEEPEST = 0.5;

/** A sleeve, cuff or boot: closed round a limb, with creases that do not go all the way round. */
export const limb = defineForm({
  id: "limb",
  version: 1,
  label: "Sleeve, cuff or boot",
  about: "A tube round a limb with creases where it bends.",
  worn: {
    seats: ["neck", "right-arm", "left-arm", "left-leg", "right-leg", "tail"],
    by: "top",
    how: "round",
  },
  params,
  problems(values) {
    const found = sizeProblems(params, values);
    const { creases, creaseMm, lengthMm, roundMm } = values;
    if (found.length > 0 || creases === 0) return found;
    const pitch = lengthMm / (creases + 1);
    const radius = roundMm / (2 * Math.PI);
    return [
      ...roomProblem(
        "creaseMm",
        creaseMm,
        pitch,
        `${creases} creases on ${lengthMm} mm lie ${pitch.toFixed(1)} mm apart; one`,
      ),
      ...roomProblem(
        "creaseMm",
        creaseMm,
        DEEPEST * radius,
        `A limb ${roundMm} mm round has a radius of ${radius.toFixed(2)} mm; a crease in it`,
      ),
    ];
  },
  build(values, seed) {
    const wrong = limb.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { roundMm, lengthMm, creases, creaseMm } = values;
    const swell = softNoise(seed, 2.6, hash01);
    const lines = Array.from({ length: creases }, (_, at) => ({
      at: ((at + 0.6 + 0.5 * (hash01(seed, at, 1) - 0.5)) / (creases + 0.2)) * lengthMm,
      from: hash01(seed, at, 2) * roundMm,
      reach: roundMm * (0.25 + 0.3 * hash01(seed, at, 3)),
      bow: lengthMm * 0.12 * (hash01(seed, at, 4) - 0.5),
    }));
    const relief = (x: number, y: number) => {
      // Round the limb the ends meet: the swelling is made of two that fade into each other.
      const t = x / roundMm;
      let height = 0.05 * (swell(x, y) * (1 - t) + swell(x - roundMm, y) * t);
      for (const line of lines) {
        const raw = Math.abs(x - line.from);
        const away = Math.min(raw, roundMm - raw);
        const fade = Math.exp(-((away / line.reach) ** 2) * 2);
        const off = y - line.at - line.bow * (away / line.reach) ** 2;
        height += creaseMm * fade * (0.5 * Math.exp(-((off / 0.75) ** 2)) - Math.exp(-((off / 0.22) ** 2)));
      }
      return height;
    };
    return buildSheet({
      id: "limb",
      lengthMm: roundMm,
      widthMm: lengthMm,
      relief,
      bendMm: roundMm / (2 * Math.PI),
      closed: true,
    });
  },
});
