import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import type { JobFile } from "../formats/job-json/jobFile";
import type { LogEntry, Paint, Well } from "../job";
import { missingPots, onOwnShelf } from "./foreignPots";

const job = ferrySergeant();
const straw = demoShelf.find(({ id }) => id === "paint-straw")!;
const well: Well = {
  ...{ id: "well-1", name: "Well", mixId: "straw", waterUl: 0 },
  added: [
    { paintId: straw.id, drops: 2 },
    { paintId: null, drops: 1 },
  ],
  content: [{ paintId: straw.id, ul: 80 }],
};
const entry: LogEntry = {
  ...{ id: "entry-1", cardId: "coat-skirt/base", cardTitle: "Base", doneAt: "2026-05-01T09:30:00Z" },
  ...{ minutes: null, note: "", recipe: [{ paintId: straw.id, drops: 2 }] },
  planned: {
    ...{ mix: "Straw", water: 1, passes: 2, minutes: 5, figures: 1, form: job.surfaces[0]!.form },
    parts: [{ paintId: straw.id, parts: 1 }],
  },
};
const fileWith = (paints: readonly Paint[]): JobFile => ({
  job,
  paints,
  history: { log: [entry], wells: [well], sittings: [] },
  pictures: [],
});

describe("pots that come with a job", () => {
  it("are those of the shelf where they are the same, however full they are", () => {
    const file = fileWith(demoShelf.map((paint) => ({ ...paint, state: "out" as const })));
    const own = onOwnShelf(file, demoShelf);
    expect(own.job).toEqual(job);
    expect(own.history).toEqual(file.history);
  });

  it("get an id of their own where they only share it with another pot, wherever the file names them", () => {
    const other: Paint = { ...straw, name: "Old straw", thick: "#998855" };
    const taken = { ...straw, id: "paint-straw-2", name: "Third" };
    const own = onOwnShelf(fileWith([other]), [...demoShelf, taken]);
    expect(own.paints).toEqual([{ ...other, id: "paint-straw-3" }]);
    const text = JSON.stringify([own.job.mixes, own.history]);
    expect(text).not.toContain('"paint-straw"');
    expect(text.match(/"paint-straw-3"/g)!.length).toBeGreaterThanOrEqual(5);
    expect(own.history.wells[0]!.added[1]).toEqual({ paintId: null, drops: 1 });
  });

  it("are missed where neither file nor shelf has them", () => {
    expect(missingPots(fileWith([]), demoShelf)).toEqual([]);
    const without = demoShelf.filter(({ id }) => id !== straw.id);
    expect(missingPots(fileWith([]), without)).toEqual([straw.id]);
    expect(missingPots(fileWith([straw]), without)).toEqual([]);
  });
});
