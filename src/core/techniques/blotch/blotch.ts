import type { Random } from "../../random";
import { cellAt } from "../scatter";
import { layMark, mostCovered, newlyCovered, type Pull } from "../strokes";
import type { PlacedMark } from "../singleMarks";
import {
  createFilmBuffer,
  defineTechnique,
  edgeSoftMm,
  layPasses,
  placeWeights,
  type FilmBuffer,
  type LayContext,
} from "../technique";
import { fieldsOf } from "../../surface/fields";
import { wander } from "../texture";

interface Seed {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
}

/** Places tried for one patch before it is given up. */
const MOST_TRIES = 40;
const MOST_PATCHES = 4000;
const POINTS = 12;
/** The last patch may cover this much more than is still wanted, and is drawn smaller as often as this. */
const FITS = 1.05;
const MOST_FITS = 6;

/** Patches dabbed along a bent spine with spurs: each unlike the next in size, shape and turn. */
export const blotch = defineTechnique({
  id: "blotch",
  version: 1,
  label: "Blotches",
  about:
    "Irregular patches, each dabbed along a bent spine with spurs, until the share asked for is covered.",
  params: {
    coverage: {
      label: "Covered",
      unit: "%",
      range: [1, 80],
      step: 1,
      default: 25,
      about: "Share of the place the patches of one pass cover together.",
    },
    size: {
      label: "Length of a patch",
      unit: "mm",
      range: [0.3, 15],
      step: 0.1,
      default: 2.4,
      about: "The middle of their lengths.",
    },
    spread: {
      label: "Variation of size",
      unit: "%",
      range: [0, 90],
      step: 5,
      default: 45,
      about: "How unlike each other they are.",
    },
    spurs: {
      label: "Spurs",
      unit: "",
      range: [0, 5],
      step: 1,
      default: 2,
      about: "Arms that leave the spine of a patch.",
    },
    apart: {
      label: "Kept apart",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 55,
      about: "0 lets patches fall on each other, 100 keeps them a patch apart.",
    },
    lie: {
      label: "Direction",
      unit: "°",
      range: [0, 180],
      step: 5,
      default: 0,
      about: "Of their spines: 0 lies along the piece, 90 from edge to edge.",
    },
    lieSpread: {
      label: "Spread of direction",
      unit: "°",
      range: [0, 90],
      step: 5,
      default: 60,
      about: "90 lets them lie in every direction.",
    },
  },
  lays: ["field"],
  filmShare: 0.95,
  startWater: 1,
  bench: {
    tool: "round brush of size 1, its point blunted",
    how: "Dab each patch along a bend with spurs, then the next one somewhere else; turn the piece between.",
    lookAt: "No two neighbours alike in size or turn; borders irregular, no rows.",
  },
  caution: null,
  marksOn: (areaMm2, params) => ({
    count: Math.max(1, Math.round((areaMm2 * params.coverage) / 100 / (0.3 * params.size * params.size))),
    name: "stroke",
  }),
  singles: {
    intent: { aligned: false, clustered: true, alike: false, mostDirection: 0.7, leastSizeCv: 0.35 },
    of: (context, params, random) =>
      layPatches(createFilmBuffer(context.grid.inside.length), context, params, random),
    remedies: {
      even: { label: "Let them come closer to each other", param: "apart", value: 40 },
      alike: { label: "Vary their size by 45 %", param: "spread", value: 45 },
      lined: { label: "Let them lie 75° to either side", param: "lieSpread", value: 75 },
    },
  },
  lay: (film, context, params, random) =>
    layPasses(film, context.passes, random, (one, own) => {
      layPatches(one, context, params, own);
    }),
});

interface Patches {
  readonly coverage: number;
  readonly size: number;
  readonly spread: number;
  readonly spurs: number;
  readonly apart: number;
  readonly lie: number;
  readonly lieSpread: number;
}

/** Lays patch after patch until enough is covered, and tells each. */
function layPatches(film: FilmBuffer, context: LayContext, params: Patches, random: Random): PlacedMark[] {
  const { grid } = context;
  const weights = placeWeights(context);
  let wanted = 0;
  for (let at = 0; at < weights.length; at++) wanted += weights[at]! * grid.inside[at]!;
  wanted *= params.coverage / 100;
  const seeds: Seed[] = [];
  const marks: PlacedMark[] = [];
  const pieces = fieldsOf(grid).piece;
  const own = random.fork("patches");
  let covered = 0;
  while (covered < wanted && seeds.length < MOST_PATCHES) {
    const length = params.size * Math.exp((params.spread / 100) * own.normal());
    const seed = seedFor(context, weights, length / 2, params.apart / 100, seeds, own);
    if (!seed) break;
    seeds.push(seed);
    const at = cellAt(grid, seed.x, seed.y);
    const piece = context.overSeams || !pieces ? null : pieces[at]!;
    const drawn = patch(seed, length, params, context, own, piece);
    const { angle } = drawn;
    const pulls = fitted(film, context, seed, drawn.pulls, wanted - covered);
    const cells = layMark(film, context, pulls);
    covered += cells;
    const areaMm2 = cells * grid.pitchMm ** 2;
    marks.push({ id: String(marks.length), xMm: seed.x, yMm: seed.y, areaMm2, angle });
  }
  return marks;
}

