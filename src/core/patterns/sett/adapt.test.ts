import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { adaptStripes } from "./adapt";
import { expandPeriod, parseThreadCount, periodThreads } from "./threadCount";

const period = (text: string) => expandPeriod(parseThreadCount(text), "full");
const fateOf = (text: string, mmPerThread: number, finestMm: number) =>
  adaptStripes(period(text), mmPerThread, finestMm).fates.map(({ code, fate }) => `${code} ${fate}`);

describe("what a cloth's stripes become at this scale and with this brush", () => {
  it("is nothing but the count where every stripe is wide enough", () => {
    const { stripes, fates } = adaptStripes(period("D12 S24 R4"), 0.1, 0.15);
    expect(stripes.map((stripe) => stripe.widthMm)).toEqual([1.2000000000000002, 2.4000000000000004, 0.4]);
    expect(fates.every((fate) => fate.fate === "kept")).toBe(true);
  });

  it("is told stripe by stripe: merged below half a line, widened below one", () => {
    // 0.02 mm a thread, finest line 0.12: R2 is 0.04 (merged), W4 is 0.08 (widened), the broad ones give.
    expect(fateOf("D24 R2 D30 W4 S40", 0.02, 0.12)).toEqual([
      "D joined",
      "R merged",
      "D joined",
      "W widened",
      "S narrowed",
    ]);
  });

  it("keeps the width of the repeat, and paints no stripe finer than the finest line while any room is left", () => {
    const text = fc.constantFrom("D12 S24 R4", "R/2 D12 S5 D2 S/6", "A1 B2 C3 D4 E60", "K/4 W2 K30 G/8");
    fc.assert(
      fc.property(
        text,
        fc.double({ min: 0.002, max: 0.3, noNaN: true }),
        fc.double({ min: 0.05, max: 0.4, noNaN: true }),
        (count, mm, finest) => {
          const threads = periodThreads(period(count));
          const { stripes } = adaptStripes(period(count), mm, finest);
          const total = stripes.reduce((sum, stripe) => sum + stripe.widthMm, 0);
          expect(total).toBeCloseTo(threads * mm, 9);
          if (total >= stripes.length * finest) {
            for (const stripe of stripes) expect(stripe.widthMm).toBeGreaterThanOrEqual(finest - 1e-9);
          }
        },
      ),
    );
  });

  it("keeps a symmetrical cloth symmetrical", () => {
    const { stripes } = adaptStripes(period("R/2 D12 S5 D2 S/6"), 0.03, 0.12);
    const n = stripes.length;
    stripes.forEach((stripe, at) => {
      const mirrored = stripes[(n - at) % n]!;
      expect(mirrored.code).toBe(stripe.code);
      expect(mirrored.widthMm).toBeCloseTo(stripe.widthMm, 12);
    });
  });
});
