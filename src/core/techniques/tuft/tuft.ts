import type { Random } from "../../random";
import { fieldsOf } from "../../surface/fields";
import { depthInside } from "../../surface/forms/depth";
import type { SurfaceGrid } from "../../surface/grid";
import { cellAt } from "../scatter";
import { defineTechnique, layPasses, placeWeights, type FilmBuffer, type LayContext } from "../technique";

const mm = (label: string, range: readonly [number, number], step: number, usual: number, about: string) =>
  ({ label, unit: "mm", range, step, default: usual, about }) as const;

/** Steps along a blade, and places tried for a tuft before it is left out. */
const [STEPS, TRIES] = [12, 400] as const;
/** Roots stand within this share of a tuft's width; the outermost blades lean out so far, degrees. */
const [ROOTED, LEANS_DEG] = [0.3, 62] as const;
/** Least share of the place that a tuft's middle must have. */
const LEAST_PLACE = 0.5;

/** Rules by which a tuft's place is chosen, and how many places are looked at for each. */
const RULES = ["by chance", "what meets the ground", "hollows", "the barest ground"] as const;
const [ANYWHERE, AT_FOOT, IN_HOLLOWS] = [0, 1, 2] as const;
const LOOKED_AT = 24;
/** What stands this near to a tuft's roots is at its foot, mm; ground with nothing on it is told over as many radii of a tuft. */
const [FOOT_MM, BARE_RADII] = [0.7, [1.5, 2.5, 4]] as const;
/** What stands farther off counts less: rings round a place, in the nearest one's radii. */
const NEARER = [1, 2, 4] as const;

/** Ready-made tufts of grass, reed or flowers, glued on last. */
export const tuft = defineTechnique({
  id: "tuft",
  version: 1,
  label: "Tufts",
  about: "Ready-made tufts of grass or reed glued on: few, unlike, off the feet and the rim.",
  params: {
    count: {
      label: "Tufts",
      unit: "",
      range: [1, 60],
      step: 1,
      default: 3,
      about: "How many, as far as there is room for them.",
    },
    across: mm(
      "Width of a tuft",
      [0.8, 15],
      0.1,
      2.4,
      "Across its blades as they spread; each is a little off that.",
    ),
    tall: mm("Height of its blades", [0.5, 12], 0.1, 2.6, "From the ground to the tips."),
    blade: mm("Width of a blade", [0.05, 0.8], 0.01, 0.12, "At its root; it ends in a point."),
    dense: {
      label: "Blades",
      unit: "",
      range: [8, 200],
      step: 1,
      default: 60,
      about: "How many a tuft has.",
    },
    apart: mm("Least distance", [0, 30], 0.5, 2, "Between the middles of two tufts."),
    where: {
      label: "Over what",
      unit: "",
      range: [0, 3],
      step: 1,
      default: 0,
      names: RULES,
      about:
        "What a tuft is to hide or to fill: by chance anywhere in the place, along the foot of what stands there, in hollows where paint has pooled, or where there is nothing to look at.",
    },
    offRim: mm("Off the rim", [0, 20], 0.1, 0.8, "From a tuft's outermost root to the rim of the piece."),
  },
  lays: ["field"],
  filmShare: 1,
  filmUm: ({ tall }) => 1000 * tall,
  startWater: 0,
  bench: {
    tool: "tweezers, and a spot of glue",
    how: "Dab glue where each is to stand, set it with tweezers and press its mat down at the edge.",
    lookAt: "Off the feet and the rim, over what came out worst, no two alike side by side.",
  },
  caution: "Glue: keep it off the skin, fresh air with quick glues. Follow the labels and your local rules.",
  raises: true,
  comesLast: true,
  potKinds: ["tufts"],
  markWidth: "across",
  marksOn: (_areaMm2, { count }) => ({ count, name: "tuft" }),
  lay: (film, context, params, random) =>
    layPasses(film, context.passes, random, (one, own) => setOnce(one, context, params, own)),
});

/** One round of tufts; a second pass sets more of them. */
function setOnce(film: FilmBuffer, context: LayContext, params: Sizes, random: Random): void {
  const { grid } = context;
  const heights = new Float32Array(film.cover.length);
  const cover = new Float32Array(film.cover.length);
  for (const spot of tuftSpots(grid, placeWeights(context), params, random)) {
    const own = random.fork(`${Math.round(spot.xMm * 100)}/${Math.round(spot.yMm * 100)}`);
    growTuft({ grid, heights, cover }, spot, params, own);
  }
  for (let at = 0; at < heights.length; at++) {
    film.volumeUm[at] = heights[at]! * cover[at]! * grid.inside[at]!;
    film.cover[at] = cover[at]! * grid.inside[at]!;
  }
}

