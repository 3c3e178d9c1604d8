import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { eachHorizon, evenWays, type Heights, type Looking } from "./horizons";

const horizons = (heights: Heights, looking: Looking): Float32Array[] => {
  const found: Float32Array[] = [];
  eachHorizon(heights, looking, (rises) => found.push(rises.slice()));
  return found;
};

/** The same cell by cell, as it is told in words. */
function plainly({ relief, width, height, pitchMm }: Heights, { ways, reachMm, least }: Looking): number[][] {
  return ways.map(([dx, dy]) =>
    Array.from(relief, (own, at) => {
      let most = least;
      for (let mm = pitchMm; mm <= reachMm; mm += Math.max(pitchMm, mm * 0.22)) {
        const [x, y] = [Math.round((dx * mm) / pitchMm), Math.round((dy * mm) / pitchMm)];
        const [column, row] = [(at % width) + x, Math.floor(at / width) + y];
        if ((x === 0 && y === 0) || column < 0 || row < 0 || column >= width || row >= height) continue;
        most = Math.max(most, (relief[row * width + column]! - own) / (Math.hypot(x, y) * pitchMm));
      }
      return most;
    }),
  );
}

describe("the horizon", () => {
  it("of a wall is the rise to its top", () => {
    const [width, height, pitchMm, wallMm] = [40, 7, 0.1, 1];
    const relief = Float32Array.from({ length: width * height }, (_, at) => (at % width === 30 ? wallMm : 0));
    const [right, , left] = horizons(
      { relief, width, height, pitchMm },
      { ways: evenWays(4), reachMm: 2.5, least: 0 },
    );
    const row = 3 * width;
    // Near by every cell is looked at; further off what is looked at is up to a ninth beside it.
    expect(right![row + 29]).toBeCloseTo(wallMm / 0.1, 4);
    expect(right![row + 26]).toBeCloseTo(wallMm / 0.4, 4);
    expect(left![row + 26]).toBe(0);
    expect(left![row + 31]).toBeCloseTo(wallMm / 0.1, 4);
    // Beyond the reach, and from the wall's own top, nothing stands higher.
    expect(right![row]).toBe(0);
    expect(right![row + 30]).toBe(0);
  });

  it("is the same as looked for cell by cell, on reliefs of every size", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 23 }),
        fc.integer({ min: 1, max: 19 }),
        fc.infiniteStream(fc.float({ min: -1, max: 1, noNaN: true })),
        fc.constantFrom(-1, 0),
        (width, height, stream, least) => {
          const relief = Float32Array.from({ length: width * height }, () => stream.next().value as number);
          const heights = { relief, width, height, pitchMm: 0.13 };
          const looking = { ways: evenWays(8), reachMm: 2.2, least };
          const [own, wanted] = [horizons(heights, looking), plainly(heights, looking)];
          return own.every((rises, way) =>
            rises.every((rise, at) => Math.abs(rise - wanted[way]![at]!) < 1e-5 * (1 + Math.abs(rise))),
          );
        },
      ),
      { numRuns: 60 },
    );
  });
});
