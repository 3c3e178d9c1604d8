import { InputError } from "../../errors";
import { minutesOf, offsetsOf, type Task, type Wish } from "./task";

/** A task that has to begin so many minutes after another one began. */
export interface Lag {
  readonly of: number;
  readonly minutes: number;
}

/** Tasks by number with all that one waits for of the others. */
export interface Net {
  readonly tasks: readonly Task[];
  readonly minutes: Float64Array;
  readonly setUp: Float64Array;
  readonly from: Float64Array;
  /** How many lines more than before it each task leaves where they may not be left. */
  readonly opens: Float64Array;
  /**
   * From the start of a task that opens a line until that may be left, minutes: it is not begun in a sitting that ends
   * before. 0 where it is begun whenever it fits.
   */
  readonly toRest: Float64Array;
  /** Kits by number. */
  readonly kit: Int32Array;
  readonly before: readonly (readonly Lag[])[];
  readonly after: readonly (readonly Lag[])[];
  /** An order in which everything comes after what it waits for. */
  readonly order: readonly number[];
}

interface OnLine {
  readonly task: number;
  /** When its first go on the line begins, and its last one is dry enough, minutes from the task's start. */
  readonly begins: number;
  readonly ready: number;
}

/** Tasks on each line, in order. */
function linesOf(tasks: readonly Task[]): Map<string, OnLine[]> {
  const lines = new Map<string, OnLine[]>();
  tasks.forEach((task, number) => {
    const offsets = offsetsOf(task);
    task.goes.forEach((go, at) => {
      const line = lines.get(go.line) ?? [];
      lines.set(go.line, line);
      const last = line.at(-1);
      const ready = offsets[at + 1]! + go.waits;
      if (last?.task === number) line[line.length - 1] = { ...last, ready };
      else line.push({ task: number, begins: offsets[at]!, ready });
    });
  });
  return lines;
}

/** Lines that each task opens, less those it closes: an open one may not be left for another day. */
function opensOf(tasks: readonly Task[]): Float64Array {
  const opens = new Float64Array(tasks.length);
  const open = new Map<string, boolean>();
  tasks.forEach(({ goes }, at) => {
    for (const { line, rests } of goes) {
      if (rests === undefined) continue;
      opens[at]! += Number(!rests) - Number(open.get(line) ?? false);
      open.set(line, !rests);
    }
  });
  return opens;
}

/**
 * The same net with care for how sittings end: what opens a line is begun only where the line can come to where it may be
 * left, if a sitting is long enough for that at all.
 * @param longest of the sittings, minutes
 */
export function carefulNet(net: Net, longest: number): Net {
  const toRest = new Float64Array(net.tasks.length);
  const lines = new Map<string, { openedBy: number; minutes: number }>();
  net.tasks.forEach(({ goes, setUp }, at) => {
    for (const { line, minutes, waits, rests } of goes) {
      const open = lines.get(line) ?? { openedBy: at, minutes: 0 };
      const until = open.minutes + minutes + (open.openedBy === at ? 0 : setUp);
      if (rests === false) lines.set(line, { ...open, minutes: until + waits });
      else if (rests && lines.delete(line) && until + setUp <= longest)
        toRest[open.openedBy] = Math.max(toRest[open.openedBy]!, until);
    }
  });
  return { ...net, toRest };
}

/** What stays when what waits for nothing is taken off again and again: tasks that wait for each other in a ring. */
function inOrder(count: number, before: readonly (readonly Lag[])[], after: readonly (readonly Lag[])[]) {
  const open = before.map(({ length }) => length);
  const order: number[] = [];
  const free = open.flatMap((waits, at) => (waits === 0 ? [at] : []));
  for (let at = free.shift(); at !== undefined; at = free.shift()) {
    order.push(at);
    for (const { of } of after[at]!) if (--open[of]! === 0) free.push(of);
  }
  return { order, whole: order.length === count };
}

