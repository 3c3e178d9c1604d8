import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import type { Mix } from "../job";
import { defaultPainter } from "../painter";
import { batchesOf, takenUl, type MixNeed } from "./batches";
import { cardsOf } from "./cards";
import { measureText, mixingTexts } from "./cardText";
import { batchesIn, shopping } from "./shopping";

const demo = ferrySergeant();
const straw = demo.mixes.find((mix) => mix.id === "straw")!;
const need = (more: Partial<MixNeed> = {}): MixNeed => ({
  card: { id: "a", title: "First, Skirt" },
  ...{ mix: straw, form: "liquid" as const, water: 1, paintUl: 30, rinses: 1, atMinutes: 0 },
  ...more,
});
const batches = (needs: readonly MixNeed[], painter = defaultPainter) => batchesOf(needs, demoShelf, painter);

describe("a batch", () => {
  it("of one mix serves every card that comes before it dries, with the loss on the palette once", () => {
    const cards = ["a", "b", "c"].map((id, at) => ({ id, title: id, at }));
    const needs = cards.map(({ id, title, at }) => need({ card: { id, title }, atMinutes: at * 60 }));
    const [one, ...more] = batches(needs);
    expect(more).toEqual([]);
    expect(one!.cards.map(({ id }) => id)).toEqual(["a", "b", "c"]);
    const taken = 3 * (30 + defaultPainter.brushLossUl / 2);
    expect(one!.neededUl).toBeCloseTo(taken + defaultPainter.paletteLossUl / 2, 9);
    // On a dry palette each is mixed anew.
    expect(batches(needs, { ...defaultPainter, paletteHours: 0.5 })).toHaveLength(3);
  });

  it("keeps powder, paste and other mixes apart", () => {
    const other = demo.mixes.find((mix) => mix.id !== "straw")!;
    expect(
      batches([need(), need({ mix: other }), need({ form: "powder" }), need({ form: "paste" })]),
    ).toHaveLength(4);
  });

  it("is in drops where there is something to count, in brush-loads where a drop would be thrown away", () => {
    const [large] = batches([need({ paintUl: 300 })]);
    expect(large!.measure).toBe("drops");
    const [small] = batches([need({ paintUl: 2 })]);
    expect(small!.measure).toBe("brush-loads");
    expect(measureText(small!, demoShelf)).toMatch(/^\d+ brush-loads? Straw, \d+ brush-loads? Shell$/);
  });

  it("asks for a touch of what is wanted by less than a brush-load", () => {
    const mix: Mix = {
      ...straw,
      parts: [
        { ...straw.parts[0]!, parts: 20 },
        { ...straw.parts[1]!, parts: 1 },
      ],
    };
    const [one] = batches([need({ mix, paintUl: 1 })]);
    expect(measureText(one!, demoShelf)).toMatch(/^\d+ brush-loads? Straw, a touch of Shell$/);
  });

  it("of powder is in pinches, never in drops", () => {
    const [one] = batches([need({ form: "powder", paintUl: 90 })]);
    expect(one!.measure).toBe("pinches");
    expect(measureText(one!, demoShelf)).not.toContain("drop");
  });

  it("says when drops of unlike size miss the colour of the parts", () => {
    const [dark, light] = straw.parts;
    const shelf = demoShelf.map((paint) => (paint.id === light!.paintId ? { ...paint, dropUl: 160 } : paint));
    expect(batchesOf([need({ paintUl: 300 })], shelf, defaultPainter)[0]!.dropsMiss).toBeGreaterThan(1);
    expect(batches([need({ paintUl: 300 })])[0]!.dropsMiss).toBe(0);
    expect(dark).toBeDefined();
  });

  it("is enough of every pot, and no more than a few drops or twice over it, however small and odd", () => {
    const parts = fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(
        parts,
        fc.array(fc.double({ min: 0.01, max: 900, noNaN: true }), { minLength: 1, maxLength: 5 }),
        fc.constantFrom(0, 1, 5),
        (counts, wanted, water) => {
          const mix: Mix = {
            ...straw,
            parts: counts.map((count, at) => ({ paintId: demoShelf[at]!.id, parts: count })),
          };
          const needs = wanted.map((paintUl) => need({ mix, paintUl, water }));
          for (const batch of batches(needs)) {
            const all = counts.reduce((sum, count) => sum + count, 0);
            batch.pots.forEach(({ ul, count }, at) => {
              const share = (batch.neededUl * counts[at]!) / all;
              if (count > 0) expect(ul).toBeGreaterThanOrEqual(share - 1e-6);
              const dropUl = demoShelf[at]!.dropUl;
              expect(ul).toBeLessThanOrEqual(Math.max(3 * share, share + 3 * dropUl) + 1e-6);
            });
            expect(batch.neededUl).toBeGreaterThanOrEqual(
              needs.reduce((sum, one) => sum + takenUl(one, defaultPainter), 0) - 1e-6,
            );
          }
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe("the whole sergeant", () => {
  const cards = cardsOf(wholeSergeant(), demoShelf, defaultPainter);

  it("takes 2.5 ml out of pots at most, and every card knows where its paint comes from", () => {
    const ml = shopping(cards, demoShelf).reduce((sum, pot) => sum + pot.ml, 0);
    expect(ml).toBeGreaterThan(0.2);
    expect(ml).toBeLessThanOrEqual(2.5);
    for (const card of cards) expect(card.mixing.length, card.title).toBeGreaterThan(0);
  });

  it("tells on every card what it leaves for those after it, and that is enough for them", () => {
    for (const batch of batchesIn(cards)) {
      const { leftUl, cards: served } = batch;
      expect(leftUl.length).toBe(served.length);
      expect(leftUl.every((left, at) => at === 0 || left <= leftUl[at - 1]!)).toBe(true);
      served.slice(0, -1).forEach(({ id }, at) => {
        const own = cards.find((card) => card.id === id)!;
        const line = mixingTexts(own, demoShelf, defaultPainter)[own.mixing.indexOf(batch)]!;
        expect(line).toContain(`left for ${served[at + 1]!.title}`);
        const later = served.slice(at + 1).flatMap((one) => cards.find((card) => card.id === one.id)!.needs);
        const wanted = later
          .filter(({ mix }) => mix.id === batch.mix.id)
          .reduce((sum, one) => sum + takenUl(one, defaultPainter), 0);
        expect(leftUl[at]!).toBeGreaterThanOrEqual(wanted - 1e-6);
      });
    }
  });

  it("mixes one mix once a day, not once a card", () => {
    const all = batchesIn(cards);
    const mixed = new Set(all.map(({ mix }) => mix.id));
    expect(all.length).toBeLessThan(cards.length / 1.5);
    expect(all.length).toBeGreaterThanOrEqual(mixed.size);
  });
});
