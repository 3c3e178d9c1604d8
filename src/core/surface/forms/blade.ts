import { InputError, type Problem } from "../../errors";
import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import type { ParamValues } from "../../params";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { countProblem, mmSize, roomProblem, sizeProblems } from "./sizes";

const params = {
  lengthMm: mmSize("Length", [2, 150], 0.5, 20, "From the guard to the point, with a ruler."),
  guardMm: mmSize("Width at the guard", [0.6, 40], 0.1, 3.2, "From edge to edge, or from back to edge."),
  tipMm: mmSize("Width before the point", [0.4, 40], 0.1, 2.4, "Where the point begins."),
  pointMm: mmSize("Length of the point", [0.2, 60], 0.1, 4, "Over which it runs out."),
  edges: {
    ...{ label: "Edges", unit: "", range: [1, 2] as const, step: 1, default: 2 },
    about: "1 for a knife with a back, on the left; 2 for a sword or spear.",
  },
  thickMm: mmSize("Ridge over the edge", [0.05, 4], 0.05, 0.5, "Half its thickness at the thickest."),
  bevelMm: mmSize(
    "Ground edge",
    [0, 6],
    0.05,
    0.45,
    "Width of the steeper strip along the edge; 0 for none.",
  ),
  fullerMm: mmSize("Groove", [0, 10], 0.05, 0, "Width of the groove along the middle; 0 for none."),
  nicks: {
    ...{ label: "Nicks", unit: "", range: [0, 30] as const, step: 1, default: 3 },
    about: "Notches in the edges, counted; 0 for a new one.",
  },
} as const;

type Sizes = ParamValues<typeof params>;

/** The groove goes from the guard over this share of what comes before the point; it is so deep against the ridge. */
const [GROOVED, GROOVE_DEEP] = [0.85, 0.6] as const;
/** Share of the thickness that a bevel falls by; least room of a nick along an edge, mm. */
const [BEVEL_FALLS, LEAST_NICK_MM] = [0.35, 0.5] as const;

/** A point runs out to the rest of its width: no caster makes a needle. */
const RUNS_OUT = 0.93;

/** How far the edges lie from the middle line of the sheet, mm, left and right. */
function outline({ lengthMm, guardMm, tipMm, pointMm, edges }: Sizes) {
  const body = lengthMm - pointMm;
  const widest = Math.max(guardMm, tipMm) / 2;
  return (upMm: number): readonly [left: number, right: number] => {
    const t = Math.min(1, Math.max(0, upMm / body));
    const wide = guardMm + (tipMm - guardMm) * t;
    const gone = Math.min(1, Math.max(0, (upMm - body) / pointMm));
    // The edge of a knife comes up to its back; both edges of a sword meet in the middle.
    if (edges === 1) return [widest, wide * (1 - RUNS_OUT * gone ** 1.6) - widest];
    const half = (wide / 2) * (1 - RUNS_OUT * gone ** 1.3);
    return [half, half];
  };
}

/** Area, mm²: the body's trapezium and a point that is bounded by a power. */
const areaOf = ({ lengthMm, guardMm, tipMm, pointMm, edges }: Sizes): number =>
  ((guardMm + tipMm) / 2) * (lengthMm - pointMm) +
  tipMm * pointMm * (1 - RUNS_OUT / (1 + (edges === 1 ? 1.6 : 1.3)));

/** Distance to the outline, mm, above 0 inside. @param x from the middle of the sheet */
function rimOf(sizes: Sizes): (x: number, up: number) => number {
  const sides = outline(sizes);
  const step = 0.02 * sizes.lengthMm;
  return (x, up) => {
    const [left, right] = sides(up);
    const lean = (side: 0 | 1) => (sides(up + step)[side] - sides(up - step)[side]) / (2 * step);
    const toLeft = (x + left) / Math.hypot(1, lean(0));
    const toRight = (right - x) / Math.hypot(1, lean(1));
    return Math.min(up, sizes.lengthMm - up, toLeft, toRight);
  };
}

/** Nicks in its edges: how deep one cuts at a place, 0…1. */
function nicksOf({ lengthMm, pointMm, edges, nicks }: Sizes, seed: number) {
  const notches = Array.from({ length: nicks }, (_, at) => ({
    upMm: (0.12 + 0.8 * ((at + hash01(seed, at, 5)) / nicks)) * (lengthMm - pointMm / 2),
    right: edges === 1 || hash01(seed, at, 6) > 0.5,
    wide: 0.1 + 0.22 * hash01(seed, at, 7),
  }));
  return (up: number, toEdge: number, right: boolean): number => {
    let cut = 0;
    for (const one of notches)
      if (one.right === right)
        cut = Math.max(cut, 1 - Math.hypot((up - one.upMm) / one.wide, toEdge / (0.8 * one.wide)));
    return cut;
  };
}

