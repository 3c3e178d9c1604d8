import { beforeEach, describe, expect, it } from "vitest";
import type { Opened } from "./database";
import { ferrySergeant } from "./demo/ferrySergeant";
import { demoShelf } from "./demo/shelf";
import {
  insertHistory,
  putEntry,
  putSitting,
  putWell,
  readHistory,
  removeEntry,
  removeSitting,
  removeWell,
} from "./historyStore";
import { findJob, forgetDeleted, insertJob, markDeleted, saveJob } from "./jobStore";
import { addPaints, listPaints, putPaint } from "./paintStore";
import { newDatabase, NOW, WELL } from "./testing";

let opened: Opened;
beforeEach(() => {
  opened = newDatabase();
});

describe("readings of a pot", () => {
  const reading = {
    laid: "thick" as const,
    filmUm: null,
    whiteParts: null,
    lab: [40.125, 3.1, -8.7] as const,
  };
  const fit = {
    ...{ absorption: Array<number>(12).fill(0.02), scattering: Array<number>(12).fill(0.1) },
    ...{ readings: [reading, { ...reading, laid: "tint" as const, whiteParts: 4 }] },
    ...{ meanDifference: 0.4, largestDifference: 0.9 },
  };

  it("stand in a table of their own and come back in their order with the pot", () => {
    addPaints(opened.db, [{ ...demoShelf[0]!, fit }]);
    expect(listPaints(opened.db)[0]!.fit).toEqual(fit);
    const rows = opened.db.$client.prepare("select laid, white_parts from readings order by at").all();
    expect(rows).toEqual([
      { laid: "thick", white_parts: null },
      { laid: "tint", white_parts: 4 },
    ]);
    putPaint(opened.db, { ...demoShelf[0]!, fit: { ...fit, readings: [reading] } });
    expect(listPaints(opened.db)[0]!.fit!.readings).toEqual([reading]);
    putPaint(opened.db, { ...demoShelf[0]!, fit: null });
    expect(listPaints(opened.db)[0]!.fit).toBeNull();
    expect(opened.db.$client.prepare("select count(*) as n from readings").get()).toEqual({ n: 0 });
  });
});

const entry = (id: string, note = "") => ({
  ...{ id, cardId: "coat-skirt/base", cardTitle: "Base", doneAt: NOW, minutes: 12.5, note },
  recipe: WELL.added,
});

describe("what happened at the bench", () => {
  beforeEach(() => {
    insertJob(opened.db, ferrySergeant(), NOW);
  });
  const read = () => readHistory(opened.db, "ferry-sergeant");

  it("comes back as it was told, in the order it happened", () => {
    const measured = {
      ...{ ...entry("m"), dryAfter: 14.5, water: 1.25, loads: 9, brush: "Old round" },
      readings: [{ at: NOW, by: "typed" as const, l: 61.5, a: -3, b: 28.25 }],
    };
    const sitting = { id: "sitting-1", startedAt: NOW, endedAt: null, note: "" };
    const history = {
      log: [entry("b"), { ...entry("a"), recipe: null, minutes: null }, measured],
      ...{ wells: [WELL], sittings: [sitting, { ...sitting, id: "sitting-0", endedAt: NOW, note: "Lamp." }] },
    };
    insertHistory(opened.db, "ferry-sergeant", history);
    expect(read()).toEqual(history);
    putEntry(opened.db, "ferry-sergeant", entry("c"));
    putEntry(opened.db, "ferry-sergeant", { ...entry("b", "Ran dry"), recipe: [] });
    expect(read().log.map(({ id, note }) => id + note)).toEqual(["bRan dry", "a", "m", "c"]);
    expect(read().log[0]!.recipe).toEqual([]);
    putWell(opened.db, "ferry-sergeant", { ...WELL, added: [], content: [] });
    expect(read().wells).toEqual([{ ...WELL, added: [], content: [] }]);
    putSitting(opened.db, "ferry-sergeant", { ...sitting, endedAt: NOW });
    expect(read().sittings[0]).toEqual({ ...sitting, endedAt: NOW });
    removeSitting(opened.db, "ferry-sergeant", "sitting-0");
    expect(read().sittings).toHaveLength(1);
  });

  it("keeps which figures and which pass of its card an entry tells of, and forgets them when all is meant", () => {
    const part = { ...entry("a"), figures: [1, 3], pass: 2, mishap: "pool" as const };
    putEntry(opened.db, "ferry-sergeant", part);
    expect(read().log).toEqual([part]);
    putEntry(opened.db, "ferry-sergeant", entry("a"));
    expect(read().log).toEqual([entry("a")]);
  });

  it("is the same told twice as once, and gone once taken off", () => {
    for (let time = 0; time < 2; time++) {
      putEntry(opened.db, "ferry-sergeant", entry("a"));
      putWell(opened.db, "ferry-sergeant", WELL);
    }
    expect(read()).toEqual({ log: [entry("a")], wells: [WELL], sittings: [] });
    removeEntry(opened.db, "ferry-sergeant", "a");
    removeWell(opened.db, "ferry-sergeant", "well-1");
    removeWell(opened.db, "ferry-sergeant", "well-1");
    expect(read()).toEqual({ log: [], wells: [], sittings: [] });
    const left = ["log_additions", "well_additions", "well_contents"].map(
      (table) => opened.db.$client.prepare(`select count(*) as n from ${table}`).get() as { n: number },
    );
    expect(left.map(({ n }) => n)).toEqual([0, 0, 0]);
  });

  it("is not touched by saves of the job, and goes with it when it is forgotten", () => {
    putEntry(opened.db, "ferry-sergeant", entry("a"));
    const { job } = findJob(opened.db, "ferry-sergeant")!;
    saveJob(opened.db, { ...job, name: "Later" }, 1, NOW);
    expect(read().log).toHaveLength(1);
    markDeleted(opened.db, job.id, NOW);
    forgetDeleted(opened.db, "2026-06-01T00:00:00.000Z");
    expect(opened.db.$client.prepare("select count(*) as n from log_entries").get()).toEqual({ n: 0 });
  });

  it("cannot be told of a job that is not there", () => {
    expect(() => putEntry(opened.db, "nowhere", entry("a"))).toThrow(/FOREIGN KEY/);
  });
});
