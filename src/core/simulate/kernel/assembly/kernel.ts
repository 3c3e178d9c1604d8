// Film optics of one chunk of cells. Layout (bytes): every address is fixed, so the caller copies planes in and
// pictures out without asking for memory. State is cell by cell, 12 float32 bands each: three SIMD lanes of four.
const CHUNK: i32 = 1024;
const GROUND: usize = 0; // 12 f32
const WEIGHTS: usize = 64; // 3 rows × 12 f32
const CURVE: usize = 256; // 8193 u8: linear light to sRGB byte
const LEVELS: usize = 8704; // CHUNK u8
const COVERS: usize = LEVELS + CHUNK; // CHUNK u8
const SHADES: usize = COVERS + CHUNK; // CHUNK f32
const OUT: usize = SHADES + CHUNK * 4; // CHUNK × 4 u8
const LEVELS_2: usize = OUT + CHUNK * 4; // CHUNK u8: the second film of a pair
const COVERS_2: usize = LEVELS_2 + CHUNK; // CHUNK u8
const STATE: usize = COVERS_2 + CHUNK; // CHUNK × 12 f32
const TABLES: usize = STATE + CHUNK * 48; // per coat 256 × [R0 × 12, A × 12] f32, A = T² − R0²
const TABLE_BYTES: usize = 256 * 96;
const ROW_BYTES: usize = 96;

export function fillGround(count: i32): void {
  const a = v128.load(GROUND);
  const b = v128.load(GROUND, 16);
  const c = v128.load(GROUND, 32);
  let at = STATE;
  for (let i = 0; i < count; i++) {
    v128.store(at, a);
    v128.store(at, b, 16);
    v128.store(at, c, 32);
    at += 48;
  }
}

// A film is a fraction in what lies below: R0 + T² r / (1 − R0 r) = (R0 + A r) / (1 − R0 r) with A = T² − R0². Two films
// on each other are again one fraction, so that a pair costs one division, which is what takes the time.

// @ts-ignore: decorator of the compiler
@inline
function upper(r: v128, r0: v128, a: v128): v128 {
  return f32x4.add(r0, f32x4.mul(a, r));
}

// @ts-ignore: decorator of the compiler
@inline
function lower(r: v128, r0: v128, one: v128): v128 {
  return f32x4.sub(one, f32x4.mul(r0, r));
}

// @ts-ignore: decorator of the compiler
@inline
function mixed(from: v128, to: v128, share: v128): v128 {
  return f32x4.add(from, f32x4.mul(share, f32x4.sub(to, from)));
}

// @ts-ignore: decorator of the compiler
@inline
function filmOf(table: i32, level: u8): usize {
  return TABLES + <usize>table * TABLE_BYTES + <usize>level * ROW_BYTES;
}

// @ts-ignore: decorator of the compiler
@inline
function layBands(at: usize, row: usize, cover: u8, share: v128, one: v128): void {
  const r = v128.load(at);
  const r0 = v128.load(row);
  const seen = f32x4.div(upper(r, r0, v128.load(row, 48)), lower(r, r0, one));
  if (cover == 255) v128.store(at, seen);
  else v128.store(at, mixed(r, seen, share));
}

// @ts-ignore: decorator of the compiler
@inline
function lay(at: usize, row: usize, cover: u8, one: v128): void {
  const share = f32x4.splat(<f32>cover * <f32>(1.0 / 255.0));
  layBands(at, row, cover, share, one);
  layBands(at + 16, row + 16, cover, share, one);
  layBands(at + 32, row + 32, cover, share, one);
}

export function applyFilm(table: i32, count: i32): void {
  const one = f32x4.splat(1);
  for (let i: usize = 0; i < <usize>count; i++) {
    const cover = load<u8>(COVERS + i);
    const level = load<u8>(LEVELS + i);
    if (cover == 0 || level == 0) continue;
    lay(STATE + i * 48, filmOf(table, level), cover, one);
  }
}

// Both films cover the cell.
// @ts-ignore: decorator of the compiler
@inline
function layWhole(at: usize, row: usize, next: usize, one: v128): void {
  const r = v128.load(at);
  const r0 = v128.load(row);
  const s0 = v128.load(next);
  const q = lower(r, r0, one);
  const p = upper(r, r0, v128.load(row, 48));
  const above = f32x4.add(f32x4.mul(s0, q), f32x4.mul(v128.load(next, 48), p));
  v128.store(at, f32x4.div(above, f32x4.sub(q, f32x4.mul(s0, p))));
}

// One of them, or both, cover a share of it: after the first film p / q, after the second p2 / q2, both over q.
// @ts-ignore: decorator of the compiler
@inline
function layShares(at: usize, row: usize, next: usize, share: v128, share2: v128, one: v128): void {
  const r = v128.load(at);
  const r0 = v128.load(row);
  const s0 = v128.load(next);
  const q = lower(r, r0, one);
  const p = mixed(f32x4.mul(r, q), upper(r, r0, v128.load(row, 48)), share);
  const p2 = f32x4.add(f32x4.mul(s0, q), f32x4.mul(v128.load(next, 48), p));
  const q2 = f32x4.sub(q, f32x4.mul(s0, p));
  v128.store(at, f32x4.div(mixed(f32x4.mul(p, q2), f32x4.mul(p2, q), share2), f32x4.mul(q, q2)));
}

