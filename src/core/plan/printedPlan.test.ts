import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { defaultPainter } from "../painter";
import { cardsOf } from "./cards";
import { entriesOf, listOf, type CardFace, type PrintedTurn } from "./printedPlan";
import { batchesIn, shopping } from "./shopping";

const all = cardsOf(wholeSergeant(), demoShelf, defaultPainter);
const two = all
  .slice(0, 1)
  .concat(all.filter(({ surface }) => surface.id !== all[0]!.surface.id).slice(0, 2));
const face: CardFace = {
  ...{ facts: [["Hand time", "9 h"]], lookAt: [], before: new Uint8Array(), after: new Uint8Array() },
};
const turn = (at: readonly number[], more: Partial<PrintedTurn> = {}): PrintedTurn => ({
  ...{ cardIds: at.map((one) => two[one]!.id), part: "", setUpAt: 0, minutes: 6, sitting: 0 },
  ...more,
});
const sittings = [
  { title: "Sitting 1", note: "Mon" },
  { title: "Sitting 2", note: "Tue" },
];
const entries = (turns: readonly PrintedTurn[], of = sittings) =>
  entriesOf({ turns, sittings: of }, two, () => face);
const told = (list: ReturnType<typeof entries>) =>
  list.map((one) => (one.kind === "card" ? one.number : one.kind === "heading" ? one.title : one.text));

describe("a plan on paper", () => {
  it("follows the turns under their sittings, whatever surface they are of", () => {
    const list = entries([turn([1]), turn([0]), turn([2], { sitting: 1 })]);
    expect(told(list)).toEqual(["Sitting 1", 1, 2, "Sitting 2", 3]);
    const [, first] = list;
    expect(first).toMatchObject({ title: `${two[1]!.surface.name}: ${two[1]!.title}` });
    expect(told(entries([turn([1]), turn([0]), turn([2])], []))).toEqual([1, 2, 3]);
  });

  it("prints a card once, and names it where a later pass or other figures come to it", () => {
    const again = turn([1], { part: "pass 2 of 2", sitting: 1 });
    const list = entries([turn([1], { part: "pass 1 of 2" }), turn([0]), turn([2]), again]);
    const last = list.at(-1)!;
    expect(last).toMatchObject({ kind: "again", number: 4 });
    expect(last.kind === "again" && last.text).toMatch(/pass 2 of 2 · as card 1 · 6/);
    const [, card] = list;
    expect(card).toMatchObject({
      facts: [
        ["Now", "pass 1 of 2"],
        ["Hand time", "6\u202fmin"],
      ],
    });
  });

  it("has what is laid wet into wet together, and says so", () => {
    const list = entries([turn([0]), turn([1, 2])]);
    expect(told(list)).toEqual(["Sitting 1", 1, 2, 2]);
    const last = list.at(-1)!;
    expect(last.kind === "card" && last.facts[0]).toEqual([
      "Wet",
      `laid into ${two[1]!.title} before that sets`,
    ]);
  });

  it("leaves nothing out: what is done stands last", () => {
    expect(told(entries([turn([1])]))).toEqual(["Sitting 1", 1, "Done already", 2, 3]);
    expect(told(entries([]))).toEqual([1, 2, 3]);
  });
});

describe("the list on paper", () => {
  it("has every pot that is wanted and every batch once, in order", () => {
    const list = listOf("Sergeant", all, demoShelf);
    expect(list.pots.map(({ name }) => name)).toEqual(shopping(all, demoShelf).map(({ name }) => name));
    expect(list.mixes).toHaveLength(batchesIn(all).length);
    expect(list.pots[0]!.amount).toMatch(/^\d+ drops?, [\d.]+\u202fml$/);
    expect(list.mixes[0]!.note).toMatch(/for /);
  });
});
