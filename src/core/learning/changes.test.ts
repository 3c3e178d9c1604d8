import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { defaultPainter, LEARNT_KEYS, type Painter } from "../painter";
import { cardsOf, totalsOf } from "../plan/cards";
import { changeOf } from "./changes";

const job = wholeSergeant();
const cardsFor = (painter: Painter) => cardsOf(job, demoShelf, painter);
const cards = cardsFor(defaultPainter);

describe("what another number changes in a plan", () => {
  it("is what the plan's own totals change by, for every number that is time", () => {
    for (const key of LEARNT_KEYS) {
      const to = defaultPainter[key] * 1.4;
      const { minutes } = changeOf(cards, key, defaultPainter[key], to);
      if (minutes === null) continue;
      const [before, after] = [totalsOf(cards), totalsOf(cardsFor({ ...defaultPainter, [key]: to }))];
      const of = key === "dryingTimes" ? "dryMinutes" : "handMinutes";
      expect(minutes, key).toBeCloseTo(after[of] - before[of], 6);
    }
  });

  it("names the cards whose drops or water it is in", () => {
    const thinned = cards.filter(({ water }) => water > 0).length;
    expect(changeOf(cards, "waterTimes", 1, 1.2)).toEqual({ cards: thinned, minutes: null });
    const { cards: small } = changeOf(cards, "brushLoadUl", 4, 3);
    expect(small).toBeGreaterThan(0);
    expect(small).toBeLessThan(cards.length);
    // One figure is not taken up among others.
    expect(changeOf(cards, "handlingMinutes", 0.3, 1).cards).toBe(0);
    expect(changeOf(cards, "setUpMinutes", 2, 3)).toEqual({ cards: cards.length, minutes: cards.length });
  });
});
