import type { Calendar } from "./calendar";
import { AT_START, placeTask, readyAt, type HandAt, type Placed } from "./decode";
import type { Net } from "./net";

/** How a hand that has just put the brush down chooses what to take up next. */
export interface Rule {
  /** How much a minute without painting, waiting or setting up, counts against a minute of what still follows. */
  readonly idle: number;
  /** How much what follows counts at all. */
  readonly tail: number;
}

/** Rules that are tried: some look at what still follows, some keep the mix in the brush. */
export const RULES: readonly Rule[] = [
  { idle: 1, tail: 1 },
  { idle: 4, tail: 1 },
  { idle: 20, tail: 1 },
  { idle: 200, tail: 1 },
  { idle: 1000, tail: 1 },
  { idle: 0.2, tail: 1 },
];

/**
 * An order in which the hand always takes up what its rule likes best of all that may begin.
 * @param tails least time from the start of each task to the end of all, minutes
 */
export function dispatch(
  net: Net,
  calendar: Calendar,
  tails: Float64Array,
  { idle, tail }: Rule,
): Int32Array {
  const count = net.tasks.length;
  const order = new Int32Array(count);
  const starts = new Float64Array(count);
  const open = net.before.map(({ length }) => length);
  const free = open.flatMap((waits, at) => (waits === 0 ? [at] : []));
  const hand: HandAt = { ...AT_START };
  const placed: Placed = { start: 0, setUp: 0, window: 0 };
  const best: Placed = { ...placed };
  for (let done = 0; done < count; done++) {
    let [chosen, most] = [-1, -Infinity];
    for (let k = 0; k < free.length; k++) {
      const task = free[k]!;
      placeTask(net, calendar, task, readyAt(net, task, starts), hand, placed);
      // Tasks come in the order of their surfaces: the earlier one where nothing else tells.
      const likes = tail * tails[task]! - idle * (placed.start - hand.free) - 1e-6 * task;
      if (likes <= most) continue;
      [chosen, most] = [k, likes];
      Object.assign(best, placed);
    }
    const task = free[chosen]!;
    free[chosen] = free.at(-1)!;
    free.pop();
    order[done] = task;
    starts[task] = best.start;
    hand.free = best.start + net.minutes[task]!;
    hand.kit = net.kit[task]!;
    hand.window = best.window;
    for (const { of } of net.after[task]!) if (--open[of]! === 0) free.push(of);
  }
  return order;
}
