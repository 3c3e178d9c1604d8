import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  expandPeriod,
  formatThreadCount,
  parseThreadCount,
  periodThreads,
  ThreadCountError,
  type Sett,
} from "./threadCount";

const code = fc.constantFrom("A", "B", "C", "DK", "LT", "R", "S");
const sett: fc.Arbitrary<Sett> = fc
  .record({
    symmetrical: fc.boolean(),
    stripes: fc.array(fc.record({ code, threads: fc.integer({ min: 1, max: 400 }) }), {
      minLength: 2,
      maxLength: 20,
    }),
  })
  .filter(({ stripes }) => stripes.every((stripe, at) => at === 0 || stripe.code !== stripes[at - 1]!.code));

const wrong = (text: string): ThreadCountError => {
  try {
    parseThreadCount(text);
  } catch (error) {
    if (error instanceof ThreadCountError) return error;
  }
  throw new Error(`"${text}" was read`);
};

describe("thread counts", () => {
  it("come back as written, symmetrical or not", () => {
    fc.assert(
      fc.property(sett, (one) => {
        expect(parseThreadCount(formatThreadCount(one))).toEqual(one);
      }),
    );
    const text = "R/2 D12 S5 D2 S/6";
    expect(formatThreadCount(parseThreadCount(text))).toBe(text);
    expect(formatThreadCount(parseThreadCount("…a24, b12; C4..."))).toBe("A24 B12 C4");
  });

  it("have as many threads to the repeat as the convention of pivots says", () => {
    const symmetrical = parseThreadCount("R/2 D12 S5 D2 S/6");
    // Full: 2 + 2 × (12 + 5 + 2) + 6. Half: pivots doubled.
    expect(periodThreads(expandPeriod(symmetrical, "full"))).toBe(46);
    expect(periodThreads(expandPeriod(symmetrical, "half"))).toBe(54);
    expect(periodThreads(expandPeriod(parseThreadCount("A3 B4 C5"), "half"))).toBe(12);
  });

  it("are mirrored about both pivots where symmetrical", () => {
    fc.assert(
      fc.property(sett, (one) => {
        const period = expandPeriod({ ...one, symmetrical: true }, "full");
        const n = period.length;
        period.forEach((stripe, at) => expect(period[(n - at) % n]).toEqual(stripe));
      }),
    );
  });

  it("say what is wrong and where", () => {
    expect(wrong("")).toMatchObject({ from: 0, message: expect.stringContaining("empty") as string });
    expect(wrong("D24 24")).toMatchObject({
      from: 4,
      to: 6,
      message: expect.stringContaining('"24" has no colour') as string,
    });
    expect(wrong("D24 S")).toMatchObject({
      from: 4,
      message: expect.stringContaining("no number of threads") as string,
    });
    expect(wrong("D/4 S2 D4")).toMatchObject({
      from: 7,
      message: expect.stringContaining("both the first and the last") as string,
    });
    expect(wrong("D4 S/2 R4")).toMatchObject({
      from: 3,
      message: expect.stringContaining("Only the first and the last") as string,
    });
    expect(wrong("D4 S2 S3")).toMatchObject({
      from: 6,
      message: expect.stringContaining("add their threads") as string,
    });
    expect(wrong("D4 S0")).toMatchObject({
      from: 3,
      message: expect.stringContaining("1 to 2000 threads") as string,
    });
    expect(wrong("D24 S?4")).toMatchObject({
      from: 4,
      message: expect.stringContaining("is no stripe") as string,
    });
    expect(wrong("D24").message).toContain("two stripes");
  });
});
