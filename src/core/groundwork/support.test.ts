import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { restingPlane } from "./support";

const point = fc.tuple(
  fc.double({ min: -5, max: 5, noNaN: true }),
  fc.double({ min: -5, max: 5, noNaN: true }),
  fc.double({ min: 0, max: 2, noNaN: true }),
);
/** Four corners keep the middle between what carries it. */
const around = [
  [-6, -6],
  [6, -6],
  [6, 6],
  [-6, 6],
] as const;

type Point = readonly [number, number, number];

/** The lowest plane at the middle over all of them: every three points are tried. */
function lowestByTrial(points: readonly Point[]): number {
  let lowest = Infinity;
  for (let i = 0; i < points.length; i++)
    for (let j = i + 1; j < points.length; j++)
      for (let k = j + 1; k < points.length; k++) {
        const [a, b, c] = [points[i]!, points[j]!, points[k]!];
        const [ux, uy, uh] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
        const [vx, vy, vh] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
        const area = ux * vy - uy * vx;
        if (Math.abs(area) < 1e-6) continue;
        const sx = (uh * vy - vh * uy) / area;
        const sy = (vh * ux - uh * vx) / area;
        const at = a[2] - sx * a[0] - sy * a[1];
        if (points.every(([x, y, h]) => h - (sx * x + sy * y + at) < 1e-6)) lowest = Math.min(lowest, at);
      }
  return lowest;
}

describe("the plane a flat underside rests on", () => {
  it("is the lowest that nothing pierces, as trying every three points finds it", () => {
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 0, maxLength: 9 }),
        fc.array(fc.double({ min: 0, max: 2, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (inner, corners) => {
          const points: Point[] = [...inner, ...around.map(([x, y], at): Point => [x, y, corners[at]!])];
          const plane = restingPlane(Float64Array.from(points.flat()));
          const above = points.map(([x, y, h]) => h - (plane.slopeX * x + plane.slopeY * y + plane.atMm));
          expect(Math.max(...above)).toBeLessThan(1e-6);
          expect(plane.atMm).toBeCloseTo(lowestByTrial(points), 5);
        },
      ),
      { numRuns: 400, seed: 12 },
    );
  });

  it("lies level on four corners of one height, and leans on a wedge", () => {
    const flat = restingPlane(Float64Array.from(around.flatMap(([x, y]) => [x, y, 3])));
    expect(flat).toEqual({ slopeX: 0, slopeY: 0, atMm: 3 });
    const wedge = restingPlane(Float64Array.from(around.flatMap(([x, y]) => [x, y, 1 + 0.1 * x])));
    expect(wedge.slopeX).toBeCloseTo(0.1, 9);
    expect(wedge.atMm).toBeCloseTo(1, 9);
  });
});
