import type { Triple } from "../spaces";

/** Cells of L*a*b*, 2 units wide, in the order in which the kernel numbers them. */
export const CELL = 2;
export const CELLS_L = 52;
export const CELLS_AB = 128;
export const CELL_COUNT = CELLS_L * CELLS_AB * CELLS_AB;
const LEAST_AB = -128;

// Not Math.hypot: these bounds run for every cell of every question, and hypot is several times slower.
const length = (x: number, y: number) => Math.sqrt(x * x + y * y);

const RAD = Math.PI / 180;

/** √(C⁷ / (C⁷ + 25⁷)), the chroma term of CIEDE2000. */
const share = (chroma: number) => {
  const square = chroma * chroma;
  const c7 = square * square * square * chroma;
  return Math.sqrt(c7 / (c7 + 25 ** 7));
};

const lightnessWeight = (mean: number) => {
  const square = (mean - 50) * (mean - 50);
  return 1 + (0.015 * square) / Math.sqrt(20 + square);
};

/** Distance of a value from an interval. */
const away = (value: number, low: number, high: number) =>
  value < low ? low - value : value > high ? value - high : 0;

const turnBetween = (one: number, other: number) => {
  const step = Math.abs(one - other) % 360;
  return step > 180 ? 360 - step : step;
};

/** Least distance, degrees, of the mean hue of goal and cell from 275°, where CIEDE2000 turns blues. */
function fromBlue(goalHue: number, a: number, b: number, chromas: readonly [number, number]): number {
  // Hues move by up to 12° when a* is stretched; a cell around the axis holds every hue.
  const half = CELL / 2;
  const centre = length(a + half, b + half);
  if (chromas[0] === 0 || chromas[1] === 0) return 0;
  const slack = Math.asin(Math.min(1, (half * Math.SQRT2) / centre)) / RAD + 12;
  const hue = Math.atan2(b + half, a + half) / RAD;
  const apart = turnBetween(goalHue, hue);
  if (apart + slack > 168) return 0;
  const [toGoal, toCell] = [turnBetween(275, goalHue), turnBetween(275, hue)];
  if (toGoal + toCell <= apart + 2 * slack) return 0;
  return Math.max(0, Math.min(toGoal, toCell) - slack);
}

/** Lower corner of a cell: L*, a*, b*. */
export const cornerOf = (cell: number): Triple => [
  Math.floor(cell / (CELLS_AB * CELLS_AB)) * CELL,
  LEAST_AB + (Math.floor(cell / CELLS_AB) % CELLS_AB) * CELL,
  LEAST_AB + (cell % CELLS_AB) * CELL,
];

/**
 * Steepest change of CIEDE2000 per unit of a*b* where the cell's chroma is at least so much, for hues less than a
 * right angle apart; per unit of L* it is 1.62. Measured over three million pairs all over the space; a sixth is added.
 */
const STEEPEST: readonly (readonly [fromChroma: number, perUnit: number])[] = [
  [80, 1.2],
  [60, 1.42],
  [40, 1.8],
  [30, 2.15],
  [20, 2.5],
  [10, 3.5],
];
const STEEPEST_L = 1.85;

/** Middle of a cell in a*b*, and by how much CIEDE2000 may be smaller anywhere in it; Infinity near the grey axis. */
export function reachOf(cell: number): { a: number; b: number; reach: number } {
  const [, left, low] = cornerOf(cell);
  const [a, b] = [left + CELL / 2, low + CELL / 2];
  const chroma = length(a, b) - CELL / Math.SQRT2;
  const steepest = STEEPEST.find(([from]) => chroma >= from)?.[1] ?? Infinity;
  return { a, b, reach: (CELL / 2) * STEEPEST_L + (CELL / Math.SQRT2) * steepest };
}

/** The same bound as `leastDifference`, coarser and without an angle. */
export function coarseBound(goal: Triple, goalChroma: number, a: number, b: number): number {
  const apart = Math.max(0, length(goal[1] - a, goal[2] - b) - CELL / Math.SQRT2);
  const mean = 0.75 * (goalChroma + length(a, b) + CELL);
  // √(1 − √3/2): what the blue turn leaves at its strongest.
  return (0.366 * apart) / (1 + 0.045 * mean);
}

/**
 * A difference that no colour in a cell comes below: CIEDE2000 with every weight at its largest over the cell.
 * Hue and chroma together are at least the plain distance in a*b*, and no hue weight is above the chroma weight.
 * @param cell number of the cell
 * @param enough a bound above this need not be the best one
 */
export function leastDifference(goal: Triple, cell: number, enough = Infinity): number {
  const [l, a, b] = cornerOf(cell);
  const weightL = Math.max(lightnessWeight((goal[0] + l) / 2), lightnessWeight((goal[0] + l + CELL) / 2));
  const x = away(goal[0], l, l + CELL) / weightL;
  if (x > enough) return x;
  const chroma = length(goal[1], goal[2]);
  const least = length(away(0, a, a + CELL), away(0, b, b + CELL));
  const most = length(Math.max(-a, a + CELL), Math.max(-b, b + CELL));
  const stretch = 1.5 - 0.5 * share((chroma + least) / 2);
  const mean = ((chroma + most) / 2) * stretch;
  const plain = length(away(goal[1], a, a + CELL), away(goal[2], b, b + CELL));
  const y = plain / (1 + 0.045 * mean);
  const hue = Math.atan2(goal[2], goal[1]) / RAD;
  const blue = fromBlue(hue, a, b, [chroma, least]);
  const turn = 2 * share(mean) * Math.sin(60 * RAD * Math.exp(-((blue / 25) ** 2)));
  return Math.sqrt(x * x + (1 - turn / 2) * y * y);
}
