import { InputError, type Problem } from "../../errors";
import { formatNumber, smoothstep } from "../../units";
import { cuffBand, jointCreases } from "./creases";
import { CLOTH_EDGE_MM, defineForm, type Place } from "./form";
import { seamRelief } from "./seams";
import { roomProblem, sizeProblems, turnedProblems } from "./sizes";
import { buildTurned, girths, roundNoise } from "./turned";

const params = {
  topMm: {
    label: "Round the upper end",
    unit: "mm",
    range: [3, 200],
    step: 0.5,
    default: 21,
    about: "A paper strip round shoulder, hip or knee, where the piece begins.",
  },
  jointMm: {
    label: "Round the joint",
    unit: "mm",
    range: [3, 200],
    step: 0.5,
    default: 17,
    about: "The same round elbow, knee or ankle; round the middle where there is none.",
  },
  hemMm: {
    label: "Round the lower end",
    unit: "mm",
    range: [3, 200],
    step: 0.5,
    default: 16,
    about: "The same at wrist, hem or where a boot begins.",
  },
  lengthMm: {
    label: "Length",
    unit: "mm",
    range: [2, 120],
    step: 0.5,
    default: 13,
    about: "Along the limb from end to end, the strip lying on the cloth.",
  },
  jointAt: {
    label: "Joint from the lower end",
    unit: "%",
    range: [10, 90],
    step: 5,
    default: 45,
    about: "Where elbow, knee or ankle lies, in hundredths of the length.",
  },
  creases: {
    label: "Creases at the joint",
    unit: "",
    range: [0, 9],
    step: 1,
    default: 4,
    about: "Folds on the inner side of the bend, counted; they spread and fade towards the outer side.",
  },
  creaseMm: {
    label: "Depth of a crease",
    unit: "mm",
    range: [0, 1.2],
    step: 0.05,
    default: 0.35,
    about: "From the swelling into the crease, with a pin.",
  },
  bendDeg: {
    label: "Bend at the joint",
    unit: "°",
    range: [0, 90],
    step: 5,
    default: 20,
    about: "How far the limb is bent; 0 for a straight one.",
  },
  cuffMm: {
    label: "Cuff at the lower end",
    unit: "mm",
    range: [0, 20],
    step: 0.1,
    default: 1.6,
    about: "Width of a cuff, seam allowance or boot top; 0 for none.",
  },
  turnedMm: {
    label: "Turned over at the upper end",
    unit: "mm",
    range: [0, 20],
    step: 0.1,
    default: 0,
    about: "Width of what is turned down, as on a sock; 0 for none.",
  },
  proudMm: {
    label: "Cuff stands out",
    unit: "mm",
    range: [0, 0.8],
    step: 0.02,
    default: 0.2,
    about: "How far cuff and turned-over part stand off the cloth, with a pin.",
  },
} as const;

type Values = { readonly [K in keyof typeof params]: number };

/** A crease takes this share of the radius at most: what is below it is the limb itself. */
const DEEPEST = 0.5;
/** The inner side of the bend lies on the right, where the limb bends to. */
const INNER_DEG = 270;

function creasesOf({ lengthMm, jointAt, creases, creaseMm }: Values, seed: number) {
  const apartMm = Math.min(1.3, (0.62 * lengthMm) / (creases + 1));
  const jointMm = (jointAt / 100) * lengthMm;
  return jointCreases({ count: creases, deepMm: creaseMm, jointMm, apartMm, innerDeg: INNER_DEG }, seed);
}

function reliefOf(values: Values, seed: number): (place: Place) => number {
  const { lengthMm, topMm, hemMm, cuffMm, turnedMm, proudMm, creaseMm } = values;
  const creases = creasesOf(values, seed);
  const around = (mm: number) => Math.max(3, Math.round((topMm + hemMm) / 2 / mm));
  const drape = roundNoise(seed + 7, around(3.2), Math.max(2, 0.4 * lengthMm));
  const swell = roundNoise(seed + 8, around(1.3), 1.7);
  const pucker = roundNoise(seed + 9, around(0.7), 1.1);
  const round = girths([
    [0, hemMm],
    [lengthMm, topMm],
  ]);
  return (place) => {
    const { turnDeg, heightMm } = place;
    const [up, down] = [heightMm, lengthMm - heightMm];
    const cloth =
      smoothstep(cuffMm - 0.1, cuffMm + 0.5, up) * smoothstep(turnedMm - 0.1, turnedMm + 0.5, down);
    const gathered = cuffMm > 0 ? Math.exp(-Math.max(0, up - cuffMm) / 0.8) : 0;
    const folds = creases(place) + (0.05 + 0.25 * creaseMm) * drape(place) + 0.035 * swell(place);
    const seam = seamRelief(((((turnDeg + 180) % 360) - 180) / 360) * round(heightMm));
    return (
      cloth * (folds + 0.09 * gathered * pucker(place)) +
      seam +
      cuffBand(up, cuffMm, proudMm) +
      cuffBand(down, turnedMm, proudMm * (1 + 0.18 * swell(place)))
    );
  };
}

const girthsOf = ({ hemMm, jointMm, topMm, lengthMm, jointAt }: Values) =>
  [
    [0, hemMm],
    [(jointAt / 100) * lengthMm, jointMm],
    [lengthMm, topMm],
  ] as const;

function problems(values: Values): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { topMm, jointMm, hemMm, lengthMm, creases, creaseMm, bendDeg, cuffMm, turnedMm, proudMm } = values;
  const thin = Math.min(topMm, jointMm, hemMm) / (2 * Math.PI);
  const limb = `a limb ${formatNumber(thin, 2)} mm in radius`;
  return [
    ...turnedProblems(girthsOf(values), bendDeg, { girth: "jointMm", what: "a sleeve" }),
    ...roomProblem(
      "creaseMm",
      creases > 0 ? creaseMm : 0,
      Math.min(DEEPEST * thin, (0.62 * lengthMm) / (creases + 1)),
      `${creases} creases on ${limb} and ${lengthMm} mm long: one`,
    ),
    ...roomProblem(
      "cuffMm",
      cuffMm + turnedMm,
      0.8 * lengthMm,
      `On ${lengthMm} mm of length cuff and turned-over part together`,
    ),
    ...roomProblem(
      "proudMm",
      cuffMm + turnedMm > 0 ? proudMm : 0,
      DEEPEST * thin,
      `On ${limb} a cuff stands out by half of that; it`,
    ),
  ];
}

/** A sleeve, trouser leg, sock or boot shaft: tapered, creased at its joint, with cuffs and one long seam. */
export const sleeve = defineForm({
  id: "sleeve",
  version: 1,
  label: "Sleeve, trouser leg or sock",
  about: "Cloth or leather round a limb that bends: creases at the joint, cuffs, something turned over.",
  worn: { seats: ["right-arm", "left-arm", "left-leg", "right-leg"], by: "top", how: "round" },
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, bendDeg, jointAt } = values;
    const turned = buildTurned({
      id: "sleeve",
      lengthMm,
      roundAt: girths(girthsOf(values)),
      relief: reliefOf(values, seed),
      bendDeg,
      jointMm: (jointAt / 100) * lengthMm,
    });
    return { ...turned, edgeMm: CLOTH_EDGE_MM };
  },
});
