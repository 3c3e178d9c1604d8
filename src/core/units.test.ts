import { describe, expect, it } from "vitest";
import { counted, formatMinutes, formatNumber, formatThinning, modulo, withUnit } from "./units";

describe("numbers in words", () => {
  it("say thinning as painters do, water first", () => {
    expect([0, 0.5, 1, 2, 2.5, 1.3].map(formatThinning)).toEqual([
      "as it is",
      "½ : 1",
      "1 : 1",
      "2 : 1",
      "2½ : 1",
      "1.30 : 1",
    ]);
  });
  it("carry units, true minus signs and no negative zero", () => {
    expect(formatNumber(-1.25, 1)).toBe("−1.3");
    expect(formatNumber(-0.001, 1)).toBe("0.0");
    expect(withUnit(3, 1, "mm")).toBe("3.0\u202fmm");
  });
  it("give hours from sixty minutes on", () => {
    expect(formatMinutes(59.4)).toBe("59\u202fmin");
    expect(formatMinutes(69)).toBe("1\u202fh 09");
    expect(formatMinutes(120)).toBe("2\u202fh");
  });
  it("count one and many, and wrap below zero", () => {
    expect(counted(1, "box", "boxes")).toBe("1 box");
    expect(counted(2, "box", "boxes")).toBe("2 boxes");
    expect(modulo(-0.25, 1)).toBe(0.75);
  });
});
