import type { LogEntry } from "../job";
import type { Card } from "./cards";

/** What of a card is painted, by figure: passes that are done, and when the last of them was. */
export interface DoneOn {
  readonly passes: number;
  /** ISO 8601, UTC. */
  readonly at: string;
}

type Painted = Pick<Card, "id" | "coat" | "onFigures">;

/** Figures of the unit that get a card, from 1. */
export const figuresOf = ({ onFigures }: Pick<Card, "onFigures">): number[] =>
  onFigures.flatMap(({ figures }) => figures).toSorted((a, b) => a - b);

/** What the log tells of each figure of a card; figures of which it tells nothing are not in it. */
export function doneOf(card: Painted, log: readonly LogEntry[]): Map<number, DoneOn> {
  const done = new Map<number, DoneOn>();
  for (const { cardId, figures, pass, doneAt } of log) {
    if (cardId !== card.id) continue;
    for (const figure of figures ?? figuresOf(card)) {
      const before = done.get(figure);
      const passes = Math.max(before?.passes ?? 0, Math.min(card.coat.passes, pass ?? card.coat.passes));
      done.set(figure, { passes, at: before && before.at > doneAt ? before.at : doneAt });
    }
  }
  return done;
}

/** Whether a turn's pass of a card is painted on its figures. @param pass null for all of them */
export function isPassDone(
  card: Painted,
  { figures, pass }: { readonly figures: readonly number[]; readonly pass: number | null },
  log: readonly LogEntry[],
): boolean {
  const done = doneOf(card, log);
  const wanted = pass ?? card.coat.passes;
  return figures.every((figure) => (done.get(figure)?.passes ?? 0) >= wanted);
}

/** Whether all passes of a card are painted on all its figures. */
export function isDone(card: Painted, log: readonly LogEntry[]): boolean {
  const done = doneOf(card, log);
  const figures = figuresOf(card);
  if (figures.length === 0) return log.some(({ cardId }) => cardId === card.id);
  return figures.every((figure) => done.get(figure)?.passes === card.coat.passes);
}
