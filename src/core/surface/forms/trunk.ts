import { InputError, type Problem } from "../../errors";
import { hash01 } from "../../random";
import { formatNumber, modulo, smoothstep } from "../../units";
import { defineForm, type Place } from "./form";
import { ellipse, sectionOf } from "./section";
import { countProblem, roomProblem, sizeProblems, turnedProblems } from "./sizes";
import { buildTurned, girths, roundNoise } from "./turned";

const params = {
  lowerMm: {
    label: "Round the lower end",
    unit: "mm",
    range: [2, 300],
    step: 0.5,
    default: 21,
    about: "A paper strip round waist, wrist, ankle or the root of a tail.",
  },
  middleMm: {
    label: "Round the thickest part",
    unit: "mm",
    range: [2, 300],
    step: 0.5,
    default: 29,
    about: "The same round chest, upper arm, thigh or belly.",
  },
  upperMm: {
    label: "Round the upper end",
    unit: "mm",
    range: [2, 300],
    step: 0.5,
    default: 22,
    about: "The same under the arms, at the shoulder, the knee or the neck.",
  },
  lengthMm: {
    label: "Length",
    unit: "mm",
    range: [2, 200],
    step: 0.5,
    default: 14,
    about: "From end to end, the strip lying on the skin.",
  },
  middleAt: {
    label: "Thickest from the lower end",
    unit: "%",
    range: [10, 90],
    step: 5,
    default: 65,
    about: "Where the thickest part lies, in hundredths of the length.",
  },
  deepPct: {
    label: "Depth against width",
    unit: "%",
    range: [50, 160],
    step: 5,
    default: 75,
    about:
      "From front to back, in hundredths of what it is from side to side: a chest is flat, a hound's is deep; 100 is round.",
  },
  bendDeg: {
    label: "Bend",
    unit: "°",
    range: [0, 120],
    step: 5,
    default: 0,
    about: "How far it bends to one side from end to end, as a tail does.",
  },
  lowerRound: {
    label: "Lower end rounded",
    unit: "%",
    range: [0, 60],
    step: 5,
    default: 0,
    about:
      "Over how much of the length the lower end closes to a dome: a rump, the end of a tail. 0 leaves it cut off.",
  },
  upperRound: {
    label: "Upper end rounded",
    unit: "%",
    range: [0, 60],
    step: 5,
    default: 0,
    about: "The same at the upper end: a breast, the crown of a head.",
  },
  muscles: {
    label: "Pairs of muscles",
    unit: "",
    range: [0, 12],
    step: 1,
    default: 3,
    about: "Swellings beside the middle line in front, counted from end to end; 0 for a smooth body.",
  },
  muscleMm: {
    label: "Height of a muscle",
    unit: "mm",
    range: [0, 1.5],
    step: 0.05,
    default: 0.3,
    about: "How far it swells above what lies between, with a pin.",
  },
  spineMm: {
    label: "Depth of the middle line",
    unit: "mm",
    range: [0, 1],
    step: 0.05,
    default: 0.25,
    about: "Of the groove along the breast and along the back.",
  },
} as const;

type Values = { readonly [K in keyof typeof params]: number };

/** Muscles are no smaller than this along the body, mm, and take no more of its radius. */
const LEAST_MUSCLE_MM = 0.5;
const DEEPEST = 0.5;
/** How far a muscle reaches to the side from the middle line, degrees. */
const MUSCLE_DEG = 62;

interface Muscle {
  readonly turnDeg: number;
  readonly heightMm: number;
  /** Half its size to the side, degrees, and along the body, mm; how far it swells, mm. */
  readonly wide: number;
  readonly high: number;
  readonly up: number;
}

/** Pairs from end to end, in front and behind: the uppermost, breast and shoulder blades, is the largest. */
function musclesOf({ lengthMm, muscles, muscleMm }: Values, seed: number): Muscle[] {
  const shares = Array.from({ length: muscles }, (_, at) => (at === muscles - 1 && at > 0 ? 1.6 : 1));
  const all = shares.reduce((sum, share) => sum + share, 0);
  let from = 0;
  return shares.flatMap((share, row) => {
    const high = (share / all) * lengthMm;
    const middle = from + high / 2;
    from += high;
    return [-1, 1].flatMap((side) =>
      [180, 0].map((front, back): Muscle => {
        const chance = (k: number) => hash01(seed, row * 4 + side + 1 + back, k);
        return {
          turnDeg: front + side * (MUSCLE_DEG / 2 + 2) * (0.94 + 0.12 * chance(1)),
          heightMm: middle + 0.08 * high * (chance(2) - 0.5),
          wide: (MUSCLE_DEG / 2) * (1 + 0.15 * chance(3)),
          high: high * (0.54 + 0.05 * chance(4)),
          up: muscleMm * (back === 0 ? 1 : 0.75) * (0.85 + 0.15 * chance(5)),
        };
      }),
    );
  });
}

/** The highest of the muscles at a place, mm: between them flesh folds in. */
function fleshAt(list: readonly Muscle[], { turnDeg, heightMm }: Place): number {
  let up = 0;
  for (const muscle of list) {
    const along = (heightMm - muscle.heightMm) / muscle.high;
    if (along > 1 || along < -1) continue;
    const aside = (modulo(turnDeg - muscle.turnDeg + 180, 360) - 180) / muscle.wide;
    const inside = 1 - along * along - aside * aside;
    if (inside > 0) up = Math.max(up, muscle.up * inside * Math.sqrt(inside));
  }
  return up;
}

