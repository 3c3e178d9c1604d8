import { describe, expect, it } from "vitest";
import "../figure/rooms";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { defaultPainter } from "../painter";
import { cardsOf } from "./cards";
import { scheduleOf } from "./schedule/schedule";
import { tasksOf } from "./schedule/tasksOf";
import type { Wish } from "./schedule/task";
import { turnsOf, type Turn } from "./schedule/turns";
import { withMoved } from "./wishes";

const cards = cardsOf(wholeSergeant(), demoShelf, defaultPainter);
const tasks = tasksOf({
  ...{ cards, paints: demoShelf, log: [], unit: "mixed", painter: defaultPainter, inMinutes: () => 0 },
});
const planned = (wishes: readonly Wish[]) => turnsOf(scheduleOf(tasks, [], wishes)).turns;
const turns = planned([]);
const cardOf = (turn: Turn) => cards.find(({ id }) => id === turn.cardIds[0])!;
const firstOf = (list: readonly Turn[], id: string) => list.find(({ cardIds }) => cardIds.includes(id))!;

describe("a card put to another time", () => {
  /** A turn of another surface than the first's, late enough to be moved. */
  const late = turns.find((turn, at) => at > 6 && cardOf(turn).step === 2)!;
  const early = turns.find((turn) => cardOf(turn).surface.id !== cardOf(late).surface.id)!;

  it("comes before what is painted then, and the rest of the plan keeps to it", () => {
    const moved = withMoved(cards, turns, [], firstOf(turns, late.cardIds[0]!), early.end - 0.1);
    if (moved.kind !== "wishes") throw new Error(moved.kind);
    const { first, then } = moved.added;
    expect(first).toBe(late.cardIds[0]);
    const next = planned(moved.wishes);
    const lastOfFirst = next.findLast(({ cardIds }) => cardIds.includes(first))!;
    expect(lastOfFirst.end).toBeLessThanOrEqual(firstOf(next, then).setUpAt + 1e-6);
    // Put behind it again the wish is the other way round: the two never stand against each other.
    const other = firstOf(next, then);
    const back = withMoved(cards, next, moved.wishes, firstOf(next, first), other.setUpAt + 1e-3);
    expect(back).toMatchObject({ kind: "wishes", wishes: [{ first: then, then: first }] });
  });

  it("is refused where it would have to wait for what it is put before, and says for what", () => {
    const own = turns.filter((turn) => cardOf(turn).surface.id === "coat-skirt");
    const last = own.at(-1)!;
    const moved = withMoved(cards, turns, [], last, 0);
    // The first card there is may be of another surface: then the wish holds as long as nothing contradicts it.
    const base = own[0]!;
    const wishes: Wish[] = [{ first: base.cardIds[0]!, then: turns[0]!.cardIds[0]! }];
    const against = base === turns[0] ? moved : withMoved(cards, turns, wishes, last, 0);
    expect(against).toMatchObject({ kind: "refused" });
    if (against.kind === "refused") {
      expect(against.why).toContain(cardOf(last).title);
      expect(against.why).toContain("has to wait for");
    }
  });

  it("stays where it is while it is not put beyond another card", () => {
    const one = turns[3]!;
    expect(withMoved(cards, turns, [], one, one.setUpAt + 0.01).kind).toBe("same");
    expect(withMoved(cards, turns, [], turns.at(-1)!, Infinity).kind).toBe("same");
  });
});
