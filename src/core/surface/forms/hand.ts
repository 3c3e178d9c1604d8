import { InputError, type Problem } from "../../errors";
import { hash01 } from "../../random";
import { formatNumber, smoothstep } from "../../units";
import { defineForm, type Place, type SurfaceForm } from "./form";
import { handSizes as params } from "./handSizes";
import { ellipse, sectionOf } from "./section";
import { countProblem, roomProblem, sizeProblems, turnedProblems } from "./sizes";
import { buildTurned, girths, roundNoise } from "./turned";

type Values = { readonly [K in keyof typeof params]: number };

/** A finger narrower than this is not cast, mm. */
const LEAST_FINGER_MM = 0.3;
/** Depth of a hand against its width; a wrist is rounder. */
const [HAND_DEEP, WRIST_DEEP] = [0.62, 0.85] as const;
/** A cuff is so many times wider than the wrist. */
const CUFF_WIDE = 1.32;
/** Knuckles, as shares of the hand from the wrist, and how high each row is against the first. */
const ROWS = [
  [0.44, 1],
  [0.68, 0.55],
  [0.85, 0.35],
] as const;
/** A finger is round across, but between two lies a floor that light reaches: the share of its bow. */
const ROUND = 0.94;
const OUTLINES = 24;

/** Fingers end in a ball: as long over its end as half of its way round. */
const tipsOf = ({ roundMm }: Values): number => (1.05 * 0.62 * roundMm) / 4;

const upHand = ({ lengthMm, cuffMm }: Values, heightMm: number): number =>
  (heightMm - cuffMm) / (lengthMm - cuffMm);

/** Measured ways round by height: cuff, wrist, knuckles, fingers. */
const measuredOf = (values: Values) => {
  const { roundMm, wristMm, lengthMm, cuffMm } = values;
  const hand = lengthMm - cuffMm;
  const wrist = [cuffMm + 0.04 * hand, wristMm] as const;
  return [
    ...(cuffMm > 0 ? [[0, CUFF_WIDE * wristMm] as const, wrist] : [[0, wristMm] as const]),
    [cuffMm + 0.44 * hand, roundMm],
    [lengthMm, 0.9 * roundMm],
  ] as const;
};

function roundOf(values: Values): (heightMm: number) => number {
  const round = girths(measuredOf(values));
  const tips = tipsOf(values);
  return (heightMm) =>
    round(heightMm) * Math.sin((Math.PI / 2) * Math.min(1, Math.max(0, values.lengthMm - heightMm) / tips));
}

/** Where a place lies across the fingers, 0…1 on the back of the hand, and back again on its palm. */
const acrossHand = (turnDeg: number): number => {
  const turn = ((turnDeg % 360) + 360) % 360;
  return turn < 90 ? 0.5 - turn / 180 : turn < 270 ? (turn - 90) / 180 : 1 - (turn - 270) / 180;
};

/** 1 on the back of the hand, 0 on its palm. */
const onBack = (turnDeg: number): number =>
  smoothstep(0.1, 0.5, 0.5 - 0.5 * Math.cos((turnDeg * Math.PI) / 180));

/** A finger across, 0 in the gap to 1 on its back. @param off −0.5…0.5 */
function bow(off: number): number {
  const low = Math.sqrt(1 - ROUND);
  return (Math.sqrt(Math.max(0, 1 - ROUND * (2 * off) ** 2)) - low) / (1 - low);
}

function fingersOf(values: Values, seed: number): (place: Place) => number {
  const { lengthMm, cuffMm, fingers, knuckleMm } = values;
  const hand = lengthMm - cuffMm;
  return ({ turnDeg, heightMm }) => {
    const up = upHand(values, heightMm);
    const across = acrossHand(turnDeg) * fingers;
    const index = Math.min(fingers - 1, Math.floor(across));
    const off = across - index - 0.5;
    const back = onBack(turnDeg);
    const parted = smoothstep(0.36, 0.5, up);
    let height = 1.5 * knuckleMm * (bow(off) - 0.45) * parted;
    const early = 1 - 0.06 * Math.abs(index - (fingers - 1) / 2);
    const wide = 0.085 * hand;
    ROWS.forEach(([at, tall], row) => {
      const away = (up - at * early) * hand;
      height += back * knuckleMm * tall * Math.exp(-((away / wide) ** 2) - (2.2 * off) ** 2);
      // Creases: behind each knuckle on the back, at each joint on the palm.
      const side = back > 0.5 ? 0.95 : 0;
      const line = away + side * wide + 0.1 * (hash01(seed, index, row) - 0.5);
      height -= 0.3 * knuckleMm * Math.exp(-((line / 0.08) ** 2) - (1.6 * off) ** 2);
    });
    return height;
  };
}

/** The side the thumb lies on, degrees, and where it begins and ends, as shares of the hand. */
const [THUMB_DEG, THUMB_FROM, THUMB_TO] = [272, 0.1, 0.56] as const;

