import { runsTo } from "../../surface/places";
import type { Random } from "../../random";
import { cellAt, scatter, type Spot } from "../scatter";
import { layMark, type Pull } from "../strokes";
import { defineTechnique, edgeSoftMm, placeWeights, type LayContext } from "../technique";
import { wander } from "../texture";

const STEP_MM = 0.12;
const MOST_PIECES = 24;

/** Runs of rust, rain and dirt: from a start point down the piece, fading. */
export const streak = defineTechnique({
  id: "streak",
  version: 1,
  label: "Streaks",
  about: "From start points down the piece, drawn out with a damp brush until they fade.",
  params: {
    density: {
      label: "Start points",
      unit: "per mm²",
      range: [0.02, 12],
      step: 0.02,
      default: 0.2,
      about: "How many on a square millimetre where the coat is fully wanted.",
    },
    length: {
      label: "Length",
      unit: "mm",
      range: [0.4, 12],
      step: 0.2,
      default: 2.6,
      about: "The middle of their lengths.",
    },
    width: {
      label: "Width",
      unit: "mm",
      range: [0.06, 1],
      step: 0.02,
      default: 0.2,
      about: "Where it starts.",
    },
    ridges: {
      label: "Runs from one point",
      unit: "",
      range: [1, 5],
      step: 1,
      default: 3,
      about: "A run parts into a few that follow each other closely.",
    },
  },
  lays: ["field"],
  filmShare: 0.35,
  startWater: 3,
  runsDown: true,
  markWidth: "width",
  bench: {
    tool: "fine brush and a clean damp one",
    how: "Set a small start, then draw it down at once with the damp brush until it is gone.",
    lookAt: "Widest and darkest at the start, straight down, each of its own length.",
  },
  caution: null,
  marksOn: (areaMm2, params) => ({
    count: Math.round(areaMm2 * params.density * params.ridges),
    name: "stroke",
  }),
  lay(film, context, params, random) {
    const weights = placeWeights(context);
    for (let pass = 0; pass < context.passes; pass++) {
      const own = random.fork(pass);
      for (const spot of scatter(context.grid, weights, params.density, own)) {
        for (let ridge = 0; ridge < params.ridges; ridge++)
          layMark(film, context, [runFrom(spot, ridge, params, context, own)]);
      }
    }
  },
});

function runFrom(
  spot: Spot,
  ridge: number,
  params: { readonly length: number; readonly width: number },
  context: LayContext,
  random: Random,
): Pull {
  const { grid } = context;
  const length = params.length * Math.exp(0.45 * random.normal()) * (ridge === 0 ? 1 : 0.7);
  const points = Math.min(MOST_PIECES, Math.max(3, Math.ceil(length / STEP_MM) + 1));
  const step = length / (points - 1);
  const path = new Float64Array(points * 2);
  const half = new Float64Array(points);
  const load = new Float64Array(points);
  const seed = Math.floor(random.range(0, 2 ** 31));
  const width = (params.width / 2) * (ridge === 0 ? 1 : 0.35 + 0.4 * random.next());
  let x = spot.xMm + (ridge === 0 ? 0 : random.range(-0.7, 0.7) * params.width);
  let y = spot.yMm;
  let way = runsTo(grid, spot.at);
  for (let k = 0; k < points; k++) {
    const t = k / (points - 1);
    path[k * 2] = x + 0.05 * wander(seed, (k * step) / 1.3) * Math.min(1, length);
    path[k * 2 + 1] = y;
    half[k] = width * Math.min(1, 0.5 + 2.5 * t) * (1 - 0.55 * t) * (1 + 0.2 * wander(seed ^ 5, k * 0.3));
    load[k] = 1.25 * (1 - t) ** 1.4 + 0.01;
    const at = cellAt(grid, x, y);
    if (at >= 0) way = runsTo(grid, at);
    x += way[0] * step;
    y += way[1] * step;
  }
  const softMm = 0.05 + edgeSoftMm(context.water);
  const piece = context.overSeams ? null : spot.piece;
  return { path, half, load, softMm, filmUm: context.passUm, seed, piece };
}
