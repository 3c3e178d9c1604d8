import { describe, expect, it } from "vitest";
import { calendarOf } from "./calendar";
import { decode, emptyDecoded } from "./decode";
import { netOf } from "./net";
import { scheduleOf } from "./schedule";
import { splitLong, type Task } from "./task";

const DAY = 24 * 60;
/** So many tasks of ten minutes on one surface, which may be left after the last, or nothing is known of it. */
const line = (name: string, count: number, known: boolean): Task[] =>
  Array.from({ length: count }, (_, at) => {
    const id = `${name}${at}`;
    const rests = at === count - 1;
    return {
      ...{ id, cardId: id, cardIds: [id], kit: id, setUp: 0, from: 0, group: 0, pass: null },
      goes: [{ line: name, minutes: 10, waits: 2, ...(known && { rests }) }],
    };
  });
const evenings = (minutes: number) => [0, 1].map((day) => ({ start: day * DAY, end: day * DAY + minutes }));

/** Surfaces of a schedule that lie half done after its first evening. */
function openAfterFirst(tasks: readonly Task[], minutes: number): string[] {
  const plan = scheduleOf(tasks, evenings(minutes));
  const done = plan.tasks.filter(({ window }) => window === 0).map(({ task }) => task.id);
  return ["a", "b"].filter((name) => {
    const own = done.filter((id) => id.startsWith(name)).length;
    return own > 0 && own < 3;
  });
}

describe("the end of a sitting", () => {
  it("finds surfaces whole rather than half done, where that costs little", () => {
    const both = (known: boolean) => [...line("a", 3, known), ...line("b", 3, known)];
    // Both at once end fourteen minutes sooner, and are both left half done overnight.
    expect(openAfterFirst(both(false), 45)).not.toEqual([]);
    expect(openAfterFirst(both(true), 45)).toEqual([]);
  });

  it("never takes a sitting more for it", () => {
    const tasks = [...line("a", 3, true), ...line("b", 3, true)];
    const plan = scheduleOf(tasks, evenings(32));
    expect(plan.windows).toHaveLength(2);
  });

  it("counts every surface that is left open, in every night", () => {
    const tasks = [...line("a", 2, true), ...line("b", 1, true)];
    const net = netOf(tasks, []);
    const calendar = calendarOf([0, 1, 2].map((day) => ({ start: day * DAY, end: day * DAY + 12 })));
    const leftOpen = (order: number[]) => decode(net, calendar, order, emptyDecoded(net)).leftOpen;
    expect(leftOpen([0, 1, 2])).toBe(1);
    expect(leftOpen([0, 2, 1])).toBe(2);
    expect(leftOpen([2, 0, 1])).toBe(1);
    const unknown = netOf([...line("a", 2, false)], []);
    expect(decode(unknown, calendar, [0, 1], emptyDecoded(unknown)).leftOpen).toBe(0);
  });

  it("may not come to rest within a task that goes on in the next", () => {
    const [task] = line("a", 1, true);
    const parts = splitLong({ ...task!, goes: [{ ...task!.goes[0]!, minutes: 50 }] }, 20);
    expect(parts.flatMap(({ goes }) => goes.map(({ rests }) => rests))).toEqual([false, false, true]);
  });
});
