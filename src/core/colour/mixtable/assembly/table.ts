// Every mix of up to three pots in whole parts: its L*a*b* as it will be seen, sorted into cells of that space, and
// CIEDE2000 against a goal over a run of them. Four bands or four mixes to a SIMD register. The caller lays the memory
// out and hands addresses in; nothing is allocated here. A mix is one record of 64 bits, so that sorting writes once:
// L* in fiftieths (13 bits), a* and b* plus 128 in fiftieths (14 bits each), its number (23 bits).

// @ts-ignore: decorator of the compiler
@inline
const CELL_L: i32 = 52;
// @ts-ignore: decorator of the compiler
@inline
const CELL_AB: i32 = 128;

/** How a mix is seen: 0 thick, 1 below a film of another paint, 2 as a film over a ground. */
let mode: i32 = 0;
/** 12 f32 each: R0 and T² of the film above (mode 1), or the ground (mode 2); then three rows of weights. */
let light: usize = 0;
let filmUm: f32 = 0;
let labs: usize = 0;
let counts: usize = 0;
let made: usize = 0;

// @ts-ignore: decorator of the compiler
@inline
function exponential(x: v128): v128 {
  // 2^(x·log2 e) for x ≤ 0: whole part into the exponent, the rest by a polynomial (error below 3e-7).
  const t = f32x4.max(f32x4.mul(x, f32x4.splat(1.44269504)), f32x4.splat(-120));
  const whole = f32x4.floor(t);
  const f = f32x4.sub(t, whole);
  let p = f32x4.splat(0.0018775767);
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(0.0089893397));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(0.055826318));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(0.24015361));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(0.69315308));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(0.99999994));
  const power = i32x4.shl(i32x4.add(i32x4.trunc_sat_f32x4_s(whole), i32x4.splat(127)), 23);
  return f32x4.mul(p, power);
}

// @ts-ignore: decorator of the compiler
@inline
function thick(k: v128, s: v128): v128 {
  const root = f32x4.sqrt(f32x4.mul(k, f32x4.add(k, f32x4.add(s, s))));
  return f32x4.div(s, f32x4.add(f32x4.add(s, k), root));
}

// @ts-ignore: decorator of the compiler
@inline
function over(r0: v128, t2: v128, ground: v128): v128 {
  return f32x4.add(
    r0,
    f32x4.div(f32x4.mul(t2, ground), f32x4.sub(f32x4.splat(1), f32x4.mul(r0, ground))),
  );
}

// @ts-ignore: decorator of the compiler
@inline
function film(k: v128, s: v128, scale: v128, ground: v128): v128 {
  const one = f32x4.splat(1);
  const ratio = f32x4.div(k, s);
  const b = f32x4.sqrt(f32x4.mul(ratio, f32x4.add(ratio, f32x4.splat(2))));
  const e = exponential(f32x4.neg(f32x4.mul(f32x4.mul(b, s), scale)));
  const square = f32x4.mul(e, e);
  const m = f32x4.sub(one, square);
  const d = f32x4.add(f32x4.mul(f32x4.add(one, ratio), m), f32x4.mul(b, f32x4.add(one, square)));
  const t = f32x4.div(f32x4.mul(f32x4.mul(f32x4.splat(2), b), e), d);
  return over(f32x4.div(m, d), f32x4.mul(t, t), ground);
}

// @ts-ignore: decorator of the compiler
@inline
function seen(k: v128, s: v128, scale: v128, at: usize): v128 {
  if (mode == 2) return film(k, s, scale, v128.load(light + at));
  const r = thick(k, s);
  return mode == 1 ? over(v128.load(light + at), v128.load(light + at, 48), r) : r;
}

// @ts-ignore: decorator of the compiler
@inline
function total(v: v128): f32 {
  return (
    f32x4.extract_lane(v, 0) + f32x4.extract_lane(v, 1) + (f32x4.extract_lane(v, 2) + f32x4.extract_lane(v, 3))
  );
}

// @ts-ignore: decorator of the compiler
@inline
function weigh(a: v128, b: v128, c: v128, row: usize): f32 {
  return total(
    f32x4.add(
      f32x4.add(f32x4.mul(a, v128.load(row)), f32x4.mul(b, v128.load(row, 16))),
      f32x4.mul(c, v128.load(row, 32)),
    ),
  );
}

// @ts-ignore: decorator of the compiler
@inline
function cellOf(record: u64): i32 {
  const l = <i32>(record & 0x1fff);
  const a = <i32>((record >> 13) & 0x3fff);
  const b = <i32>((record >> 27) & 0x3fff);
  return ((l / 100) * CELL_AB + a / 100) * CELL_AB + b / 100;
}