/** What decides where tufts stand. */
interface PlaceSizes {
  readonly count: number;
  readonly across: number;
  readonly apart: number;
  readonly offRim: number;
  /** By which rule their places are chosen. */
  readonly where: number;
}

interface Sizes extends PlaceSizes {
  readonly tall: number;
  readonly blade: number;
  readonly dense: number;
}

/** Where a tuft stands, mm on the flat. */
export interface TuftSpot {
  readonly xMm: number;
  readonly yMm: number;
}

/** Whether a disc round a place is free of feet. */
function offFeet(grid: SurfaceGrid, { xMm, yMm }: TuftSpot, radius: number): boolean {
  const feet = grid.hide?.feet ?? [];
  return feet.every((foot) => Math.hypot(foot.xMm - xMm, foot.yMm - yMm) >= foot.radiusMm + radius);
}

/** Whether roots round a place stand on the ground, and on nothing that is built on it. */
function offPieces(grid: SurfaceGrid, { xMm, yMm }: TuftSpot, rooted: number): boolean {
  const built = grid.hide?.built;
  if (!built) return true;
  for (let step = 0; step < 8; step++) {
    const way = (step * Math.PI) / 4;
    const at = cellAt(grid, xMm + rooted * Math.cos(way), yMm + rooted * Math.sin(way));
    if (at >= 0 && built[at]! >= 0) return false;
  }
  return built[cellAt(grid, xMm, yMm)]! < 0;
}

/** Share of a ring round a place that something stands on, 0…1: what was built; where nothing was, raised ground. */
function standsRound(grid: SurfaceGrid, { xMm, yMm }: TuftSpot, radius: number): number {
  const built = grid.hide?.built;
  const { high } = fieldsOf(grid);
  let sum = 0;
  for (let step = 0; step < 8; step++) {
    const way = (step * Math.PI) / 4;
    const at = cellAt(grid, xMm + radius * Math.cos(way), yMm + radius * Math.sin(way));
    if (at >= 0) sum += built ? (built[at]! >= 0 ? 1 : 0) : high[at]!;
  }
  return sum / 8;
}

/** How well a place suits a rule, the more the better. @param set tufts that are there */
function suits(
  grid: SurfaceGrid,
  spot: TuftSpot,
  { where, across }: PlaceSizes,
  set: readonly TuftSpot[],
): number {
  const at = cellAt(grid, spot.xMm, spot.yMm);
  if (where === AT_FOOT)
    return NEARER.reduce<number>(
      (sum, times) => sum + standsRound(grid, spot, times * (ROOTED * across + FOOT_MM)) / times,
      0,
    );
  if (where === IN_HOLLOWS) return fieldsOf(grid).low[at]!;
  const near = set.reduce(
    (least, one) => Math.min(least, Math.hypot(one.xMm - spot.xMm, one.yMm - spot.yMm)),
    8 * across,
  );
  const stands = BARE_RADII.reduce<number>(
    (sum, radii) => sum + standsRound(grid, spot, (radii * across) / 2),
    0,
  );
  return near / (8 * across) - stands;
}

/** Places for tufts in their order: within the place, off rim, feet and each other, by the rule that is asked for. */
export function tuftSpots(
  grid: SurfaceGrid,
  weights: Float32Array,
  sizes: PlaceSizes,
  random: Random,
): TuftSpot[] {
  const { count, across, apart, offRim, where } = sizes;
  const { minX, maxX, minY, maxY } = grid.form.bounds;
  const rooted = ROOTED * across;
  const isFree = (spot: TuftSpot, set: readonly TuftSpot[]): boolean => {
    const at = cellAt(grid, spot.xMm, spot.yMm);
    if (at < 0 || weights[at]! < LEAST_PLACE || !offPieces(grid, spot, rooted)) return false;
    if (depthInside(grid.form, grid.form.place([spot.xMm, spot.yMm])) < rooted + offRim) return false;
    if (!offFeet(grid, spot, across / 2)) return false;
    return set.every((one) => Math.hypot(one.xMm - spot.xMm, one.yMm - spot.yMm) >= apart);
  };
  const spots: TuftSpot[] = [];
  let [best, most, seen] = [null as TuftSpot | null, -Infinity, 0];
  for (let tried = 0; tried < TRIES && spots.length < count; tried++) {
    const spot = { xMm: random.range(minX, maxX), yMm: random.range(minY, maxY) };
    const free = isFree(spot, spots);
    if (free && where === ANYWHERE) spots.push(spot);
    if (where === ANYWHERE) continue;
    if (free) {
      const worth = suits(grid, spot, sizes, spots);
      if (worth > most) [best, most] = [spot, worth];
      seen++;
    }
    const last = (tried + 1) % Math.max(1, Math.floor(TRIES / count)) === 0;
    if (best && (seen === LOOKED_AT || last)) {
      spots.push(best);
      [best, most, seen] = [null, -Infinity, 0];
    }
  }
  return spots;
}