/** A patch that would cover more than is still wanted is drawn smaller, about the point it was set at. */
function fitted(
  film: FilmBuffer,
  context: LayContext,
  { x, y }: Seed,
  pulls: Pull[],
  mostCells: number,
): Pull[] {
  // Most patches are far from being the last: they need not be measured before they are laid.
  if (mostCovered(context, pulls) <= mostCells * FITS) return pulls;
  let drawn = pulls;
  for (let turn = 0; turn < MOST_FITS; turn++) {
    const cells = newlyCovered(film, context, drawn);
    if (cells <= mostCells * FITS) break;
    const scale = Math.max(0.3, Math.sqrt(mostCells / cells));
    drawn = drawn.map((pull) => ({
      ...pull,
      path: pull.path.map((mm, k) => (k % 2 === 0 ? x + (mm - x) * scale : y + (mm - y) * scale)),
      half: pull.half.map((mm) => mm * scale),
    }));
  }
  return drawn;
}

function seedFor(
  { grid }: LayContext,
  weights: Float32Array,
  radius: number,
  apart: number,
  seeds: readonly Seed[],
  random: Random,
): Seed | null {
  const { minX, maxX, minY, maxY } = grid.form.bounds;
  let loosened = apart;
  for (let tried = 0; tried < MOST_TRIES * 10; tried++) {
    const [x, y, keep] = [random.range(minX, maxX), random.range(minY, maxY), random.next()];
    const at = cellAt(grid, x, y);
    if (at < 0 || grid.inside[at] === 0 || keep >= weights[at]!) continue;
    if (seeds.every((one) => Math.hypot(one.x - x, one.y - y) >= loosened * (one.radius + radius)))
      return { x, y, radius };
    // Where it grows crowded, patches may come closer than asked for.
    if (tried % MOST_TRIES === MOST_TRIES - 1) loosened *= 0.7;
  }
  return null;
}

/** Where a row of dabs begins, which way it goes (radians), how long and how wide it is, mm. */
interface Row {
  readonly x: number;
  readonly y: number;
  readonly way: number;
  readonly long: number;
  readonly wide: number;
}

/** A row of dabs of changing width, bent as it goes. */
function dabs(
  { x, y, way, long, wide }: Row,
  film: Pick<Pull, "softMm" | "filmUm" | "piece">,
  random: Random,
): Pull {
  const seed = Math.floor(random.range(0, 2 ** 31));
  const bend = random.range(-0.9, 0.9);
  const path = new Float64Array(POINTS * 2);
  const half = new Float64Array(POINTS);
  let [px, py] = [x, y];
  for (let k = 0; k < POINTS; k++) {
    const t = k / (POINTS - 1);
    path[k * 2] = px;
    path[k * 2 + 1] = py;
    const turn = way + bend * (t - 0.5) + 0.5 * wander(seed, t * 3);
    px += (Math.cos(turn) * long) / POINTS;
    py -= (Math.sin(turn) * long) / POINTS;
    const round = Math.sqrt(Math.max(0.06, 1 - (2 * t - 1) ** 2));
    half[k] = wide * round * (1 + 0.38 * wander(seed ^ 7, t * 4.2));
  }
  return { ...film, path, half, load: new Float64Array(POINTS).fill(1), seed, levels: true };
}

/** A spine and its spurs, each a row of dabs of changing width. */
function patch(
  seed: Seed,
  length: number,
  params: Patches,
  context: LayContext,
  random: Random,
  piece: number | null,
): { readonly pulls: Pull[]; readonly angle: number } {
  const angle = ((params.lie + random.range(-1, 1) * params.lieSpread) * Math.PI) / 180;
  const softMm = edgeSoftMm(context.water);
  const filmUm = context.passUm * (1 + 0.08 * random.normal());
  const film = { softMm, filmUm, piece };
  const [dx, dy] = [Math.cos(angle) * length * 0.5, -Math.sin(angle) * length * 0.5];
  const wide = length * (0.15 + 0.1 * random.next());
  const spine = dabs({ x: seed.x - dx, y: seed.y - dy, way: angle, long: length, wide }, film, random);
  const arms = Array.from({ length: params.spurs }, () => {
    const at = 1 + Math.floor(random.next() * (POINTS - 2));
    const side = random.next() < 0.5 ? 1 : -1;
    const way = angle + side * random.range(0.6, 1.9);
    const long = length * random.range(0.22, 0.5);
    const [x, y] = [spine.path[at * 2]!, spine.path[at * 2 + 1]!];
    return dabs({ x, y, way, long, wide: wide * random.range(0.35, 0.7) }, film, random);
  });
  return { pulls: [spine, ...arms], angle };
}