// @ts-ignore: decorator of the compiler
@inline
function steps(value: f32, most: f32): u64 {
  return <u64>nearest(min<f32>(most, max<f32>(0, value)) * 50);
}

function keep(k0: v128, k1: v128, k2: v128, s0: v128, s1: v128, s2: v128, weight: f32): void {
  const scale = f32x4.splat(filmUm / weight);
  const a = seen(k0, s0, scale, 0);
  const b = seen(k1, s1, scale, 16);
  const c = seen(k2, s2, scale, 32);
  const rows = light + 96;
  const xyz = f32x4.replace_lane(
    f32x4.replace_lane(f32x4.splat(weigh(a, b, c, rows)), 1, weigh(a, b, c, rows + 48)),
    2,
    weigh(a, b, c, rows + 96),
  );
  // Cube root: a guess from the bits, then Halley twice (error below 1e-7).
  const bits = i32x4.trunc_sat_f32x4_s(
    f32x4.mul(f32x4.convert_i32x4_s(xyz), f32x4.splat(<f32>(1.0 / 3.0))),
  );
  let root = i32x4.add(bits, i32x4.splat(0x2a5137a0));
  for (let turn = 0; turn < 2; turn++) {
    const cube = f32x4.mul(root, f32x4.mul(root, root));
    root = f32x4.div(
      f32x4.mul(root, f32x4.add(cube, f32x4.add(xyz, xyz))),
      f32x4.add(f32x4.add(cube, cube), xyz),
    );
  }
  const low = f32x4.add(f32x4.mul(xyz, f32x4.splat(7.787037)), f32x4.splat(0.13793103));
  const f = v128.bitselect(root, low, f32x4.gt(xyz, f32x4.splat(0.008856452)));
  const fx = f32x4.extract_lane(f, 0);
  const fy = f32x4.extract_lane(f, 1);
  const fz = f32x4.extract_lane(f, 2);
  const record =
    steps(116 * fy - 16, 100) |
    (steps(500 * (fx - fy) + 128, 255.9) << 13) |
    (steps(200 * (fy - fz) + 128, 255.9) << 27) |
    (<u64>made << 41);
  store<u64>(labs + (made << 3), record);
  const cell = counts + (<usize>cellOf(record) << 2);
  store<u32>(cell, load<u32>(cell) + 1);
  made++;
}

// @ts-ignore: decorator of the compiler
@inline
function gcd(a: i32, b: i32): i32 {
  while (b != 0) {
    const rest = a % b;
    a = b;
    b = rest;
  }
  return a;
}

/** Starts a table. @param lightAt R0, T² or ground, then the weights of X/Xn, Y, Z/Zn */
export function begin(seenAs: i32, lightAt: usize, um: f32, labsAt: usize, countsAt: usize): void {
  mode = seenAs;
  light = lightAt;
  filmUm = um;
  labs = labsAt;
  counts = countsAt;
  made = 0;
  memory.fill(countsAt, 0, <usize>(CELL_L * CELL_AB * CELL_AB + 1) << 2);
}

/**
 * All mixes whose first pot is `first`, in the order: alone, with each second, with each second and third.
 * @param potsAt per pot and part number: K × 12, S × 12, both times part and strength, f32
 * @param strengthsAt per pot f32
 * @param size 1, 2 or 3 pots
 */
