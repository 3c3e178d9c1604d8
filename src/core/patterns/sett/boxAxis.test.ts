import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { BoxAxis, noSpot } from "./boxAxis";

/** Boxes that tile a repeat, the first starting anywhere within the repeat or before it. */
const tiling = fc
  .tuple(
    fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 14 }),
    fc.double({ min: -0.5, max: 0.5, noNaN: true }),
  )
  .map(([widths, start]) => {
    const sum = widths.reduce((all, width) => all + width, 0);
    const ends = widths.map((_, at) => widths.slice(0, at + 1).reduce((all, width) => all + width, 0) / sum);
    const from = [0, ...ends.slice(0, -1)].map((share) => start + share);
    return { from: Float64Array.from(from), to: Float64Array.from(ends, (end) => start + end) };
  });

describe("a box of a repeat", () => {
  it("is the one whose edges hold the place, wherever the repeat starts", () => {
    fc.assert(
      fc.property(tiling, fc.double({ min: -3, max: 3, noNaN: true }), (axis, coordinate) => {
        const spot = noSpot();
        new BoxAxis(axis).locate(coordinate, spot);
        const count = axis.from.length;
        expect(spot.index).toBe(((spot.number % count) + count) % count);
        const repeat = (spot.number - spot.index) / count;
        // Its edges, from its number alone.
        expect(spot.before).toBeCloseTo(coordinate - (axis.from[spot.index]! + repeat), 9);
        expect(spot.after).toBeCloseTo(axis.to[spot.index]! + repeat - coordinate, 9);
        expect(spot.before).toBeGreaterThanOrEqual(-1e-9);
        expect(spot.after).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it("is followed by the next number, without gap, along the whole band", () => {
    fc.assert(
      fc.property(tiling, (axis) => {
        const boxes = new BoxAxis(axis);
        const spot = noSpot();
        const numbers = Array.from({ length: 401 }, (_, step) => {
          boxes.locate(step / 100 - 2, spot);
          return spot.number;
        });
        const steps = numbers.slice(1).map((number, at) => number - numbers[at]!);
        // The narrowest box is one of at most 14 × 40 parts; a step may pass over a few of them.
        expect(Math.min(...steps)).toBeGreaterThanOrEqual(0);
        expect(Math.max(...steps)).toBeLessThanOrEqual(7);
        expect(numbers.at(-1)! - numbers[0]!).toBe(4 * axis.from.length);
      }),
    );
  });

  it("is never one without a width", () => {
    const axis = { from: Float64Array.of(0, 0.5, 0.5), to: Float64Array.of(0.5, 0.5, 1) };
    const spot = noSpot();
    const boxes = new BoxAxis(axis);
    for (let at = 0; at < 1; at += 0.01) {
      boxes.locate(at, spot);
      expect(spot.index).not.toBe(1);
    }
    boxes.locate(0.5, spot);
    expect([spot.index, spot.before, spot.after]).toEqual([2, 0, 0.5]);
    expect(() => new BoxAxis({ from: Float64Array.of(0.2), to: Float64Array.of(0.2) })).toThrow(RangeError);
  });
});
