// What strokes of a wiped brush and dabs of a sponge leave on one chunk of cells. Addresses (bytes) are fixed but for the
// strokes and their index, whose places the caller tells. No branch hangs on chance: guessing wrong, a processor loses
// more time than all the rest takes. That is why least() and most() go by lanes, which have an instruction for it.
const CHUNK: usize = 4096;
const PLANE: usize = CHUNK * 4;
const TOUCH: usize = 0; // 256 f32: how fully bristles touch, by hundredths of their reach
const QUANTILE: usize = 1024; // 512 f32: logistic for the normal quantile, by shares of 1/500
const GAPS: usize = 4096; // planes of CHUNK f32 each: mm below what touches
const WEIGHTS: usize = GAPS + PLANE; // share of the place
const ALONG: usize = WEIGHTS + PLANE; // mm
const UP: usize = ALONG + PLANE; // mm
const EDGES: usize = UP + PLANE; // 0…1
const INSIDE: usize = EDGES + PLANE; // 0…1
const VOLUME: usize = INSIDE + PLANE; // in and out: µm times covered share; out: how much a place takes of a dab
const COVER: usize = VOLUME + PLANE; // in and out: covered share
const THREADS: usize = COVER + PLANE; // 512 × 512 i8, fiftieths: threads that bristles lay along u
const CLOUDS: usize = THREADS + 512 * 512; // the same of slow unevenness
const SPECKS: usize = CLOUDS + 512 * 512; // and of specks
const STROKES: usize = SPECKS + 512 * 512; // 9 f32 each: x, y, cos, sin, 1/half length, 1/half width, load, bend, offset
const STROKE: usize = 36;
const TILE_MASK: i32 = 511;
const TILE_PER_MM: f32 = 1.0 / 0.03;
const LEAST_SHARE: f32 = 0.004;
/** A second stroke that lies thinner than this is not seen beside the first. */
const LEAST_SECOND: f32 = 0.2;

// The index of strokes: squares of the ground, each with the two strokes that count most on it (i16, below 0 for none) and how
// much they do (f32).
let firstAt: usize = 0;
let secondAt: usize = 0;
let mostAt: usize = 0;
let nextAt: usize = 0;
let minX: f32 = 0;
let minY: f32 = 0;
let cellMm: f32 = 0;
let columns: i32 = 0;
let rows: i32 = 0;

// Where the place last weighed lies along the stroke and aside of it, mm.
let along: f32 = 0;
let aside: f32 = 0;

// @ts-ignore: decorator of the compiler
@inline
function least(a: f32, b: f32): f32 {
  return f32x4.extract_lane(f32x4.pmin(f32x4.splat(a), f32x4.splat(b)), 0);
}

// @ts-ignore: decorator of the compiler
@inline
function most(a: f32, b: f32): f32 {
  return f32x4.extract_lane(f32x4.pmax(f32x4.splat(a), f32x4.splat(b)), 0);
}

// Tiles lie in blocks of 8 × 8, one cache line each, so that neighbours in any direction are near in memory.
// @ts-ignore: decorator of the compiler
@inline
function tiled(tile: usize, u: f32, v: f32): f32 {
  const x = <i32>u & TILE_MASK;
  const y = <i32>v & TILE_MASK;
  const at = ((y >> 3) << 12) + ((x >> 3) << 6) + ((y & 7) << 3) + (x & 7);
  return <f32>load<i8>(tile + <usize>at) * <f32>0.02;
}

// How fully a stroke lies on a place, 0…about 1.5: set down at once, emptying along its way, thinner at its sides.
// @ts-ignore: decorator of the compiler
@inline
function weigh(at: usize, x: f32, y: f32): f32 {
  const dx = x - load<f32>(at);
  const dy = y - load<f32>(at, 4);
  const cos = load<f32>(at, 8);
  const sin = load<f32>(at, 12);
  along = dx * cos + dy * sin;
  aside = dy * cos - dx * sin - load<f32>(at, 28) * along * along;
  const t = <f32>0.5 + <f32>0.5 * along * load<f32>(at, 16);
  const across = aside * load<f32>(at, 20);
  const sides = most(0, least(1, <f32>1.9 * (<f32>1 - across * across)));
  const ends = most(0, least(1, least(<f32>7 * t, <f32>3.5 * (<f32>1 - t))));
  return load<f32>(at, 24) * (<f32>1.15 - <f32>0.6 * t) * sides * ends;
}

export function weight(index: i32, x: f32, y: f32): f32 {
  return weigh(STROKES + <usize>index * STROKE, x, y);
}

export function setIndex(
  first: usize,
  second: usize,
  firstMost: usize,
  secondMost: usize,
  x: f32,
  y: f32,
  mm: f32,
  across: i32,
  down: i32,
): void {
  firstAt = first;
  secondAt = second;
  mostAt = firstMost;
  nextAt = secondMost;
  minX = x;
  minY = y;
  cellMm = mm;
  columns = across;
  rows = down;
}

