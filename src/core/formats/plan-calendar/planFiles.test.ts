import ICAL from "ical.js";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { defaultPainter } from "../../painter";
import { cardsOf } from "../../plan/cards";
import { cardsInPlan } from "../../plan/inPlan";
import type { PlannedTurn } from "../../plan/planRows";
import { scheduleOf } from "../../plan/schedule/schedule";
import { tasksOf } from "../../plan/schedule/tasksOf";
import { turnsOf } from "../../plan/schedule/turns";
import { batchesIn, shopping } from "../../plan/shopping";
import { writeListCsv, writePlanCsv } from "../plan-csv/planCsv";
import { writePlanCalendar, type UtcOf } from "./planCalendar";

const job = wholeSergeant();
const all = cardsOf(job, demoShelf, defaultPainter);
const BEGAN = Date.parse("2026-05-04T18:30:00Z");

/** The sergeant in sittings of so many minutes, a day apart; without an end where there are none. */
function planned(sittings: number, minutes: number) {
  const tasks = tasksOf({
    ...{ cards: all, paints: demoShelf, log: [], unit: "mixed", painter: defaultPainter },
    inMinutes: () => 0,
  });
  const windows = Array.from({ length: sittings }, (_, at) => ({
    start: at * 1440,
    end: at * 1440 + minutes,
  }));
  const plan = turnsOf(scheduleOf(tasks, windows, []));
  const cards = new Map(cardsInPlan(all, plan, demoShelf, defaultPainter).map((card) => [card.id, card]));
  const turns = plan.turns.map((turn, at): PlannedTurn => ({
    ...{ turn, number: at + 1, part: turn.pass === null ? "" : `pass ${turn.pass}` },
    cards: turn.cardIds.map((id) => cards.get(id)!),
  }));
  return { turns, sittings: plan.sittings, plan };
}

const utc: UtcOf = (minutes) => {
  const at = new Date(BEGAN + minutes * 60_000);
  return [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours(), at.getUTCMinutes()];
};
const whole = (minutes: number) => Math.floor((BEGAN + minutes * 60_000) / 60_000) * 60_000;

/** Events as another program reads them. */
const eventsIn = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents("vevent").map((one) => {
    const { uid, summary, description, startDate, endDate } = new ICAL.Event(one);
    return {
      uid,
      summary,
      description,
      start: startDate.toJSDate().getTime(),
      end: endDate.toJSDate().getTime(),
    };
  });

describe("the calendar of a plan", () => {
  const inSittings = planned(3, 90);
  const text = writePlanCalendar({ jobId: job.id, jobName: job.name, ...inSittings }, utc);
  const events = eventsIn(text);
  const named = (word: string) => events.filter(({ summary }) => summary.includes(word));

  it("has each sitting from its beginning to its end, with every card in it", () => {
    const used = inSittings.sittings.filter((_, at) =>
      inSittings.turns.some(({ turn }) => turn.sitting === at),
    );
    expect(named(": sitting ").map(({ start, end }) => [start, end])).toEqual(
      used.map(({ start, end }) => [whole(start), whole(end)]),
    );
    const lines = named(": sitting ").flatMap(({ description }) => description.split("\n"));
    expect(lines).toHaveLength(inSittings.turns.length);
    for (const { number, cards } of inSittings.turns)
      expect(lines.some((line) => line.startsWith(`${number} ${cards[0]!.surface.name}: `))).toBe(true);
  });

  it("has when each surface is touch dry after a sitting, and when it is dry through in the end", () => {
    for (const surface of job.surfaces) {
      const own = inSittings.turns.filter(({ cards }) => cards[0]!.surface.id === surface.id);
      const last = own.at(-1)!;
      const through = named(`${surface.name} is dry through`);
      expect(through.map(({ start }) => start)).toEqual([
        whole(last.turn.end + last.cards.at(-1)!.drying.fullyDry),
      ]);
      const sittings = new Set(own.map(({ turn }) => turn.sitting)).size;
      expect(named(`${surface.name} is touch dry`)).toHaveLength(sittings - 1);
    }
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
  });

  it("keeps commas, quotes and long lines as they are, and folds them", () => {
    const jobName = 'Sergeant; "old", with a very long name that goes on and on past seventy-five octets';
    const odd = writePlanCalendar({ jobId: "x", jobName, ...planned(1, 90) }, utc);
    expect(eventsIn(odd)[0]!.summary).toBe(`${jobName}: sitting 1`);
    const lengths = odd.split("\r\n").map((line) => Array.from(line).length);
    expect(lengths.filter((length) => length > 75)).toEqual([]);
  });

  it("is one event from beginning to end where no sittings are set", () => {
    const { turns, sittings } = planned(0, 0);
    const [one, ...others] = eventsIn(
      writePlanCalendar({ jobId: "x", jobName: "X", turns, sittings }, utc),
    ).filter(({ summary }) => summary.includes(": sitting "));
    expect(others).toEqual([]);
    expect([one!.start, one!.end]).toEqual([whole(turns[0]!.turn.setUpAt), whole(turns.at(-1)!.turn.end)]);
  });
});

/** Rows of a table as another program reads them. */
const rowsIn = (text: string) => Papa.parse<Record<string, string>>(text.trim(), { header: true }).data;

describe("tables of a plan", () => {
  const { turns, plan } = planned(0, 0);
  const cards = [...new Map(turns.flatMap(({ cards: of }) => of).map((card) => [card.id, card])).values()];

  it("have one line a turn, in order, whose minutes add up to the plan's", () => {
    const rows = rowsIn(
      writePlanCsv(turns, demoShelf, defaultPainter, (minutes) => `+${minutes.toFixed(0)}`),
    );
    expect(rows.map(({ number }) => Number(number))).toEqual(turns.map(({ number }) => number));
    const minutes = rows.reduce((sum, { hand_min: hand }) => sum + Number(hand), 0);
    expect(Math.abs(minutes - plan.handMinutes)).toBeLessThan(0.05 * rows.length);
    for (const [at, row] of rows.entries()) {
      expect(row.surface).toBe(turns[at]!.cards[0]!.surface.name);
      expect(row.tool).not.toBe("");
      // No spreadsheet takes it for a formula.
      expect(row.begins).toMatch(/^'\+\d+$/);
    }
  });

  it("list every batch and every pot, with what is short and what replaces it", () => {
    const [used] = shopping(cards, demoShelf);
    const short = demoShelf.map((paint) =>
      paint.id === used!.id ? { ...paint, state: "out" as const } : paint,
    );
    const pots = shopping(cards, short);
    const rows = rowsIn(writeListCsv(cards, pots, short));
    expect(rows.filter(({ what }) => what === "mix")).toHaveLength(batchesIn(cards).length);
    const listed = rows.filter(({ what }) => what === "pot");
    expect(listed.map(({ name }) => name)).toEqual(pots.map(({ name }) => name));
    const { kind } = demoShelf.find(({ id }) => id === used!.id)!;
    const other = short.find(({ name }) => name === listed[0]!.replaced_by)!;
    expect([listed[0]!.state, other.kind, other.state]).toEqual(["out", kind, "have"]);
    expect(Number(listed[0]!.difference)).toBeGreaterThan(0);
    // Pots that are there need nothing in their place.
    expect(pots.filter(({ state, replacement }) => state === "have" && replacement !== null)).toEqual([]);
  });
});
