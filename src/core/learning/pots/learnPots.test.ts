import { describe, expect, it } from "vitest";
import { demoShelf } from "../../../data/demo/shelf";
import type { Triple } from "../../colour/spaces";
import type { LogEntry, Paint } from "../../job";
import { defaultPainter } from "../../painter";
import { learnPots } from "./learnPots";
import { filmLab, filmRead } from "./readFilm";
import { readLog, type Mixed } from "./testing";
import { formerOf, withFormer, withLearned } from "./takenOver";

const pots = demoShelf.filter(
  ({ kind, hiding, fit, overWhite }) => kind === "paint" && hiding === "semi" && !fit && overWhite === null,
);
const others = demoShelf.filter(({ kind, hiding }) => kind === "paint" && hiding === "opaque").slice(0, 4);
const GREY: Triple = [52, 1, 3];
const DARK: Triple = [14, 0, 1];

/** The shelf as it really is: some pots are not as their labels say. */
const withTruth = (truth: Readonly<Record<string, Partial<Pick<Paint, "strength" | "hiding">>>>) =>
  demoShelf.map((paint) => ({ ...paint, ...truth[paint.id] }));

const [pot] = pots as [Paint, ...Paint[]];
/** The pot in mixes with several others, thick. */
const mixes = (count: number): Mixed[] =>
  Array.from({ length: count }, (_, at) => ({
    shares: [
      { paintId: pot.id, parts: 1 + (at % 3) },
      { paintId: others[at % others.length]!.id, parts: 1 + (at % 2) },
    ],
    um: 60,
    under: GREY,
  }));
/** The pot alone in thin films over dark and mid ground. */
const films = (count: number): Mixed[] =>
  Array.from({ length: count }, (_, at) => ({
    shares: [{ paintId: pot.id, parts: 1 }],
    um: 8 + 3 * (at % 4),
    under: at % 2 === 0 ? DARK : GREY,
  }));
const told = (log: readonly LogEntry[], of = pot.id) =>
  learnPots(log, demoShelf).find(({ paintId }) => paintId === of);

describe("colours read from dry coats", () => {
  it.each([1.6, 0.6])(
    "tell a pot that is %f times as strong as the shelf says, within a tenth after 20 entries",
    (times) => {
      const real = withTruth({ [pot.id]: { strength: pot.strength * times } });
      const learned = told(readLog([...mixes(16), ...films(4)], real))!;
      expect(learned.state).toBe("other");
      expect(learned.strength.value / (pot.strength * times)).toBeGreaterThan(0.9);
      expect(learned.strength.value / (pot.strength * times)).toBeLessThan(1.1);
      expect(learned.strength.low).toBeLessThanOrEqual(learned.strength.value);
      expect(learned.strength.high).toBeGreaterThanOrEqual(learned.strength.value);
      expect(learned.hiding.value).toBe(pot.hiding);
    },
  );

  it("are not moved by two odd ones in twenty, which are set aside", () => {
    const real = withTruth({ [pot.id]: { strength: pot.strength * 1.6 } });
    const log = readLog([...mixes(16), ...films(4)], real);
    const odd = log.map((entry, at) =>
      at === 3 || at === 9
        ? { ...entry, readings: [{ ...entry.readings![0]!, l: 96, a: 40, b: -50 }] }
        : entry,
    );
    const [clean, moved] = [told(log)!, told(odd)!];
    expect(Math.abs(Math.log(moved.strength.value / clean.strength.value))).toBeLessThan(0.1);
    expect(moved.odd).toBe(2);
  });

  it("tell a pot that hides better than its word", () => {
    const real = withTruth({ [pot.id]: { hiding: "opaque" } });
    const learned = told(readLog(films(12), real))!;
    expect(learned.hiding).toEqual({ own: "semi", value: "opaque" });
    expect(learned.strength.value).toBe(pot.strength);
    const after = learnPots(
      readLog(films(12), real),
      demoShelf.map((one) => (one.id === pot.id ? withLearned(one, learned) : one)),
    );
    expect(after.find(({ paintId }) => paintId === pot.id)!.state).toBe("as it is");
  });

  it("say nothing of pots that are as the shelf says, nor of less than four entries", () => {
    const log = readLog([...mixes(16), ...films(6)], demoShelf);
    expect(learnPots(log, demoShelf).filter(({ state }) => state === "other")).toEqual([]);
    const real = withTruth({ [pot.id]: { strength: pot.strength * 2 } });
    expect(told(readLog(mixes(3), real))!.state).toBe("too few");
    expect(learnPots([], demoShelf)).toEqual([]);
  });

  it("say no strength of a pot that was mixed with one other only: it may be either of them", () => {
    const real = withTruth({ [pot.id]: { strength: pot.strength * 2 } });
    const pair = mixes(16).map((one) => ({
      ...one,
      shares: [one.shares[0]!, { ...one.shares[1]!, paintId: others[0]!.id }],
    }));
    const learned = learnPots(readLog(pair, real), demoShelf);
    expect(learned.length).toBeGreaterThan(0);
    expect(learned.map(({ state }) => state)).toContain("unclear");
    expect(learned.map(({ strength }) => strength.value)).toEqual(
      learned.map(({ strength }) => strength.own),
    );
  });

  it("count drops as they were mixed before parts as they were planned", () => {
    const log = readLog(mixes(16), demoShelf).map((entry) => ({
      ...entry,
      recipe: entry.planned!.parts.map(({ paintId, parts }) => ({ paintId, drops: parts })),
      planned: { ...entry.planned!, parts: entry.planned!.parts.map((part) => ({ ...part, parts: 5 })) },
    }));
    const even = demoShelf.map((paint) => ({ ...paint, dropUl: 40 }));
    expect(learnPots(log, even).filter(({ state }) => state === "other")).toEqual([]);
  });
});

describe("what a reading keeps of its coat", () => {
  const shares = [{ paintId: pot.id, parts: 1 }];
  const even = (um: number) => filmLab(shares, demoShelf, { um, under: GREY })!;

  it("is how far it departs from an even film, where that is little", () => {
    const [l, a, b] = even(15);
    const film = filmRead({ lab: [l + 1.5, a, b - 1], under: GREY, um: 15 }, shares, demoShelf);
    expect(film).toEqual({ um: 15, under: GREY, off: [1.5, 0, -1] });
    expect(filmRead({ lab: [l + 30, a, b], under: GREY, um: 15 }, shares, demoShelf)).toBeUndefined();
    expect(
      filmRead({ lab: [l, a, b], under: GREY, um: 15 }, [{ paintId: "gone", parts: 1 }], demoShelf),
    ).toBeUndefined();
  });
});

describe("a pot that is taken over", () => {
  it("is remembered as it was at first, and forgotten when it is put back", () => {
    const once = withFormer(defaultPainter, pot, true);
    const twice = withFormer(once, { ...pot, strength: 3 }, true);
    expect(formerOf(twice, pot.id)).toEqual({ paintId: pot.id, strength: pot.strength, hiding: pot.hiding });
    expect(formerOf(withFormer(twice, pot, false), pot.id)).toBeUndefined();
  });
});