// @ts-ignore: decorator of the compiler
@inline
function layPair(at: usize, row: usize, next: usize, cover: u8, cover2: u8, one: v128): void {
  if (cover == 255 && cover2 == 255) {
    layWhole(at, row, next, one);
    layWhole(at + 16, row + 16, next + 16, one);
    layWhole(at + 32, row + 32, next + 32, one);
    return;
  }
  const share = f32x4.splat(<f32>cover * <f32>(1.0 / 255.0));
  const share2 = f32x4.splat(<f32>cover2 * <f32>(1.0 / 255.0));
  layShares(at, row, next, share, share2, one);
  layShares(at + 16, row + 16, next + 16, share, share2, one);
  layShares(at + 32, row + 32, next + 32, share, share2, one);
}

// Whether both films cover every cell of a whole chunk.
function isWhole(count: i32): bool {
  if (count != CHUNK) return false;
  let cover = i8x16.splat(-1);
  let level = i8x16.splat(-1);
  for (let i: usize = 0; i < <usize>CHUNK; i += 16) {
    cover = v128.and(cover, v128.and(v128.load(COVERS + i), v128.load(COVERS_2 + i)));
    level = i8x16.min_u(level, i8x16.min_u(v128.load(LEVELS + i), v128.load(LEVELS_2 + i)));
  }
  return i8x16.all_true(i8x16.eq(cover, i8x16.splat(-1))) && i8x16.all_true(level);
}

/** Lays two films one after the other; the second one's planes lie in the second place. */
export function applyPair(table: i32, table2: i32, count: i32): void {
  const one = f32x4.splat(1);
  if (isWhole(count)) {
    const first = TABLES + <usize>table * TABLE_BYTES;
    const second = TABLES + <usize>table2 * TABLE_BYTES;
    let at = STATE;
    for (let i: usize = 0; i < <usize>CHUNK; i++) {
      const row = first + <usize>load<u8>(LEVELS + i) * ROW_BYTES;
      const next = second + <usize>load<u8>(LEVELS_2 + i) * ROW_BYTES;
      layWhole(at, row, next, one);
      layWhole(at + 16, row + 16, next + 16, one);
      layWhole(at + 32, row + 32, next + 32, one);
      at += 48;
    }
    return;
  }
  for (let i: usize = 0; i < <usize>count; i++) {
    const cover = load<u8>(COVERS + i);
    const level = load<u8>(LEVELS + i);
    const cover2 = load<u8>(COVERS_2 + i);
    const level2 = load<u8>(LEVELS_2 + i);
    const first = cover != 0 && level != 0;
    const second = cover2 != 0 && level2 != 0;
    const at = STATE + i * 48;
    if (first && second) layPair(at, filmOf(table, level), filmOf(table2, level2), cover, cover2, one);
    else if (first) lay(at, filmOf(table, level), cover, one);
    else if (second) lay(at, filmOf(table2, level2), cover2, one);
  }
}

// @ts-ignore: decorator of the compiler
@inline
function sum(v: v128): f32 {
  return (
    f32x4.extract_lane(v, 0) + f32x4.extract_lane(v, 1) + (f32x4.extract_lane(v, 2) + f32x4.extract_lane(v, 3))
  );
}

// @ts-ignore: decorator of the compiler
@inline
function channel(a: v128, b: v128, c: v128, row: usize): f32 {
  return sum(
    f32x4.add(
      f32x4.add(f32x4.mul(a, v128.load(row)), f32x4.mul(b, v128.load(row, 16))),
      f32x4.mul(c, v128.load(row, 32)),
    ),
  );
}

// @ts-ignore: decorator of the compiler
@inline
function toByte(linear: f32): u8 {
  return load<u8>(CURVE + <usize>(linear * 8192.0 + 0.5));
}

export function resolve(count: i32): void {
  for (let i: usize = 0; i < <usize>count; i++) {
    const at = STATE + i * 48;
    const a = v128.load(at);
    const b = v128.load(at, 16);
    const c = v128.load(at, 32);
    const shade = load<f32>(SHADES + i * 4);
    let red = channel(a, b, c, WEIGHTS) * shade;
    let green = channel(a, b, c, WEIGHTS + 48) * shade;
    let blue = channel(a, b, c, WEIGHTS + 96) * shade;
    const least = min(red, min(green, blue));
    const most = max(red, max(green, blue));
    if (least < 0 || most > 1) {
      // Outside sRGB: towards the grey of its own luminance.
      const y = min<f32>(1, max<f32>(0, <f32>0.2126 * red + <f32>0.7152 * green + <f32>0.0722 * blue));
      let keep: f32 = 1;
      if (least < 0) keep = y / (y - least);
      if (most > 1) keep = min<f32>(keep, (1 - y) / (most - y));
      red = min<f32>(1, max<f32>(0, y + keep * (red - y)));
      green = min<f32>(1, max<f32>(0, y + keep * (green - y)));
      blue = min<f32>(1, max<f32>(0, y + keep * (blue - y)));
    }
    const out = OUT + i * 4;
    store<u8>(out, toByte(red));
    store<u8>(out, toByte(green), 1);
    store<u8>(out, toByte(blue), 2);
  }
}
