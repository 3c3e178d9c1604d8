import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lightnessToRead, READS, readsFrom, visibility } from "./visibility";

/** Relative luminance of a lightness, by its definition (CIE 1976). */
const luminance = (lightness: number): number =>
  lightness > 8 ? ((lightness + 16) / 116) ** 3 : lightness / 903.3;

const ground = fc.double({ min: 6, max: 80, noNaN: true });
const widthMm = fc.double({ min: 0.04, max: 0.5, noNaN: true });
const fromMm = fc.double({ min: 120, max: 900, noNaN: true });

describe("the lightness a mark needs to read", () => {
  it("puts it as far above the threshold of sight as reading takes", () => {
    fc.assert(
      fc.property(ground, widthMm, fromMm, fc.constantFrom(1 as const, -1 as const), (own, mm, far, way) => {
        const needed = lightnessToRead(own, mm, far, way);
        if (needed === null) return;
        expect(Math.sign(needed - own)).toBe(way);
        expect(visibility(luminance(own), luminance(needed), mm, far)).toBeCloseTo(READS, 3);
      }),
    );
  });

  it("is further off the finer the mark, and the farther it is looked at from", () => {
    const step = (mm: number, far: number) => lightnessToRead(40, mm, far, 1)! - 40;
    expect(step(0.06, 250)).toBeGreaterThan(step(0.09, 250));
    expect(step(0.09, 250)).toBeGreaterThan(step(0.14, 250));
    expect(step(0.12, 350)).toBeGreaterThan(step(0.12, 250));
  });

  it("is none where the eye runs such marks together whatever their tone", () => {
    expect(lightnessToRead(50, 0.05, 1200, 1)).toBeNull();
  });
});

describe("from how far marks read one by one", () => {
  it("is where they are just as far above the threshold", () => {
    fc.assert(
      fc.property(ground, widthMm, fc.double({ min: 4, max: 18, noNaN: true }), (own, mm, more) => {
        const far = readsFrom(own, own + more, mm);
        if (far === 0) return;
        const at = (distance: number) => visibility(luminance(own), luminance(own + more), mm, distance);
        expect(at(far)).toBeGreaterThanOrEqual(READS - 1e-6);
        expect(at(far + 2)).toBeLessThan(READS);
      }),
    );
  });

  it("is farther for broader marks and for tones further apart", () => {
    expect(readsFrom(40, 50, 0.12)).toBeGreaterThan(readsFrom(40, 50, 0.08));
    expect(readsFrom(40, 60, 0.08)).toBeGreaterThan(readsFrom(40, 50, 0.08));
    expect(readsFrom(40, 40.05, 0.08)).toBe(0);
  });
});
