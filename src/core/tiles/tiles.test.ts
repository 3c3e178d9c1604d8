import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { createRandom } from "../random";
import { blended, smear, TILE, TILE_MOST } from "./tiles";

const MASK = TILE - 1;

/** Sums over a window of cells that lie so far apart, wrapping round. */
function summed(tile: Float32Array, radius: number, along: boolean): Float32Array {
  const out = new Float32Array(tile.length);
  for (let line = 0; line < TILE; line++) {
    const at = (k: number) => (along ? line * TILE + (k & MASK) : (k & MASK) * TILE + line);
    let sum = 0;
    for (let k = -radius; k <= radius; k++) sum += tile[at(k)]!;
    for (let k = 0; k < TILE; k++) {
      out[at(k)] = sum;
      sum += tile[at(k + radius + 1)]! - tile[at(k - radius)]!;
    }
  }
  return out;
}

/** The same as the kernel does, as it is told in words. */
function plainly(seed: number, radiusX: number, radiusY: number): Float32Array {
  const random = createRandom(seed);
  let tile: Float32Array = new Float32Array(TILE * TILE).map(() => random.next() - 0.5);
  for (let turn = 0; turn < 2; turn++) tile = summed(summed(tile, radiusX, true), radiusY, false);
  let [mean, variance] = [0, 0];
  for (const value of tile) mean += value;
  mean /= tile.length;
  for (const value of tile) variance += (value - mean) * (value - mean);
  const scale = 1 / Math.sqrt(variance / tile.length);
  return tile.map((value) => Math.max(-TILE_MOST, Math.min(TILE_MOST, (value - mean) * scale)));
}

const meanOf = (values: Float32Array, of: (value: number) => number) =>
  values.reduce((sum, value) => sum + of(value), 0) / values.length;

describe("tiles of chance", () => {
  it("are what their words say, to the bit", () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 0, max: 30 }),
        (...asked) => {
          const [own, wanted] = [smear(...asked), plainly(...asked)];
          return own.every((value, at) => value === wanted[at]);
        },
      ),
      { numRuns: 4 },
    );
  });

  it("have mean 0 and variance 1, blended ones too, and what is made next leaves them as they are", () => {
    const one = smear(11, 24, 1);
    const before = one.slice();
    const both = blended([one, 0.8], [smear(73, 16, 8), 0.45]);
    expect(one).toEqual(before);
    for (const tile of [one, both]) {
      expect(meanOf(tile, (value) => value)).toBeCloseTo(0, 2);
      // A little is lost where what lies far off is brought in.
      expect(meanOf(tile, (value) => value * value)).toBeGreaterThan(0.93);
      expect(meanOf(tile, (value) => value * value)).toBeLessThan(1.001);
      expect(tile.every((value) => Math.abs(value) <= TILE_MOST)).toBe(true);
    }
  });
});
