import { createRandom, hash01 } from "../random";

/** Square tiles that repeat without a seam; one cell of a tile is 0.03 mm. Mean 0, variance 1. */
export const TILE = 512;
const MASK = TILE - 1;
const PER_MM = 1 / 0.03;

/** Mean over a window along rows or columns, wrapping round. */
function wrapMean(tile: Float32Array, radius: number, alongX: boolean): Float32Array {
  const out = new Float32Array(tile.length);
  if (radius < 1) return tile;
  const step = alongX ? 1 : TILE;
  const lineStep = alongX ? TILE : 1;
  for (let line = 0; line < TILE; line++) {
    const base = line * lineStep;
    let sum = 0;
    for (let k = -radius; k <= radius; k++) sum += tile[base + (k & MASK) * step]!;
    for (let k = 0; k < TILE; k++) {
      out[base + k * step] = sum;
      sum += tile[base + ((k + radius + 1) & MASK) * step]! - tile[base + ((k - radius) & MASK) * step]!;
    }
  }
  return out;
}

function normalise(tile: Float32Array): Float32Array {
  let mean = 0;
  for (const value of tile) mean += value;
  mean /= tile.length;
  let variance = 0;
  for (const value of tile) variance += (value - mean) ** 2;
  const scale = 1 / Math.sqrt(variance / tile.length);
  return tile.map((value) => Math.max(-2.5, Math.min(2.5, (value - mean) * scale)));
}

function smear(seed: number, radiusX: number, radiusY: number): Float32Array {
  const random = createRandom(seed);
  let tile: Float32Array = Float32Array.from({ length: TILE * TILE }, () => random.next() - 0.5);
  for (let turn = 0; turn < 2; turn++) {
    tile = wrapMean(tile, radiusX, true);
    tile = wrapMean(tile, radiusY, false);
  }
  return normalise(tile);
}

let streakTile: Float32Array | null = null;
let cloudTile: Float32Array | null = null;

/** Bristle streaks along x, about 2 mm long and 0.1 mm wide. */
export function streak(xMm: number, yMm: number): number {
  streakTile ??= smear(11, 24, 1);
  return streakTile[((yMm * PER_MM) & MASK) * TILE + ((xMm * PER_MM) & MASK)]!;
}

/** Slow unevenness, about 1.5 mm across, with a finer share. */
export function cloud(xMm: number, yMm: number): number {
  cloudTile ??= normalise(smear(23, 20, 20).map((value, at) => value + 0.45 * smearFine()[at]!));
  return cloudTile[((yMm * PER_MM) & MASK) * TILE + ((xMm * PER_MM) & MASK)]!;
}

let speckTile: Float32Array | null = null;
/** Size of a speck of the tile itself, mm. */
const SPECK_MM = 0.13;

/**
 * Specks of a size, two octaves turned against each other, so that the tile's repeat is not seen: it comes back after
 * some 120 specks only. Mean 0, variance about 1.
 */
export function specks(xMm: number, yMm: number, sizeMm: number): number {
  speckTile ??= smear(53, 1, 1);
  const scale = (PER_MM * SPECK_MM) / sizeMm;
  const [u, v] = [xMm * scale, yMm * scale];
  const [s, t] = [0.8 * u - 0.6 * v, 0.6 * u + 0.8 * v];
  return (
    0.8 * speckTile[(v & MASK) * TILE + (u & MASK)]! +
    0.55 * speckTile[((t * 2.3) & MASK) * TILE + ((s * 2.3) & MASK)]!
  );
}

let fine: Float32Array | null = null;
function smearFine(): Float32Array {
  fine ??= smear(37, 4, 4);
  return fine;
}

/** Smooth noise along a line, −1…1, one lattice point per unit. */
export function wander(seed: number, at: number): number {
  const cell = Math.floor(at);
  const t = at - cell;
  const ease = t * t * (3 - 2 * t);
  const a = hash01(seed, cell);
  return 2 * (a + (hash01(seed, cell + 1) - a) * ease) - 1;
}

/** How a hand strays along a pull: a slow drift and a fine tremor, in units of its wobble. */
export const stray = (seed: number, alongMm: number): number =>
  0.78 * wander(seed, alongMm / 2.2) + 0.22 * wander(seed ^ 0x5bd1, alongMm / 0.5);