/** Whatever ends a group comes before whatever begins the next. */
function betweenGroups(
  tasks: readonly Task[],
  before: readonly (readonly Lag[])[],
  after: readonly (readonly Lag[])[],
  link: (first: number, then: number) => void,
): void {
  const groups = new Map<number, { first: number[]; last: number[] }>();
  tasks.forEach(({ group }, at) => {
    const known = groups.get(group) ?? { first: [], last: [] };
    groups.set(group, known);
    if (before[at]!.length === 0) known.first.push(at);
    if (after[at]!.length === 0) known.last.push(at);
  });
  const inTurn = [...groups].sort(([a], [b]) => a - b).map(([, ends]) => ends);
  for (let at = 1; at < inTurn.length; at++)
    for (const first of inTurn[at - 1]!.last) for (const then of inTurn[at]!.first) link(first, then);
}

/**
 * The net of tasks: those of one line follow each other in the order given, with drying between; wishes besides.
 * @throws InputError where wishes cannot be met: cards would wait for each other
 */
export function netOf(tasks: readonly Task[], wishes: readonly Wish[]): Net {
  const before: Lag[][] = tasks.map(() => []);
  const after: Lag[][] = tasks.map(() => []);
  const link = (first: number, then: number, minutes: number) => {
    before[then]!.push({ of: first, minutes });
    after[first]!.push({ of: then, minutes });
  };
  for (const line of linesOf(tasks).values())
    for (let at = 1; at < line.length; at++) {
      const [first, then] = [line[at - 1]!, line[at]!];
      link(first.task, then.task, first.ready - then.begins);
    }
  const minutes = Float64Array.from(tasks, minutesOf);
  const ofCard = (id: string) => tasks.flatMap(({ cardIds }, at) => (cardIds.includes(id) ? [at] : []));
  for (const { first, then } of wishes)
    for (const early of ofCard(first))
      for (const late of ofCard(then))
        // Figure by figure a wish holds within each figure.
        if (early !== late && tasks[early]!.group === tasks[late]!.group) link(early, late, minutes[early]!);
  betweenGroups(tasks, before, after, (first, then) => link(first, then, minutes[first]!));
  const { order, whole } = inOrder(tasks.length, before, after);
  if (!whole)
    throw new InputError([
      { field: "wishes", message: "What you want first would have to wait for what you want after it." },
    ]);
  const kits = new Map<string, number>();
  for (const { kit } of tasks) if (!kits.has(kit)) kits.set(kit, kits.size);
  return {
    ...{ tasks, minutes, before, after, order },
    setUp: Float64Array.from(tasks, ({ setUp }) => setUp),
    from: Float64Array.from(tasks, ({ from }) => from),
    opens: opensOf(tasks),
    toRest: new Float64Array(tasks.length),
    kit: Int32Array.from(tasks, ({ kit }) => kits.get(kit)!),
  };
}

/** Minutes from the start of one task to the start of another that waits for it, setting up between them and all. */
export function lagOf(net: Net, first: number, { of, minutes }: Lag): number {
  const other = net.kit[first] !== net.kit[of];
  return Math.max(minutes, net.minutes[first]! + (other ? net.setUp[of]! : 0));
}

/** The earliest start of every task, and the least time from its start to the end of all, minutes; sittings aside. */
export function headsAndTails(net: Net): { readonly heads: Float64Array; readonly tails: Float64Array } {
  const heads = net.from.map((from, at) => Math.max(from, net.setUp[at]!));
  const tails = Float64Array.from(net.minutes);
  for (const at of net.order)
    for (const next of net.after[at]!)
      heads[next.of] = Math.max(heads[next.of]!, heads[at]! + lagOf(net, at, next));
  for (const at of net.order.toReversed())
    for (const next of net.after[at]!)
      tails[at] = Math.max(tails[at]!, lagOf(net, at, next) + tails[next.of]!);
  return { heads, tails };
}
