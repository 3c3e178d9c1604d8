import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf, paintIdOf } from "../../data/demo/shelf";
import { ciede2000 } from "../colour/difference";
import { labOfParts } from "../colour/search";
import type { Mix, Well } from "../job";
import { defaultPainter } from "../painter";
import { batchFor } from "./drops";
import {
  recipeOf,
  thinningOf,
  volumeUl,
  wellFrom,
  wellLab,
  whatToAdd,
  withDrops,
  withToppedUp,
  withUsed,
} from "./wells";

const sizes = { paints: demoShelf, waterDropUl: 50 };
const empty: Well = { id: "well-1", name: "Well", mixId: null, added: [], content: [], waterUl: 0 };
const straw = paintIdOf("Straw");
const tarn = paintIdOf("Tarn Blue");
const mix: Mix = {
  id: "m",
  name: "M",
  parts: [
    { paintId: straw, parts: 3 },
    { paintId: tarn, parts: 1 },
  ],
  water: 1,
  goal: null,
};

describe("a well", () => {
  it("keeps its thinning within half a drop of water when it is topped up, and takes none where it has none", () => {
    const thinned = withDrops(withDrops(empty, straw, 4, sizes), null, 3, sizes);
    const topped = withToppedUp(
      thinned,
      [
        { paintId: straw, drops: 3 },
        { paintId: tarn, drops: 1 },
      ],
      sizes,
    );
    const paint = volumeUl(topped) - topped.waterUl;
    expect(paint).toBe(8 * 40);
    expect(Math.abs(topped.waterUl - thinningOf(thinned) * paint)).toBeLessThanOrEqual(sizes.waterDropUl / 2);
    const pure = withToppedUp(withDrops(empty, straw, 2, sizes), [{ paintId: straw, drops: 2 }], sizes);
    expect(recipeOf(pure)).toEqual([{ paintId: straw, drops: 4 }]);
  });

  it("knows volume and content from the drops that went in", () => {
    const well = withDrops(withDrops(withDrops(empty, straw, 3, sizes), tarn, 1, sizes), null, 2, sizes);
    expect(volumeUl(well)).toBe(4 * 40 + 2 * 50);
    expect(thinningOf(well)).toBeCloseTo(100 / 160, 12);
    expect(recipeOf(withDrops(well, straw, 2, sizes))).toEqual([
      { paintId: straw, drops: 5 },
      { paintId: tarn, drops: 1 },
      { paintId: null, drops: 2 },
    ]);
    expect(() => withDrops(well, straw, 0.5, sizes)).toThrow(RangeError);
  });

  it("has the colour of its mix, and keeps it while it is used up", () => {
    const batch = batchFor(mix, demoShelf, 1, 300, 20, 1, defaultPainter);
    const well = wellFrom("well-1", mix, batch, sizes);
    expect(volumeUl(well)).toBeCloseTo(batch.batchUl, 9);
    const lab = wellLab(well.content, demoShelf)!;
    expect(ciede2000(lab, labOfParts(mix.parts, demoShelf))).toBeLessThan(1e-9);
    const half = withUsed(well, batch.batchUl / 2);
    expect(volumeUl(half)).toBeCloseTo(batch.batchUl / 2, 9);
    expect(ciede2000(wellLab(half.content, demoShelf)!, lab)).toBeLessThan(1e-9);
    expect(volumeUl(withUsed(half, 1e9))).toBe(0);
    expect(recipeOf(half)).toEqual(recipeOf(well));
  });

  it("is told what to add, in whole drops, and gets where it was told", () => {
    const well = withDrops(withDrops(empty, straw, 4, sizes), null, 3, sizes);
    const goal = labOfParts(mix.parts, demoShelf);
    const pots = demoShelf.filter((paint) => paint.kind === "paint");
    const limits = { mostDrops: 6, mostUl: 2000, keep: 4 };
    const found = whatToAdd(well, goal, pots, sizes, limits);
    expect(found[0]!.difference).toBeLessThan(3);
    const done = found[0]!.additions.reduce(
      (now, one) => withDrops(now, one.paintId, one.drops, sizes),
      well,
    );
    expect(ciede2000(wellLab(done.content, demoShelf)!, goal)).toBeCloseTo(found[0]!.difference, 9);
    expect(volumeUl(done)).toBeCloseTo(found[0]!.volumeUl, 9);
    expect(Math.abs(thinningOf(done) - thinningOf(well))).toBeLessThan(0.25);
  });

  it("is never told to grow beyond what it holds", () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 900 }), (mostUl) => {
        const well = withDrops(empty, straw, 1, sizes);
        const found = whatToAdd(well, [30, 0, -20], demoShelf.slice(0, 6), sizes, {
          mostDrops: 8,
          mostUl,
          keep: 5,
        });
        expect(found.every((one) => one.volumeUl <= mostUl)).toBe(true);
      }),
      { numRuns: 20 },
    );
  });
});

describe("a batch in whole drops", () => {
  const batch = (parts: Mix["parts"], water: number, areaMm2: number, waterDropUl = 50) =>
    batchFor({ ...mix, parts }, demoShelf, water, areaMm2, 18, 1, { ...defaultPainter, waterDropUl });

  it("warns where most of it would be thrown away", () => {
    const many = [
      { paintId: straw, parts: 7 },
      { paintId: tarn, parts: 3 },
    ];
    expect(batch(many, 1, 5).warning).toEqual({ why: "too small", next: null });
    expect(batch(many, 1, 5).surplus).toBeGreaterThan(3);
    expect(batch(mix.parts, 1, 3000).warning).toBeNull();
  });

  it("warns where whole drops of water miss the thinning, and names the next batch that does not", () => {
    const one = [{ paintId: straw, parts: 1 }];
    const small = batch(one, 0.5, 1);
    expect(small.warning!.why).toBe("water off");
    const next = small.warning!.next!;
    expect(next.times).toBeGreaterThan(1);
    expect((next.waterDrops * 50) / (next.times * 40)).toBeGreaterThan(0.5 * 0.85);
    expect((next.waterDrops * 50) / (next.times * 40)).toBeLessThan(0.5 * 1.15);
    expect(next.batchUl).toBe(next.times * 40 + next.waterDrops * 50);
  });
});