/** Enters a stroke into the index, wherever it lies within its reaches of its middle. */
export function enter(index: i32, reachX: f32, reachY: f32): void {
  const stroke = STROKES + <usize>index * STROKE;
  const x = load<f32>(stroke);
  const y = load<f32>(stroke, 4);
  const fromX = max<i32>(0, <i32>floor<f32>((x - reachX - minX) / cellMm));
  const toX = min<i32>(columns - 1, <i32>ceil<f32>((x + reachX - minX) / cellMm));
  const fromY = max<i32>(0, <i32>floor<f32>((y - reachY - minY) / cellMm));
  const toY = min<i32>(rows - 1, <i32>ceil<f32>((y + reachY - minY) / cellMm));
  for (let row = fromY; row <= toY; row++) {
    for (let column = fromX; column <= toX; column++) {
      const lies = weigh(stroke, minX + <f32>column * cellMm, minY + <f32>row * cellMm);
      if (lies <= 0) continue;
      const at = <usize>(row * columns + column);
      const before = load<f32>(mostAt + (at << 2));
      if (lies > before) {
        if (before > LEAST_SECOND) {
          store<f32>(nextAt + (at << 2), before);
          store<i16>(secondAt + (at << 1), load<i16>(firstAt + (at << 1)));
        }
        store<f32>(mostAt + (at << 2), lies);
        store<i16>(firstAt + (at << 1), <i16>index);
      } else if (lies > LEAST_SECOND && lies > load<f32>(nextAt + (at << 2))) {
        store<f32>(nextAt + (at << 2), lies);
        store<i16>(secondAt + (at << 1), <i16>index);
      }
    }
  }
}

// Covered share of a place by the threads of one stroke; `take` is how much of a full stroke the ground takes. Which of
// its bristles leave paint is chance, how many follows from load, touch and edge. Threads thin out towards their sides:
// no cell is all or nothing.
// @ts-ignore: decorator of the compiler
@inline
function threads(index: i32, x: f32, y: f32, take: f32): f32 {
  const at = STROKES + <usize>index * STROKE;
  const share = take * weigh(at, x, y);
  const offset = load<f32>(at, 32);
  const thread = tiled(
    THREADS,
    (along + offset) * (<f32>1.2 * TILE_PER_MM),
    (aside + offset) * (<f32>1.9 * TILE_PER_MM),
  );
  const quantile = load<f32>(QUANTILE + (<usize>(<i32>(least(share, 0.985) * 500)) << 2));
  return least(1, most(0, (thread + quantile) * <f32>0.85 + <f32>0.45));
}

/** Lays one pass beside the ones before: films add up, shares join as chances do. `fill` is how full the brush is, `flats` what open ground takes of a stroke, `edges` how much more an edge does. */
export function brush(
  count: i32,
  perReach: f32,
  fill: f32,
  flats: f32,
  edges: f32,
  passUm: f32,
  shiftX: f32,
  shiftY: f32,
): void {
  const perMm = <f32>1 / cellMm;
  const squares = <u32>(columns * rows);
  for (let i: usize = 0; i < <usize>count << 2; i += 4) {
    const share = load<f32>(WEIGHTS + i);
    const inside = load<f32>(INSIDE + i);
    const depth = load<f32>(GAPS + i) * perReach;
    if (share < LEAST_SHARE || inside == 0 || depth > 220) continue;
    const touch = load<f32>(TOUCH + (<usize>(<i32>depth) << 2));
    const take = fill * touch * share * (flats + edges * load<f32>(EDGES + i));
    if (take < 0.01) continue;
    const x = load<f32>(ALONG + i) + shiftX;
    const y = load<f32>(UP + i) + shiftY;
    const square = <i32>((y - minY) * perMm + 0.5) * columns + <i32>((x - minX) * perMm + 0.5);
    if (<u32>square >= squares) continue;
    const strongest = <i32>load<i16>(firstAt + (<usize>square << 1));
    if (strongest < 0) continue;
    const second = <i32>load<i16>(secondAt + (<usize>square << 1));
    const one = threads(strongest, x, y, take);
    const other: f32 = second < 0 ? 0 : threads(second, x, y, take);
    const cover = (<f32>1 - (<f32>1 - one) * (<f32>1 - other)) * inside;
    const laid = passUm * (<f32>0.8 + <f32>0.4 * touch) * cover;
    store<f32>(VOLUME + i, load<f32>(VOLUME + i) + laid);
    store<f32>(COVER + i, <f32>1 - (<f32>1 - load<f32>(COVER + i)) * (<f32>1 - cover));
  }
}

/**
 * How much each place takes of a torn sponge: its pores in two octaves turned against each other, so that the tile's repeat
 * is not seen, crowded where single dabs fell, less where it does not reach, more on edges.
 */
export function dab(
  count: i32,
  pores: f32,
  crowd: f32,
  perPress: f32,
  toEdges: f32,
  shiftX: f32,
  shiftY: f32,
): void {
  for (let i: usize = 0; i < <usize>count << 2; i += 4) {
    const x = load<f32>(ALONG + i) + shiftX;
    const y = load<f32>(UP + i) + shiftY;
    const u = x * pores;
    const v = y * pores;
    const turned = tiled(
      SPECKS,
      (<f32>0.8 * u - <f32>0.6 * v) * <f32>2.3,
      (<f32>0.6 * u + <f32>0.8 * v) * <f32>2.3,
    );
    const open = <f32>0.95 * (<f32>0.8 * tiled(SPECKS, u, v) + <f32>0.55 * turned);
    const dabs = tiled(
      CLOUDS,
      (x * <f32>0.55 + <f32>7) * TILE_PER_MM,
      (y * <f32>0.55 + <f32>2) * TILE_PER_MM,
    );
    const away = <f32>2.5 * least(2, load<f32>(GAPS + i) * perPress);
    const place = <f32>2.2 * (load<f32>(WEIGHTS + i) - 1);
    store<f32>(VOLUME + i, open + crowd * dabs - away + toEdges * load<f32>(EDGES + i) + place);
  }
}
