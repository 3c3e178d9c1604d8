import { inZones } from "../../job";
import type { Random } from "../../random";
import { growthAt, type GrowthField, type Lie } from "../../surface/growthField";
import { lieField } from "../../surface/growthOn";
import { hash01 } from "../../random";
import { softNoise } from "../../surface/forms/sheet";
import { scatterApart } from "../apart";
import { COMBED } from "../flick";
import type { Spot } from "../scatter";
import type { PlacedMark } from "../singleMarks";
import { layTapered, type TaperedStroke } from "../tapered";
import { defineTechnique, edgeSoftMm, placeWeights, type LayContext } from "../technique";

/** Hairs painted one by one along the growth: a blunt root, a long thin tip, in clumps that lean together. */
export const hair = defineTechnique({
  id: "hair",
  version: 1,
  label: "Hair strokes",
  about: "Strokes along the growth map, each from a blunt root to a fine tip; clumps lean together.",
  params: {
    density: {
      label: "Strokes",
      unit: "per mm²",
      range: [0.2, 30],
      step: 0.2,
      default: 8,
      about: "How many on a square millimetre where the coat is fully wanted.",
    },
    length: {
      label: "Length",
      unit: "mm",
      range: [0.1, 6],
      step: 0.05,
      default: 1,
      about: "The middle of their lengths, where the growth map says 100 %.",
    },
    lengthSpread: {
      label: "Variation of length",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 25,
      about: "0 makes all alike.",
    },
    width: {
      label: "Width",
      unit: "mm",
      range: [0.03, 0.5],
      step: 0.01,
      default: 0.1,
      about: "Where it is broadest, a little behind the root.",
    },
    hides: {
      label: "One stroke hides",
      unit: "%",
      range: [20, 100],
      step: 5,
      default: 80,
      about: "How much of the tone below goes under one stroke. A stroke that hides little is no hair.",
    },
    clump: {
      label: "Clumps lean",
      unit: "°",
      range: [0, 45],
      step: 1,
      default: 14,
      about: "How far hairs that stand together lean to one side.",
    },
    stray: {
      label: "Single hairs stray",
      unit: "°",
      range: [0, 60],
      step: 1,
      default: 6,
      about: "How far each lies off its clump.",
    },
    curl: {
      label: "Bend",
      unit: "°",
      range: [0, 90],
      step: 5,
      default: 15,
      about: "How far a hair turns from its root to its tip.",
    },
    tufts: {
      label: "In tufts",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 45,
      about: "0 spreads them evenly, 100 leaves places of about a millimetre nearly without.",
    },
    apart: {
      label: "Kept apart",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 40,
      about: "0 lets them fall anyhow and overlap, 100 keeps them apart, so that the gaps read as hair.",
    },
  },
  lays: ["field"],
  filmShare: 0.6,
  followsGrowth: true,
  startWater: 0.5,
  startPlace: inZones([], 0, { values: { from: 0.35, to: 1, fade: 0.4 } }),
  markWidth: "width",
  steady: true,
  bench: {
    tool: "fine long round brush with a good tip",
    how: "Touch down at the root, draw along the lie and lift off, so that the tip runs out over the next root; start where the hair ends and work towards where it begins.",
    lookAt: "All lie as hair grows there, none two alike; the tone below still shows between them.",
    trial: "A stroke in the air, then one on your thumbnail: it must run out to nothing.",
  },
  caution: null,
  marksOn: (areaMm2, params) => ({ count: Math.round(areaMm2 * params.density), name: "stroke" }),
  singles: {
    intent: { aligned: false, clustered: true, alike: true, mostDirection: COMBED },
    of: (context, params, random) => hairMarks(context, params, random),
    remedies: {
      alike: { label: "Vary their length by 25 %", param: "lengthSpread", value: 25 },
    },
  },
  lay(film, context, params, random) {
    const weights = placeWeights(context);
    for (let pass = 0; pass < context.passes; pass++)
      layTapered(film, context.grid, hairsOf(context, params, random.fork(pass), weights));
  },
});

interface Hairs {
  readonly density: number;
  readonly length: number;
  readonly lengthSpread: number;
  readonly width: number;
  readonly hides: number;
  readonly clump: number;
  readonly stray: number;
  readonly curl: number;
  readonly tufts: number;
  readonly apart: number;
}

/** Hairs this near lean together, mm. */
const CLUMP_MM = 0.55;
/** Tufts are about so large, mm. */
const TUFT_MM = 0.9;
const STEP_MM = 0.2;
const MOST_STEPS = 24;
const LONGEST_MM = 9;
const radians = (deg: number): number => (deg * Math.PI) / 180;

