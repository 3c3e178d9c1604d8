import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../data/demo/ferrySergeant";
import { jobSchema } from "./job";
import { keepVariant, MOST_VARIANTS, paintVariant, removeVariant } from "./variants";

const job = ferrySergeant();
const surface = job.surfaces[0]!;

describe("variants of a surface", () => {
  it("swap with what is painted, and back again without loss", () => {
    const kept = keepVariant(surface, "As planned");
    const changed = { ...kept, coats: kept.coats.slice(0, 2), pattern: null };
    const swapped = paintVariant(changed, kept.variants[0]!.id);
    expect(swapped.coats).toEqual(surface.coats);
    expect(swapped.pattern).toEqual(surface.pattern);
    expect(swapped.variants[0]!.coats).toEqual(changed.coats);
    const back = paintVariant(swapped, swapped.variants[0]!.id);
    expect(back.coats).toEqual(changed.coats);
    expect(back.pattern).toBeNull();
  });

  it("have ids of their own, fit the job's schema, and end at a number", () => {
    let many = surface;
    for (let k = 0; k < MOST_VARIANTS + 3; k++) many = keepVariant(many, `Try ${k + 1}`);
    expect(many.variants).toHaveLength(MOST_VARIANTS);
    expect(new Set(many.variants.map((one) => one.id)).size).toBe(MOST_VARIANTS);
    expect(jobSchema.isValidSync({ ...job, surfaces: [many] })).toBe(true);
    const fewer = removeVariant(many, many.variants[3]!.id);
    expect(keepVariant(fewer, "Again").variants.map((one) => one.id)).toHaveLength(MOST_VARIANTS);
    expect(paintVariant(surface, "none")).toBe(surface);
  });
});
