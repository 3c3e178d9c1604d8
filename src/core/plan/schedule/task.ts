/** One go of the hand at one surface of one figure. */
export interface Go {
  /** The surface of the figure it is painted on: goes of one line follow each other. */
  readonly line: string;
  /** Hand time without setting up, minutes. */
  readonly minutes: number;
  /** From its end until the next go of its line may begin, minutes. */
  readonly waits: number;
  /** Whether the next sitting goes on with it; left out where it is done at its end. */
  readonly goesOn?: true;
  /** Whether its line may be left after it for another day; of lines of which nothing is known, no go says so. */
  readonly rests?: boolean;
}

/** What the hand does in one piece: its goes follow each other without a break, wet into wet or figure after figure. */
export interface Task {
  readonly id: string;
  /** Card it is part of; a pair laid wet into wet has the first one's. */
  readonly cardId: string;
  /** Cards it paints: two where one is laid into the other. */
  readonly cardIds: readonly string[];
  readonly goes: readonly Go[];
  /** Which pass of its first card, from 1; null where that has one only. */
  readonly pass: number | null;
  /** Mix and brush: where it is another than before, it is set up. */
  readonly kit: string;
  /** Minutes of setting up. */
  readonly setUp: number;
  /** Its first go may not begin earlier, minutes from now: what was painted before is still drying. */
  readonly from: number;
  /** All tasks of one group are done before any of the next one begins: figure by figure. The same for all without. */
  readonly group: number;
}

/** That one card is painted before another one begins, as the painter wants it. */
export interface Wish {
  readonly first: string;
  readonly then: string;
}

/** A time in which the hand is free, minutes from now. */
export interface Window {
  readonly start: number;
  readonly end: number;
}

/** A task with its time, minutes from now. */
export interface PlacedTask {
  readonly task: Task;
  /** Setting up begins; the same as `start` where nothing is set up. */
  readonly setUpAt: number;
  readonly start: number;
  readonly end: number;
  /** Window it lies in, from 0. */
  readonly window: number;
}

/** Hand time of a task, minutes. */
export const minutesOf = ({ goes }: Task): number => goes.reduce((sum, { minutes }) => sum + minutes, 0);

/** Hand time of a task before its goes one by one begin, and after the last, minutes from its start. */
export function offsetsOf({ goes }: Task): number[] {
  const offsets = [0];
  for (const { minutes } of goes) offsets.push(offsets.at(-1)! + minutes);
  return offsets;
}

/** Parts of a go that is longer than the longest sitting: what is put down is taken up again in the next. */
function partsOf(go: Go, mostMinutes: number): Go[] {
  const parts = Math.ceil(go.minutes / mostMinutes - 1e-9);
  return Array.from({ length: parts }, (_, at) => ({
    ...go,
    minutes: go.minutes / parts,
    ...(at < parts - 1 && { waits: 0, goesOn: true as const }),
    ...(at < parts - 1 && go.rests !== undefined && { rests: false }),
  }));
}

/**
 * A task in pieces that fit a sitting: between figures first, then within one. What is laid wet into wet stays whole: it
 * cannot wait.
 * @param mostMinutes hand time that a sitting has with setting up taken off, above 0
 */
export function splitLong(task: Task, mostMinutes: number): Task[] {
  if (minutesOf(task) <= mostMinutes || task.cardIds.length > 1) return [task];
  const pieces: Go[][] = [];
  for (const go of task.goes)
    for (const part of partsOf(go, mostMinutes)) {
      const last = pieces.at(-1);
      const held = last?.reduce((sum, { minutes }) => sum + minutes, 0) ?? Infinity;
      if (last && held + part.minutes <= mostMinutes) last.push(part);
      else pieces.push([part]);
    }
  return pieces.map((goes, at) => ({ ...task, id: `${task.id}/${at + 1}`, goes }));
}
