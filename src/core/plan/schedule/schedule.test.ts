import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { createRandom } from "../../random";
import { calendarOf } from "./calendar";
import { decode, emptyDecoded } from "./decode";
import { netOf, type Net } from "./net";
import { scheduleOf, type Schedule } from "./schedule";
import { minutesOf, offsetsOf, type Task, type Window, type Wish } from "./task";

interface Sizes {
  readonly lines: number;
  readonly most: number;
  readonly kits: number;
}

/** Tasks of a few surfaces, some laid wet into the one before; minutes are whole so that sums are exact. */
function randomTasks(seed: number, { lines, most, kits }: Sizes): Task[] {
  const random = createRandom(seed);
  const whole = (from: number, to: number) => Math.floor(random.range(from, to + 1));
  return Array.from({ length: lines }, (_, line) =>
    Array.from({ length: whole(1, most) }, (_unused, step): Task => {
      const id = `${line}/${step}`;
      const go = { line: `line-${line}`, minutes: whole(2, 30), waits: whole(0, 45) };
      const wet = random.next() < 0.15;
      return {
        ...{ id, cardId: id, cardIds: wet ? [id, `${id}-wet`] : [id] },
        goes: wet
          ? [
              { ...go, waits: 0 },
              { ...go, minutes: whole(2, 10) },
            ]
          : [go],
        ...{ kit: `kit-${whole(1, kits)}`, setUp: 2, from: 0, group: 0, pass: null },
      };
    }),
  ).flat();
}

/** The end of the best of all orders that are possible. */
function bestEnd(net: Net, windows: readonly Window[]): number {
  const calendar = calendarOf(windows);
  const out = emptyDecoded(net);
  const open = net.before.map(({ length }) => length);
  const order: number[] = [];
  let best = Infinity;
  const go = () => {
    if (order.length === net.tasks.length) best = Math.min(best, decode(net, calendar, order, out).end);
    open.forEach((waits, at) => {
      if (waits !== 0 || order.includes(at)) return;
      order.push(at);
      for (const { of } of net.after[at]!) open[of]!--;
      go();
      for (const { of } of net.after[at]!) open[of]!++;
      order.pop();
    });
  };
  go();
  return best;
}

/** What a plan breaks, in words. */
function broken(
  { tasks, windows }: Schedule,
  given: readonly Task[],
  wishes: readonly Wish[] = [],
): string[] {
  const wrong: string[] = [];
  let free = 0;
  let kit = "";
  let window = -1;
  for (const one of tasks) {
    const { task, setUpAt, start, end } = one;
    if (setUpAt < free - 1e-6) wrong.push(`${task.id} overlaps`);
    const fresh = task.kit !== kit || one.window !== window;
    if (Math.abs(start - setUpAt - (fresh ? task.setUp : 0)) > 1e-6) wrong.push(`${task.id} set up`);
    if (Math.abs(end - start - minutesOf(task)) > 1e-6) wrong.push(`${task.id} takes another time`);
    const { start: opens, end: closes } = windows[one.window]!;
    if (setUpAt < opens - 1e-6 || end > closes + 1e-6) wrong.push(`${task.id} out of its sitting`);
    if (start < task.from - 1e-6) wrong.push(`${task.id} too early`);
    [free, kit, window] = [end, task.kit, one.window];
  }
  const ready = new Map<string, number>();
  for (const { task, start } of tasks) {
    const offsets = offsetsOf(task);
    const seen = new Set<string>();
    task.goes.forEach(({ line, waits }, at) => {
      if (!seen.has(line) && start + offsets[at]! < (ready.get(line) ?? 0) - 1e-6)
        wrong.push(`${task.id} not dry`);
      seen.add(line);
      ready.set(line, start + offsets[at + 1]! + waits);
    });
  }
  const minutes = (list: readonly Task[]) => list.reduce((sum, task) => sum + minutesOf(task), 0);
  if (Math.abs(minutes(given) - minutes(tasks.map(({ task }) => task))) > 1e-6) wrong.push("work is missing");
  for (const { first, then } of wishes) {
    const last = Math.max(...tasks.filter(({ task }) => task.cardIds.includes(first)).map(({ end }) => end));
    const next = Math.min(
      ...tasks.filter(({ task }) => task.cardIds.includes(then)).map(({ start }) => start),
    );
    if (next < last - 1e-6) wrong.push(`${then} before ${first}`);
  }
  return wrong;
}

const EVENINGS: readonly Window[] = [
  { start: 0, end: 60 },
  { start: 1440, end: 1530 },
  { start: 2880, end: 2950 },
];

