import { hash01 } from "../random";
import { blended, smear, TILE } from "../tiles/tiles";

// Tiles repeat without a seam; one cell of a tile is 0.03 mm. Mean 0, variance 1.
const MASK = TILE - 1;
const PER_MM = 1 / 0.03;

let streaks: Float32Array | null = null;
let clouds: Float32Array | null = null;

/** Bristle streaks along x, about 2 mm long and 0.1 mm wide. */
export function streak(xMm: number, yMm: number): number {
  streaks ??= smear(11, 24, 1);
  return streaks[((yMm * PER_MM) & MASK) * TILE + ((xMm * PER_MM) & MASK)]!;
}

/** The tile of slow unevenness, made when it is first asked for. */
export const cloudTile = (): Float32Array => (clouds ??= cloudy());

/** Slow unevenness, about 1.5 mm across, with a finer share. */
export function cloud(xMm: number, yMm: number): number {
  clouds ??= cloudy();
  return clouds[((yMm * PER_MM) & MASK) * TILE + ((xMm * PER_MM) & MASK)]!;
}

/** A tile of threads that bristles lay along x: streaks that come and go. Mean 0, variance 1. */
export function threadTile(): Float32Array {
  return blended([smear(71, 24, 1), 0.8], [smear(73, 16, 8), 0.45]);
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

const cloudy = (): Float32Array => blended([smear(23, 20, 20), 1], [smear(37, 4, 4), 0.45]);

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
