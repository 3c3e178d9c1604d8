import { InputError, type Problem } from "../../errors";
import { formatNumber, smoothstep } from "../../units";
import { cuffBand, jointCreases } from "./creases";
import { bootSizes as params } from "./bootSizes";
import { defineForm, type Place, type SpacePoint, type SurfaceForm } from "./form";
import { seamRelief } from "./seams";
import { sectionOf, type Section } from "./section";
import { countProblem, roomProblem, sizeProblems, turnedProblems } from "./sizes";
import { buildTurned, girths, roundNoise } from "./turned";

type Values = { readonly [K in keyof typeof params]: number };

/** A foot stands at right angles to its shin. */
const BEND_DEG = 90;
/** Its underside is level from this share of its depth on; depth against width at the shaft, the instep and the toes. */
const LEVEL = 0.62;
const [SHAFT_DEEP, INSTEP_DEEP, TOES_DEEP] = [1.06, 1, 0.72] as const;
/** How far a heel stands out behind, as a share of the foot's depth, and how wide it does, as a share of its girth. */
const [HEEL, HEEL_WIDE] = [0.3, 0.24] as const;
/** Heights at which its outline is worked out. */
const OUTLINES = 48;
/** A crease takes this share of the radius at most. */
const DEEPEST = 0.4;

const lengthOf = ({ shaftMm, footMm }: Values): number => shaftMm + footMm;

/** Toes end in a ball: as long over its end as half of its way round, and a little more. */
const toesOf = ({ ballMm }: Values): number => (1.05 * ballMm) / 4;

/** Ways round that were measured, by height: the ball of the foot, heel and instep, the top. */
const measuredOf = (values: Values) =>
  [
    [Math.min(0.9 * values.footMm, 1.3 * toesOf(values)), values.ballMm],
    [values.footMm, values.heelMm],
    [lengthOf(values), values.topMm],
  ] as const;

/** The way round at a height, mm. */
function roundOf(values: Values): (heightMm: number) => number {
  const measured = measuredOf(values);
  const round = girths(measured);
  const toes = toesOf(values);
  return (heightMm) => {
    const before = heightMm < measured[0][0] ? values.ballMm : round(heightMm);
    return before * Math.sin((Math.PI / 2) * Math.min(1, Math.max(0, heightMm) / toes));
  };
}

/** How deep it is against its width at a height. */
function deepAt({ footMm }: Values) {
  return (heightMm: number): number => {
    const instep = smoothstep(0.25 * footMm, 0.9 * footMm, heightMm);
    const shaft = smoothstep(footMm, 1.6 * footMm, heightMm);
    return TOES_DEEP + (INSTEP_DEEP - TOES_DEEP) * instep + (SHAFT_DEEP - INSTEP_DEEP) * shaft;
  };
}

/** A foot, level below and with a heel behind, that goes over into a shaft. */
function sectionFor(values: Values): Section {
  const { footMm, heelMm } = values;
  const deep = deepAt(values);
  const polar = (angle: number, heightMm: number): number => {
    const depth = deep(heightMm);
    const radius = 1 / Math.hypot(Math.sin(angle), Math.cos(angle) / depth);
    const below = Math.max(0, -Math.cos(angle));
    // Not yet where the shin begins: from there on what lies behind is the calf.
    const foot = smoothstep(footMm + 0.06 * heelMm, 0.8 * footMm, heightMm);
    const level = below > 1e-6 ? (LEVEL * depth) / below : Infinity;
    const soled = Math.min(radius, level);
    const heel =
      HEEL * Math.exp(-(((heightMm - footMm - 0.05 * heelMm) / (HEEL_WIDE * heelMm)) ** 2)) * below ** 3;
    return (radius + foot * (soled - radius)) * (1 + heel);
  };
  return sectionOf(polar, lengthOf(values), OUTLINES);
}

/** A sole is so thick, mm, and under the heel so many times that. */
const [SOLE_MM, HEEL_THICK] = [0.34, 2] as const;
/** Where the heel begins, as a share of the foot from the toes. */
const HEEL_AT = 0.72;
const CAP_AT = 0.36;

/** A sole that stands out all round the foot, thicker under the heel, a groove above it, and a cap over the toes. */
function shodOf({ footMm, soleMm, capMm }: Values) {
  const capAt = CAP_AT * footMm;
  return ({ heightMm }: Place, up: number): number => {
    const foot = smoothstep(1.9 * footMm, 1.5 * footMm, heightMm);
    const thick =
      SOLE_MM * (1 + (HEEL_THICK - 1) * smoothstep(HEEL_AT * footMm, (HEEL_AT + 0.06) * footMm, heightMm));
    const sole = smoothstep(thick + 0.09, thick - 0.09, up);
    const groove = Math.exp(-(((up - thick - 0.16) / 0.09) ** 2));
    const cap = smoothstep(capAt + 0.06, capAt - 0.06, heightMm) * (1 - sole);
    const stitched = Math.exp(-(((heightMm - capAt + 0.28) / 0.07) ** 2)) * (1 - sole);
    return foot * soleMm * (sole - 0.4 * groove) + capMm * (cap - (capMm > 0 ? 0.5 * stitched : 0));
  };
}

/** A foot stands on the sole where the ball of the foot is: its level, mm. */
const groundAt = (values: Values): Place => ({ turnDeg: 0, heightMm: 0.6 * values.footMm });