function reliefOf(values: Values, seed: number): (place: Place) => number {
  const { lengthMm, middleMm, spineMm } = values;
  const flesh = roundNoise(seed + 4, Math.max(4, Math.round(middleMm / 4)), 3);
  const skin = roundNoise(seed + 5, Math.max(8, Math.round(middleMm / 0.9)), 0.9);
  const muscles = musclesOf(values, seed);
  return (place) => {
    const height = 0.06 * flesh(place) + 0.012 * skin(place) + fleshAt(muscles, place);
    const fromFront = Math.abs(place.turnDeg - 180);
    const fromBack = Math.min(place.turnDeg, 360 - place.turnDeg);
    const groove = Math.exp(-((fromFront / 9) ** 2)) + 0.8 * Math.exp(-((fromBack / 8) ** 2));
    const ends =
      smoothstep(0, 0.12 * lengthMm, place.heightMm) * smoothstep(lengthMm, 0.9 * lengthMm, place.heightMm);
    return height - spineMm * groove * ends;
  };
}

/** How far round a dome is at a height above its pole, against where it ends; 1 beyond it. */
const domed = (heightMm: number, overMm: number): number =>
  heightMm >= overMm ? 1 : Math.sin(((Math.max(0, heightMm) / overMm) * Math.PI) / 2);

/** Way round at every height: by the girths, closed where an end is rounded. */
function roundOf(values: Values): (heightMm: number) => number {
  const { lengthMm, lowerRound, upperRound } = values;
  const plain = girths(girthsOf(values));
  if (lowerRound === 0 && upperRound === 0) return plain;
  const [low, high] = [(lowerRound / 100) * lengthMm, (upperRound / 100) * lengthMm];
  return (heightMm) =>
    plain(heightMm) *
    (low > 0 ? domed(heightMm, low) : 1) *
    (high > 0 ? domed(lengthMm - heightMm, high) : 1);
}

const girthsOf = ({ lowerMm, middleMm, upperMm, lengthMm, middleAt }: Values) =>
  [
    [0, lowerMm],
    [(middleAt / 100) * lengthMm, middleMm],
    [lengthMm, upperMm],
  ] as const;

function problems(values: Values): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { lowerMm, middleMm, upperMm, lengthMm, bendDeg, muscles, muscleMm, spineMm, deepPct } = values;
  const flat = Math.min(1, deepPct / 100, 100 / deepPct);
  const thin = (flat * Math.min(lowerMm, middleMm, upperMm)) / (2 * Math.PI);
  const radius = `On a body ${formatNumber(thin, 2)} mm in radius`;
  return [
    ...turnedProblems(girthsOf(values), bendDeg, { girth: "middleMm", what: "a body" }),
    ...endProblems(values),
    ...countProblem("muscles", muscles, lengthMm, LEAST_MUSCLE_MM, "pairs of muscles"),
    ...roomProblem("muscleMm", muscles > 0 ? muscleMm : 0, DEEPEST * thin, `${radius} a muscle`),
    ...roomProblem("spineMm", spineMm, DEEPEST * thin, `${radius} a middle line`),
  ];
}

/** A dome leans no farther than upright: over too little of the length an end cannot close. */
function endProblems({ lowerMm, upperMm, lengthMm, lowerRound, upperRound }: Values): Problem[] {
  const ends = [
    ["lowerRound", lowerRound, lowerMm],
    ["upperRound", upperRound, upperMm],
  ] as const;
  const found = ends.flatMap(([field, share, roundMm]): Problem[] => {
    // A dome's slope at its pole is a quarter turn of its girth over its height.
    const least = (100 * roundMm) / 4 / lengthMm;
    return share === 0 || share >= least
      ? []
      : [
          {
            field,
            message: `An end ${roundMm} mm round closes over ${formatNumber(least, 0)} % of ${lengthMm} mm at least, got ${share}.`,
          },
        ];
  });
  if (found.length === 0 && lowerRound + upperRound > 100)
    return [{ field: "upperRound", message: "Both ends together take more than the whole length." }];
  return found;
}

/** A torso, arm, leg, tail or beast's body: three girths, muscles in pairs, a groove along breast and back. */
export const trunk = defineForm({
  id: "trunk",
  version: 3,
  label: "Torso, limb or beast's body",
  about: "Bare skin, scales or hide: thicker and thinner along its length, with muscles and a middle line.",
  worn: { seats: ["back", "waist", "hull", "left-leg", "tail"], by: "top", how: "round" },
  material: "skin",
  params,
  added: { 2: { deepPct: 100 }, 3: { lowerRound: 0, upperRound: 0 } },
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, bendDeg, deepPct } = values;
    return buildTurned({
      id: "trunk",
      lengthMm,
      ...(deepPct !== 100 && { section: sectionOf(ellipse(deepPct / 100), lengthMm, 0) }),
      roundAt: roundOf(values),
      relief: reliefOf(values, seed),
      bendDeg,
    });
  },
});
