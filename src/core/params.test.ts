import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { completeParams, type ParamSpecs } from "./params";

const specs = {
  width: { label: "Width", unit: "mm", range: [1, 5], step: 1, default: 2, about: "How wide it is." },
  share: { label: "Share", unit: "%", range: [0, 100], step: 1, default: 40, about: "How much of it." },
} as const satisfies ParamSpecs;

describe("stored values", () => {
  it("get defaults where something is missing or no number", () => {
    expect(completeParams(specs, {})).toEqual({ width: 2, share: 40 });
    expect(completeParams(specs, { width: NaN, share: 7 })).toEqual({ width: 2, share: 7 });
    expect(completeParams(specs, { width: Infinity })).toEqual({ width: 2, share: 40 });
  });

  it("are held inside their ranges, and unknown ones dropped", () => {
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom("width", "share", "other"), fc.double()), (stored) => {
        const values = completeParams(specs, stored);
        expect(Object.keys(values)).toEqual(["width", "share"]);
        expect(values.width).toBeGreaterThanOrEqual(1);
        expect(values.width).toBeLessThanOrEqual(5);
        expect(values.share).toBeGreaterThanOrEqual(0);
        expect(values.share).toBeLessThanOrEqual(100);
      }),
    );
  });
});
