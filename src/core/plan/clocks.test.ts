import { describe, expect, it } from "vitest";
import "../figure/rooms";
import { demoJobs } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import type { LogEntry } from "../job";
import { defaultPainter } from "../painter";
import { cardsOf } from "./cards";
import { clocksOf, filmAfter } from "./clocks";

const watch = demoJobs().find(({ id }) => id === "ferry-watch")!;
const cards = cardsOf(watch, demoShelf, defaultPainter);
const [first] = cards;
const own = cards.filter(({ surface }) => surface.id === first!.surface.id);
/** An entry so many minutes ago. */
const entry = (at: number, ago: number, more: Partial<LogEntry> = {}): LogEntry => ({
  ...{ id: `entry-${at}-${ago}`, cardId: own[at]!.id, cardTitle: own[at]!.title, doneAt: String(ago) },
  ...{ minutes: null, note: "", recipe: null },
  ...more,
});
const clocks = (...log: LogEntry[]) => clocksOf(cards, log, (at) => -Number(at));

describe("a film that dries", () => {
  it("can be worked, sets, takes the next coat, and is dry through, each at its time", () => {
    const { workable, touchDry, fullyDry } = first!.drying;
    const at = [0, workable + 0.01, touchDry + 0.01, fullyDry + 0.01].map((minutes) =>
      filmAfter(first!, minutes),
    );
    expect(at.map(({ state }) => state)).toEqual(["workable", "setting", "touch dry", "dry through"]);
    expect(at[0]!.left).toBeCloseTo(workable, 6);
    expect(at[1]!.left).toBeCloseTo(touchDry - workable - 0.01, 6);
    expect(at[3]!.left).toBe(0);
  });
});

describe("the clocks of a bench", () => {
  it("tell of what was painted lately, and no more of what was painted over or is long dry", () => {
    expect(clocks()).toEqual([]);
    const [clock] = clocks(entry(0, 2));
    expect(clock).toMatchObject({ id: "entry-0-2", figures: [] });
    expect(clock!.dried).toBeCloseTo(2 / first!.drying.touchDry, 6);
    expect(clocks(entry(0, 60), entry(1, 1)).map(({ id }) => id)).toEqual(["entry-1-1"]);
    expect(clocks(entry(0, first!.drying.fullyDry + 10))).toEqual([]);
  });

  it("go figure by figure: of each what was laid on it last", () => {
    const told = clocks(entry(0, 5), entry(1, 1, { figures: [2, 3] }));
    const byId = new Map(told.map((clock) => [clock.id, clock.figures]));
    expect(byId.get("entry-1-1")).toEqual([2, 3]);
    const all = Array.from({ length: first!.figures }, (_, at) => at + 1);
    expect(byId.get("entry-0-5")).toEqual(all.filter((figure) => figure !== 2 && figure !== 3));
  });

  it("stand in the order in which they are ready", () => {
    const other = cards.find(({ surface }) => surface.id !== first!.surface.id);
    const log = [entry(0, 1)];
    if (other) log.push({ ...entry(0, other.drying.touchDry + 0.1), id: "other", cardId: other.id });
    const told = clocks(...log);
    const left = told.filter(({ state }) => state !== "touch dry").map(({ left: minutes }) => minutes);
    expect(told[0]!.id).toBe(other ? "other" : "entry-0-1");
    expect(left).toEqual(left.toSorted((a, b) => a - b));
  });
});
