import { InputError, type Problem } from "../../errors";
import { hash01 } from "../../random";
import { formatNumber, smoothstep } from "../../units";
import { buildCap } from "./cap";
import { CLOTH_EDGE_MM, defineForm, type Place } from "./form";
import { seamRelief } from "./seams";
import { countProblem, roomProblem, sizeProblems } from "./sizes";
import { roundNoise } from "./turned";

const params = {
  headMm: {
    label: "Round the head",
    unit: "mm",
    range: [6, 120],
    step: 0.5,
    default: 20,
    about: "A paper strip level round the hood where it is widest.",
  },
  lowerMm: {
    label: "Round the lower edge",
    unit: "mm",
    range: [6, 160],
    step: 0.5,
    default: 28,
    about: "The same where it lies on the shoulders, the open front counted in.",
  },
  overMm: {
    label: "Lower edge to crown",
    unit: "mm",
    range: [3, 60],
    step: 0.5,
    default: 10,
    about: "The strip laid up the back from the lower edge to the highest point.",
  },
  faceMm: {
    label: "Width of the opening",
    unit: "mm",
    range: [0.5, 25],
    step: 0.1,
    default: 5,
    about: "Straight across where the face looks out.",
  },
  openMm: {
    label: "Opening from the lower edge",
    unit: "mm",
    range: [0.5, 30],
    step: 0.1,
    default: 7,
    about: "The strip from the lower edge up the front to the top of the opening.",
  },
  hemMm: {
    label: "Hem at the opening stands out",
    unit: "mm",
    range: [0, 0.6],
    step: 0.02,
    default: 0.18,
    about: "How far the folded edge stands off the cloth, with a pin; 0 for none.",
  },
  folds: {
    label: "Folds",
    unit: "",
    range: [0, 16],
    step: 1,
    default: 9,
    about: "That gather at the neck and run down to the lower edge, counted once round.",
  },
  foldMm: {
    label: "Depth of a fold",
    unit: "mm",
    range: [0, 1.2],
    step: 0.05,
    default: 0.45,
    about: "From its crest to the ground beside it, with a pin.",
  },
} as const;

type Values = { readonly [K in keyof typeof params]: number };

const TO_RAD = Math.PI / 180;
/** The cloth leans out no more than this between head and lower edge, mm of radius for each mm. */
const STEEPEST = 0.9;
/** A fold is this much of its spacing wide: narrower than half. */
const FOLD_WIDE = 0.34;
/** Narrowest fold, mm from crest to crest. */
const LEAST_FOLD_MM = 1;
/** Width of the hem, mm, and how far behind its edge the stitches run. */
const [HEM_MM, STITCH_MM] = [0.55, 0.42] as const;

const radii = ({ headMm, lowerMm, overMm }: Values) => {
  const head = headMm / (2 * Math.PI);
  const ball = (head * Math.PI) / 2;
  return { head, lower: lowerMm / (2 * Math.PI), ball, below: overMm - ball };
};

/** Radius at a way from the crown: half a ball, then cloth that runs out or in to the lower edge. */
function outlineOf(values: Values): (wayMm: number) => number {
  const { head, lower, ball, below } = radii(values);
  return (way) =>
    way <= ball
      ? head * Math.sin(way / head)
      : head + (lower - head) * smoothstep(0, 1, (way - ball) / Math.max(1e-6, below));
}

/** Half of the opening along the cloth, mm: it is measured straight across. */
function halfFace(values: Values): number {
  const { head, lower } = radii(values);
  const radius = Math.min(head, lower);
  return radius * Math.asin(values.faceMm / 2 / radius);
}

/** Half the width of the opening at a height, mm along the cloth: straight up, then an arch; 0 above it. */
function halfOpen(values: Values, heightMm: number): number {
  const { openMm } = values;
  const half = halfFace(values);
  const arch = Math.min(openMm, half);
  const up = Math.max(0, heightMm - (openMm - arch)) / arch;
  return up >= 1 ? 0 : half * Math.sqrt(1 - up * up);
}

/** Distance from the edge of the opening, mm; below 0 in it. */
function awayFromOpening(values: Values, radiusAt: (wayMm: number) => number) {
  const { openMm, overMm } = values;
  const half = halfFace(values);
  const arch = Math.min(openMm, half);
  return ({ turnDeg, heightMm }: Place): number => {
    const radius = radiusAt(Math.min(overMm, Math.max(0, overMm - heightMm)));
    const aside = Math.abs((turnDeg - 180) * TO_RAD * radius);
    const up = heightMm - (openMm - arch);
    if (up <= 0) return aside - half;
    // An ellipse, and how fast it is left there (first order).
    const [u, v] = [aside / half, up / arch];
    const out = Math.hypot(u, v);
    const rate = Math.hypot(u / half, v / arch) / Math.max(1e-6, out);
    return (out - 1) / Math.max(1e-6, rate);
  };
}

/** What the opening takes away, mm². */
function openArea(values: Values): number {
  const steps = 200;
  let area = 0;
  for (let at = 0; at < steps; at++)
    area += (2 * halfOpen(values, ((at + 0.5) / steps) * values.openMm) * values.openMm) / steps;
  return area;
}

