import { InputError, type Problem } from "../../errors";
import { smoothstep } from "../../units";
import type { ParamValues } from "../../params";
import { defineForm, PLATE_EDGE_MM, type Place } from "./form";
import { countProblem, mmSize, roomProblem, sizeProblems, turnedProblems } from "./sizes";
import { buildTurned, roundNoise } from "./turned";

const params = {
  lengthMm: mmSize("Length", [2, 300], 0.5, 24, "Along its outer curve, with a thread laid on it."),
  roundMm: mmSize("Round it", [1, 120], 0.1, 9, "A paper strip or thread once round."),
  bendDeg: {
    ...{ label: "Bend", unit: "°", range: [0, 300] as const, step: 5, default: 40 },
    about: "How far its direction turns from end to end: 0 straight, 90 a quarter of a circle.",
  },
  ribs: {
    ...{ label: "Ribs", unit: "", range: [0, 160] as const, step: 1, default: 0 },
    about: "Rings of a ribbed cable or hose, counted from end to end; 0 for a smooth pipe.",
  },
  ribMm: mmSize("Height of a rib", [0, 2], 0.01, 0.22, "From the groove to its crest, with a pin."),
  joints: {
    ...{ label: "Flanges", unit: "", range: [0, 12] as const, step: 1, default: 2 },
    about: "Rings it is joined or clamped by, at its ends and between; 0 for none.",
  },
  jointMm: mmSize("Width of a flange", [0.3, 12], 0.05, 1.1, "Along the pipe, with a ruler."),
  proudMm: mmSize("Flanges stand out", [0.05, 3], 0.05, 0.5, "How far over the pipe, with a pin."),
  bolts: {
    ...{ label: "Bolts on a flange", unit: "", range: [0, 24] as const, step: 1, default: 8 },
    about: "Heads round each flange, counted; 0 for none.",
  },
  dents: mmSize("Unevenness", [0, 0.4], 0.01, 0.02, "How far soft dents go in and out."),
} as const;

type Sizes = ParamValues<typeof params>;

/** Ribs are no closer than this, mm; a rib stands out no more than this share of what it has along the pipe. */
const [LEAST_RIB_MM, STEEP] = [0.25, 0.7] as const;
/** What stands out takes no more of the radius than this. */
const MOST_PROUD = 0.6;
/** A bolt's head against its flange's width and its room round it; its height against its width. */
const [BOLT_WIDE, BOLT_ROOM, BOLT_HIGH] = [0.5, 0.6, 0.35] as const;

/** How wide a bolt's head is, mm; 0 where there are none. */
const boltMm = ({ bolts, jointMm, roundMm }: Sizes): number =>
  bolts === 0 ? 0 : Math.min(BOLT_WIDE * jointMm, (BOLT_ROOM * roundMm) / bolts);

/** How far a height lies from the middle of the nearest flange, mm; Infinity where there is none. */
function offJoint(heightMm: number, { joints, jointMm, lengthMm }: Sizes): number {
  if (joints === 0) return Infinity;
  const free = lengthMm - jointMm;
  if (joints === 1) return Math.abs(heightMm - lengthMm / 2);
  const nearest = Math.round(((heightMm - jointMm / 2) / free) * (joints - 1));
  const at = Math.min(joints - 1, Math.max(0, nearest));
  return Math.abs(heightMm - jointMm / 2 - (free * at) / (joints - 1));
}

/** How far a place lies from the middle of the nearest bolt, in radii of its head; Infinity beside the flanges. */
function offBolt({ turnDeg, heightMm }: Place, sizes: Sizes): number {
  const wide = boltMm(sizes);
  const along = offJoint(heightMm, sizes);
  if (wide === 0 || along > wide) return Infinity;
  const step = 360 / sizes.bolts;
  const away = ((((turnDeg / step) % 1) + 1) % 1) - 0.5;
  return Math.hypot(along, (away * sizes.roundMm) / sizes.bolts) / (wide / 2);
}

function reliefOf(sizes: Sizes, seed: number): (place: Place) => number {
  const { lengthMm, roundMm, ribs, ribMm, jointMm, proudMm, dents } = sizes;
  const soft = roundNoise(seed, Math.max(3, Math.round(roundMm / 2.5)), 2.5);
  const fine = roundNoise(seed + 1, Math.max(6, Math.round(roundMm / 0.6)), 0.6);
  const head = BOLT_HIGH * boltMm(sizes);
  return (place) => {
    let up = dents * (soft(place) + 0.2 * fine(place));
    if (ribs > 0) {
      const within = (((place.heightMm / lengthMm) * ribs) % 1) * 2 - 1;
      up += ribMm * Math.sqrt(Math.max(0, 1 - within * within));
    }
    const inJoint = jointMm / 2 - offJoint(place.heightMm, sizes);
    const on = smoothstep(-0.05, 0.06, inJoint);
    if (on === 0) return up;
    const off = offBolt(place, sizes);
    const bolt = off < 1 ? head * Math.sqrt(1 - 0.8 * off * off) : 0;
    return up + on * ((ribs > 0 ? ribMm : 0) + proudMm + 0.2 * dents * fine(place) + bolt - up);
  };
}

function problems(values: Sizes): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { lengthMm, roundMm, bendDeg, ribs, ribMm, joints, jointMm, proudMm } = values;
  const radius = roundMm / (2 * Math.PI);
  return [
    ...turnedProblems(
      [
        [0, roundMm],
        [lengthMm, roundMm],
      ],
      bendDeg,
      { girth: "roundMm", what: "a pipe" },
    ),
    ...countProblem("ribs", ribs, lengthMm, LEAST_RIB_MM, "ribs"),
    ...(ribs === 0
      ? []
      : roomProblem(
          "ribMm",
          ribMm,
          Math.min(MOST_PROUD * radius, (STEEP * lengthMm) / ribs),
          `${ribs} ribs on ${lengthMm} mm: one`,
        )),
    ...countProblem("joints", joints, lengthMm, 1.5 * jointMm, "flanges"),
    ...roomProblem("jointMm", joints === 1 ? jointMm : 0, 0.8 * lengthMm, `On ${lengthMm} mm a flange`),
    ...(joints === 0
      ? []
      : roomProblem(
          "proudMm",
          proudMm,
          MOST_PROUD * radius,
          `On a radius of ${radius.toFixed(2)} mm a flange`,
        )),
  ];
}

/** A pipe with flanges and bolts, or a ribbed cable or hose: straight or bent. */
export const pipe = defineForm({
  id: "pipe",
  version: 1,
  label: "Pipe, cable or hose",
  about: "Round and straight or bent: smooth with flanges and bolts, or ribbed as a cable is.",
  worn: { seats: ["hull", "left-flank", "right-flank", "roof", "back"], by: "middle", how: "on" },
  material: "metal",
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, roundMm, bendDeg } = values;
    const turned = buildTurned({
      ...{ id: "pipe", lengthMm, bendDeg, roundAt: () => roundMm },
      relief: reliefOf(values, seed),
      fitting: (place) => (offBolt(place, values) < 1 ? 1 : 0),
    });
    return { ...turned, edgeMm: PLATE_EDGE_MM };
  },
});
