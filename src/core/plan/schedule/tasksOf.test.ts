import { describe, expect, it } from "vitest";
import "../../figure/rooms";
import { demoJobs, wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { UNIT_WAYS, type Job, type LogEntry } from "../../job";
import { defaultPainter } from "../../painter";
import { cardsOf, type Card } from "../cards";
import { cardsInPlan, turnsInOrder, windowsFrom } from "../inPlan";
import { doneOf, figuresOf, isDone } from "../progress";
import { scheduleOf } from "./schedule";
import { minutesOf } from "./task";
import { tasksOf, type Planning } from "./tasksOf";
import { turnsOf } from "./turns";

const planningOf = (cards: readonly Card[], more: Partial<Planning> = {}): Planning => ({
  ...{ cards, paints: demoShelf, log: [], unit: "mixed", painter: defaultPainter, inMinutes: () => -1e6 },
  ...more,
});
const cardsFor = (job: Job) => cardsOf(job, demoShelf, defaultPainter);
const watch = demoJobs().find(({ id }) => id === "ferry-watch")!;
const watchCards = cardsFor(watch);
const entry = (card: Card, more: Partial<LogEntry> = {}): LogEntry => ({
  ...{ id: `entry-${card.coat.id}`, cardId: card.id, cardTitle: card.title, doneAt: "2026-05-01T18:00:00Z" },
  ...{ minutes: null, note: "", recipe: null },
  ...more,
});

describe("what is left to paint", () => {
  it("is every pass of every card on every figure, with as much hand time whatever way a unit is painted", () => {
    const wanted = watchCards.reduce((sum, card) => {
      const each =
        card.work.handMinutes * card.pieces + (card.figures > 1 ? defaultPainter.handlingMinutes : 0);
      return sum + each * card.coat.passes * card.figures;
    }, 0);
    for (const unit of UNIT_WAYS) {
      const tasks = tasksOf(planningOf(watchCards, { unit }));
      expect(tasks.reduce((sum, task) => sum + minutesOf(task), 0)).toBeCloseTo(wanted, 6);
      expect(new Set(tasks.map(({ id }) => id)).size).toBe(tasks.length);
    }
    expect(watchCards.some(({ figures }) => figures > 1)).toBe(true);
  });

  it("follows the order of coats on each surface, drying between, and fully dry below a stencil or varnish", () => {
    const cards = cardsFor(demoJobs().find(({ id }) => id === "winch-engine")!);
    const tasks = tasksOf(planningOf(cards));
    const stencilled = cards.findIndex(({ coat }) => coat.technique.id === "stencil");
    const below = tasks.findLast(({ cardId }) => cardId === cards[stencilled - 1]!.id)!;
    expect(below.goes[0]!.waits).toBe(cards[stencilled - 1]!.drying.fullyDry);
    const first = tasks.find(({ cardId }) => cardId === cards[0]!.id)!;
    expect(first.goes[0]!.waits).toBe(cards[0]!.drying.touchDry);
    expect(cards[0]!.drying.touchDry).toBeLessThan(cards[0]!.drying.fullyDry);
  });

  it("has what is laid wet into wet in one task with what it is laid into", () => {
    const job = wholeSergeant();
    const [surface] = job.surfaces;
    const [under, over] = surface!.coats;
    const blend = { ...over!, technique: { id: "wet-blend", version: 1, params: {} }, passes: 1 };
    const cards = cardsFor({ ...job, surfaces: [{ ...surface!, coats: [under!, blend] }] });
    const tasks = tasksOf(planningOf(cards));
    expect(tasks.at(-1)!.cardIds).toEqual(cards.map(({ id }) => id));
    expect(tasks.at(-1)!.goes.map(({ waits }) => waits)).toEqual([0, 0]);
    expect(tasks).toHaveLength(under!.passes);
  });

  it("leaves out what the log tells is done, by figure and pass, and lets it dry first", () => {
    const [card, next] = watchCards.filter(({ surface }) => surface.id === watchCards[0]!.surface.id);
    const done = entry(card!, { figures: [1, 2] });
    const inMinutes = () => -1;
    const tasks = tasksOf(planningOf(watchCards, { log: [done], inMinutes }));
    const own = tasks.filter(({ cardId }) => cardId === card!.id);
    expect(own.some(({ goes }) => /\/[12]$/.test(goes[0]!.line))).toBe(false);
    expect(own).toHaveLength((card!.figures - 2) * card!.coat.passes);
    const second = tasks.find(({ cardId, goes }) => cardId === next!.id && goes[0]!.line.endsWith("/1"))!;
    expect(second.from).toBeCloseTo(Math.max(0, card!.drying.touchDry - 1), 6);
    expect([isDone(card!, [done]), isDone(card!, [entry(card!)])]).toEqual([false, true]);
    const { passes } = card!.coat;
    expect([...doneOf(card!, [done])].map(([figure, { passes: of }]) => [figure, of])).toEqual([
      [1, passes],
      [2, passes],
    ]);
  });

  it("keeps to wishes figure by figure too, where a unit is painted so", () => {
    const [first, other] = [...new Set(watchCards.map(({ surface }) => surface.id))];
    const cardsOn = (id: string) => watchCards.filter(({ surface }) => surface.id === id);
    const wish = { first: cardsOn(other!).at(-1)!.id, then: cardsOn(first!)[0]!.id };
    const plan = scheduleOf(tasksOf(planningOf(watchCards, { unit: "figures" })), [], [wish]);
    const ofFigure = (figure: number, cardId: string) =>
      plan.tasks.filter(({ task }) => task.cardId === cardId && task.goes[0]!.line.endsWith(`/${figure}`));
    for (const figure of [1, 2]) {
      const ends = Math.max(...ofFigure(figure, wish.first).map(({ end }) => end));
      expect(Math.min(...ofFigure(figure, wish.then).map(({ start }) => start))).toBeGreaterThanOrEqual(ends);
    }
  });

  it("ends figure by figure, all of a row, or as it saves most: that never takes longest", () => {
    const endOf = (unit: (typeof UNIT_WAYS)[number]) =>
      scheduleOf(tasksOf(planningOf(watchCards, { unit })), []);
    const [mixed, line, figures] = UNIT_WAYS.map(endOf);
    expect(mixed!.end).toBeLessThan(figures!.end);
    expect(mixed!.end).toBeLessThan(1.05 * line!.end);
    const order = turnsOf(figures!).turns.map((turn) => turn.figures);
    expect(order.every((own) => own.length === 1)).toBe(true);
    const numbers = order.flat();
    expect(numbers).toEqual(numbers.toSorted((a, b) => a - b));
  });
});

describe("the plan of the sergeant", () => {
  const cards = cardsFor(wholeSergeant());
  const schedule = scheduleOf(tasksOf(planningOf(cards)), []);
  const plan = turnsOf(schedule);

  it("ends within 15 % of its bound, in less than a third of the time of one card after the other", () => {
    expect(plan.end).toBeLessThan(1.15 * plan.bound);
    expect(plan.end).toBeLessThan(turnsInOrder(cards).end / 3);
  });

  it("has turns that add up to all of every card", () => {
    const painted = new Map<string, number>();
    for (const { cardIds, figures } of plan.turns)
      for (const id of cardIds) painted.set(id, (painted.get(id) ?? 0) + figures.length);
    const wanted = new Map(cards.map((card) => [card.id, figuresOf(card).length * card.coat.passes]));
    expect(painted).toEqual(wanted);
  });

  it("mixes paint when it is wanted first, and anew when it has dried up by the next sitting", () => {
    const evenings = Array.from({ length: 4 }, (_, day) => ({ start: day * 1440, end: day * 1440 + 90 }));
    const apart = turnsOf(scheduleOf(tasksOf(planningOf(cards)), evenings));
    const dry = { ...defaultPainter, paletteHours: 1 };
    const wet = { ...defaultPainter, paletteHours: 72 };
    const batches = (painter: typeof dry) =>
      new Set(cardsInPlan(cards, apart, demoShelf, painter).flatMap(({ mixing }) => mixing)).size;
    expect(batches(dry)).toBeGreaterThan(batches(wet));
    const inPlan = cardsInPlan(cards, apart, demoShelf, wet);
    expect(new Set(inPlan.map(({ id }) => id))).toEqual(new Set(cards.map(({ id }) => id)));
    const at = new Map(inPlan.map(({ id }, number) => [id, number]));
    for (const { mixing, id } of inPlan)
      for (const batch of mixing) expect(at.get(batch.cards[0]!.id)!).toBeLessThanOrEqual(at.get(id)!);
  });
});

describe("sittings", () => {
  const sitting = (hour: number, minutes: number) => ({ startsAt: `2026-05-01T${hour}:00:00Z`, minutes });
  const inMinutes = (at: string) => (Number(at.slice(11, 13)) - 18) * 60;

  it("are counted from now: what is over is left out, what has begun goes on, none lies over another", () => {
    const windows = windowsFrom(
      [sitting(21, 60), sitting(17, 90), sitting(15, 30), sitting(18, 45)],
      inMinutes,
    );
    expect(windows).toEqual([
      { start: 0, end: 30 },
      { start: 30, end: 45 },
      { start: 180, end: 240 },
    ]);
  });
});