export function mixesFrom(first: i32, pots: i32, most: i32, size: i32, potsAt: usize, strengthsAt: usize): i32 {
  const step: usize = <usize>most * 96;
  const baseA = potsAt + <usize>first * step;
  const wa = load<f32>(strengthsAt + (<usize>first << 2));
  if (size == 1) {
    keep(
      v128.load(baseA),
      v128.load(baseA, 16),
      v128.load(baseA, 32),
      v128.load(baseA, 48),
      v128.load(baseA, 64),
      v128.load(baseA, 80),
      wa,
    );
    return <i32>made;
  }
  for (let second = first + 1; second < pots; second++) {
    const baseB = potsAt + <usize>second * step;
    const wb = load<f32>(strengthsAt + (<usize>second << 2));
    if (size == 2) {
      for (let a = 1; a <= most; a++) {
        for (let b = 1; b <= most; b++) {
          if (gcd(a, b) == 1) pairOf(baseA + <usize>(a - 1) * 96, baseB + <usize>(b - 1) * 96, <f32>a * wa + <f32>b * wb);
        }
      }
      continue;
    }
    for (let third = second + 1; third < pots; third++) {
      const baseC = potsAt + <usize>third * step;
      const wc = load<f32>(strengthsAt + (<usize>third << 2));
      for (let a = 1; a <= most; a++) {
        const atA = baseA + <usize>(a - 1) * 96;
        for (let b = 1; b <= most; b++) {
          const atB = baseB + <usize>(b - 1) * 96;
          const common = gcd(a, b);
          const weight = <f32>a * wa + <f32>b * wb;
          const k0 = f32x4.add(v128.load(atA), v128.load(atB));
          const k1 = f32x4.add(v128.load(atA, 16), v128.load(atB, 16));
          const k2 = f32x4.add(v128.load(atA, 32), v128.load(atB, 32));
          const s0 = f32x4.add(v128.load(atA, 48), v128.load(atB, 48));
          const s1 = f32x4.add(v128.load(atA, 64), v128.load(atB, 64));
          const s2 = f32x4.add(v128.load(atA, 80), v128.load(atB, 80));
          for (let c = 1; c <= most; c++) {
            if (common > 1 && gcd(common, c) != 1) continue;
            const atC = baseC + <usize>(c - 1) * 96;
            keep(
              f32x4.add(k0, v128.load(atC)),
              f32x4.add(k1, v128.load(atC, 16)),
              f32x4.add(k2, v128.load(atC, 32)),
              f32x4.add(s0, v128.load(atC, 48)),
              f32x4.add(s1, v128.load(atC, 64)),
              f32x4.add(s2, v128.load(atC, 80)),
              weight + <f32>c * wc,
            );
          }
        }
      }
    }
  }
  return <i32>made;
}

function pairOf(atA: usize, atB: usize, weight: f32): void {
  keep(
    f32x4.add(v128.load(atA), v128.load(atB)),
    f32x4.add(v128.load(atA, 16), v128.load(atB, 16)),
    f32x4.add(v128.load(atA, 32), v128.load(atB, 32)),
    f32x4.add(v128.load(atA, 48), v128.load(atB, 48)),
    f32x4.add(v128.load(atA, 64), v128.load(atB, 64)),
    f32x4.add(v128.load(atA, 80), v128.load(atB, 80)),
    weight,
  );
}

/** Turns counts into starts; one more entry holds the end. */
export function starts(): void {
  let sum: u32 = 0;
  for (let cell = 0; cell <= CELL_L * CELL_AB * CELL_AB; cell++) {
    const at = counts + (<usize>cell << 2);
    const here = load<u32>(at);
    store<u32>(at, sum);
    sum += here;
  }
}

/** Sorts the records by cell. Leaves each cell's end in `counts`. */
export function sort(recordsAt: usize): void {
  for (let at: usize = 0; at < made; at++) {
    const record = load<u64>(labs + (at << 3));
    const cell = counts + (<usize>cellOf(record) << 2);
    const to = load<u32>(cell);
    store<u32>(cell, to + 1);
    store<u64>(recordsAt + (<usize>to << 3), record);
  }
}

// @ts-ignore: decorator of the compiler
@inline
function seventh(x: v128): v128 {
  const square = f32x4.mul(x, x);
  return f32x4.mul(f32x4.mul(square, square), f32x4.mul(square, x));
}

// @ts-ignore: decorator of the compiler
@inline
function share(chroma: v128): v128 {
  const c7 = seventh(chroma);
  return f32x4.sqrt(f32x4.div(c7, f32x4.add(c7, f32x4.splat(6103515625))));
}

/**
 * CIEDE2000 of four mixes against a goal, in single precision. The mean hue's direction is the sum of both unit
 * vectors, its multiples come by the addition theorems, and only the blue turn needs an angle, by a series.
 */
