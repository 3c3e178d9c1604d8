import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { defaultPainter } from "../painter";
import { addsOf, type CoatAdds } from "../simulate/adding";
import { cardsOf } from "./cards";
import { addsOfCards, leftOpenAfter, restsOf, stopText } from "./stopping";

const cards = cardsOf(wholeSergeant(), demoShelf, defaultPainter).filter(
  ({ surface }) => surface.id === "satchel",
);
const told = (left: readonly number[], furthest: readonly number[] = left): CoatAdds[] =>
  cards.map(({ coat }, at) => ({
    coatId: coat.id,
    adds: 1,
    left: left[at] ?? 0,
    furthest: furthest[at] ?? 0,
  }));
const stops = (adds: readonly CoatAdds[]) =>
  [...addsOfCards(cards, adds).values()].flatMap(({ stop }, at) => (stop ? [{ at, ...stop }] : []));

describe("where a surface may be left", () => {
  it("is after the card from which a third, or an eighth, of what comes on the base is missing at most", () => {
    expect(stops(told([9, 8, 6, 3, 2, 1.5, 1, 0.5])).map(({ at, standard }) => [at, standard])).toEqual([
      [3, "tabletop"],
      [6, "display"],
    ]);
  });

  it("is never before a coat that takes the surface far away again, as a wash does", () => {
    expect(stops(told([9, 2, 8, 2, 1])).map(({ at }) => at)).toEqual([3, 4]);
  });

  it("waits for places that are far off, be they few: a stripe that is missing", () => {
    const few = told([9, 2, 0.5], [30, 34, 3]);
    expect(stops(few).map(({ at, standard }) => [at, standard])).toEqual([[2, "display"]]);
  });

  it("is not told of the last card, and tells what is left out", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { maxLength: cards.length }),
        (left) => {
          const found = stops(told(left));
          for (const { at, cardsLeft, minutesLeft } of found) {
            const later = cards.slice(at + 1);
            expect(cardsLeft).toBe(later.length);
            expect(cardsLeft).toBeGreaterThan(0);
            expect(minutesLeft).toBeCloseTo(
              later.reduce((sum, { handMinutes }) => sum + handMinutes, 0),
              9,
            );
          }
        },
      ),
    );
    expect(stopText(stops(told([9, 1]))[0]!)).toMatch(
      /You may stop here for display: \d+ cards more .* by 1\.0/,
    );
  });

  it("is told of nothing where coats and cards are not the same", () => {
    expect(addsOfCards(cards, told([9, 1]).slice(1)).size).toBe(0);
  });
});

describe("what a coat adds", () => {
  const [width, height] = [30, 20];
  const panel = { inside: new Float32Array(width * height).fill(1), width, height, pitchMm: 0.5 };
  /** Grey all over, but for a share of the cells. */
  const picture = (byte: number, other = byte, share = 0) =>
    Uint8ClampedArray.from({ length: width * height * 4 }, (_, at) =>
      at % 4 === 3 ? 255 : (at >> 2) % width < share * width ? other : byte,
    );

  it("is the mean difference over the surface, and what is left falls to none", () => {
    const adds = addsOf(
      ["a", "b", "c"],
      [40, 80, 120, 120].map((byte) => picture(byte)),
      panel,
      600,
    );
    expect(adds.map(({ coatId }) => coatId)).toEqual(["a", "b", "c"]);
    expect(adds[0]!.adds).toBeGreaterThan(10);
    expect(adds[0]!.left).toBeCloseTo(adds[1]!.adds, 9);
    expect(adds[1]!.left).toBe(0);
    expect(adds[2]!.adds).toBe(0);
  });

  it("counts by area: half of the surface adds half as much, and its places are the furthest", () => {
    const [whole] = addsOf(["a"], [picture(60), picture(140)], panel, 600);
    const halves = [picture(60), picture(60), picture(60, 140, 0.5)];
    const [none, half] = addsOf(["a", "b"], halves, panel, 600);
    expect(half!.adds / whole!.adds).toBeGreaterThan(0.47);
    expect(half!.adds / whole!.adds).toBeLessThan(0.53);
    expect(none!.furthest).toBeCloseTo(whole!.adds, 0);
  });

  it("runs fine marks together from afar: a grid of them adds less than its cells differ", () => {
    const fine = { ...panel, pitchMm: 0.03 };
    const dotted = picture(60).map((byte, at) => (at % 4 !== 3 && (at >> 2) % 2 === 0 ? 140 : byte));
    const [near] = addsOf(["a"], [picture(100), dotted], fine, 50);
    const [far] = addsOf(["a"], [picture(100), dotted], fine, 1200);
    expect(far!.adds).toBeLessThan(0.5 * near!.adds);
  });
});

describe("a surface that is left for another day", () => {
  const adding = addsOfCards(cards, told([9, 8, 6, 3, 2, 1.5, 1, 0.5]));
  const rests = restsOf(cards, adding);
  /** Each card in a sitting of its own number. */
  const items = (sittings: readonly number[]) =>
    sittings.map((sitting, at) => ({ cards: [cards[at]!], turn: { sitting } }));

  it("may be left from its first stopping place on, and when it is finished", () => {
    expect(cards.map(({ id }) => rests.has(id))).toEqual(cards.map((_, at) => at >= 3));
    const none = restsOf(cards, new Map());
    expect([...none]).toEqual([cards.at(-1)!.id]);
  });

  it("is named where it lies half done", () => {
    const name = cards[0]!.surface.name;
    expect(leftOpenAfter(items([0, 0, 1, 1, 1]), 0, rests)).toEqual([name]);
    expect(leftOpenAfter(items([0, 0, 0, 0, 1]), 0, rests)).toEqual([]);
    expect(leftOpenAfter(items([1, 1, 1]), 0, rests)).toEqual([]);
    // Its last card is done on some figures only, or in one of two passes.
    const again = [...items([0, 0, 0, 0]), { cards: [cards[3]!], turn: { sitting: 1 } }];
    expect(leftOpenAfter(again, 0, rests)).toEqual([name]);
  });
});
