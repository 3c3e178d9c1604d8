// Chance smeared over a square tile that repeats without a seam. Two tiles of 512 × 512 f32 lie behind each other from 0
// on, and 512 f64 for running sums behind them; what was made last lies in the first.
const SIDE: i32 = 512;
const MASK: i32 = SIDE - 1;
const CELLS: i32 = SIDE * SIDE;
const OTHER: usize = <usize>CELLS * 4;
const SUMS: usize = OTHER * 2;
/** Values lie within so much of 0. */
const MOST: f64 = 2.5;

/** Even chance, −0.5…0.5 (mulberry32, as the generator of the core has it). */
function fill(seed: i32): void {
  let state = seed;
  for (let at: usize = 0; at < OTHER; at += 4) {
    state += 0x6d2b79f5;
    let t = (state ^ (state >>> 15)) * (1 | state);
    t = (t + (t ^ (t >>> 7)) * (61 | t)) ^ t;
    store<f32>(at, <f32>(<f64>(<u32>(t ^ (t >>> 14))) / 4294967296.0 - 0.5));
  }
}

/** Sums over a window along the rows of the first tile, wrapping round, into the other. */
function sumRows(radius: i32): void {
  for (let row = 0; row < SIDE; row++) {
    const base = <usize>(row * SIDE) * 4;
    let sum: f64 = 0;
    for (let k = -radius; k <= radius; k++) sum += <f64>load<f32>(base + <usize>(k & MASK) * 4);
    for (let k = 0; k < SIDE; k++) {
      store<f32>(OTHER + base + <usize>k * 4, <f32>sum);
      const enters = <f64>load<f32>(base + <usize>((k + radius + 1) & MASK) * 4);
      sum += enters - <f64>load<f32>(base + <usize>((k - radius) & MASK) * 4);
    }
  }
}

/** The same along the columns of the other tile, back into the first. */
function sumColumns(radius: i32): void {
  const row: usize = <usize>SIDE * 4;
  for (let x: usize = 0; x < <usize>SIDE; x++) store<f64>(SUMS + x * 8, 0);
  for (let k = -radius; k <= radius; k++) {
    const from = OTHER + <usize>(k & MASK) * row;
    for (let x: usize = 0; x < <usize>SIDE; x++)
      store<f64>(SUMS + x * 8, load<f64>(SUMS + x * 8) + <f64>load<f32>(from + x * 4));
  }
  for (let k = 0; k < SIDE; k++) {
    const enters = OTHER + <usize>((k + radius + 1) & MASK) * row;
    const leaves = OTHER + <usize>((k - radius) & MASK) * row;
    const here = <usize>k * row;
    for (let x: usize = 0; x < <usize>SIDE; x++) {
      const sum = load<f64>(SUMS + x * 8);
      store<f32>(here + x * 4, <f32>sum);
      store<f64>(SUMS + x * 8, sum + (<f64>load<f32>(enters + x * 4) - <f64>load<f32>(leaves + x * 4)));
    }
  }
}

/** Moves and scales the first tile to mean 0 and variance 1; what lies far off is brought to MOST. */
export function normalise(): void {
  let mean: f64 = 0;
  for (let at: usize = 0; at < OTHER; at += 4) mean += <f64>load<f32>(at);
  mean /= CELLS;
  let variance: f64 = 0;
  for (let at: usize = 0; at < OTHER; at += 4) {
    const off = <f64>load<f32>(at) - mean;
    variance += off * off;
  }
  const scale = 1 / sqrt(variance / CELLS);
  for (let at: usize = 0; at < OTHER; at += 4)
    store<f32>(at, <f32>max(-MOST, min(MOST, (<f64>load<f32>(at) - mean) * scale)));
}

/** Chance of a seed, smeared twice over so many cells each way along and across. */
export function smear(seed: i32, radiusX: i32, radiusY: i32): void {
  fill(seed);
  for (let turn = 0; turn < 2; turn++) {
    sumRows(radiusX);
    sumColumns(radiusY);
  }
  normalise();
}
