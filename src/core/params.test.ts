import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { techniques } from "./techniques";
import { completeParams, valueText, type ParamSpec, type ParamSpecs } from "./params";

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

describe("a value as it is shown", () => {
  const spec = (step: number, unit = "mm"): ParamSpec => ({ ...specs.width, step, unit });

  it("keeps the decimals of its step, and its unit", () => {
    expect(valueText(spec(0.005), 0.255)).toBe("0.255\u202fmm");
    expect(valueText(spec(0.01), 0.26)).toBe("0.26\u202fmm");
    expect(valueText(spec(0.5, "°"), 14.5)).toBe("14.5\u202f°");
    expect(valueText(spec(5, "°"), 15)).toBe("15\u202f°");
    expect(valueText(spec(1, ""), 3)).toBe("3");
    expect(valueText(spec(0.1), -0.04)).toBe("0.0\u202fmm");
  });

  it("differs from the next step's, for everything a technique can be set to", () => {
    for (const { params } of Object.values(techniques))
      for (const one of Object.values<ParamSpec>(params)) {
        const [min, max] = one.range;
        for (let value = min; value + one.step <= max; value += one.step)
          expect(valueText(one, value)).not.toBe(valueText(one, value + one.step));
      }
  });
});
