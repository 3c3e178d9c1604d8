import { describe, expect, it } from "vitest";
import type { LogEntry, PlannedThen, Sitting } from "../job";
import { coloursRead, minutesByTechnique, paintByPot } from "./compare";
import { entriesIn, minutesByClock, openSitting } from "./sittings";

function entry(id: string, told: Partial<LogEntry>, planned: Partial<PlannedThen> = {}): LogEntry {
  return {
    ...{ id, cardId: `skirt/${id}`, cardTitle: id, doneAt: "2026-05-01T18:00:00Z", minutes: null, note: "" },
    ...{ recipe: null, ...told },
    planned: {
      ...{
        mix: "Straw",
        parts: [{ paintId: "straw", parts: 1 }],
        water: 1,
        passes: 1,
        minutes: 5,
        figures: 1,
      },
      ...{ form: { id: "sleeve", version: 1, params: {} }, technique: "layer", thinnedUl: 60, ...planned },
    },
  };
}

const paint = (id: string, dropUl: number) => ({ id, name: id.toUpperCase(), dropUl });
const paints = [paint("straw", 40), paint("moss", 30)] as never;

describe("planned and real", () => {
  it("adds up minutes by technique, of entries whose time was noted", () => {
    const log = [
      entry("a", { minutes: 12 }, { minutes: 10 }),
      entry("b", { minutes: 9 }, { minutes: 7 }),
      entry("c", { minutes: 30 }, { minutes: 20, technique: "glaze" }),
      entry("d", {}, { minutes: 99 }),
    ];
    expect(minutesByTechnique(log)).toEqual([
      { name: "Glaze", planned: 20, taken: 30, entries: 1 },
      { name: "Layer", planned: 17, taken: 21, entries: 2 },
    ]);
    expect(minutesByTechnique([entry("x", { minutes: 1 }, { technique: "never-was" })])[0]!.name).toBe(
      "technique not noted",
    );
  });

  it("counts a well once, however many cards were painted out of it", () => {
    const drops = (straw: number, moss = 0) => [
      { paintId: "straw", drops: straw },
      ...(moss > 0 ? [{ paintId: "moss", drops: moss }] : []),
      { paintId: null, drops: 2 },
    ];
    const at = (hour: number) => `2026-05-01T${hour}:00:00Z`;
    const log = [
      entry("a", { recipe: drops(3), doneAt: at(10) }),
      entry("b", { recipe: drops(3, 2), doneAt: at(11) }),
      // Fewer drops of a pot: the well was washed out and begun again.
      entry("c", { recipe: drops(2), doneAt: at(12) }),
      entry("d", { doneAt: at(13) }),
    ];
    expect(paintByPot(log, paints)).toEqual([
      // Three cards of 60 µl thinned one to one are 30 µl of paint each.
      { paintId: "straw", name: "STRAW", mixedUl: 5 * 40, plannedUl: 90 },
      { paintId: "moss", name: "MOSS", mixedUl: 2 * 30, plannedUl: 0 },
    ]);
  });

  it("names how the newest reading departs from the plan, the furthest off first", () => {
    const read = (l: number, a: number, b: number) => [
      { at: "2026-05-01T18:30:00Z", by: "typed" as const, l: 1, a: 1, b: 1 },
      { at: "2026-05-01T19:30:00Z", by: "typed" as const, l, a, b },
    ];
    const log = [
      entry("near", { readings: read(50, 0.2, 0) }),
      entry("far", { readings: read(42, 0, 0) }),
      entry("unknown", { readings: read(42, 0, 0) }),
      entry("unread", {}),
    ];
    const plan = { "skirt/near": [50, 0, 0], "skirt/far": [50, 0, 0], "skirt/unread": [50, 0, 0] } as const;
    const found = coloursRead(log, (id) => plan[id as keyof typeof plan]);
    expect(found.map(({ entryId, words }) => [entryId, words])).toEqual([
      ["far", "darker"],
      ["near", ""],
    ]);
    expect(found[0]!.difference).toBeGreaterThan(5);
  });
});

describe("sittings", () => {
  const minutes = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / 60_000;
  const time = (text: string) => `2026-05-01T${text}:00Z`;
  const sittings: Sitting[] = [
    { id: "sitting-1", startedAt: time("17:00"), endedAt: time("18:00"), note: "" },
    { id: "sitting-2", startedAt: time("20:00"), endedAt: null, note: "" },
  ];
  const log = ["17:12", "17:30", "19:00", "20:05", "20:05"].map((at, of) =>
    entry(`e${of}`, { doneAt: time(at) }),
  );

  it("know what was painted in them, and which goes on", () => {
    expect(entriesIn(sittings[0]!, log).map(({ id }) => id)).toEqual(["e0", "e1"]);
    expect(entriesIn(sittings[1]!, log).map(({ id }) => id)).toEqual(["e3", "e4"]);
    expect(openSitting(sittings)?.id).toBe("sitting-2");
    expect(openSitting(sittings.slice(0, 1))).toBeUndefined();
  });

  it("tell minutes by the clock: since the entry before, or since they began", () => {
    const taken = log.map((one) => minutesByClock(one, log, sittings, minutes));
    // Outside of all sittings nothing is known; two that were ticked at once cannot be told apart.
    expect(taken).toEqual([12, 18, null, null, null]);
    expect(minutesByClock(log[3]!, log.slice(0, 4), sittings, minutes)).toBe(5);
  });
});