/** Height of ridge, ground edge, groove and nicks, mm. */
function reliefOf(sizes: Sizes, seed: number) {
  const { lengthMm, guardMm, tipMm, pointMm, edges, thickMm, bevelMm, fullerMm } = sizes;
  const sides = outline(sizes);
  const wide = Math.max(guardMm, tipMm);
  const dull = softNoise(seed, 1.4, hash01);
  const fine = softNoise(seed + 1, 0.3, hash01);
  const nickAt = nicksOf(sizes, seed);
  const grooveEnd = GROOVED * (lengthMm - pointMm);
  return (along: number, up: number): number => {
    const x = along - wide / 2;
    const [left, right] = sides(Math.min(lengthMm, Math.max(0, up)));
    const toRight = Math.max(0, right - x);
    const toEdge = edges === 1 ? toRight : Math.min(toRight, Math.max(0, x + left));
    const across = edges === 1 ? left + right : (left + right) / 2;
    const bevel = Math.min(bevelMm, 0.4 * across);
    const ridge = across > 1e-6 ? Math.min(1, toEdge / across) : 0;
    let high = thickMm * (bevel > 0 ? (1 - BEVEL_FALLS) * ridge : ridge);
    if (bevel > 0) high += thickMm * BEVEL_FALLS * Math.min(1, toEdge / bevel);
    if (fullerMm > 0) {
      const middle = edges === 1 ? 0.3 * (left + right) - left : 0;
      const aside = Math.min(1, Math.abs(x - middle) / (fullerMm / 2));
      high -= GROOVE_DEEP * thickMm * (1 - aside * aside) * smoothstep(grooveEnd, 0.94 * grooveEnd, up);
    }
    high -= 0.6 * thickMm * nickAt(up, toEdge, x > 0 || edges === 1);
    return high + 0.012 * dull(along, up) + 0.006 * fine(along, up);
  };
}

function problems(values: Sizes): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { lengthMm, guardMm, tipMm, pointMm, edges, thickMm, bevelMm, fullerMm, nicks } = values;
  const narrow = Math.min(guardMm, tipMm);
  const blade = `On a blade ${narrow} mm wide`;
  return [
    ...roomProblem("pointMm", pointMm, 0.7 * lengthMm, `Of ${lengthMm} mm of length the point`),
    ...roomProblem("guardMm", guardMm, 0.9 * lengthMm, `A blade ${lengthMm} mm long: its width`),
    ...roomProblem(
      "tipMm",
      tipMm,
      Math.min(0.9 * lengthMm, 1.5 * guardMm),
      `From ${guardMm} mm at the guard it`,
    ),
    ...roomProblem("thickMm", thickMm, (edges === 1 ? 0.5 : 0.4) * narrow, `${blade} the ridge`),
    ...roomProblem("bevelMm", bevelMm, 0.3 * narrow, `${blade} the ground edge`),
    ...roomProblem("fullerMm", fullerMm, 0.5 * narrow, `${blade} the groove`),
    ...countProblem("nicks", nicks, 0.8 * lengthMm * edges, LEAST_NICK_MM, "nicks"),
  ];
}

/** Its edge is as thin as casters can make it, mm. */
const THIN_MM = 0.14;

/** One face of a blade: ridge or back, ground edge, groove and nicks. */
export const blade = defineForm({
  id: "blade",
  version: 1,
  label: "Blade, one face",
  about: "A sword, knife or spear: ridge, ground edge, groove and nicks. The other face is a second piece.",
  worn: {
    seats: ["right-hand", "left-hand", "right-hip", "left-hip", "back", "hull"],
    by: "foot",
    how: "on",
  },
  material: "metal",
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const wide = Math.max(values.guardMm, values.tipMm);
    const [rim, relief] = [rimOf(values), reliefOf(values, seed)];
    const sheet = buildSheet({ id: "blade", lengthMm: wide, widthMm: values.lengthMm, relief });
    return {
      ...sheet,
      areaMm2: areaOf(values),
      edgeMm: THIN_MM,
      rim: ({ turnDeg, heightMm }) => rim((turnDeg / 360 - 0.5) * wide, heightMm),
    };
  },
});
