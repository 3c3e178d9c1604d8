import type { Calendar } from "./calendar";
import { headsAndTails, type Net } from "./net";

/** Work that can be broken off: from when it can be done, how long it takes, what follows it at least, minutes. */
export interface Piece {
  readonly head: number;
  readonly minutes: number;
  readonly tail: number;
}

/** How often each kit is set up at least: once, and again in one line wherever another kit comes between. */
function setUpsOf(net: Net): Map<number, number> {
  const times = new Map<number, number>();
  const runs = new Map<string, { kit: number; of: Map<number, number> }>();
  net.tasks.forEach(({ goes }, at) => {
    const kit = net.kit[at]!;
    for (const line of new Set(goes.map((go) => go.line))) {
      const run = runs.get(line) ?? { kit: -1, of: new Map<number, number>() };
      if (run.kit !== kit) run.of.set(kit, (run.of.get(kit) ?? 0) + 1);
      run.kit = kit;
      runs.set(line, run);
      times.set(kit, Math.max(times.get(kit) ?? 1, run.of.get(kit)!));
    }
  });
  return times;
}

/** Setting up as work of its own: at any time before the first task it serves, and what follows that follows it. */
function settingUp(net: Net, heads: Float64Array, tails: Float64Array): Piece[] {
  return [...setUpsOf(net)].flatMap(([kit, times]) => {
    let [head, tail, minutes] = [Infinity, Infinity, Infinity];
    for (let at = 0; at < net.tasks.length; at++) {
      if (net.kit[at] !== kit) continue;
      minutes = Math.min(minutes, net.setUp[at]!);
      head = Math.min(head, heads[at]! - net.setUp[at]!);
      tail = Math.min(tail, tails[at]!);
    }
    return minutes > 0
      ? Array.from({ length: times }, () => ({ head: Math.max(0, head), minutes, tail }))
      : [];
  });
}

/** A heap of pieces, that with the longest tail on top. */
class ByTail {
  private readonly list: { tail: number; left: number }[] = [];
  get size(): number {
    return this.list.length;
  }
  get top(): { tail: number; left: number } {
    return this.list[0]!;
  }
  push(piece: { tail: number; left: number }): void {
    const { list } = this;
    list.push(piece);
    for (let at = list.length - 1; at > 0;) {
      const up = (at - 1) >> 1;
      if (list[up]!.tail >= list[at]!.tail) break;
      [list[up], list[at]] = [list[at]!, list[up]!];
      at = up;
    }
  }
  pop(): void {
    const { list } = this;
    const last = list.pop()!;
    if (list.length === 0) return;
    list[0] = last;
    for (let at = 0; ;) {
      const left = 2 * at + 1;
      if (left >= list.length) break;
      const down = left + 1 < list.length && list[left + 1]!.tail > list[left]!.tail ? left + 1 : left;
      if (list[at]!.tail >= list[down]!.tail) break;
      [list[down], list[at]] = [list[at]!, list[down]!];
      at = down;
    }
  }
}

/**
 * The end of all where one hand works on whatever is to be done and has most to follow, broken off at will: no plan ends
 * earlier. Source: Jackson's preemptive schedule, as in Carlier, European Journal of Operational Research 11, 1982.
 */
export function preemptiveEnd(pieces: readonly Piece[], calendar: Calendar): number {
  const byHead = [...pieces].sort((a, b) => a.head - b.head);
  const waiting = new ByTail();
  let [time, end, window, next] = [0, 0, 0, 0];
  while (next < byHead.length || waiting.size > 0) {
    if (waiting.size === 0) time = Math.max(time, byHead[next]!.head);
    while (time >= calendar.at(window).end) window++;
    time = Math.max(time, calendar.at(window).start);
    while (next < byHead.length && byHead[next]!.head <= time) {
      const { minutes, tail } = byHead[next++]!;
      waiting.push({ left: minutes, tail });
    }
    const { top } = waiting;
    const until = Math.min(byHead[next]?.head ?? Infinity, calendar.at(window).end, time + top.left);
    top.left -= until - time;
    time = until;
    if (top.left > 1e-9) continue;
    waiting.pop();
    end = Math.max(end, time + top.tail);
  }
  return end;
}

/** An end before which no plan can be done, minutes: by its longest line, and by all that one hand has to do. */
export function lowerBound(net: Net, calendar: Calendar): number {
  const { heads, tails } = headsAndTails(net);
  const longest = heads.reduce((most, head, at) => Math.max(most, head + tails[at]!), 0);
  const work = net.tasks.map((_, at): Piece => {
    const minutes = net.minutes[at]!;
    return { head: heads[at]!, minutes, tail: tails[at]! - minutes };
  });
  return Math.max(longest, preemptiveEnd([...work, ...settingUp(net, heads, tails)], calendar));
}
