import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { thickDifference } from "../colour/appearance";
import { defaultPainter } from "../painter";
import { takenUl, type MixNeed } from "./batches";
import { topUp } from "./topUp";

const mix = ferrySergeant().mixes.find(({ id }) => id === "straw")!;
const need = (paintUl: number, id = "a"): MixNeed => ({
  ...{ card: { id, title: id }, mix, form: "liquid" as const, water: 1, rinses: 2, atMinutes: 0 },
  paintUl,
});

describe("a well that runs short", () => {
  it("gets enough of its own parts for what is left of the card and what comes after it", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 900, noNaN: true }),
        fc.double({ min: 0, max: 900, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (first, second, share) => {
          const [now, later] = [need(first), need(second, "b")];
          const added = topUp([now, later], share, demoShelf, defaultPainter);
          const wanted = share * now.paintUl + takenUl(later, defaultPainter);
          expect(added.neededUl).toBeGreaterThanOrEqual(wanted);
          // A touch of a pot is as much as its colour wants, no more.
          const touches = added.pots.some(({ count }) => count === 0);
          expect(added.addedUl).toBeGreaterThanOrEqual(touches ? wanted * 0.9 : wanted);
          expect(added.pots.map(({ paintId }) => paintId)).toEqual(mix.parts.map(({ paintId }) => paintId));
        },
      ),
    );
  });

  it("keeps its colour in drops, and says how far off brush-loads are", () => {
    const drops = topUp([need(600)], 1, demoShelf, defaultPainter);
    expect(drops.measure).toBe("drops");
    const real = drops.pots.map(({ paintId, ul }) => ({ paintId, parts: ul }));
    expect(drops.off).toBeCloseTo(thickDifference(mix.parts, real, demoShelf), 9);
    const few = topUp([need(3)], 0.5, demoShelf, defaultPainter);
    expect(few.measure).toBe("brush-loads");
    expect(few.addedUl).toBeLessThan(drops.addedUl / 4);
    expect(few.water).toMatch(/brush-load|drop/);
  });

  it("needs a mix", () => {
    expect(() => topUp([{ ...need(9), mix: { ...mix, parts: [] } }], 1, demoShelf, defaultPainter)).toThrow(
      RangeError,
    );
  });
});
