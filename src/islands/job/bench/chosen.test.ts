import { describe, expect, it } from "vitest";
import { chosenOf } from "./chosen";
import type { PlanItem } from "./usePlan";

const item = (id: string, cardId: string, pass: number | null, done = false): PlanItem =>
  ({ turn: { id, cardIds: [cardId], pass }, done }) as unknown as PlanItem;

describe("the item that is looked at", () => {
  const planned = [
    item("entry-1", "a/base", 1, true),
    item("a/base#2@1", "a/base", 2),
    item("b/base#1@1", "b/base", 1),
    item("a/lines#1@1", "a/lines", 1),
    item("b/base#2@1", "b/base", 2),
  ];

  it("is the one chosen, by its turn", () => {
    for (const one of planned) expect(chosenOf(planned, one.turn.id)).toBe(one);
  });

  it("stays card and pass when turns get other ids, as the plan is made anew", () => {
    expect(chosenOf(planned, "b/base#2")).toBe(planned[4]);
    expect(chosenOf(planned, "b/base#1")).toBe(planned[2]);
    expect(chosenOf(planned, "a/lines")).toBe(planned[3]);
    // A pass that is painted by now leaves what is open of its card.
    expect(chosenOf(planned, "a/base#1@1")).toBe(planned[1]);
  });

  it("is the first that is open where nothing is chosen, or what was is gone", () => {
    expect(chosenOf(planned, null)).toBe(planned[1]);
    expect(chosenOf(planned, "gone/card#1")).toBe(planned[1]);
    expect(chosenOf([planned[0]!], null)).toBe(planned[0]);
    expect(chosenOf([], "a/base")).toBeUndefined();
  });
});
