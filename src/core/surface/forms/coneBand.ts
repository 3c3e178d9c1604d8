import { InputError, type Problem } from "../../errors";
import type { ParamValues } from "../../params";
import { hash01 } from "../../random";
import { formatNumber, modulo, smoothstep } from "../../units";
import { CLOTH_EDGE_MM, defineForm, type Place, type SurfaceForm } from "./form";
import { roomProblem } from "./sizes";

const params = {
  waistMm: {
    label: "Round the waist",
    unit: "mm",
    range: [2, 400],
    step: 0.5,
    default: 34,
    about:
      "Wrap a paper strip round the top edge, mark where it meets itself, unroll and measure. On pleats press the strip into every fold.",
  },
  hemMm: {
    label: "Round the hem",
    unit: "mm",
    range: [2, 400],
    step: 0.5,
    default: 58,
    about: "The same at the lower edge. It may be smaller than the waist.",
  },
  slantMm: {
    label: "Height along the slope",
    unit: "mm",
    range: [1, 150],
    step: 0.5,
    default: 11,
    about: "Lay the strip on the cloth from waist to hem, following the slope, not upright.",
  },
  gapDeg: {
    label: "Hidden gap",
    unit: "°",
    range: [0, 330],
    step: 5,
    default: 0,
    about: "The part of the turn that no one sees, behind an arm or a pack. 0 is closed all round.",
  },
  pleats: {
    label: "Pleats or folds",
    unit: "",
    range: [0, 60],
    step: 1,
    default: 0,
    about: "Count them once round the whole band.",
  },
  pleatDepthMm: {
    label: "Depth of a fold",
    unit: "mm",
    range: [0, 6],
    step: 0.1,
    default: 0.6,
    about: "From the ridge into the valley at the hem, with a pin or a cocktail stick.",
  },
  seams: {
    label: "Seams",
    unit: "",
    range: [1, 12],
    step: 1,
    default: 1,
    about: "Sewn joins evenly round the band. The first is where the cloth closes.",
  },
  tight: {
    label: "How narrow the folds are",
    unit: "%",
    range: [0, 100],
    step: 5,
    default: 50,
    about: "0 for round folds that touch each other, 100 for narrow ridges with open cloth between them.",
  },
  borderMm: {
    label: "Sewn hem",
    unit: "mm",
    range: [0, 6],
    step: 0.1,
    default: 0.6,
    about: "Width of the turned-up lower edge with its line of stitches; 0 for a cut one.",
  },
} as const;

type Values = ParamValues<typeof params>;

/** Sizes that are no numbers, out of range, or counts that are not whole. */
function singleProblems(values: Values): Problem[] {
  const outside = Object.entries(params).flatMap(([name, spec]): Problem[] => {
    const value = values[name as keyof Values];
    if (Number.isFinite(value) && value >= spec.range[0] && value <= spec.range[1]) return [];
    const allowed = `${spec.range[0]} to ${spec.range[1]}${spec.unit && ` ${spec.unit}`}`;
    return [{ field: name, message: `${spec.label} must be ${allowed}, got ${value}.` }];
  });
  const broken = (["pleats", "seams"] as const).flatMap((name): Problem[] => {
    if (!Number.isFinite(values[name]) || Number.isInteger(values[name])) return [];
    const message = `${params[name].label} must be a whole number, got ${values[name]}.`;
    return [{ field: name, message }];
  });
  return [...outside, ...broken];
}

/** A band that would have to widen faster than its own height allows. */
function flareProblems({ waistMm, hemMm, slantMm }: Values): Problem[] {
  const flare = Math.abs(hemMm - waistMm) / (2 * Math.PI);
  if (flare < slantMm * 0.98) return [];
  const most = 2 * Math.PI * slantMm * 0.98;
  const message =
    `Waist and hem differ by ${formatNumber(Math.abs(hemMm - waistMm), 1)} mm, but a band ` +
    `${formatNumber(slantMm, 1)} mm high can widen or narrow by ${formatNumber(most, 1)} mm at most. ` +
    `Make it at least ${formatNumber(flare / 0.98 + 0.05, 1)} mm high, or bring waist and hem closer.`;
  return [{ field: "slantMm", message }];
}

