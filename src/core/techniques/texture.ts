import { createRandom, hash01 } from "../random";

/** Square tiles that repeat without a seam; one cell of a tile is 0.03 mm. Mean 0, variance 1. */
export const TILE = 512;
const MASK = TILE - 1;
const PER_MM = 1 / 0.03;

/** Sum over a window along rows, wrapping round. */
function wrapSumRows(tile: Float32Array, radius: number): Float32Array {
  const out = new Float32Array(tile.length);
  for (let base = 0; base < tile.length; base += TILE) {
    let sum = 0;
    for (let k = -radius; k <= radius; k++) sum += tile[base + (k & MASK)]!;
    for (let k = 0; k < TILE; k++) {
      out[base + k] = sum;
      sum += tile[base + ((k + radius + 1) & MASK)]! - tile[base + ((k - radius) & MASK)]!;
    }
  }
  return out;
}

/** The same along columns; a whole row at a time, as memory lies. */
function wrapSumColumns(tile: Float32Array, radius: number): Float32Array {
  const out = new Float32Array(tile.length);
  const sums = new Float64Array(TILE);
  for (let k = -radius; k <= radius; k++)
    for (let x = 0, from = (k & MASK) * TILE; x < TILE; x++) sums[x]! += tile[from + x]!;
  for (let k = 0; k < TILE; k++) {
    const [here, enters, leaves] = [k * TILE, ((k + radius + 1) & MASK) * TILE, ((k - radius) & MASK) * TILE];
    for (let x = 0; x < TILE; x++) {
      out[here + x] = sums[x]!;
      sums[x]! += tile[enters + x]! - tile[leaves + x]!;
    }
  }
  return out;
}

function normalise(tile: Float32Array): Float32Array {
  let [mean, variance] = [0, 0];
  for (let at = 0; at < tile.length; at++) mean += tile[at]!;
  mean /= tile.length;
  for (let at = 0; at < tile.length; at++) variance += (tile[at]! - mean) ** 2;
  const scale = 1 / Math.sqrt(variance / tile.length);
  const out = new Float32Array(tile.length);
  for (let at = 0; at < tile.length; at++)
    out[at] = Math.max(-TILE_MOST, Math.min(TILE_MOST, (tile[at]! - mean) * scale));
  return out;
}

function smear(seed: number, radiusX: number, radiusY: number): Float32Array {
  const random = createRandom(seed);
  let tile: Float32Array = new Float32Array(TILE * TILE);
  for (let at = 0; at < tile.length; at++) tile[at] = random.next() - 0.5;
  for (let turn = 0; turn < 2; turn++) tile = wrapSumColumns(wrapSumRows(tile, radiusX), radiusY);
  return normalise(tile);
}

let streaks: Float32Array | null = null;
let clouds: Float32Array | null = null;

/** Bristle streaks along x, about 2 mm long and 0.1 mm wide. */
export function streak(xMm: number, yMm: number): number {
  streaks ??= smear(11, 24, 1);
  return streaks[((yMm * PER_MM) & MASK) * TILE + ((xMm * PER_MM) & MASK)]!;
}

/** The tile of slow unevenness, made when it is first asked for. */
export const cloudTile = (): Float32Array => (clouds ??= cloudy());

/** Values of a tile lie within so much of 0. */
export const TILE_MOST = 2.5;

/** Slow unevenness, about 1.5 mm across, with a finer share. */
export function cloud(xMm: number, yMm: number): number {
  clouds ??= cloudy();
  return clouds[((yMm * PER_MM) & MASK) * TILE + ((xMm * PER_MM) & MASK)]!;
}

/** A tile of threads that bristles lay along x: streaks that come and go. Mean 0, variance 1. */
export function threadTile(): Float32Array {
  const [along, patches] = [smear(71, 24, 1), smear(73, 16, 8)];
  for (let at = 0; at < along.length; at++) along[at] = 0.8 * along[at]! + 0.45 * patches[at]!;
  return normalise(along);
}

/** Makes what the commonest coats ask for, ahead of the first of them. */
export function prepareTextures(): void {
  streak(0, 0);
  cloud(0, 0);
}

/** Size of a speck of the tile itself, mm. */
const SPECK_MM = 0.13;

let speckled: Float32Array | null = null;
/** A tile of specks, made when it is first asked for. Mean 0, variance 1. */
export const speckTile = (): Float32Array => (speckled ??= smear(53, 1, 1));

/** Cells of the tile of specks to a mm where they are to be of a size, mm. */
export const specksPerMm = (sizeMm: number): number => (PER_MM * SPECK_MM) / sizeMm;

/**
 * Specks of a size, two octaves turned against each other, so that the tile's repeat is not seen: it comes back after
 * some 120 specks only. Mean 0, variance about 1.
 */
export function specks(xMm: number, yMm: number, sizeMm: number): number {
  speckled ??= smear(53, 1, 1);
  const scale = specksPerMm(sizeMm);
  const [u, v] = [xMm * scale, yMm * scale];
  const [s, t] = [0.8 * u - 0.6 * v, 0.6 * u + 0.8 * v];
  return (
    0.8 * speckled[(v & MASK) * TILE + (u & MASK)]! +
    0.55 * speckled[((t * 2.3) & MASK) * TILE + ((s * 2.3) & MASK)]!
  );
}

function cloudy(): Float32Array {
  const [wide, fine] = [smear(23, 20, 20), smear(37, 4, 4)];
  for (let at = 0; at < wide.length; at++) wide[at]! += 0.45 * fine[at]!;
  return normalise(wide);
}

/** −1…1, eased from one lattice point, 0…1, to the next; t 0…1 between them. */
function eased(from: number, to: number, t: number): number {
  const ease = t * t * (3 - 2 * t);
  return 2 * (from + (to - from) * ease) - 1;
}

/** Smooth noise along a line, −1…1, one lattice point per unit. */
export function wander(seed: number, at: number): number {
  const cell = Math.floor(at);
  return eased(hash01(seed, cell), hash01(seed, cell + 1), at - cell);
}

/** The same for one seed, for places that mostly lie near the one before: it keeps the lattice points beside it. */
export function wanderer(seed: number): (at: number) => number {
  let [cell, from, to] = [NaN, 0, 0];
  return (at) => {
    const here = Math.floor(at);
    if (here !== cell) [cell, from, to] = [here, hash01(seed, here), hash01(seed, here + 1)];
    return eased(from, to, at - here);
  };
}

/** How a hand strays along a pull: a slow drift and a fine tremor, in units of its wobble. */
export const stray = (seed: number, alongMm: number): number =>
  0.78 * wander(seed, alongMm / 2.2) + 0.22 * wander(seed ^ 0x5bd1, alongMm / 0.5);