/** Folds that begin at the neck, each leaning and fading its own way, mm. */
function foldsOf(values: Values, seed: number) {
  const { folds, foldMm, overMm } = values;
  const { below } = radii(values);
  const each = Array.from({ length: folds }, (_, at) => ({
    at: ((at + 0.5 + 0.5 * (hash01(seed, at, 1) - 0.5)) * 360) / Math.max(1, folds),
    deep: 0.6 + 0.4 * hash01(seed, at, 2),
    lean: 26 * (hash01(seed, at, 3) - 0.5),
    begins: 0.55 + 0.4 * hash01(seed, at, 4),
    wide: 0.75 + 0.5 * hash01(seed, at, 5),
  }));
  const apart = 360 / Math.max(1, folds);
  return ({ turnDeg, heightMm }: Place): number => {
    const down = Math.min(1, Math.max(0, overMm - heightMm) / overMm);
    let height = 0;
    for (const fold of each) {
      const strength = smoothstep(1 - Math.min(1, (fold.begins * 1.6 * below) / overMm), 1, down);
      if (strength === 0) continue;
      const off = ((turnDeg - fold.at - fold.lean * (1 - down) + 540) % 360) - 180;
      const away = off / (apart * FOLD_WIDE * fold.wide);
      if (Math.abs(away) < 2.4) height += foldMm * fold.deep * strength * Math.exp(-away * away);
    }
    return height;
  };
}

function reliefOf(values: Values, seed: number): (place: Place) => number {
  const { headMm, overMm, hemMm } = values;
  const radiusAt = outlineOf(values);
  const away = awayFromOpening(values, radiusAt);
  const folds = foldsOf(values, seed);
  const around = (mm: number) => Math.max(3, Math.round(headMm / mm));
  const drape = roundNoise(seed + 5, around(4), 2.6);
  const crumple = roundNoise(seed + 6, around(1.4), 1.1);
  return (place) => {
    const { turnDeg, heightMm } = place;
    const radius = radiusAt(Math.min(overMm, Math.max(0, overMm - heightMm)));
    const soft = smoothstep(overMm, 0.7 * overMm, heightMm);
    const fromOpening = away(place);
    // Cloth pulls towards the edge of the opening: wrinkles are deepest beside it.
    const pulled = Math.exp(-Math.max(0, fromOpening - HEM_MM) / 1.4);
    const onHem = smoothstep(HEM_MM + 0.06, HEM_MM - 0.08, Math.min(fromOpening, heightMm + 0.1));
    const folded = Math.sqrt(Math.max(0, 1 - (1 - smoothstep(-0.02, 0.2, fromOpening)) ** 2));
    const stitch = 0.3 * hemMm * Math.exp(-(((fromOpening - STITCH_MM) / 0.06) ** 2));
    const seam = seamRelief(radius * Math.sin(turnDeg * TO_RAD));
    return (
      (1 - 0.6 * onHem) *
        (folds(place) + 0.12 * soft * drape(place) + (0.03 + 0.1 * pulled) * soft * crumple(place)) +
      hemMm * onHem * folded -
      stitch +
      (1 - onHem) * seam
    );
  };
}

function problems(values: Values): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { headMm, overMm, faceMm, openMm, hemMm, folds, foldMm, lowerMm } = values;
  const { head, lower, ball, below } = radii(values);
  if (below < 0.15 * ball)
    return [
      {
        field: "overMm",
        message: `Over a head ${headMm} mm round the way from the lower edge to the crown is ${formatNumber(1.15 * ball, 1)} mm at least, got ${overMm}.`,
      },
    ];
  // The smooth step between head and lower edge is half as steep again in its middle.
  const most = (STEEPEST * below) / 1.5;
  if (Math.abs(lower - head) > most)
    found.push({
      field: "lowerMm",
      message: `Below a head ${headMm} mm round the lower edge is ${formatNumber(Math.max(0, headMm - 2 * Math.PI * most), 1)} to ${formatNumber(headMm + 2 * Math.PI * most, 1)} mm round, got ${lowerMm}.`,
    });
  const narrow = Math.min(head, lower);
  return [
    ...found,
    ...roomProblem(
      "faceMm",
      faceMm,
      1.6 * narrow,
      `On a radius of ${formatNumber(narrow, 1)} mm the opening`,
    ),
    ...roomProblem("openMm", openMm, overMm - 0.35 * ball, `Of ${overMm} mm up to the crown the opening`),
    ...roomProblem("hemMm", hemMm, 0.2 * narrow, `On a radius of ${formatNumber(narrow, 1)} mm a hem`),
    ...countProblem("folds", folds, lowerMm, LEAST_FOLD_MM, "folds"),
    ...roomProblem(
      "foldMm",
      folds > 0 ? foldMm : 0,
      Math.min(0.4 * narrow, (0.5 * lowerMm) / Math.max(1, folds)),
      `${folds} folds on ${lowerMm} mm round: one`,
    ),
  ];
}

/** A hood worn up: a ball of cloth over the head, an arched opening with a hem, folds down to the shoulders. */
export const hood = defineForm({
  id: "hood",
  version: 1,
  label: "Hood with an opening",
  about:
    "Cloth over the head with an arched opening, a seam over the crown and folds; laid flat as a disc of the same area.",
  worn: { seats: ["head"], by: "top", how: "round" },
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const radiusAt = outlineOf(values);
    const cap = buildCap({
      id: "hood",
      overMm: values.overMm,
      radiusAt,
      relief: reliefOf(values, seed),
      // Sewn of two halves, from the opening over the crown down the back.
      seamsDeg: [0, 180],
      opening: { away: awayFromOpening(values, radiusAt), areaMm2: openArea(values) },
    });
    return { ...cap, edgeMm: CLOTH_EDGE_MM };
  },
});