/** A thumb along the side of the hand, thickest at its ball, with one joint, mm. */
function thumbOf(values: Values) {
  const { roundMm, lengthMm, cuffMm, thumbMm } = values;
  const hand = lengthMm - cuffMm;
  const half = 0.088 * roundMm;
  return ({ turnDeg, heightMm }: Place): number => {
    if (thumbMm === 0) return 0;
    const up = upHand(values, heightMm);
    const along = (up - THUMB_FROM) / (THUMB_TO - THUMB_FROM);
    // It runs forwards to the fingers.
    const middle = THUMB_DEG + 26 * (0.5 - along);
    const aside = ((turnDeg - middle) / 360) * roundMm;
    const end = Math.max(0, up - THUMB_TO + half / hand, THUMB_FROM + 0.12 - up) * hand;
    const away = Math.hypot(aside, 1.1 * end) / half;
    if (away >= 1) return 0;
    const joint = 1 + 0.16 * Math.exp(-(((along - 0.55) / 0.12) ** 2));
    return thumbMm * joint * (1 - away * away) ** 0.65;
  };
}

function reliefOf(values: Values, seed: number): (place: Place) => number {
  const { roundMm, fingers, cuffMm, knuckleMm } = values;
  const [grown, thumb] = [fingersOf(values, seed), thumbOf(values)];
  const swell = roundNoise(seed + 3, Math.max(3, Math.round(roundMm / 1.5)), 1.4);
  const proud = Math.min(0.18, 0.7 * knuckleMm);
  return (place) => {
    const { turnDeg, heightMm } = place;
    const up = upHand(values, heightMm);
    const free = cuffMm > 0 ? smoothstep(cuffMm, cuffMm + 0.3, heightMm) : 1;
    const across = acrossHand(turnDeg) * fingers;
    const inner = Math.round(across) > 0 && Math.round(across) < fingers ? 1 : 0;
    const gap = (Math.abs(across - Math.round(across)) / fingers) * (roundMm / 2);
    // Three seams run over the back of a glove.
    const points =
      cuffMm > 0 ? inner * onBack(turnDeg) * smoothstep(0.04, 0.12, up) * smoothstep(0.4, 0.3, up) : 0;
    const sewn =
      cuffMm > 0
        ? Math.sqrt(smoothstep(0, 0.14, heightMm)) * smoothstep(cuffMm + 0.07, cuffMm - 0.07, heightMm) -
          0.4 * Math.exp(-(((heightMm - cuffMm + 0.32) / 0.07) ** 2)) -
          0.3 * Math.exp(-(((heightMm - 0.32) / 0.07) ** 2))
        : 0;
    return (
      free * (grown(place) + thumb(place) + 0.02 * swell(place)) +
      proud * (sewn + 0.4 * points * Math.exp(-((gap / 0.1) ** 2)))
    );
  };
}

function problems(values: Values): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { roundMm, wristMm, lengthMm, curlDeg, fingers, knuckleMm, thumbMm, cuffMm } = values;
  const finger = roundMm / 2 / fingers;
  const least = 2.4 * tipsOf(values);
  const hand = lengthMm - cuffMm;
  if (hand < least)
    return [
      {
        field: cuffMm > 0.3 * lengthMm ? "cuffMm" : "lengthMm",
        message: `A hand ${formatNumber(roundMm, 1)} mm round is ${formatNumber(least, 1)} mm long at least without its cuff, got ${formatNumber(hand, 1)}.`,
      },
    ];
  const thin = (HAND_DEEP * Math.min(roundMm, wristMm)) / (2 * Math.PI);
  return [
    ...turnedProblems(measuredOf(values).slice(cuffMm > 0 ? 1 : 0), curlDeg, {
      girth: "wristMm",
      what: "a hand",
    }).map((problem) => (problem.field === "bendDeg" ? { ...problem, field: "curlDeg" } : problem)),
    ...countProblem("fingers", fingers, roundMm / 2, LEAST_FINGER_MM, "fingers"),
    ...roomProblem(
      "knuckleMm",
      knuckleMm,
      0.4 * finger,
      `Fingers ${finger.toFixed(2)} mm wide are rounded by less than half of that; a knuckle`,
    ),
    ...roomProblem("thumbMm", thumbMm, 0.8 * thin, `On a hand ${formatNumber(2 * thin, 2)} mm thick a thumb`),
    ...roomProblem("cuffMm", cuffMm, 0.6 * lengthMm, `On a glove ${lengthMm} mm long a cuff`),
  ];
}

function build(values: Values, seed: number): SurfaceForm {
  const { lengthMm, curlDeg, cuffMm } = values;
  const hand = lengthMm - cuffMm;
  const deep = (heightMm: number) =>
    WRIST_DEEP + (HAND_DEEP - WRIST_DEEP) * smoothstep(cuffMm, cuffMm + 0.35 * hand, heightMm);
  const form = buildTurned({
    id: "hand",
    lengthMm,
    roundAt: roundOf(values),
    section: sectionOf((angle, heightMm) => ellipse(deep(heightMm))(angle, heightMm), lengthMm, OUTLINES),
    relief: reliefOf(values, seed),
    // Fingers close over the palm, which lies behind: the back of the hand is in front.
    bendDeg: -curlDeg,
    bendsTo: "front",
    jointMm: cuffMm + 0.66 * hand,
  });
  return { ...form, held: { heightMm: cuffMm + 0.05 * hand, up: [0, 1, 0], out: [0, 0, 1] } };
}

/** A hand in a glove or bare, all round: knuckles, fingers closed over the palm, a thumb, a cuff. */
export const hand = defineForm({
  id: "hand",
  version: 1,
  label: "Hand or glove, all round",
  about: "A whole hand, open or closed round what it holds: knuckles, parted fingers, a thumb, a cuff.",
  worn: { seats: ["right-hand", "left-hand"], by: "foot", how: "round", replaces: true },
  material: "leather",
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    return build(values, seed);
  },
});
