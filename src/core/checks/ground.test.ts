import { describe, expect, it } from "vitest";
import type { FootPlace, Job, LaidPiece } from "../job";
import { newPiece } from "../groundwork/testing";
import { mudflatBases } from "../../data/demo/mudflatBases";
import { demoShelf } from "../../data/demo/shelf";
import { applyRemedy } from "./applyRemedy";
import { checkSurface, checksOf } from ".";

const demo = mudflatBases();

/** The first base alone, with other things on it. */
function baseWith(pieces: readonly LaidPiece[], feet: readonly FootPlace[], roughMm = 0): Job {
  const surface = demo.surfaces[0]!;
  return {
    ...demo,
    surfaces: [
      {
        ...surface,
        groundwork: { pieces, feet },
        form: { ...surface.form, params: { ...surface.form.params, roughMm } },
      },
    ],
  };
}

const found = (job: Job, check: string) =>
  checkSurface(job, job.surfaces[0]!, demoShelf).filter(({ id }) => id.includes(`/${check}/`));
const foot = (id: string, xMm: number, yMm: number): FootPlace => ({ id, xMm, yMm, acrossMm: 4 });

/** The job with one setting of one technique changed. */
function withParam(job: Job, coatId: string, name: string, value: number): Job {
  const surfaces = job.surfaces.map((surface) => ({
    ...surface,
    coats: surface.coats.map((coat) =>
      coat.id === coatId
        ? { ...coat, technique: { ...coat.technique, params: { ...coat.technique.params, [name]: value } } }
        : coat,
    ),
  }));
  return { ...job, surfaces };
}

describe("what stands on a base", () => {
  it("is in order in the demo, and looked at", () => {
    for (const surface of demo.surfaces) {
      const ids = checkSurface(demo, surface, demoShelf).map(({ id }) => id);
      expect(ids.filter((id) => /feet-level|over-the-rim|paste-at-scale|paste-over|medium/.test(id))).toEqual(
        [],
      );
    }
    const labels = checksOf(demo.surfaces[0]!).map(({ id }) => id);
    expect(labels).toEqual(expect.arrayContaining(["feet-level", "over-the-rim", "paste-at-scale"]));
  });

  it("carries no foot that would rock: each remedy cures it", () => {
    // It leans on the edge of another.
    const pieces = [
      newPiece("low", { kind: "slab", acrossMm: 8, deepMm: 6, tallMm: 1.5, xMm: -6, yMm: 0, sunkMm: 0 }),
      newPiece("top", { kind: "planks", acrossMm: 16, deepMm: 9, tallMm: 1, xMm: 0, yMm: 0, sunkMm: 0 }),
    ];
    const job = baseWith(pieces, [{ ...foot("f", 2, 1), acrossMm: 3 }]);
    const [finding] = found(job, "feet-level");
    expect(finding?.gravity).toBe("must");
    expect(finding!.remedies.map(({ label }) => label)).toContain("Move it to level ground");
    for (const remedy of finding!.remedies) expect(found(applyRemedy(job, remedy), "feet-level")).toEqual([]);
  });

  it("names a foot over the rim, and feet at two heights", () => {
    expect(found(baseWith([], [foot("f", 18.6, 0)]), "feet-level")[0]!.sentence).toMatch(/over the rim/);
    const slab = newPiece("a", {
      kind: "slab",
      acrossMm: 16,
      deepMm: 14,
      tallMm: 3,
      xMm: -6,
      sunkMm: 0,
      seed: 4,
    });
    const apart = found(baseWith([slab], [foot("up", -6, 0), foot("down", 12, 0)]), "feet-level");
    expect(
      apart.some(({ gravity, sentence }) => gravity === "note" && /above the other/.test(sentence)),
    ).toBe(true);
  });

  it("moves in what stands over the rim", () => {
    const job = baseWith([newPiece("a", { kind: "boulder", acrossMm: 6, deepMm: 6, xMm: 12, yMm: 15 })], []);
    const [finding] = found(job, "over-the-rim");
    expect(finding!.sentence).toMatch(/over the rim/);
    expect(found(applyRemedy(job, finding!.remedies[0]!), "over-the-rim")).toEqual([]);
  });

  it("tells paste that is too coarse for the figure or too thick at the rim", () => {
    const one = { ...demo, surfaces: demo.surfaces.slice(0, 1) };
    const coarse = withParam(one, "base-paste", "grain", 0.9);
    const [grit] = found(coarse, "paste-at-scale");
    expect(grit!.sentence).toMatch(/52.mm in the world/);
    expect(found(applyRemedy(coarse, grit!.remedies[0]!), "paste-at-scale")).toEqual([]);
    const thick = withParam(one, "base-paste", "depth", 1.2);
    const [rim] = found(thick, "paste-at-scale");
    expect(rim!.sentence).toMatch(/over the rim/);
    expect(found(applyRemedy(thick, rim!.remedies[0]!), "paste-at-scale")).toEqual([]);
  });
});
