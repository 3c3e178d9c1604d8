import { createRandom } from "../../random";
import { lowerBound } from "./bound";
import { calendarOf, type Calendar } from "./calendar";
import { decode, emptyDecoded } from "./decode";
import { dispatch, RULES } from "./dispatch";
import { improve } from "./improve";
import { carefulNet, headsAndTails, netOf, type Net } from "./net";
import { splitLong, type PlacedTask, type Task, type Window, type Wish } from "./task";

/** When everything is painted. */
export interface Schedule {
  /** In the order of painting. */
  readonly tasks: readonly PlacedTask[];
  /** Sittings that have work, those beyond the given ones supposed. */
  readonly windows: readonly Window[];
  /** How many sittings were given. */
  readonly given: number;
  /** End of the last task, minutes from now. */
  readonly end: number;
  /** No plan can end earlier, minutes from now. */
  readonly bound: number;
}

const SEED = 11;

function placedIn(net: Net, calendar: Calendar, order: Int32Array): { tasks: PlacedTask[]; end: number } {
  const { starts, setUps, windows, end } = decode(net, calendar, order, emptyDecoded(net));
  const tasks = Array.from(order, (at): PlacedTask => {
    const start = starts[at]!;
    return {
      ...{ task: net.tasks[at]!, start, setUpAt: start - setUps[at]! },
      ...{ end: start + net.minutes[at]!, window: windows[at]! },
    };
  });
  return { tasks, end };
}

/** The best order by simple rules, then made better by moving tasks about; and what it comes to. */
function bestOrder(net: Net, calendar: Calendar, bound: number): ReturnType<typeof improve> {
  const { tails } = headsAndTails(net);
  const out = emptyDecoded(net);
  let best: Int32Array = Int32Array.from(net.order);
  let end = Infinity;
  for (const rule of RULES) {
    const order = dispatch(net, calendar, tails, rule);
    decode(net, calendar, order, out);
    if (out.end < end) [best, end] = [order, out.end];
  }
  return improve(net, calendar, best, bound, createRandom(SEED));
}

/**
 * When everything is painted by one pair of hands: what is dry is painted while other things dry, what has to be wet
 * follows at once, nothing begins that its sitting cannot end. Single machine with minimum time lags and set-up times:
 * list scheduling by several rules, then simulated annealing over orders.
 * @param tasks those of one line in the order in which they are painted
 * @param windows sittings, in order; none for one without an end
 * @throws InputError where wishes would have cards wait for each other
 */
export function scheduleOf(
  tasks: readonly Task[],
  windows: readonly Window[],
  wishes: readonly Wish[] = [],
): Schedule {
  const calendar = calendarOf(windows);
  const whole = tasks.flatMap((task) => splitLong(task, Math.max(1, calendar.longest - task.setUp)));
  const net = netOf(whole, wishes);
  const bound = lowerBound(net, calendar);
  // Where it is known what may be left for another day, a plan that keeps to that is looked for as well.
  const nets = net.opens.some((more) => more !== 0) ? [net, carefulNet(net, calendar.longest)] : [net];
  const [best] = nets
    .map((one) => ({ net: one, ...bestOrder(one, calendar, bound) }))
    .toSorted((a, b) => a.cost - b.cost);
  const { tasks: placed, end } = placedIn(best!.net, calendar, best!.order);
  const used = placed.at(-1)?.window ?? -1;
  return {
    ...{ tasks: placed, end, bound, given: calendar.given },
    windows: Array.from({ length: used + 1 }, (_, at) => calendar.at(at)),
  };
}
