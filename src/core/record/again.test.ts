import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { entryFor } from "../edits/history";
import { paintByScheme } from "../edits/ownSchemes";
import { parseJob, parseOwnScheme } from "../formats/job-json/jobSchema";
import { NO_HISTORY, type Addition, type History, type LogEntry } from "../job";
import { defaultPainter } from "../painter";
import { cardsOf } from "../plan/cards";
import { correctionsOf, paintedAgain } from "./again";
import { batchesOf } from "./batches";
import { partsOf, sharesApart } from "./mixedParts";

const job = wholeSergeant();
const surface = job.surfaces.find(({ id }) => id === "satchel")!;
const cards = cardsOf({ ...job, surfaces: [surface] }, demoShelf, defaultPainter);
const AT = { id: "again", name: "Satchel again", at: "2026-05-02T09:00:00Z" };

const entry = (at: number, told: Partial<LogEntry> = {}): LogEntry => ({
  ...entryFor(cards[at]!, NO_HISTORY, { id: `entry-${at}`, at: `2026-05-01T10:${10 + at}:00Z` }),
  ...told,
});
const all = (told: Readonly<Record<number, Partial<LogEntry>>> = {}): History => ({
  ...NO_HISTORY,
  log: cards.map((_, at) => entry(at, told[at])),
});
const first = cards[0]!;
const mix = job.mixes.find(({ id }) => id === first.coat.mixId)!;
const dropped: Addition[] = [
  { paintId: "fen-brown", drops: 5 },
  { paintId: null, drops: 3 },
  { paintId: "chalk-white", drops: 1 },
];

describe("parts of what was dropped", () => {
  it("are those of the drops, by volume, in small numbers", () => {
    const paints = [
      { id: "a", dropUl: 40 },
      { id: "b", dropUl: 20 },
    ];
    const drops = (a: number, b: number): Addition[] => [
      { paintId: "a", drops: a },
      { paintId: "b", drops: b },
      { paintId: null, drops: 9 },
    ];
    expect(partsOf(drops(2, 4), paints)).toEqual([
      { paintId: "a", parts: 1 },
      { paintId: "b", parts: 1 },
    ]);
    expect(partsOf(drops(6, 4), paints)).toEqual([
      { paintId: "a", parts: 3 },
      { paintId: "b", parts: 1 },
    ]);
    expect(partsOf([{ paintId: null, drops: 3 }], paints)).toEqual([]);
  });

  it("tell any mix of whole parts as it was, wherever it is one", () => {
    const parts = fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(parts, fc.integer({ min: 1, max: 5 }), (counts, times) => {
        const paints = counts.map((_, at) => ({ id: `pot-${at}`, dropUl: 35 }));
        const added = counts.map((count, at) => ({ paintId: `pot-${at}`, drops: count * times }));
        const planned = counts.map((count, at) => ({ paintId: `pot-${at}`, parts: count }));
        return sharesApart(partsOf(added, paints), planned) <= 0.0121;
      }),
    );
  });
});

describe("what was done otherwise", () => {
  it("is nothing where all was done as planned", () => {
    expect(correctionsOf(job, surface, all(), demoShelf)).toEqual([]);
    expect(correctionsOf(job, surface, NO_HISTORY, demoShelf)).toEqual([]);
  });

  it("is told of the mix as it was dropped, the thinning that was noted and a coat that was never painted", () => {
    const history = all({ 0: { recipe: dropped, water: first.coat.water + 1 } });
    const last = cards.at(-1)!;
    const log = history.log.filter(({ cardId }) => cardId !== last.id);
    const corrections = correctionsOf(job, surface, { ...history, log }, demoShelf);
    expect(corrections.map(({ kind, of }) => [kind, of])).toEqual([
      ["mix", mix.name],
      ["water", first.coat.name],
      ["unpainted", last.coat.name],
    ]);

    const again = paintedAgain(job, surface, { ...history, log }, corrections, AT);
    const parts = again.mixes.find(({ id }) => id === mix.id)!.parts;
    expect(sharesApart(parts, partsOf(dropped, demoShelf))).toBe(0);
    expect(again.coats.find(({ id }) => id === first.coat.id)!.water).toBe(first.coat.water + 1);
    expect(again.coats.filter(({ held }) => held).map(({ id }) => id)).toEqual([last.coat.id]);
    // What nobody corrected is as it was, and none of it is made where the painter does not want it.
    const asPlanned = paintedAgain(job, surface, { ...history, log }, [], AT);
    expect(asPlanned.coats).toEqual(surface.coats);
    expect(again.mixes.filter(({ id }) => id !== mix.id)).toEqual(
      asPlanned.mixes.filter(({ id }) => id !== mix.id),
    );
  });

  it("goes into a scheme with its notes, which reads back as it was and paints a piece", () => {
    const history = all({ 0: { recipe: dropped, note: "Pulled from the seam down." }, 1: { note: " " } });
    const again = paintedAgain(job, surface, history, correctionsOf(job, surface, history, demoShelf), AT);
    expect(again).toMatchObject({
      ...{ asPainted: true, notes: `${first.title}: Pulled from the seam down.`, keptAt: AT.at },
      from: { jobId: job.id, job: job.name, surface: surface.name },
      batches: [{ mix: mix.name, coats: [first.title], added: dropped }],
    });
    expect(parseOwnScheme(JSON.parse(JSON.stringify(again)))).toEqual(again);
    const painted = paintByScheme(job, surface.id, again, demoShelf);
    expect(parseJob(painted)).toEqual(painted);
    const { mixId } = painted.surfaces.find(({ id }) => id === surface.id)!.coats[0]!;
    expect(painted.mixes.find(({ id }) => id === mixId)!.parts).toEqual(partsOf(dropped, demoShelf));
  });
});

describe("wells as they were mixed", () => {
  it("are told once each, with all they painted, in their order", () => {
    const more: Addition[] = [...dropped, { paintId: "moss", drops: 2 }];
    const log = [
      entry(2, { recipe: [{ paintId: "moss", drops: 1 }], planned: undefined }),
      entry(1, { recipe: more, planned: { ...entry(0).planned!, mix: "Warm" }, water: 2 }),
      entry(0, { recipe: dropped, planned: { ...entry(0).planned!, mix: "Warm" } }),
    ];
    const washed = { ...entry(1, { recipe: dropped.slice(0, 1), planned: log[1]!.planned! }), id: "later" };
    const batches = batchesOf([...log, { ...washed, doneAt: "2026-05-01T12:00:00Z" }]);
    expect(batches.map(({ mix: name, coats, added, water }) => ({ name, coats, added, water }))).toEqual([
      { name: "Warm", coats: [cards[0]!.title, cards[1]!.title], added: more, water: 2 },
      { name: "Warm", coats: [cards[1]!.title], added: dropped.slice(0, 1), water: undefined },
    ]);
  });
});