// @ts-ignore: decorator of the compiler
@inline
function difference(l1: v128, a1: v128, b1: v128, c1: v128, l2: v128, a2: v128, b2: v128): v128 {
  const half = f32x4.splat(0.5);
  const one = f32x4.splat(1);
  const tiny = f32x4.splat(1e-6);
  const c2 = f32x4.sqrt(f32x4.add(f32x4.mul(a2, a2), f32x4.mul(b2, b2)));
  const g = f32x4.add(one, f32x4.mul(half, f32x4.sub(one, share(f32x4.mul(half, f32x4.add(c1, c2))))));
  const a1p = f32x4.mul(a1, g);
  const a2p = f32x4.mul(a2, g);
  const c1p = f32x4.sqrt(f32x4.add(f32x4.mul(a1p, a1p), f32x4.mul(b1, b1)));
  const c2p = f32x4.sqrt(f32x4.add(f32x4.mul(a2p, a2p), f32x4.mul(b2, b2)));
  const dC = f32x4.sub(c2p, c1p);
  const da = f32x4.sub(a2p, a1p);
  const db = f32x4.sub(b2, b1);
  const squares = f32x4.sub(f32x4.add(f32x4.mul(da, da), f32x4.mul(db, db)), f32x4.mul(dC, dC));
  const cross = f32x4.sub(f32x4.mul(a1p, b2), f32x4.mul(b1, a2p));
  const size = f32x4.sqrt(f32x4.max(squares, f32x4.splat(0)));
  const dH = v128.bitselect(f32x4.neg(size), size, f32x4.lt(cross, f32x4.splat(0)));
  const i1 = f32x4.div(one, f32x4.max(c1p, tiny));
  const i2 = f32x4.div(one, f32x4.max(c2p, tiny));
  const ux = f32x4.add(f32x4.mul(a1p, i1), f32x4.mul(a2p, i2));
  const uy = f32x4.add(f32x4.mul(b1, i1), f32x4.mul(b2, i2));
  const length = f32x4.max(f32x4.sqrt(f32x4.add(f32x4.mul(ux, ux), f32x4.mul(uy, uy))), tiny);
  const ch = f32x4.div(ux, length);
  const sh = f32x4.div(uy, length);
  const ch2 = f32x4.sub(f32x4.mul(f32x4.splat(2), f32x4.mul(ch, ch)), one);
  const sh2 = f32x4.mul(f32x4.splat(2), f32x4.mul(sh, ch));
  const ch3 = f32x4.sub(f32x4.mul(ch2, ch), f32x4.mul(sh2, sh));
  const sh3 = f32x4.add(f32x4.mul(sh2, ch), f32x4.mul(ch2, sh));
  const ch4 = f32x4.sub(f32x4.mul(f32x4.splat(2), f32x4.mul(ch2, ch2)), one);
  const sh4 = f32x4.mul(f32x4.splat(2), f32x4.mul(sh2, ch2));
  let t = f32x4.sub(one, f32x4.mul(f32x4.splat(0.17 * 0.8660254), ch));
  t = f32x4.sub(t, f32x4.mul(f32x4.splat(0.17 * 0.5), sh));
  t = f32x4.add(t, f32x4.mul(f32x4.splat(0.24), ch2));
  t = f32x4.add(t, f32x4.mul(f32x4.splat(0.32 * 0.9945219), ch3));
  t = f32x4.sub(t, f32x4.mul(f32x4.splat(0.32 * 0.1045285), sh3));
  t = f32x4.sub(t, f32x4.mul(f32x4.splat(0.2 * 0.4539905), ch4));
  t = f32x4.sub(t, f32x4.mul(f32x4.splat(0.2 * 0.8910065), sh4));
  const lm = f32x4.sub(f32x4.mul(half, f32x4.add(l1, l2)), f32x4.splat(50));
  const lm2 = f32x4.mul(lm, lm);
  const sL = f32x4.add(
    one,
    f32x4.div(f32x4.mul(f32x4.splat(0.015), lm2), f32x4.sqrt(f32x4.add(f32x4.splat(20), lm2))),
  );
  const cm = f32x4.mul(half, f32x4.add(c1p, c2p));
  const sC = f32x4.add(one, f32x4.mul(f32x4.splat(0.045), cm));
  const sH = f32x4.add(one, f32x4.mul(f32x4.mul(f32x4.splat(0.015), cm), t));
  // Distance of the mean hue from 275°: its square by the series of arccos² around 0, good to a right angle.
  const u = f32x4.sub(
    one,
    f32x4.add(f32x4.mul(ch, f32x4.splat(0.08715574)), f32x4.mul(sh, f32x4.splat(-0.9961947))),
  );
  let series = f32x4.add(f32x4.mul(u, f32x4.splat(0.0285714)), f32x4.splat(0.0888889));
  series = f32x4.add(f32x4.mul(u, series), f32x4.splat(0.33333333));
  series = f32x4.add(f32x4.mul(u, series), f32x4.splat(2));
  const turn = f32x4.mul(
    f32x4.splat(1.04719755),
    exponential(f32x4.mul(f32x4.splat(-3282.80635 / 625), f32x4.mul(u, series))),
  );
  const turn2 = f32x4.mul(turn, turn);
  let sine = f32x4.add(f32x4.mul(turn2, f32x4.splat(-0.0001984127)), f32x4.splat(0.00833333));
  sine = f32x4.add(f32x4.mul(turn2, sine), f32x4.splat(-0.16666667));
  sine = f32x4.mul(turn, f32x4.add(f32x4.mul(turn2, sine), one));
  const rT = f32x4.mul(f32x4.mul(f32x4.splat(-2), sine), share(cm));
  const x = f32x4.div(f32x4.sub(l2, l1), sL);
  const y = f32x4.div(dC, sC);
  const z = f32x4.div(dH, sH);
  const sum = f32x4.add(f32x4.add(f32x4.mul(x, x), f32x4.mul(y, y)), f32x4.mul(z, z));
  const whole = f32x4.sqrt(f32x4.max(f32x4.splat(0), f32x4.add(sum, f32x4.mul(rT, f32x4.mul(y, z)))));
  // Opposite hues: the mean hue jumps to the other side at exactly 180°, and the difference with it. A stored colour
  // is not exact enough to tell the side, so a bound below both is given, as a negative number.
  const widest = f32x4.div(dH, f32x4.add(one, f32x4.mul(f32x4.splat(0.029), cm)));
  const least = f32x4.sqrt(
    f32x4.add(
      f32x4.mul(x, x),
      f32x4.mul(f32x4.splat(0.13), f32x4.add(f32x4.mul(y, y), f32x4.mul(widest, widest))),
    ),
  );
  const dot = f32x4.add(f32x4.mul(a1p, a2p), f32x4.mul(b1, b2));
  const opposite = v128.and(
    f32x4.lt(dot, f32x4.splat(0)),
    f32x4.lt(f32x4.abs(cross), f32x4.mul(f32x4.splat(0.06), c1p)),
  );
  return v128.bitselect(f32x4.neg(least), whole, opposite);
}

