import type { Calendar } from "./calendar";
import type { Net } from "./net";

/** Starts of all tasks painted in one order, each as early as it can be. */
export interface Decoded {
  readonly starts: Float64Array;
  readonly setUps: Float64Array;
  readonly windows: Int32Array;
  /** End of the last, minutes. */
  end: number;
  /** Minutes of setting up. */
  settingUp: number;
  /** Lines left at the end of a sitting where they may not be left, all sittings added up. */
  leftOpen: number;
}

/** Room for what decoding a net finds; used again and again. */
export const emptyDecoded = ({ tasks: { length } }: Net): Decoded => ({
  starts: new Float64Array(length),
  setUps: new Float64Array(length),
  windows: new Int32Array(length),
  end: 0,
  settingUp: 0,
  leftOpen: 0,
});

/** Where the hand is after so many tasks. */
export interface HandAt {
  free: number;
  kit: number;
  window: number;
}

export const AT_START: Readonly<HandAt> = { free: 0, kit: -1, window: 0 };

/** The earliest start of a task after what it waits for, the hand aside. */
export function readyAt({ before, from }: Net, task: number, starts: Float64Array): number {
  let ready = from[task]!;
  const waits = before[task]!;
  for (let k = 0; k < waits.length; k++) {
    const { of, minutes } = waits[k]!;
    const at = starts[of]! + minutes;
    if (at > ready) ready = at;
  }
  return ready;
}

/** Start of a task for a hand that was so far, with its window and what it sets up for it. */
export interface Placed {
  start: number;
  setUp: number;
  window: number;
}

/**
 * Puts a task where it fits first: set up and done within one sitting. What was set up is put away between sittings; one
 * that is longer than its sitting goes over.
 */
export function placeTask(
  net: Net,
  calendar: Calendar,
  task: number,
  ready: number,
  hand: Readonly<HandAt>,
  out: Placed,
): void {
  const minutes = net.minutes[task]!;
  for (let window = hand.window; ; window++) {
    const { start, end } = calendar.at(window);
    const fresh = window !== hand.window || hand.kit !== net.kit[task];
    const setUp = fresh ? net.setUp[task]! : 0;
    const at = Math.max(ready, Math.max(hand.free, start) + setUp);
    const wholeOnly = at + minutes > end + 1e-9;
    // What fits no sitting at all begins with one.
    const atItsBegin = at <= start + setUp + 1e-9 && minutes + setUp > calendar.longest - 1e-9;
    if (wholeOnly && !atItsBegin) continue;
    const leftOpen = at + net.toRest[task]! > end + 1e-9;
    if (leftOpen && at > start + setUp + 1e-9) continue;
    out.start = at;
    out.setUp = setUp;
    out.window = window;
    return;
  }
}

const placed: Placed = { start: 0, setUp: 0, window: 0 };

/** Paints tasks in an order; each must come after what it waits for. */
export function decode(net: Net, calendar: Calendar, order: ArrayLike<number>, out: Decoded): Decoded {
  const hand: HandAt = { ...AT_START };
  out.end = 0;
  out.settingUp = 0;
  out.leftOpen = 0;
  let open = 0;
  for (let k = 0; k < order.length; k++) {
    const task = order[k]!;
    placeTask(net, calendar, task, readyAt(net, task, out.starts), hand, placed);
    out.starts[task] = placed.start;
    out.setUps[task] = placed.setUp;
    out.windows[task] = placed.window;
    out.settingUp += placed.setUp;
    out.leftOpen += open * (placed.window - hand.window);
    open += net.opens[task]!;
    hand.free = placed.start + net.minutes[task]!;
    hand.kit = net.kit[task]!;
    hand.window = placed.window;
    if (hand.free > out.end) out.end = hand.free;
  }
  return out;
}
