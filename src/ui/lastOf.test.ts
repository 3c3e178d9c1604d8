import { describe, expect, it } from "vitest";
import { lastOf } from "./lastOf";

describe("the last answer", () => {
  it("is given again for the same arguments, and made anew for others", () => {
    let worked = 0;
    const sum = lastOf((a: number, b: number) => {
      worked++;
      return { sum: a + b };
    });
    const first = sum(1, 2);
    expect(sum(1, 2)).toBe(first);
    expect(sum(2, 2)).toEqual({ sum: 4 });
    expect(sum(1, 2)).not.toBe(first);
    expect(worked).toBe(3);
  });

  it("is not remembered where the work failed", () => {
    let fail = true;
    const work = lastOf((value: string) => {
      if (fail) throw new Error("not now");
      return value;
    });
    expect(() => work("a")).toThrow("not now");
    fail = false;
    expect(work("a")).toBe("a");
  });
});
