import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ellipse, sectionOf } from "./section";

/** Girth of an ellipse against its half width: arithmetic-geometric mean (Gauss 1799), good to rounding. */
function ellipseGirth(deep: number): number {
  let [a, g, sum, power] = [1, deep, 0, 1];
  const first = (a * a + g * g) / 2;
  for (let turn = 0; turn < 12; turn++) {
    const half = (a - g) / 2;
    power *= 2;
    sum += (power / 2) * half * half;
    [a, g] = [(a + g) / 2, Math.sqrt(a * g)];
  }
  return (2 * Math.PI * (first - sum)) / a;
}

describe("the outline of a turned form", () => {
  it("is a circle where it is round", () => {
    const section = sectionOf(ellipse(1), 10, 0);
    for (let turnDeg = 0; turnDeg <= 360; turnDeg += 7.5) {
      const [aside, front] = section.at(turnDeg, 4);
      expect(Math.hypot(aside, front)).toBeCloseTo(1, 3);
      expect(front).toBeCloseTo(-Math.cos((turnDeg * Math.PI) / 180), 3);
      expect(section.angleAt(turnDeg, 4)).toBeCloseTo(turnDeg % 360, 1);
    }
  });

  it("of an ellipse is as wide and as deep as one of the same girth", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.4, max: 2, noNaN: true }), (deep) => {
        const section = sectionOf(ellipse(deep), 10, 0);
        const halfWidth = (2 * Math.PI) / ellipseGirth(deep);
        expect(section.at(270, 0)[0]).toBeCloseTo(halfWidth, 2);
        expect(section.at(90, 0)[0]).toBeCloseTo(-halfWidth, 2);
        expect(section.at(180, 0)[1]).toBeCloseTo(deep * halfWidth, 2);
        expect(section.at(0, 0)[1]).toBeCloseTo(-deep * halfWidth, 2);
      }),
    );
  });

  it("has even ways between even turns, wherever it is bent most", () => {
    const section = sectionOf(ellipse(0.5), 10, 0);
    const steps = Array.from({ length: 72 }, (_, at) => {
      const [a, b] = [section.at(at * 5, 0), section.at((at + 1) * 5, 0)];
      return Math.hypot(a[0] - b[0], a[1] - b[1]);
    });
    expect(Math.max(...steps) / Math.min(...steps)).toBeLessThan(1.02);
    expect(steps.reduce((sum, step) => sum + step, 0)).toBeCloseTo(2 * Math.PI, 1);
  });

  it("goes over from one height to the next", () => {
    const section = sectionOf((angle, heightMm) => ellipse(heightMm < 5 ? 0.6 : 1)(angle, heightMm), 10, 10);
    const deep = (heightMm: number) => section.at(180, heightMm)[1];
    expect(deep(2)).toBeLessThan(0.8);
    expect(deep(8)).toBeCloseTo(1, 3);
    expect(deep(4.5)).toBeCloseTo((deep(4) + deep(5)) / 2, 6);
    expect(section.at(-90, 3)).toEqual(section.at(270, 3));
  });
});
