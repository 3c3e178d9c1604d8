import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import { defineForm, type Place, type SurfaceForm } from "./form";
import { seamOff, seamRelief } from "./seams";
import { softNoise } from "./sheet";
import { countProblem, roomProblem, sizeProblems } from "./sizes";

const params = {
  roundMm: {
    label: "Round the rim",
    unit: "mm",
    range: [4, 200],
    step: 0.5,
    default: 26,
    about: "A paper strip round the lower edge of the helmet, hood or shoulder piece.",
  },
  overMm: {
    label: "Rim to crown",
    unit: "mm",
    range: [1, 80],
    step: 0.5,
    default: 7,
    about: "The strip laid over the shell from the rim up to the highest point.",
  },
  collarMm: {
    label: "Collar",
    unit: "mm",
    range: [0, 10],
    step: 0.1,
    default: 0.8,
    about: "Width of the raised rim; 0 for none.",
  },
  collarUpMm: {
    label: "Collar stands out",
    unit: "mm",
    range: [0, 2],
    step: 0.05,
    default: 0.25,
    about: "How far, with a pin.",
  },
  ridges: {
    label: "Ridges to the crown",
    unit: "",
    range: [0, 16],
    step: 1,
    default: 0,
    about: "Ribs or seams that run from the rim to the crown, counted once round.",
  },
  seams: {
    label: "Pieces of cloth",
    unit: "",
    range: [1, 8],
    step: 1,
    default: 1,
    about: "Panels a hood was sewn of, counted once round; 1 for a helmet. Patterns can end at their seams.",
  },
} as const;

