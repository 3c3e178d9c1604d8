import type { Random } from "../../random";
import type { Calendar } from "./calendar";
import { decode, emptyDecoded, type Decoded } from "./decode";
import type { Net } from "./net";

/** Of two plans that end alike the one with less setting up is better, by this share of its minutes. */
const SETTING_UP = 0.02;
/** A surface that is left overnight where it may not be left weighs as much as an end so much later, minutes. */
const LEFT_OPEN = 15;
const costOf = ({ end, settingUp, leftOpen }: Decoded): number =>
  end + SETTING_UP * settingUp + LEFT_OPEN * leftOpen;

/** Work on one plan, in tasks put somewhere: a small one is tried in many thousand orders, a large one in hundreds. */
const [WORK, MOST_TRIES] = [4_000_000, 20_000] as const;
/** A worse order is kept with a chance that falls from this share of the plan's length to nothing. */
const WARM = 0.05;
/** Plans that come this near to the least that is possible are left alone. */
const NEAR = 1.0005;

/** Between which places of an order a task may lie, its own included. */
function spanOf(
  net: Net,
  order: Int32Array,
  places: Int32Array,
  task: number,
): [least: number, most: number] {
  let [least, most] = [0, order.length - 1];
  for (const { of } of net.before[task]!) least = Math.max(least, places[of]! + 1);
  for (const { of } of net.after[task]!) most = Math.min(most, places[of]! - 1);
  return [least, most];
}

/** Moves one task of an order to another place; all between move up. */
function move(order: Int32Array, places: Int32Array, from: number, to: number): void {
  const task = order[from]!;
  if (from < to) order.copyWithin(from, from + 1, to + 1);
  else order.copyWithin(to + 1, to, from);
  order[to] = task;
  for (let at = Math.min(from, to); at <= Math.max(from, to); at++) places[order[at]!] = at;
}

/** A place beside a task of the same kit, within the span; -1 where there is none. */
function besideKit(
  net: Net,
  order: Int32Array,
  task: number,
  [least, most]: [number, number],
  from: number,
): number {
  const kit = net.kit[task]!;
  for (let away = 1; away <= most - least; away++)
    for (const at of [from - away, from + away])
      if (at >= least && at <= most && net.kit[order[at]!] === kit && Math.abs(at - from) > 1)
        return at > from ? at : at + 1;
  return -1;
}

/**
 * A better order by moving tasks about, one at a time: simulated annealing from the order given.
 * @param bound an end that cannot be beaten, minutes
 * @returns the best order met, and what it comes to
 */
export function improve(
  net: Net,
  calendar: Calendar,
  first: Int32Array,
  bound: number,
  random: Random,
): { readonly order: Int32Array; readonly cost: number } {
  const count = first.length;
  const order = Int32Array.from(first);
  const places = new Int32Array(count);
  order.forEach((task, at) => (places[task] = at));
  const tried = emptyDecoded(net);
  let cost = costOf(decode(net, calendar, order, tried));
  const best = { order: Int32Array.from(order), cost, end: tried.end, open: tried.leftOpen };
  const tries = count < 2 ? 0 : Math.min(MOST_TRIES, Math.floor(WORK / count));
  for (let at = 0; at < tries && (best.end > bound * NEAR || best.open > 0); at++) {
    const from = Math.floor(random.next() * count);
    const span = spanOf(net, order, places, order[from]!);
    const kin = random.next() < 0.3 ? besideKit(net, order, order[from]!, span, from) : -1;
    const to = kin >= 0 ? kin : span[0] + Math.floor(random.next() * (span[1] - span[0] + 1));
    if (to === from) continue;
    move(order, places, from, to);
    const next = costOf(decode(net, calendar, order, tried));
    const warmth = WARM * cost * (1 - at / tries) ** 2;
    if (next > cost && random.next() >= Math.exp((cost - next) / Math.max(1e-9, warmth))) {
      move(order, places, to, from);
      continue;
    }
    cost = next;
    if (cost < best.cost)
      Object.assign(best, { cost, end: tried.end, open: tried.leftOpen, order: Int32Array.from(order) });
  }
  return best;
}
