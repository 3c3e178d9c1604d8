import type { LogEntry, Sitting } from "../job";

type Times = Pick<Sitting, "startedAt" | "endedAt">;

/** Tells how many minutes lie between two times, ISO 8601 and UTC. */
export type Between = (from: string, to: string) => number;

/** Whether something happened during a sitting. */
const isIn = ({ startedAt, endedAt }: Times, at: string): boolean =>
  at >= startedAt && (endedAt === null || at <= endedAt);

/** Entries of the log that were made during a sitting, first to last. */
export const entriesIn = (sitting: Times, log: readonly LogEntry[]): LogEntry[] =>
  log.filter(({ doneAt }) => isIn(sitting, doneAt)).toSorted((a, b) => a.doneAt.localeCompare(b.doneAt));

/** The sitting that goes on; undefined where none does. */
export const openSitting = (sittings: readonly Sitting[]): Sitting | undefined =>
  sittings.findLast(({ endedAt }) => endedAt === null);

/**
 * Minutes an entry took by the clock: since the entry before it in its sitting, or since the sitting began. Null where it
 * was made outside of every sitting, or together with the one before.
 */
export function minutesByClock(
  entry: Pick<LogEntry, "id" | "doneAt">,
  log: readonly LogEntry[],
  sittings: readonly Sitting[],
  between: Between,
): number | null {
  const own = sittings.findLast((sitting) => isIn(sitting, entry.doneAt));
  if (!own) return null;
  const before = entriesIn(own, log).findLast(({ id, doneAt }) => id !== entry.id && doneAt <= entry.doneAt);
  const minutes = between(before?.doneAt ?? own.startedAt, entry.doneAt);
  return minutes > 0 ? minutes : null;
}