function reliefOf(
  values: Values,
  seed: number,
): (place: Place, plain: (place: Place) => SpacePoint) => number {
  const { footMm, topMm, creases, creaseMm, turnedMm, proudMm } = values;
  const lengthMm = lengthOf(values);
  const ankle = { deepMm: creaseMm, innerDeg: 180 };
  const jointed = jointCreases({ ...ankle, count: creases, jointMm: 1.05 * footMm, apartMm: 0.75 }, seed);
  const toes = { deepMm: 0.5 * creaseMm, count: creases > 0 ? 2 : 0, jointMm: 0.55 * footMm, apartMm: 0.5 };
  const flexed = jointCreases({ ...ankle, ...toes }, seed + 1);
  const around = (mm: number) => Math.max(3, Math.round(topMm / mm));
  const swell = roundNoise(seed + 8, around(1.6), 1.7);
  const slack = roundNoise(seed + 9, around(3.4), 2.2);
  const shod = shodOf(values);
  const round = roundOf(values);
  const ground = groundAt(values);
  // The same for every place of the form, and asked for at most of them.
  let level: number | null = null;
  return (place, plain) => {
    const { turnDeg, heightMm } = place;
    const down = lengthMm - heightMm;
    const up = heightMm < 1.9 * footMm ? plain(place)[1] - (level ??= plain(ground)[1]) : Infinity;
    const upper = smoothstep(SOLE_MM, SOLE_MM + 0.5, up);
    const shaft =
      smoothstep(footMm, 1.5 * footMm, heightMm) * smoothstep(turnedMm - 0.1, turnedMm + 0.5, down);
    const leather = jointed(place) + flexed(place) + 0.02 * swell(place);
    // One seam runs up behind, from the heel to the top.
    const behind = seamRelief(((((turnDeg + 180) % 360) - 180) / 360) * round(heightMm));
    return (
      upper * leather +
      shaft * (0.3 * creaseMm * slack(place) + behind) +
      shod(place, up) +
      cuffBand(down, turnedMm, proudMm * (1 + 0.15 * swell(place)))
    );
  };
}

function problems(values: Values): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { topMm, heelMm, ballMm, shaftMm, footMm, creases, creaseMm, turnedMm, proudMm, soleMm, capMm } =
    values;
  const thin = Math.min(topMm, heelMm, ballMm) / (2 * Math.PI);
  const boot = `On a boot ${formatNumber(thin, 2)} mm in radius`;
  const least = 1.5 * toesOf(values);
  if (footMm < least)
    return [
      {
        field: "footMm",
        message: `A foot ${formatNumber(ballMm, 1)} mm round is ${formatNumber(least, 1)} mm long at least, got ${footMm}.`,
      },
    ];
  return [
    ...turnedProblems(measuredOf(values), 0, { girth: "heelMm", what: "a boot" }),
    ...bendProblems(values),
    ...countProblem("creases", creases, shaftMm, 0.5, "creases"),
    ...roomProblem("creaseMm", creases > 0 ? creaseMm : 0, DEEPEST * thin, `${boot} a crease`),
    ...roomProblem("turnedMm", turnedMm, 0.6 * shaftMm, `On a shaft of ${shaftMm} mm what is turned over`),
    ...roomProblem("proudMm", turnedMm > 0 ? proudMm : 0, DEEPEST * thin, `${boot} what is turned over`),
    ...roomProblem("soleMm", soleMm, DEEPEST * thin, `${boot} a sole`),
    ...roomProblem("capMm", capMm, 0.25 * thin, `${boot} a cap`),
  ];
}

/** The foot turns into the shaft within an arc that has to have room. */
function bendProblems(values: Values): Problem[] {
  const { heelMm, shaftMm, footMm } = values;
  const most = 1.15 * (shaftMm + footMm);
  if (heelMm <= most) return [];
  return [
    {
      field: "heelMm",
      message: `A boot ${formatNumber(shaftMm + footMm, 1)} mm from top to toes is ${formatNumber(most, 1)} mm round heel and instep at most, got ${heelMm}.`,
    },
  ];
}

function build(values: Values, seed: number): SurfaceForm {
  const { footMm } = values;
  const lengthMm = lengthOf(values);
  const section = sectionFor(values);
  const roundAt = roundOf(values);
  const bottom = (heightMm: number) => (roundAt(heightMm) / (2 * Math.PI)) * section.at(0, heightMm)[1];
  const standsAt = groundAt(values).heightMm;
  const form = buildTurned({
    id: "boot",
    lengthMm,
    roundAt,
    section,
    relief: reliefOf(values, seed),
    bendDeg: BEND_DEG,
    bendsTo: "front",
    upperUpright: true,
    jointMm: footMm,
    standsOn: groundAt(values),
    // The sole is level from the toes to where the heel begins.
    aheadMm: (heightMm) => (heightMm < standsAt ? bottom(standsAt) - bottom(Math.max(0, heightMm)) : 0),
  });
  return {
    ...form,
    held: { heightMm: Math.min(0.98 * lengthMm, 1.35 * footMm), up: [0, 1, 0], out: [0, 0, 1] },
  };
}

/** A boot or shoe: a shaft, an instep with creases, toes with a cap, a sole that stands out all round. */
export const boot = defineForm({
  id: "boot",
  version: 1,
  label: "Boot or shoe",
  about: "A shaft that turns into a foot: creases over the instep, a cap on the toes, a sole and a heel.",
  worn: { seats: ["left-foot", "right-foot"], by: "middle", how: "round", replaces: true },
  material: "leather",
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    return build(values, seed);
  },
});
