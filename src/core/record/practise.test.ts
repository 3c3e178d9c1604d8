import { describe, expect, it } from "vitest";
import type { LogEntry } from "../job";
import { techniqueIds } from "../techniques";
import { practiceOf, practiseHow } from "./practise";

const entry = (
  technique: string,
  planned: number,
  minutes: number | null,
  mishap?: LogEntry["mishap"],
): LogEntry => ({
  ...{ id: "a", cardId: "skirt/a", cardTitle: "A", doneAt: "2026-05-01T18:00:00Z", minutes, note: "" },
  ...{ recipe: null, ...(mishap ? { mishap } : {}) },
  planned: {
    ...{ mix: "Straw", parts: [], water: 1, passes: 1, minutes: planned, figures: 1, technique },
    form: { id: "sleeve", version: 1, params: {} },
  },
});
const times = (count: number, one: LogEntry) => Array.from({ length: count }, () => one);

describe("one thing to practise", () => {
  it("is what took most over its plan", () => {
    const log = [
      ...times(4, entry("line", 5, 9)),
      ...times(4, entry("glaze", 5, 6)),
      ...times(4, entry("layer", 9, 5)),
    ];
    expect(practiceOf(log)).toMatchObject({ technique: "line", overMinutes: 16, wrong: 0, entries: 4 });
  });

  it("is what went wrong most, though it was quick", () => {
    const log = [
      ...times(4, entry("line", 5, 7)),
      ...times(2, entry("glaze", 5, 5, "pool")),
      entry("glaze", 5, null),
    ];
    expect(practiceOf(log)).toMatchObject({ technique: "glaze", overMinutes: 0, wrong: 2, entries: 3 });
  });

  it("is nothing of one odd card, of cards as planned, or of a technique nobody knows", () => {
    expect(practiceOf([entry("line", 5, 90)])).toBeNull();
    expect(practiceOf(times(6, entry("line", 5, 5.2)))).toBeNull();
    expect(practiceOf(times(6, entry("never-was", 5, 50)))).toBeNull();
    expect(practiceOf([])).toBeNull();
  });

  it("has a way to be practised for every technique", () => {
    for (const id of techniqueIds) if (!practiseHow(id)?.how.includes("ten in a row")) throw new Error(id);
    expect(practiseHow("never-was")).toBeNull();
  });
});