interface Growing {
  readonly grid: SurfaceGrid;
  /** µm over the ground, and covered share, per cell. */
  readonly heights: Float32Array;
  readonly cover: Float32Array;
}

/** One point of a blade: half its width, and how high it lies, mm; what stands higher hides it. */
function setPoint({ grid, heights, cover }: Growing, x: number, y: number, half: number, atMm: number): void {
  const { width, height, pitchMm, originX, originY, inside } = grid;
  const reach = half + pitchMm / 2;
  const [fromX, toX] = [
    Math.ceil((x - reach - originX) / pitchMm),
    Math.floor((x + reach - originX) / pitchMm),
  ];
  const [fromY, toY] = [
    Math.ceil((y - reach - originY) / pitchMm),
    Math.floor((y + reach - originY) / pitchMm),
  ];
  for (let row = Math.max(0, fromY); row <= Math.min(height - 1, toY); row++)
    for (let column = Math.max(0, fromX); column <= Math.min(width - 1, toX); column++) {
      const at = row * width + column;
      if (inside[at] === 0) continue;
      const out = Math.hypot(originX + column * pitchMm - x, originY + row * pitchMm - y);
      const share = Math.min(1, Math.max(0, (half - out) / pitchMm + 0.5), (2 * half) / pitchMm);
      if (share <= 0) continue;
      const up = atMm - grid.relief[at]!;
      if (up <= 0) continue;
      heights[at] = Math.max(heights[at]!, 1000 * up);
      cover[at] = Math.max(cover[at]!, share);
    }
}

/** Blades from a common root, the outer ones leaning out and bending over. */
function growTuft(growing: Growing, spot: TuftSpot, sizes: Sizes, random: Random): void {
  const size = random.range(0.8, 1.2);
  const [across, tall] = [sizes.across * size, sizes.tall * size];
  const step = Math.max(growing.grid.pitchMm * 0.6, (0.5 * across) / 60);
  const ground = growing.grid.relief[cellAt(growing.grid, spot.xMm, spot.yMm)] ?? 0;
  for (let blade = 0; blade < sizes.dense; blade++) {
    const way = 2 * Math.PI * random.next();
    const out = Math.sqrt(random.next());
    const towards = way + 0.4 * random.normal();
    const lean = ((0.15 + 0.85 * out) * LEANS_DEG * random.range(0.6, 1.15) * Math.PI) / 180;
    const bends = random.range(0.3, 1.1);
    const [x0, y0] = [
      spot.xMm + ROOTED * across * out * Math.cos(way),
      spot.yMm + ROOTED * across * out * Math.sin(way),
    ];
    const reach =
      Math.min(0.5 * across - 0.5 * ROOTED * across, tall * Math.sin(lean)) * random.range(0.7, 1);
    const top = tall * Math.cos(lean * 0.8) * random.range(0.75, 1);
    const count = Math.max(STEPS, Math.ceil(reach / step));
    for (let at = 0; at <= count; at++) {
      const s = at / count;
      // Up first, then over: the tip may hang.
      const up = top * Math.sin((Math.PI / 2) * s * (1 + 0.35 * bends * out));
      const away = reach * s ** (1 + 0.5 * bends);
      setPoint(
        growing,
        x0 + away * Math.cos(towards),
        y0 + away * Math.sin(towards),
        (sizes.blade / 2) * (1 - 0.8 * s),
        ground + Math.max(0.05, up),
      );
    }
  }
}
