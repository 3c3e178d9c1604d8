import { coarseSize, grow, means, type PlaneSize } from "./coarse";

/** A box of 2 × radius + 1 whole cells with a share of one more at each end. */
interface Box {
  readonly radius: number;
  readonly share: number;
}

/**
 * The box whose three-fold use has a variance of σ² exactly, whatever σ is. Source: Gwosdek, Grewenig, Bruhn and Weickert,
 * "Theoretical foundations of Gaussian convolution by extended box filtering", 2011.
 */
function boxFor(sigma: number): Box {
  const variance = (sigma * sigma) / 3;
  const radius = Math.floor((Math.sqrt(12 * variance + 1) - 1) / 2);
  const whole = 2 * radius + 1;
  const share = (whole * (radius * (radius + 1) - 3 * variance)) / (6 * (variance - (radius + 1) ** 2));
  return { radius, share };
}

/** Below this width, in cells, a blur changes nothing that can be seen. */
const LEAST_CELLS = 0.05;

/**
 * Near-Gaussian blur by three centred box means in each direction, edges repeated. Each mean is recomputed from a
 * prefix sum, so no error runs along a line. Source: Wells, "Efficient synthesis of Gaussian filters", 1986.
 * @param sigma standard deviation in cells, of any size
 */
export function blur(input: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma < LEAST_CELLS) return input.slice();
  const box = boxFor(sigma);
  let from = input.slice();
  let to = new Float32Array(input.length);
  const prefix = new Float64Array((Math.max(width, height) + 1) * STRIP);
  for (let turn = 0; turn < 3; turn++) {
    boxRows(from, to, width, height, box, prefix);
    [from, to] = [to, from];
    boxColumns(from, to, width, height, box, prefix);
    [from, to] = [to, from];
  }
  return from;
}

/** Columns are taken so many at a time: what lies side by side in memory is read together. */
const STRIP = 16;

/**
 * Mean of one box round a cell of a line, whose values are summed up in `prefix`, beginning at `first` and each sum
 * `apart` behind the one before.
 */
function boxAtEnd(
  prefix: Float64Array,
  first: number,
  apart: number,
  length: number,
  at: number,
  { radius, share }: Box,
): number {
  const [low, high] = [at - radius, at + radius];
  const up = (to: number) => prefix[first + to * apart]!;
  const least = up(1);
  const last = up(length) - up(length - 1);
  const sum = up(Math.min(length, high + 1)) - up(Math.max(0, low));
  const before = low < 0 ? -low * least : 0;
  const after = high >= length ? (high - length + 1) * last : 0;
  const left = low <= 0 ? least : up(low) - up(low - 1);
  const right = high + 1 >= length ? last : up(high + 2) - up(high + 1);
  return (sum + before + after + share * (left + right)) / (2 * radius + 1 + 2 * share);
}

/** Cells of a line whose box lies within it whole: from the first on, up to and without the second. */
function middle(length: number, radius: number): readonly [from: number, to: number] {
  const from = Math.min(length, radius + 1);
  return [from, Math.max(from, length - radius - 1)];
}

function boxRows(
  from: Float32Array,
  to: Float32Array,
  width: number,
  height: number,
  box: Box,
  prefix: Float64Array,
) {
  const { radius, share } = box;
  const [start, stop] = middle(width, radius);
  const rest = 1 - share;
  const scale = 1 / (2 * radius + 1 + 2 * share);
  for (let row = 0; row < height; row++) {
    const base = row * width;
    for (let x = 0; x < width; x++) prefix[x + 1] = prefix[x]! + from[base + x]!;
    for (let x = 0; x < start; x++) to[base + x] = boxAtEnd(prefix, 0, 1, width, x, box);
    for (let x = start; x < stop; x++) {
      const [low, high] = [x - radius, x + radius + 1];
      const whole = prefix[high]! - prefix[low]!;
      to[base + x] = (rest * whole + share * (prefix[high + 1]! - prefix[low - 1]!)) * scale;
    }
    for (let x = stop; x < width; x++) to[base + x] = boxAtEnd(prefix, 0, 1, width, x, box);
  }
}

function boxColumns(
  from: Float32Array,
  to: Float32Array,
  width: number,
  height: number,
  box: Box,
  prefix: Float64Array,
) {
  for (let first = 0; first < width; first += STRIP) {
    const count = Math.min(STRIP, width - first);
    prefix.fill(0, 0, STRIP);
    for (let y = 0; y < height; y++) {
      const [base, sums] = [y * width + first, y * STRIP];
      for (let k = 0; k < count; k++) prefix[sums + STRIP + k] = prefix[sums + k]! + from[base + k]!;
    }
    boxStrip(prefix, to, first, count, width, height, box);
  }
}

/** Boxes over a strip of columns whose values are summed up, side by side, in `prefix`. */
function boxStrip(
  prefix: Float64Array,
  to: Float32Array,
  first: number,
  count: number,
  width: number,
  height: number,
  box: Box,
) {
  const { radius, share } = box;
  const [start, stop] = middle(height, radius);
  const rest = 1 - share;
  const scale = 1 / (2 * radius + 1 + 2 * share);
  for (let y = 0; y < height; y++) {
    const base = y * width + first;
    if (y < start || y >= stop) {
      for (let k = 0; k < count; k++) to[base + k] = boxAtEnd(prefix, k, STRIP, height, y, box);
      continue;
    }
    const low = (y - radius) * STRIP;
    const high = (y + radius + 1) * STRIP;
    for (let k = 0; k < count; k++) {
      const whole = prefix[high + k]! - prefix[low + k]!;
      const wider = prefix[high + STRIP + k]! - prefix[low - STRIP + k]!;
      to[base + k] = (rest * whole + share * wider) * scale;
    }
  }
}

/** From this width on, in cells, every second cell is enough. */
const LEAST_HALVED = 2.6;

/**
 * A blur by a width in mm, made on a grid just fine enough for it: wide blurs cost no more than narrow ones. What
 * taking means and filling in between widen it is left out of the blur itself, so that its width is the same at every
 * pitch.
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
  // Means over a tent of `step` cells and straight lines between them: variance (step² − 1) / 6 each.
  const sigma = Math.sqrt(cells * cells - (step * step - 1) / 3);
  return grow(blur(means(values, grid, step), width, height, sigma / step), grid, step);
}