/** One hair as the hand sets it. */
export interface HairStroke extends TaperedStroke {
  readonly spot: Spot;
  readonly lengthMm: number;
  /** How far it turns from the lie at its middle, radians; anticlockwise as it is looked at. */
  readonly strayed: number;
}

/**
 * Every hair of one pass; counts and statistics come from these, not from cells.
 * @param weights how much the coat is wanted at each cell; worked out where left out
 */
export function hairsOf(
  context: LayContext,
  params: Hairs,
  random: Random,
  weights = placeWeights(context),
): HairStroke[] {
  const seed = Math.floor(random.range(0, 2 ** 30));
  const [lean, clouds] = [softNoise(seed, CLUMP_MM, hash01), softNoise(seed + 1, TUFT_MM, hash01)];
  const tuft = (x: number, y: number) => Math.min(1, Math.max(-1, 1.6 * clouds(x, y)));
  const spread = { perMm2: params.density, apart01: params.apart / 100, tufts01: params.tufts / 100, tuft };
  const spots = scatterApart(context.grid, weights, spread, random);
  return spots.map((spot) => hairAt(context, params, spot, lean(spot.xMm, spot.yMm), random));
}

function hairAt(context: LayContext, params: Hairs, spot: Spot, lean: number, random: Random): HairStroke {
  const sigma = params.lengthSpread / 100;
  const grown = growthAt(lieField(context.grid), spot.xMm, spot.yMm, middle);
  const long = params.length * Math.exp(sigma * random.normal() - (sigma * sigma) / 2);
  // What stands off the ground is seen shorter on it.
  const lengthMm = Math.min(LONGEST_MM, long * grown.length * Math.cos(grown.lift));
  const strayed = radians(params.clump) * lean + radians(params.stray) * random.normal() * 0.8;
  const curl = radians(params.curl) * random.normal();
  const [wide, load] = [0.7 + 0.6 * random.next(), 0.65 + 0.7 * random.next()];
  const steps = Math.min(MOST_STEPS, Math.max(3, Math.ceil(lengthMm / STEP_MM)));
  const half = new Float64Array(steps + 1);
  const um = new Float64Array(steps + 1);
  for (let k = 0; k <= steps; k++) {
    half[k] = (params.width / 2) * wide * taper(k / steps);
    um[k] = context.passUm * load * (1.15 - (0.5 * k) / steps);
  }
  return {
    ...{ spot, lengthMm, strayed, half, um, softMm: edgeSoftMm(context.water) * 0.4 },
    path: traced(lieField(context.grid), spot, { lengthMm, steps, strayed, curl }),
    hides: Math.min(1, (params.hides / 100) * (0.8 + 0.4 * random.next())),
    piece: context.overSeams ? null : spot.piece,
  };
}
const middle: Lie = { x: 0, y: 1, length: 1, lift: 0 };

/** Broadest a little behind the root, where the brush touches down; then it runs out into a tip. */
const taper = (t: number): number =>
  t < 0.15 ? 0.6 + 0.4 * Math.sqrt(t / 0.15) : Math.max(0.06, ((1 - t) / 0.85) ** 0.75);

interface Way {
  readonly lengthMm: number;
  readonly steps: number;
  readonly strayed: number;
  readonly curl: number;
}

/** The line of a hair, root first: followed through the lie both ways from its middle. */
function traced(
  field: GrowthField,
  { xMm, yMm }: Spot,
  { lengthMm, steps, strayed, curl }: Way,
): Float64Array {
  const path = new Float64Array((steps + 1) * 2);
  const from = Math.floor(steps / 2);
  const step = lengthMm / steps;
  path[from * 2] = xMm;
  path[from * 2 + 1] = yMm;
  for (const way of [1, -1] as const) {
    let [x, y] = [xMm, yMm];
    for (let k = from; way > 0 ? k < steps : k > 0; k += way) {
      const { x: dx, y: dy } = growthAt(field, x, y, along);
      const turn = strayed + curl * ((k + way * 0.5) / steps - 0.5);
      const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
      // Turned anticlockwise as it is looked at; y grows downwards.
      x += way * step * (dx * cos + dy * sin);
      y += way * step * (dy * cos - dx * sin);
      path[(k + way) * 2] = x;
      path[(k + way) * 2 + 1] = y;
    }
  }
  return path;
}
const along: Lie = { x: 0, y: 1, length: 1, lift: 0 };

/** Hairs of the first pass as marks that can be judged. */
const hairMarks = (context: LayContext, params: Hairs, random: Random): PlacedMark[] =>
  hairsOf(context, params, random.fork(0)).map(({ spot, lengthMm, strayed }, at) => ({
    id: String(at),
    xMm: spot.xMm,
    yMm: spot.yMm,
    areaMm2: 0.65 * lengthMm * params.width,
    angle: strayed,
  }));