/** Folds that take more cloth than lies between them: either they are too deep, or the narrower edge is too short. */
function foldProblems({ waistMm, hemMm, gapDeg, pleats, pleatDepthMm }: Values): Problem[] {
  if (pleats <= 0) return [];
  const pitch = (Math.min(waistMm, hemMm) * (1 - gapDeg / 360)) / pleats;
  if (pleatDepthMm * 2 < pitch) return [];
  const message =
    `A fold ${formatNumber(pleatDepthMm, 1)} mm deep takes more cloth than the ` +
    `${formatNumber(pitch, 1)} mm from one fold to the next. Depth can be ${formatNumber(pitch / 2.05, 1)} mm at most here.`;
  const [edge, field] = waistMm < hemMm ? (["waist", "waistMm"] as const) : (["hem", "hemMm"] as const);
  const least = (2.05 * pleatDepthMm * pleats) / (1 - gapDeg / 360);
  const wider =
    `${pleats} folds ${formatNumber(pleatDepthMm, 1)} mm deep need ` +
    `${formatNumber(Math.ceil(least * 2) / 2, 1)} mm round the ${edge} at least.`;
  return [
    { field: "pleatDepthMm", message },
    { field, message: wider },
  ];
}

function problems(values: Values): Problem[] {
  const single = singleProblems(values);
  if (single.length > 0) return single;
  const { slantMm, borderMm } = values;
  return [
    ...flareProblems(values),
    ...foldProblems(values),
    ...roomProblem(
      "borderMm",
      borderMm,
      0.4 * slantMm,
      `On ${formatNumber(slantMm, 1)} mm of height a sewn hem`,
    ),
  ];
}

const RIDGE_STEPS = 2048;

/** Height of a fold by its phase, 0…1 at each end and between: asked for every cell, its powers are worked out once. */
function ridgeOf(tight: number): (within: number) => number {
  const power = 0.8 + (2.4 * tight) / 100;
  const ridges = Float64Array.from({ length: RIDGE_STEPS + 2 }, (_, at) => {
    const within = at / RIDGE_STEPS;
    const ridge = 0.5 + 0.5 * Math.cos(2 * Math.PI * (within + 0.06 * Math.sin(2 * Math.PI * within)));
    return Math.pow(Math.max(0, ridge), power);
  });
  return (within) => {
    const at = within * RIDGE_STEPS;
    const step = Math.floor(at);
    return ridges[step]! + (ridges[step + 1]! - ridges[step]!) * (at - step);
  };
}

/** How far a turned-up hem stands out, and the groove of its stitches, mm. */
const [BORDER_UP_MM, GROOVE_MM] = [0.07, 0.06] as const;

/** A turned-up hem with its line of stitches. */
function borderAt(heightMm: number, borderMm: number): number {
  if (borderMm === 0) return 0;
  const groove = (heightMm - borderMm + 0.16) / 0.06;
  return (
    BORDER_UP_MM * smoothstep(borderMm + 0.07, borderMm - 0.07, heightMm) -
    GROOVE_MM * Math.exp(-groove * groove)
  );
}

/** Folds: rounded ridges, sharper valleys, each a little unlike its neighbours, deeper towards the hem. */
function foldRelief(values: Values, seed: number): (turnDeg: number, down01: number) => number {
  const { pleats, pleatDepthMm } = values;
  if (pleats === 0 || pleatDepthMm === 0) return () => 0;
  const shown = 360 - values.gapDeg;
  const ridgeAt = ridgeOf(values.tight);
  const unlike = Float64Array.from({ length: pleats }, (_, fold) => 0.72 + 0.28 * hash01(seed, fold));
  return (turnDeg, down01) => {
    const phase = (turnDeg / shown) * pleats + 0.18 * Math.sin(down01 * 2.2 + (seed % 7));
    const at = Math.floor(phase);
    const within = phase - at;
    // The depth changes smoothly from fold to fold, and over the closing seam as well.
    const depth = unlike[modulo(at, pleats)]! * (1 - within) + unlike[modulo(at + 1, pleats)]! * within;
    const reach = 0.3 + 0.7 * Math.min(1, Math.max(0, down01));
    return pleatDepthMm * depth * reach * ridgeAt(within);
  };
}

const TO_RAD = Math.PI / 180;

