import type { Schedule } from "./schedule";
import type { PlacedTask, Window } from "./task";

/** What is done at the bench in one go: one card, or two wet into wet, on so many figures, without anything between. */
export interface Turn {
  readonly id: string;
  /** Cards painted, in order. */
  readonly cardIds: readonly string[];
  /** Which pass of the first card, from 1; null where it has one only, or all are meant. */
  readonly pass: number | null;
  /** Figures of the unit, from 1. */
  readonly figures: readonly number[];
  /** Which part of how many, where a go is longer than a sitting; null where it is whole. */
  readonly part: number | null;
  /** Whether the next sitting goes on with it: nothing of it is done yet. */
  readonly goesOn: boolean;
  /** Minutes from the beginning of the plan. */
  readonly setUpAt: number;
  readonly start: number;
  readonly end: number;
  /** From its end until what follows on the same surface may begin, minutes: it dries. */
  readonly dries: number;
  /** Its sitting, from 0. */
  readonly sitting: number;
}

/** Turns in order, with their sittings. */
export interface Turns {
  readonly turns: readonly Turn[];
  readonly sittings: readonly Window[];
  /** Sittings that were given; others are supposed. */
  readonly given: number;
  readonly end: number;
  readonly bound: number;
  /** Hand time with setting up, minutes. */
  readonly handMinutes: number;
}

const partOf = ({ task }: PlacedTask): number | null => {
  const part = /\/(\d+)$/.exec(task.id.slice(task.id.lastIndexOf("#")))?.[1];
  return part === undefined ? null : Number(part);
};
const figuresIn = ({ task }: PlacedTask): number[] => [
  ...new Set(task.goes.map(({ line }) => Number(line.slice(line.lastIndexOf("/") + 1)))),
];

const asTurn = (one: PlacedTask): Turn => ({
  ...{ id: one.task.id, cardIds: one.task.cardIds, pass: one.task.pass, part: partOf(one) },
  ...{ figures: figuresIn(one), setUpAt: one.setUpAt, start: one.start, end: one.end, sitting: one.window },
  goesOn: one.task.goes.some(({ goesOn: more }) => more === true),
  dries: Math.max(...one.task.goes.map(({ waits }) => waits)),
});

/** Whether one turn goes on with what the one before did: the same card on the next figure. */
const goesOn = (before: Turn, next: Turn): boolean =>
  before.sitting === next.sitting &&
  before.pass === next.pass &&
  before.part === null &&
  next.part === null &&
  before.cardIds.join() === next.cardIds.join();

/** The plan as it is painted: tasks of one card that follow each other are one turn. */
export function turnsOf({ tasks, windows, given, end, bound }: Schedule): Turns {
  const turns: Turn[] = [];
  for (const one of tasks) {
    const next = asTurn(one);
    const last = turns.at(-1);
    if (last && goesOn(last, next))
      turns[turns.length - 1] = {
        ...last,
        figures: [...last.figures, ...next.figures],
        end: next.end,
        dries: next.dries,
      };
    else turns.push(next);
  }
  const handMinutes = tasks.reduce((sum, one) => sum + one.end - one.setUpAt, 0);
  return { turns, sittings: windows, given, end, bound, handMinutes };
}
