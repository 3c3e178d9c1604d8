const BINS = 4096;
/** Shares are right to this, of the surface. */
const NEAR = 0.0008;
const MOST_ROUNDS = 40;

/** The value that so many of the first `count` lie above, to a small part of a bin. */
function above(values: Float32Array, count: number, wanted: number): number {
  let [low, high] = [Infinity, -Infinity];
  for (let k = 0; k < count; k++) {
    const value = values[k]!;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (wanted <= 0) return high + 1e-3;
  if (wanted >= count) return low - 1e-3;
  const bins = new Int32Array(BINS);
  const scale = (BINS - 1) / Math.max(1e-9, high - low);
  for (let k = 0; k < count; k++) bins[Math.floor((values[k]! - low) * scale)]!++;
  let sum = 0;
  for (let bin = BINS - 1; bin >= 0; bin--) {
    const here = bins[bin]!;
    if (sum + here >= wanted) return low + (bin + 1 - (wanted - sum) / here) / scale;
    sum += here;
  }
  return low;
}

/** Which colour likes each cell most, and by how much more than the next. */
export interface Owned {
  /** Number of the colour, per cell of the panel; 255 off it. */
  readonly owner: Uint8Array;
  /** Added to each colour's liking so that the shares come out. */
  readonly offsets: readonly number[];
  /** Shares of the panel, 0…1. */
  readonly shares: readonly number[];
}

const NOBODY = 255;

function ownersOf(likings: readonly Float32Array[], offsets: readonly number[], cells: Int32Array): Owned {
  const owner = new Uint8Array(likings[0]!.length).fill(NOBODY);
  const counts = likings.map(() => 0);
  for (const at of cells) {
    let [best, most] = [0, -Infinity];
    for (let k = 0; k < likings.length; k++) {
      const value = likings[k]![at]! + offsets[k]!;
      if (value > most) [best, most] = [k, value];
    }
    owner[at] = best;
    counts[best]!++;
  }
  return { owner, offsets, shares: counts.map((count) => count / Math.max(1, cells.length)) };
}

/** The offset at which one colour has its share, the others' being as they are. */
function offsetFor(
  likings: readonly Float32Array[],
  offsets: readonly number[],
  k: number,
  cells: Int32Array,
  wanted: number,
): number {
  const lead = new Float32Array(cells.length);
  for (let c = 0; c < cells.length; c++) {
    const at = cells[c]!;
    let other = -Infinity;
    for (let j = 0; j < likings.length; j++)
      if (j !== k) other = Math.max(other, likings[j]![at]! + offsets[j]!);
    lead[c] = likings[k]![at]! - other;
  }
  return -above(lead, cells.length, wanted * cells.length);
}

/**
 * Gives every cell to the colour that likes it most, with each colour's liking raised or lowered until all shares come
 * out: one colour after another is set to just its share, until none is moved any more. Source: the auction of
 * semi-discrete transport by coordinate ascent (Mérigot, "A multiscale approach to optimal transport", 2011).
 * @param wanted shares, 0…1; they sum to 1
 */
export function shareOut(
  likings: readonly Float32Array[],
  wanted: readonly number[],
  cells: Int32Array,
): Owned {
  const offsets = likings.map(() => 0);
  let owned = ownersOf(likings, offsets, cells);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    if (owned.shares.every((share, k) => Math.abs(share - wanted[k]!) < NEAR)) break;
    for (let k = 1; k < likings.length; k++) offsets[k] = offsetFor(likings, offsets, k, cells, wanted[k]!);
    owned = ownersOf(likings, offsets, cells);
  }
  return owned;
}
