import { InputError, type Problem } from "../../errors";
import type { ParamValues } from "../../params";
import { hash01 } from "../../random";
import { formatNumber, modulo } from "../../units";
import { defineForm, type Place, type SurfaceForm } from "./form";

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
} as const;

type Values = ParamValues<typeof params>;

function problems(values: Values): Problem[] {
  const found: Problem[] = [];
  for (const [name, spec] of Object.entries(params)) {
    const value = values[name as keyof Values];
    if (!Number.isFinite(value) || value < spec.range[0] || value > spec.range[1]) {
      found.push({
        field: name,
        message: `${spec.label} must be ${spec.range[0]} to ${spec.range[1]}${spec.unit && ` ${spec.unit}`}, got ${value}.`,
      });
    }
  }
  for (const name of ["pleats", "seams"] as const) {
    if (Number.isFinite(values[name]) && !Number.isInteger(values[name])) {
      found.push({
        field: name,
        message: `${params[name].label} must be a whole number, got ${values[name]}.`,
      });
    }
  }
  if (found.length > 0) return found;
  const flare = Math.abs(values.hemMm - values.waistMm) / (2 * Math.PI);
  if (flare >= values.slantMm * 0.98) {
    const most = 2 * Math.PI * values.slantMm * 0.98;
    found.push({
      field: "slantMm",
      message:
        `Waist and hem differ by ${formatNumber(Math.abs(values.hemMm - values.waistMm), 1)} mm, but a band ` +
        `${formatNumber(values.slantMm, 1)} mm high can widen or narrow by ${formatNumber(most, 1)} mm at most. ` +
        `Make it at least ${formatNumber(flare / 0.98 + 0.05, 1)} mm high, or bring waist and hem closer.`,
    });
  }
  if (values.pleats > 0) {
    const pitch = (Math.min(values.waistMm, values.hemMm) * (1 - values.gapDeg / 360)) / values.pleats;
    if (values.pleatDepthMm * 2 >= pitch) {
      found.push({
        field: "pleatDepthMm",
        message:
          `A fold ${formatNumber(values.pleatDepthMm, 1)} mm deep takes more cloth than the ` +
          `${formatNumber(pitch, 1)} mm from one fold to the next. Depth can be ${formatNumber(pitch / 2.05, 1)} mm at most here.`,
      });
    }
  }
  return found;
}

const RIDGE_STEPS = 2048;
/** Height of a fold by its phase, 0…1 at each end and between: asked for every cell, its powers are worked out once. */
const RIDGE = Float64Array.from({ length: RIDGE_STEPS + 2 }, (_, at) => {
  const within = at / RIDGE_STEPS;
  const ridge = 0.5 + 0.5 * Math.cos(2 * Math.PI * (within + 0.06 * Math.sin(2 * Math.PI * within)));
  return Math.pow(Math.max(0, ridge), 0.8);
});

function ridgeAt(within: number): number {
  const at = within * RIDGE_STEPS;
  const step = Math.floor(at);
  return RIDGE[step]! + (RIDGE[step + 1]! - RIDGE[step]!) * (at - step);
}

/** Folds: rounded ridges, sharper valleys, each a little unlike its neighbours, deeper towards the hem. */
function foldRelief(values: Values, seed: number): (turnDeg: number, down01: number) => number {
  const { pleats, pleatDepthMm } = values;
  if (pleats === 0 || pleatDepthMm === 0) return () => 0;
  const shown = 360 - values.gapDeg;
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

function build(values: Values, seed: number): SurfaceForm {
  const wrong = problems(values);
  if (wrong.length > 0) throw new InputError(wrong);
  const { waistMm, hemMm, slantMm } = values;
  const shownDeg = 360 - values.gapDeg;
  const share = shownDeg / 360;
  /** Change of radius per mm of slant; positive where the band widens downwards. */
  const sine = (hemMm - waistMm) / (2 * Math.PI * slantMm);
  const cosine = Math.sqrt(1 - sine * sine);
  const straight = Math.abs(sine) < 1e-6;
  const hemRadius = hemMm / (2 * Math.PI);
  /** Signed distance from the apex to the hem; negative where the apex lies below (hem smaller than waist). */
  const apexMm = straight ? Infinity : hemRadius / sine;
  const middle = shownDeg / 2;
  const folds = foldRelief(values, seed);
  const toRad = Math.PI / 180;
  const lengthAt = (heightMm: number) => (hemMm + ((waistMm - hemMm) * heightMm) / slantMm) * share;

  const flatten = ({ turnDeg, heightMm }: Place) => {
    const turned = turnDeg - middle;
    if (straight) return [(turned * toRad * hemMm) / (2 * Math.PI), -heightMm] as const;
    const angle = turned * toRad * sine;
    const distance = apexMm - heightMm;
    return [distance * Math.sin(angle), distance * Math.cos(angle) - apexMm] as const;
  };

  const place = ([x, y]: readonly [number, number]): Place => {
    if (straight) return { turnDeg: (x * 2 * Math.PI) / hemMm / toRad + middle, heightMm: -y };
    const down = y + apexMm;
    const sign = apexMm > 0 ? 1 : -1;
    const distance = sign * Math.sqrt(x * x + down * down);
    return {
      turnDeg: Math.atan2(x * sign, down * sign) / (sine * toRad) + middle,
      heightMm: apexMm - distance,
    };
  };

  return {
    id: "cone-band",
    closed: values.gapDeg === 0,
    turnDeg: shownDeg,
    slantMm,
    areaMm2: ((waistMm + hemMm) / 2) * slantMm * share,
    seamsDeg: Array.from({ length: values.seams }, (_, seam) => (seam * shownDeg) / values.seams),
    bounds: boundsOf(flatten, shownDeg, slantMm),
    lengthAt,
    apexMm,
    flatPerTurn: straight ? 0 : sine,
    flatten,
    place,
    inSpace: ({ turnDeg, heightMm }) => {
      const radius = hemRadius - sine * heightMm + cosine * folds(turnDeg, 1 - heightMm / slantMm);
      return [radius * Math.sin(turnDeg * toRad), heightMm * cosine, radius * Math.cos(turnDeg * toRad)];
    },
    relief: ({ turnDeg, heightMm }) => folds(turnDeg, 1 - heightMm / slantMm),
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
  version: 1,
  label: "Skirt or band round a body",
  about: "A flaring, straight or narrowing band, closed or with a hidden gap, smooth or pleated.",
  params,
  problems,
  build,
});
