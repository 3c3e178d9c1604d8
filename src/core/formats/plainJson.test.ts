import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { ValidationError } from "yup";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { parseJob, parsePaint } from "./job-json/jobSchema";
import { writeJobFile } from "./job-json/jobFile";
import { parsePlainJson } from "./plainJson";

const demo = ferrySergeant();
const asked = (job: unknown): string => {
  try {
    parseJob(job);
    return "";
  } catch (error) {
    return (error as ValidationError).errors.join("; ");
  }
};

describe("JSON from anywhere", () => {
  it("is read as JSON.parse reads it, where it is within the limits", () => {
    fc.assert(
      fc.property(fc.json({ maxDepth: 8 }), (text) => {
        expect(parsePlainJson(text)).toEqual(JSON.parse(text));
      }),
    );
    const file = writeJobFile(demo, demoShelf);
    expect(parsePlainJson(file)).toEqual(JSON.parse(file));
  });

  it("is refused with the reason where a number is none, it lies too deep, or it is cut off", () => {
    expect(() => parsePlainJson('{"a":[1e999]}')).toThrow(/too large/);
    expect(() => parsePlainJson("-1e999")).toThrow(/too large/);
    for (const depth of [41, 3000, 200_000])
      expect(() => parsePlainJson("[".repeat(depth) + "]".repeat(depth))).toThrow(/deep|whole/);
    expect(() => parsePlainJson("[".repeat(40) + "]".repeat(40))).not.toThrow();
    expect(() => parsePlainJson('{"a":')).toThrow(/not whole JSON/);
    expect(() => parsePlainJson(`[${"0,".repeat(2_000_000)}0]`)).toThrow(/more than 2000000 values/);
  });
});

describe("a hostile job", () => {
  const [surface] = demo.surfaces;
  const withCoats = (coats: unknown) => ({ ...demo, surfaces: [{ ...surface, coats }] });

  it("with endless lists is refused by counting them, not by looking at what is in them", () => {
    const looked = { count: 0 };
    const spy = new Proxy(
      {},
      { ownKeys: () => (looked.count++, []), get: () => (looked.count++, undefined) },
    );
    const many = (length: number) => new Array<unknown>(length).fill(spy);
    expect(asked(withCoats(many(5000)))).toMatch(/coats must have at most 64 entries/);
    for (const key of ["mixes", "references", "goals", "surfaces", "touching", "figures"])
      expect(asked({ ...demo, [key]: many(100_000) }), key).toMatch(/at most/);
    // Only surfaces are looked at at all: whether they have a pattern, and of which figure they are.
    expect(looked.count).toBeLessThanOrEqual(3 * 100_000);
    const parts = { ...demo.mixes[0], parts: many(50_000) };
    expect(asked({ ...demo, mixes: [parts] })).toMatch(/parts must have at most 8/);
    const numbers = Object.fromEntries(Array.from({ length: 50_000 }, (_, at) => [`n${at}`, 1]));
    const coat = { ...surface!.coats[0], technique: { ...surface!.coats[0]!.technique, params: numbers } };
    expect(asked(withCoats([coat]))).toMatch(/more than 80 entries/);
    expect(() => parsePaint({ ...demoShelf[0], fit: { readings: many(50_000) } })).toThrow();
  });

  it("with numbers beyond all measure, or two coats of one id, is refused", () => {
    const coat = surface!.coats[0]!;
    const set = (params: Record<string, number>) =>
      withCoats([{ ...coat, technique: { ...coat.technique, params } }]);
    for (const value of [Infinity, -Infinity, NaN, 1e7])
      expect(asked(set({ evenness: value })), String(value)).not.toBe("");
    expect(asked(set({ evenness: 20 }))).toBe("");
    expect(asked(withCoats([coat, coat]))).toMatch(/coats must have different ids/);
  });
});
