import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import type { Job } from "../job";
import { newPlainSurface } from "../newJob";
import { sampledSurface } from "../simulate/sampled";
import { applyRemedy } from "./applyRemedy";
import { gapsOpen, leftOpenMm } from "./gapsOpen";
import { checksOf, checkSurface } from ".";

const demo = ferrySergeant();

/** A helmet with one opaque coat all over. */
function helmet(slitMm: number, passes: number, more: Readonly<Record<string, number>> = {}): Job {
  const plain = newPlainSurface("piece", "Helmet", "helmet", demo.mixes);
  const [base] = demo.surfaces[0]!.coats;
  const coat = {
    ...base!,
    id: "ground",
    role: null,
    place: { kind: "everywhere" as const },
    passes,
    water: 0,
  };
  const form = { ...plain.form, params: { ...plain.form.params, slitMm, ...more } };
  return { ...demo, surfaces: [{ ...plain, form, pattern: null, coats: [coat] }] };
}
const found = (job: Job) => checkSurface(job, job.surfaces[0]!, demoShelf, gapsOpen.id);

describe("slits and vents", () => {
  it("lose twice the film that lies on their sides, and no more than they have", () => {
    expect(leftOpenMm({ widthMm: 0.5 }, 60)).toBeCloseTo(0.38, 9);
    expect(leftOpenMm({ widthMm: 0.1 }, 60)).toBe(0);
  });

  it("are looked at on pieces that have some, and told of no other", () => {
    const looked = (job: Job) => job.surfaces.flatMap(checksOf).map(({ id }) => id);
    expect(looked(helmet(0.5, 1))).toContain(gapsOpen.id);
    expect(looked(demo)).not.toContain(gapsOpen.id);
    expect(looked(demo)).toContain("evenness");
  });

  it("are told as they close, with what is left by the films themselves, and mended by less paint", () => {
    const job = helmet(0.25, 5);
    const { usualUm } = sampledSurface(job, job.surfaces[0]!, demoShelf);
    expect(usualUm).toBeGreaterThan(40);
    const [finding] = found(job);
    expect(finding!.sentence).toContain(
      `${(0.25 - (2 * usualUm) / 1000).toFixed(2)}\u202fmm of a slit of 0.25`,
    );
    expect(finding!.where).toBe("Helmet, 7 slits");
    expect(finding!.remedies.length).toBeGreaterThan(0);
    for (const remedy of finding!.remedies) expect(found(applyRemedy(job, remedy))).toEqual([]);
    expect(found(helmet(0.12, 5))[0]!.gravity).toBe("must");
  });

  it("are not told of where they are wide, the paint is thin, or there are none", () => {
    expect(found(helmet(0.55, 1))).toEqual([]);
    expect(found(helmet(0.25, 5, { slits: 0 }))).toEqual([]);
    expect(found(helmet(0.25, 5, { skirtMm: 0 }))).toEqual([]);
  });
});