/** How a band unrolls: between its places and points on the flat, without stretching it. */
function unroll({ waistMm, hemMm, slantMm }: Values, shownDeg: number) {
  /** Change of radius per mm of slant; positive where the band widens downwards. */
  const sine = (hemMm - waistMm) / (2 * Math.PI * slantMm);
  const straight = Math.abs(sine) < 1e-6;
  /** Signed distance from the apex to the hem; negative where the apex lies below (hem smaller than waist). */
  const apexMm = straight ? Infinity : hemMm / (2 * Math.PI) / sine;
  const middle = shownDeg / 2;
  const flatten = ({ turnDeg, heightMm }: Place) => {
    const turned = turnDeg - middle;
    if (straight) return [(turned * TO_RAD * hemMm) / (2 * Math.PI), -heightMm] as const;
    const angle = turned * TO_RAD * sine;
    const distance = apexMm - heightMm;
    return [distance * Math.sin(angle), distance * Math.cos(angle) - apexMm] as const;
  };
  const place = ([x, y]: readonly [number, number]): Place => {
    if (straight) return { turnDeg: (x * 2 * Math.PI) / hemMm / TO_RAD + middle, heightMm: -y };
    const down = y + apexMm;
    const sign = apexMm > 0 ? 1 : -1;
    const distance = sign * Math.sqrt(x * x + down * down);
    const turnDeg = Math.atan2(x * sign, down * sign) / (sine * TO_RAD) + middle;
    return { turnDeg, heightMm: apexMm - distance };
  };
  return { sine, apexMm, flatPerTurn: straight ? 0 : sine, flatten, place };
}

function build(values: Values, seed: number): SurfaceForm {
  const wrong = problems(values);
  if (wrong.length > 0) throw new InputError(wrong);
  const { waistMm, hemMm, slantMm } = values;
  const shownDeg = 360 - values.gapDeg;
  const share = shownDeg / 360;
  const { sine, ...unrolled } = unroll(values, shownDeg);
  const cosine = Math.sqrt(1 - sine * sine);
  const folded = foldRelief(values, seed);
  const folds = (turnDeg: number, heightMm: number) =>
    folded(turnDeg, 1 - heightMm / slantMm) + borderAt(heightMm, values.borderMm);
  // The middle of what is laid flat is what is seen from the front; the band closes behind.
  const fromFront = (turnDeg: number) => (turnDeg - shownDeg / 2) * TO_RAD;
  return {
    id: "cone-band",
    edgeMm: CLOTH_EDGE_MM,
    closed: values.gapDeg === 0,
    turnDeg: shownDeg,
    slantMm,
    areaMm2: ((waistMm + hemMm) / 2) * slantMm * share,
    seamsDeg: Array.from({ length: values.seams }, (_, seam) => (seam * shownDeg) / values.seams),
    bounds: boundsOf(unrolled.flatten, shownDeg, slantMm),
    lengthAt: (heightMm) => (hemMm + ((waistMm - hemMm) * heightMm) / slantMm) * share,
    ...unrolled,
    inSpace: ({ turnDeg, heightMm }) => {
      const lift = cosine * folds(turnDeg, heightMm);
      const radius = hemMm / (2 * Math.PI) - sine * heightMm + lift;
      const turn = fromFront(turnDeg);
      return [radius * Math.sin(turn), heightMm * cosine, radius * Math.cos(turn)];
    },
    facing: ({ turnDeg }) => {
      const turn = fromFront(turnDeg);
      return [cosine * Math.sin(turn), sine, cosine * Math.cos(turn)];
    },
    relief: ({ turnDeg, heightMm }) => folds(turnDeg, heightMm),
  };
}

function boundsOf(flatten: SurfaceForm["flatten"], turnDeg: number, slantMm: number): SurfaceForm["bounds"] {
  const bounds = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (let step = 0; step <= 720; step++) {
    for (const heightMm of [0, slantMm]) {
      const [x, y] = flatten({ turnDeg: (turnDeg * step) / 720, heightMm });
      bounds.minX = Math.min(bounds.minX, x);
      bounds.maxX = Math.max(bounds.maxX, x);
      bounds.minY = Math.min(bounds.minY, y);
      bounds.maxY = Math.max(bounds.maxY, y);
    }
  }
  return bounds;
}

/** A band of cloth round a body: skirt, kilt, sleeve or cape hem, flaring, straight or narrowing downwards. */
export const coneBand = defineForm({
  id: "cone-band",
  version: 2,
  label: "Skirt or band round a body",
  about: "A flaring, straight or narrowing band, closed or with a hidden gap, smooth or pleated.",
  worn: { seats: ["waist", "shoulders", "neck"], by: "top", how: "round" },
  params,
  added: { 2: { tight: 0, borderMm: 0 } },
  problems,
  build,
});