describe("the schedule of a few tasks", () => {
  it("never ends more than 5 % after the best of all orders, in 200 plans; nor before its bound", () => {
    const wrong: string[] = [];
    let apart = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const tasks = randomTasks(seed, { lines: 3, most: 3, kits: 1 + (seed % 5) });
      const windows = seed % 4 === 0 ? EVENINGS : [];
      const plan = scheduleOf(tasks, windows);
      const whole = plan.tasks.map(({ task }) => task);
      const inLine = whole.toSorted(
        (a, b) =>
          tasks.findIndex(({ id }) => a.id.startsWith(id)) - tasks.findIndex(({ id }) => b.id.startsWith(id)),
      );
      const best = bestEnd(netOf(inLine, []), windows);
      if (plan.end > 1.05 * best) wrong.push(`${seed}: ${plan.end} for ${best}`);
      if (plan.bound > best + 1e-6) wrong.push(`${seed}: bound ${plan.bound} over ${best}`);
      if (plan.end > best + 1e-6) apart++;
      wrong.push(...broken(plan, tasks).map((words) => `${seed}: ${words}`));
    }
    expect(wrong).toEqual([]);
    expect(apart).toBeLessThan(20);
  });

  it("paints one thing while the other dries", () => {
    const line = (name: string): Task[] =>
      [0, 1].map((step) => ({
        ...{ id: `${name}${step}`, cardId: `${name}${step}`, cardIds: [`${name}${step}`] },
        ...{ kit: `${name}${step}`, setUp: 2, from: 0, group: 0, pass: null },
        goes: [{ line: name, minutes: 10, waits: 12 }],
      }));
    const { tasks, end, bound } = scheduleOf([...line("a"), ...line("b")], []);
    expect(tasks.map(({ task }) => task.id[1])).toEqual(["0", "0", "1", "1"]);
    // Twelve minutes each, one after the other: what dries takes no time of the hand.
    expect([end, bound]).toEqual([48, 48]);
  });
});

describe("every schedule", () => {
  const anything = fc.record({
    seed: fc.integer({ min: 1, max: 1e6 }),
    lines: fc.integer({ min: 1, max: 7 }),
    most: fc.integer({ min: 1, max: 6 }),
    kits: fc.integer({ min: 1, max: 9 }),
    evenings: fc.array(fc.integer({ min: 20, max: 150 }), { maxLength: 4 }),
    from: fc.integer({ min: 0, max: 90 }),
    rests: fc.boolean(),
  });

  it("keeps drying, set-up, sittings and wishes, whatever is asked", () => {
    fc.assert(
      fc.property(anything, ({ evenings, from, rests, ...sizes }) => {
        const tasks = randomTasks(sizes.seed, sizes).map((task, at) => ({
          ...task,
          ...(at === 0 && { from }),
          ...(rests && { goes: task.goes.map((go) => ({ ...go, rests: at % 3 === 0 })) }),
        }));
        const windows = evenings.map((minutes, day) => ({
          start: day * 1440,
          end: day * 1440 + Math.max(50, minutes),
        }));
        const [first, last] = [tasks[0]!.cardId, tasks.at(-1)!.cardId];
        const wishes =
          tasks.at(-1)!.goes[0]!.line === tasks[0]!.goes[0]!.line ? [] : [{ first: last, then: first }];
        const plan = scheduleOf(tasks, windows, wishes);
        expect(broken(plan, tasks, wishes)).toEqual([]);
        expect(plan.bound).toBeLessThanOrEqual(plan.end + 1e-6);
      }),
      { numRuns: 60 },
    );
  });

  it("refuses wishes that have cards wait for each other, in words", () => {
    const tasks = randomTasks(3, { lines: 2, most: 3, kits: 2 }).filter(
      ({ cardIds }) => cardIds.length === 1,
    );
    const [first, then] = [tasks[0]!.cardId, tasks.at(-1)!.cardId];
    const wishes = [
      { first, then },
      { first: then, then: first },
    ];
    expect(() => scheduleOf(tasks, [], wishes)).toThrow(/would have to wait/);
  });

  it("splits between figures and within one what no sitting can hold, but never what is laid wet into wet", () => {
    const go = (figure: number, minutes: number) => ({ line: `skirt/${figure}`, minutes, waits: 20 });
    const base = { id: "hatch", cardId: "hatch", kit: "straw", setUp: 2, from: 0, group: 0, pass: null };
    const long: Task = { ...base, cardIds: ["hatch"], goes: [go(1, 30), go(2, 30), go(3, 100)] };
    const plan = scheduleOf([long], [{ start: 0, end: 62 }]);
    expect(broken(plan, [long])).toEqual([]);
    expect(plan.tasks.map(({ task }) => Math.round(minutesOf(task))).sort()).toEqual([50, 50, 60]);
    expect(plan.given).toBe(1);
    expect(plan.windows.map(({ start }) => start)).toEqual([0, 1440, 2880]);
    const wet: Task = { ...base, cardIds: ["hatch", "blend"], goes: [go(1, 50), go(1, 50)] };
    expect(scheduleOf([wet], [{ start: 0, end: 62 }]).tasks).toHaveLength(1);
  });
});

describe("a whole unit", () => {
  /** Ten figures of eight surfaces with twelve coats each. */
  const unit = (): Task[] => {
    const random = createRandom(5);
    const surfaces = Array.from({ length: 8 }, () =>
      Array.from({ length: 12 }, () => ({ minutes: random.range(0.5, 6), waits: random.range(4, 25) })),
    );
    return Array.from({ length: 10 }, (_, figure) =>
      surfaces.flatMap((coats, surface) =>
        coats.map((coat, step): Task => {
          const id = `${surface}/${step}/${figure}`;
          const cardId = `${surface}/${step}`;
          const goes = [{ line: `${surface}/${figure}`, ...coat }];
          return {
            id,
            cardId,
            cardIds: [cardId],
            goes,
            kit: `${surface}-${step}`,
            setUp: 2,
            from: 0,
            group: 0,
            pass: null,
          };
        }),
      ),
    ).flat();
  };

  it("of 960 coats ends within 5 % of its bound", () => {
    const tasks = unit();
    const plan = scheduleOf(tasks, []);
    expect(broken(plan, tasks)).toEqual([]);
    expect(plan.end).toBeLessThan(1.05 * plan.bound);
  });
});