/**
 * Numbers and differences (negative: only a bound below) of the records from `from` to before `to` that lie within a limit of a goal.
 * @param out room for `room` pairs of u32 and f32
 * @returns how many were found; only the first `room` were written
 */
export function scan(
  recordsAt: usize,
  from: i32,
  to: i32,
  goalL: f32,
  goalA: f32,
  goalB: f32,
  limit: f32,
  out: usize,
  room: i32,
): i32 {
  const fiftieth = f32x4.splat(0.02);
  const middle = f32x4.splat(128);
  const mask14 = i32x4.splat(0x3fff);
  const l1 = f32x4.splat(goalL);
  const a1 = f32x4.splat(goalA);
  const b1 = f32x4.splat(goalB);
  const c1 = f32x4.sqrt(f32x4.add(f32x4.mul(a1, a1), f32x4.mul(b1, b1)));
  const most = f32x4.splat(limit);
  let found = 0;
  for (let at = from; at < to; at += 4) {
    const place = recordsAt + (<usize>at << 3);
    const first = v128.load(place);
    const last = v128.load(place, 16);
    const low = v128.shuffle<i32>(first, last, 0, 2, 4, 6);
    const high = v128.shuffle<i32>(first, last, 1, 3, 5, 7);
    const l = v128.and(low, i32x4.splat(0x1fff));
    const a = v128.and(i32x4.shr_u(low, 13), mask14);
    const b = v128.and(v128.or(i32x4.shr_u(low, 27), i32x4.shl(high, 5)), mask14);
    const l2 = f32x4.mul(f32x4.convert_i32x4_s(l), fiftieth);
    const a2 = f32x4.sub(f32x4.mul(f32x4.convert_i32x4_s(a), fiftieth), middle);
    const b2 = f32x4.sub(f32x4.mul(f32x4.convert_i32x4_s(b), fiftieth), middle);
    const d = difference(l1, a1, b1, c1, l2, a2, b2);
    let mask = i32x4.bitmask(f32x4.le(f32x4.abs(d), most));
    if (to - at < 4) mask &= (1 << (to - at)) - 1;
    if (mask == 0) continue;
    for (let lane = 0; lane < 4; lane++) {
      if ((mask & (1 << lane)) == 0) continue;
      if (found < room) {
        const slot = out + (<usize>found << 3);
        store<u32>(slot, <u32>(load<u64>(place + (<usize>lane << 3)) >> 41));
        let value = f32x4.extract_lane(d, 0);
        if (lane == 1) value = f32x4.extract_lane(d, 1);
        else if (lane == 2) value = f32x4.extract_lane(d, 2);
        else if (lane == 3) value = f32x4.extract_lane(d, 3);
        store<f32>(slot, value, 4);
      }
      found++;
    }
  }
  return found;
}
