import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../data/demo/ferrySergeant";
import { demoShelf } from "../data/demo/shelf";
import { copyCoats, MOST_COATS } from "./copyCoats";
import { parseJob } from "./formats/job-json/jobSchema";
import { inZones, type Coat } from "./job";
import { newPlainSurface } from "./newJob";

const demo = ferrySergeant();
const strap = newPlainSurface("strap-1", "Strap", "strap", demo.mixes);
const job = { ...demo, surfaces: [...demo.surfaces, strap] };
const base = strap.coats[0]!;
const dots: Coat = {
  ...base,
  id: "dots",
  technique: { id: "stipple", version: 1, params: {} },
  place: inZones(["raised"], 0, { near: { coatId: base.id, side: "border", reachMm: 0.4 } }),
};

describe("copying coats", () => {
  it("gives copies ids and seeds of their own, and follows earlier coats to their copies", () => {
    const copied = copyCoats(job, [base, dots], "coat-skirt");
    const [first, second] = copied.surfaces[0]!.coats.slice(-2) as [Coat, Coat];
    expect(copied.surfaces[0]!.coats).toHaveLength(demo.surfaces[0]!.coats.length + 2);
    expect(first.seed).not.toBe(base.seed);
    expect(second.place.kind === "zones" && second.place.near?.coatId).toBe(first.id);
    expect(() => parseJob(copied)).not.toThrow();
    expect(copied.surfaces[1]).toEqual(strap);
    expect(demoShelf.length).toBeGreaterThan(0);
  });

  it("leaves out what needs a pattern, and drops a coat that is not there", () => {
    const boxes = demo.surfaces[0]!.coats.find((coat) => coat.technique.id === "fill")!;
    expect(copyCoats(job, [boxes], "strap-1").surfaces[1]!.coats).toHaveLength(1);
    const alone = copyCoats(
      job,
      [{ ...dots, place: { ...inZones([], 0), near: { coatId: "gone", side: "inside", reachMm: 0 } } }],
      "strap-1",
    );
    const last = alone.surfaces[1]!.coats.at(-1)!;
    expect(last.place.kind === "zones" && last.place.near).toBeNull();
  });

  it("stops at the most a surface can have", () => {
    const many = copyCoats(
      job,
      Array.from({ length: 99 }, () => base),
      "strap-1",
    );
    expect(many.surfaces[1]!.coats).toHaveLength(MOST_COATS);
    expect(new Set(many.surfaces[1]!.coats.map((coat) => coat.id)).size).toBe(MOST_COATS);
  });
});
