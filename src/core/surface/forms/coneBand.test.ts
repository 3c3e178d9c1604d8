import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { InputError } from "../../errors";
import { coneBand } from "./coneBand";

const band = fc
  .record({
    waistMm: fc.double({ min: 10, max: 120, noNaN: true }),
    hemMm: fc.double({ min: 10, max: 120, noNaN: true }),
    slantMm: fc.double({ min: 5, max: 60, noNaN: true }),
    gapDeg: fc.integer({ min: 0, max: 180 }),
  })
  .map((sizes) => ({ ...sizes, pleats: 0, pleatDepthMm: 0, seams: 1, tight: 0, borderMm: 0 }))
  .filter((values) => coneBand.problems(values).length === 0);

const demo = {
  waistMm: 34,
  hemMm: 58,
  slantMm: 11,
  gapDeg: 0,
  pleats: 9,
  pleatDepthMm: 0.6,
  seams: 1,
  tight: 0,
  borderMm: 0,
};
const gap = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((v, i) => v - b[i]!));

describe("the cone band", () => {
  it("is developed without stretching: a path is as long on the flat as on the cone", () => {
    fc.assert(
      fc.property(
        band,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 6.3, noNaN: true }),
        (values, at, way) => {
          const form = coneBand.build(values, 1);
          let flat = 0;
          let space = 0;
          const steps = 400;
          const point = (step: number) => {
            const t = step / steps;
            return {
              turnDeg: form.turnDeg * (at * 0.5 + 0.5 * t * Math.abs(Math.cos(way))),
              heightMm: form.slantMm * (0.1 + 0.8 * t * Math.abs(Math.sin(way))),
            };
          };
          for (let step = 0; step < steps; step++) {
            flat += gap(form.flatten(point(step)), form.flatten(point(step + 1)));
            space += gap(form.inSpace(point(step)), form.inSpace(point(step + 1)));
          }
          expect(Math.abs(flat - space)).toBeLessThan(0.001 * space + 1e-9);
        },
      ),
    );
  });

  it("finds the place of every flat point again", () => {
    fc.assert(
      fc.property(
        band,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (values, t, h) => {
          const form = coneBand.build(values, 1);
          const place = { turnDeg: t * form.turnDeg, heightMm: h * form.slantMm };
          const back = form.place(form.flatten(place));
          expect(back.turnDeg).toBeCloseTo(place.turnDeg, 5);
          expect(back.heightMm).toBeCloseTo(place.heightMm, 6);
        },
      ),
    );
  });

  it("measures as typed: circumferences, height and area", () => {
    const form = coneBand.build(demo, 1);
    expect(form.lengthAt(0)).toBeCloseTo(58, 9);
    expect(form.lengthAt(11)).toBeCloseTo(34, 9);
    const top = form.flatten({ turnDeg: 77, heightMm: 11 });
    expect(gap(top, form.flatten({ turnDeg: 77, heightMm: 0 }))).toBeCloseTo(11, 9);
    // Lateral area of a frustum: π (r1 + r2) s.
    expect(form.areaMm2).toBeCloseTo(Math.PI * (34 / (2 * Math.PI) + 58 / (2 * Math.PI)) * 11, 9);
  });

  it("allows a hem smaller than the waist and refuses what cannot exist, with the reason", () => {
    expect(coneBand.problems({ ...demo, waistMm: 58, hemMm: 34 })).toEqual([]);
    const steep = coneBand.problems({ ...demo, hemMm: 120 });
    expect(steep[0]?.message).toMatch(/at most.*at least 14\.0 mm high/);
    expect(coneBand.problems({ ...demo, waistMm: 0 })[0]?.message).toMatch(/must be 2 to 400 mm, got 0/);
    expect(coneBand.problems({ ...demo, slantMm: Number.NaN })).toHaveLength(1);
    expect(coneBand.problems({ ...demo, pleats: 30 })[0]?.field).toBe("pleatDepthMm");
    expect(() => coneBand.build({ ...demo, hemMm: 120 }, 1)).toThrow(InputError);
  });

  it("blames the narrower edge as well where folds have no room on it, and the size it names is enough", () => {
    for (const [field, sizes] of [
      ["hemMm", { waistMm: 20, hemMm: 6 }],
      ["waistMm", { waistMm: 6, hemMm: 20 }],
    ] as const) {
      const folded = { ...demo, ...sizes, pleats: 12, pleatDepthMm: 0.6 };
      const found = coneBand.problems(folded);
      expect(found.map((one) => one.field)).toEqual(["pleatDepthMm", field]);
      const least = Number(/need ([\d.]+) mm round/.exec(found[1]!.message)![1]);
      expect(coneBand.problems({ ...folded, [field]: least })).toEqual([]);
    }
  });

  it("has folds as deep as said at most, the same on both sides of the closing seam", () => {
    const form = coneBand.build(demo, 5);
    let most = 0;
    for (let turnDeg = 0; turnDeg < 360; turnDeg += 0.5) {
      const height = form.relief({ turnDeg, heightMm: 0 });
      expect(height).toBeGreaterThanOrEqual(0);
      most = Math.max(most, height);
    }
    expect(most).toBeLessThanOrEqual(0.6);
    expect(most).toBeGreaterThan(0.4);
    for (const heightMm of [0, 5, 11]) {
      const open = form.relief({ turnDeg: 0, heightMm });
      expect(form.relief({ turnDeg: 360, heightMm })).toBeCloseTo(open, 9);
    }
  });
});
