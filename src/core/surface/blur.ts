import { coarseSize, grow, shrink, type PlaneSize } from "./coarse";

/** Boxes come in whole cells: below this width they would be far from what was asked for. */
const SMALL_CELLS = 2;

/** Gaussian by its own weights, edges repeated. */
function smallBlur(input: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const radius = Math.ceil(3 * sigma);
  const weights = Float32Array.from({ length: 2 * radius + 1 }, (_, k) =>
    Math.exp(-((k - radius) ** 2) / (2 * sigma * sigma)),
  );
  const sum = weights.reduce((all, weight) => all + weight, 0);
  for (let k = 0; k < weights.length; k++) weights[k]! /= sum;
  const pass = (from: Float32Array, length: number, lines: number, step: number, lineStep: number) => {
    const to = new Float32Array(from.length);
    for (let line = 0; line < lines; line++) {
      const base = line * lineStep;
      for (let x = 0; x < length; x++) {
        let value = 0;
        for (let k = -radius; k <= radius; k++) {
          const at = x + k < 0 ? 0 : x + k >= length ? length - 1 : x + k;
          value += weights[k + radius]! * from[base + at * step]!;
        }
        to[base + x * step] = value;
      }
    }
    return to;
  };
  return pass(pass(input, width, height, 1, width), height, width, width, 1);
}

/**
 * Near-Gaussian blur by three centred box means in each direction, edges repeated. Each mean is recomputed from a
 * prefix sum, so no error runs along a line. Source: Wells, "Efficient synthesis of Gaussian filters", 1986.
 * @param sigma in cells; below 0.3 the input is copied
 */
export function blur(input: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma < 0.3) return input.slice();
  if (sigma < SMALL_CELLS) return smallBlur(input, width, height, sigma);
  const radius = Math.max(1, Math.round((Math.sqrt(4 * sigma * sigma + 1) - 1) / 2));
  let from = input.slice();
  let to = new Float32Array(input.length);
  const longest = Math.max(width, height);
  const prefix = new Float64Array(longest + 1);
  for (let turn = 0; turn < 3; turn++) {
    boxRows(from, to, width, height, radius, prefix);
    [from, to] = [to, from];
    boxColumns(from, to, width, height, radius, prefix);
    [from, to] = [to, from];
  }
  return from;
}

function boxLine(
  prefix: Float64Array,
  length: number,
  at: number,
  radius: number,
  first: number,
  last: number,
): number {
  const low = at - radius;
  const high = at + radius;
  const before = low < 0 ? -low * first : 0;
  const after = high >= length ? (high - length + 1) * last : 0;
  const sum = prefix[Math.min(length, high + 1)]! - prefix[Math.max(0, low)]!;
  return (sum + before + after) / (2 * radius + 1);
}

function boxRows(
  from: Float32Array,
  to: Float32Array,
  width: number,
  height: number,
  radius: number,
  prefix: Float64Array,
) {
  for (let row = 0; row < height; row++) {
    const base = row * width;
    for (let x = 0; x < width; x++) prefix[x + 1] = prefix[x]! + from[base + x]!;
    const [first, last] = [from[base]!, from[base + width - 1]!];
    for (let x = 0; x < width; x++) to[base + x] = boxLine(prefix, width, x, radius, first, last);
  }
}

function boxColumns(
  from: Float32Array,
  to: Float32Array,
  width: number,
  height: number,
  radius: number,
  prefix: Float64Array,
) {
  for (let column = 0; column < width; column++) {
    for (let y = 0; y < height; y++) prefix[y + 1] = prefix[y]! + from[y * width + column]!;
    const [first, last] = [from[column]!, from[(height - 1) * width + column]!];
    for (let y = 0; y < height; y++) to[y * width + column] = boxLine(prefix, height, y, radius, first, last);
  }
}

/** From this width on, in cells, every second cell is enough. */
const LEAST_HALVED = 2.6;

/**
 * A blur by a width in mm, made on a grid just fine enough for it: wide blurs cost no more than narrow ones.
 * @param sigmaMm standard deviation, mm
 */
export function blurMm(
  values: Float32Array,
  grid: PlaneSize & { readonly pitchMm: number },
  sigmaMm: number,
): Float32Array {
  const cells = sigmaMm / grid.pitchMm;
  const step = Math.max(cells >= LEAST_HALVED ? 2 : 1, Math.floor(cells / 3));
  if (step === 1) return blur(values, grid.width, grid.height, cells);
  const { width, height } = coarseSize(grid, step);
  return grow(blur(shrink(values, grid, step), width, height, cells / step), grid, step);
}
