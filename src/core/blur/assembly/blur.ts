// Box means of a plane, one after the other along rows and columns. Two planes of f32 lie behind each other from 0 on, and
// sums of f64 behind them, where the caller says. What is meant is in the first plane, before and after.

/** Columns are taken so many at a time: what lies side by side in memory is read together. */
const STRIP: i32 = 16;

/** A box of 2 × radius + 1 whole cells with a share of one more at each end. */
let radius: i32 = 0;
let share: f64 = 0;
let rest: f64 = 0;
let scale: f64 = 0;
let sums: usize = 0;

// @ts-ignore: decorator of the compiler
@inline
function sumTo(first: i32, apart: i32, to: i32): f64 {
  return load<f64>(sums + <usize>(first + to * apart) * 8);
}

/** Mean of a box round a cell of a line near its ends, which are repeated. Sums begin at `first`, each `apart` behind the one before. */
function atEnd(first: i32, apart: i32, length: i32, at: i32): f64 {
  const low = at - radius;
  const high = at + radius;
  const least = sumTo(first, apart, 1);
  const last = sumTo(first, apart, length) - sumTo(first, apart, length - 1);
  const sum = sumTo(first, apart, min(length, high + 1)) - sumTo(first, apart, max(0, low));
  const before = low < 0 ? <f64>-low * least : 0;
  const after = high >= length ? <f64>(high - length + 1) * last : 0;
  const left = low <= 0 ? least : sumTo(first, apart, low) - sumTo(first, apart, low - 1);
  const right = high + 1 >= length ? last : sumTo(first, apart, high + 2) - sumTo(first, apart, high + 1);
  return (sum + before + after + share * (left + right)) / (<f64>(2 * radius + 1) + 2 * share);
}

// Two boxes that lie within their lines whole, side by side; what is told are the places of their sums.
// @ts-ignore: decorator of the compiler
@inline
function two(low: usize, high: usize, apart: usize): v128 {
  const whole = f64x2.sub(v128.load(high), v128.load(low));
  const wider = f64x2.sub(v128.load(high + apart), v128.load(low - apart));
  const sum = f64x2.add(f64x2.mul(f64x2.splat(rest), whole), f64x2.mul(f64x2.splat(share), wider));
  return f32x4.demote_f64x2_zero(f64x2.mul(sum, f64x2.splat(scale)));
}

// @ts-ignore: decorator of the compiler
@inline
function one(low: usize, high: usize, apart: usize): f32 {
  const whole = load<f64>(high) - load<f64>(low);
  const wider = load<f64>(high + apart) - load<f64>(low - apart);
  return <f32>((rest * whole + share * wider) * scale);
}

function rows(from: usize, to: usize, width: i32, height: i32): void {
  const start = min(width, radius + 1);
  const stop = max(start, width - radius - 1);
  for (let row = 0; row < height; row++) {
    const base = from + <usize>(row * width) * 4;
    const out = to + <usize>(row * width) * 4;
    let sum: f64 = 0;
    store<f64>(sums, 0);
    for (let x = 0; x < width; x++) {
      sum += <f64>load<f32>(base + <usize>x * 4);
      store<f64>(sums + <usize>(x + 1) * 8, sum);
    }
    for (let x = 0; x < start; x++) store<f32>(out + <usize>x * 4, <f32>atEnd(0, 1, width, x));
    let x = start;
    for (; x + 1 < stop; x += 2) {
      const low = sums + <usize>(x - radius) * 8;
      v128.store64_lane(out + <usize>x * 4, two(low, low + <usize>(2 * radius + 1) * 8, 8), 0);
    }
    for (; x < stop; x++) {
      const low = sums + <usize>(x - radius) * 8;
      store<f32>(out + <usize>x * 4, one(low, low + <usize>(2 * radius + 1) * 8, 8));
    }
    for (x = stop; x < width; x++) store<f32>(out + <usize>x * 4, <f32>atEnd(0, 1, width, x));
  }
}

/** Sums down a strip of columns, side by side. */
function sumStrip(from: usize, width: i32, height: i32, count: i32): void {
  for (let k = 0; k < STRIP; k++) store<f64>(sums + <usize>k * 8, 0);
  for (let y = 0; y < height; y++) {
    const base = from + <usize>(y * width) * 4;
    const line = sums + <usize>(y * STRIP) * 8;
    let k = 0;
    for (; k + 1 < count; k += 2) {
      const at = line + <usize>k * 8;
      const values = f64x2.promote_low_f32x4(v128.load64_zero(base + <usize>k * 4));
      v128.store(at + <usize>STRIP * 8, f64x2.add(v128.load(at), values));
    }
    for (; k < count; k++) {
      const at = line + <usize>k * 8;
      store<f64>(at + <usize>STRIP * 8, load<f64>(at) + <f64>load<f32>(base + <usize>k * 4));
    }
  }
}

function columns(from: usize, to: usize, width: i32, height: i32): void {
  const start = min(height, radius + 1);
  const stop = max(start, height - radius - 1);
  const apart = <usize>STRIP * 8;
  for (let first = 0; first < width; first += STRIP) {
    const count = min(STRIP, width - first);
    sumStrip(from + <usize>first * 4, width, height, count);
    for (let y = 0; y < height; y++) {
      const out = to + <usize>(y * width + first) * 4;
      if (y < start || y >= stop) {
        for (let k = 0; k < count; k++) store<f32>(out + <usize>k * 4, <f32>atEnd(k, STRIP, height, y));
        continue;
      }
      const low = sums + <usize>(y - radius) * apart;
      const high = low + <usize>(2 * radius + 1) * apart;
      let k = 0;
      for (; k + 1 < count; k += 2)
        v128.store64_lane(out + <usize>k * 4, two(low + <usize>k * 8, high + <usize>k * 8, apart), 0);
      for (; k < count; k++)
        store<f32>(out + <usize>k * 4, one(low + <usize>k * 8, high + <usize>k * 8, apart));
    }
  }
}

/**
 * Three box means along rows and columns, each in turn.
 * @param other where the second plane lies
 * @param sumsAt where there is room for sums: STRIP of them for every cell of the longer side and one more
 */
export function blur(
  width: i32,
  height: i32,
  boxRadius: i32,
  boxShare: f64,
  other: usize,
  sumsAt: usize,
): void {
  radius = boxRadius;
  share = boxShare;
  rest = 1 - share;
  scale = 1 / (<f64>(2 * radius + 1) + 2 * share);
  sums = sumsAt;
  for (let turn = 0; turn < 3; turn++) {
    rows(0, other, width, height);
    columns(other, 0, width, height);
  }
}