/** Polar angle of the rim of a cap with this circumference and length over the crown; sin θ / θ = r / s. */
function capAngle(roundMm: number, overMm: number): number {
  const ratio = roundMm / (2 * Math.PI) / overMm;
  let [low, high] = [1e-3, Math.PI * 0.95];
  for (let turn = 0; turn < 60; turn++) {
    const middle = (low + high) / 2;
    if (Math.sin(middle) / middle > ratio) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

type Values = { readonly [K in keyof typeof params]: number };
const TO_RAD = Math.PI / 180;

/** Heights of collar, ridges and seams, mm. @param flatRadius distance from the crown on the flat, by height */
function reliefOf(values: Values, seed: number, flatRadius: (heightMm: number) => number) {
  const { collarMm, collarUpMm, ridges, seams } = values;
  const swell = softNoise(seed, 3, hash01);
  return ({ turnDeg, heightMm }: Place): number => {
    const out = flatRadius(heightMm);
    const turn = turnDeg * TO_RAD;
    let height = 0.04 * swell(out * Math.sin(turn) + 50, out * Math.cos(turn) + 50);
    if (collarMm > 0) height += collarUpMm * smoothstep(collarMm + 0.12, collarMm - 0.12, heightMm);
    if (ridges > 0) {
      const off = Math.abs((((turnDeg * ridges) / 360) % 1) - 0.5) * (360 / ridges) * TO_RAD * out;
      height += 0.22 * Math.exp(-((off / 0.3) ** 2)) * smoothstep(0, collarMm + 0.3, heightMm);
    }
    const away = seams > 1 ? seamOff(turnDeg / 360, seams, true) * 360 * TO_RAD * out : Infinity;
    return height + seamRelief(away) * smoothstep(collarMm, collarMm + 0.4, heightMm);
  };
}

/** Between places of a cap and points of the disc it is laid out as. */
function discOf(overMm: number, radius: number) {
  const flatRadius = (heightMm: number) => 2 * radius * Math.sin((overMm - heightMm) / radius / 2);
  const flatten = ({ turnDeg, heightMm }: Place): readonly [number, number] => [
    flatRadius(heightMm) * Math.sin(turnDeg * TO_RAD),
    -flatRadius(heightMm) * Math.cos(turnDeg * TO_RAD),
  ];
  const place = ([x, y]: readonly [number, number]): Place => {
    const flat = Math.hypot(x, y);
    const angle = 2 * Math.asin(Math.min(1, flat / (2 * radius)));
    const turn = Math.atan2(x, -y) / TO_RAD;
    return {
      turnDeg: turn < 0 ? turn + 360 : turn,
      // Beyond what a sphere has, it goes on as a flat rim would.
      heightMm: overMm - radius * angle - Math.max(0, flat - 2 * radius),
    };
  };
  return { flatRadius, flatten, place };
}

/** A ridge takes this much of the rim, mm: it would run into the next. */
const LEAST_RIDGE_MM = 0.8;

/** A helmet, hood or shoulder: a cap of a sphere, laid out as a disc of the same area (Lambert, 1772). */
export const dome = defineForm({
  id: "dome",
  version: 1,
  label: "Helmet, hood or shoulder",
  about: "A dome with a collar, laid flat as a disc: areas are true, lengths near the rim are stretched.",
  worn: { seats: ["head", "hull", "back"], by: "top", how: "round" },
  material: "shell",
  params,
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const radius = values.roundMm / (2 * Math.PI);
    if (values.overMm < radius * 1.02 || values.overMm > radius * 12)
      found.push({
        field: "overMm",
        message: `Over a rim of ${values.roundMm} mm the way to the crown must be ${(radius * 1.02).toFixed(1)} to ${(radius * 12).toFixed(1)} mm, got ${values.overMm}.`,
      });
    const { collarMm, collarUpMm, ridges, roundMm, overMm } = values;
    return [
      ...found,
      ...roomProblem("collarMm", collarMm, 0.6 * overMm, `Of ${overMm} mm from rim to crown the collar`),
      ...(collarMm === 0
        ? []
        : roomProblem(
            "collarUpMm",
            collarUpMm,
            0.4 * radius,
            `On a radius of ${radius.toFixed(1)} mm a collar stands out by four tenths of it; it`,
          )),
      ...countProblem("ridges", ridges, roundMm, LEAST_RIDGE_MM, "ridges"),
    ];
  },
  build(values, seed): SurfaceForm {
    const wrong = dome.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { roundMm, overMm, seams } = values;
    const rimAngle = capAngle(roundMm, overMm);
    const radius = overMm / rimAngle;
    const { flatRadius, flatten, place } = discOf(overMm, radius);
    const rimFlat = flatRadius(0);
    const relief = reliefOf(values, seed, flatRadius);
    return {
      id: "dome",
      closed: true,
      turnDeg: 360,
      slantMm: overMm,
      areaMm2: Math.PI * rimFlat * rimFlat,
      seamsDeg: Array.from({ length: seams }, (_, at) => (at * 360) / seams),
      bounds: { minX: -rimFlat, maxX: rimFlat, minY: -rimFlat, maxY: rimFlat },
      lengthAt: (heightMm) => 2 * Math.PI * flatRadius(heightMm),
      apexMm: Infinity,
      flatPerTurn: 1,
      round: true,
      distortion: 1 / Math.cos(rimAngle / 2),
      rim: ({ heightMm }) => rimFlat - flatRadius(heightMm),
      flatten,
      place,
      inSpace: (at) => {
        const angle = (overMm - at.heightMm) / radius;
        const [out, turn] = [radius + relief(at), at.turnDeg * TO_RAD];
        const up = out * Math.cos(angle) - radius * Math.cos(rimAngle);
        return [out * Math.sin(angle) * Math.sin(turn), up, out * Math.sin(angle) * -Math.cos(turn)];
      },
      facing: (at) => {
        const [angle, turn] = [(overMm - at.heightMm) / radius, at.turnDeg * TO_RAD];
        return [Math.sin(angle) * Math.sin(turn), Math.cos(angle), Math.sin(angle) * -Math.cos(turn)];
      },
      relief,
    };
  },
});
