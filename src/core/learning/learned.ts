import type { LogEntry, Paint } from "../job";
import type { LearntKey, Painter } from "../painter";
import { LEARNT_RANGES } from "../painterSchema";
import type { Learnt, Lesson, PlannedEntry } from "./lesson";
import { lessons } from "./lessons";
import { estimate, type Row } from "./robust";

/** What the log tells of one of the painter's numbers. */
export interface Learned {
  readonly key: LearntKey;
  readonly name: string;
  readonly unit: string;
  /** As the painter set it. */
  readonly own: number;
  /** As the log tells it; the painter's own where it tells too little. */
  readonly value: number;
  /** It lies between these in 19 of 20 cases. */
  readonly low: number;
  readonly high: number;
  /** Entries that stand behind it: such in which it makes up a good part of what was measured. */
  readonly entries: number;
  /** Entries set aside as odd. */
  readonly odd: number;
  /** Whether plans follow it, or the painter holds to the own number, or there are too few entries yet. */
  readonly state: "followed" | "locked" | "too few";
}

/** Fewer entries teach nothing: of three, one odd one and one by chance would decide. */
export const LEAST_ENTRIES = 4;
/** An entry stands behind a number that makes up this share of what was measured. */
const GOOD_PART = 0.25;
const NINETEEN_IN_TWENTY = 1.96;
/** Digits of a learned number that mean something. */
const DIGITS = 3;

const isPlanned = (entry: LogEntry): entry is PlannedEntry => entry.planned !== undefined;

/** Rows of a lesson that the painter has not set aside by starting a number anew. */
function rowsOf(lesson: Lesson, log: readonly LogEntry[], painter: Painter, paints: readonly Paint[]): Row[] {
  const since = new Map(painter.learning.since.map(({ key, at }) => [key, at]));
  return log.filter(isPlanned).flatMap((entry) => {
    const row = lesson.row(entry, { painter, paints });
    const isOver = lesson.learns.some(
      ({ key }, at) => (row?.counts[at] ?? 0) > 0 && entry.doneAt < (since.get(key) ?? ""),
    );
    return row && !isOver ? [row] : [];
  });
}

/** A number as it may be set. */
function allowed({ key }: Learnt, value: number): number {
  const [least, most] = LEARNT_RANGES[key];
  return Math.min(most, Math.max(least, Number(value.toPrecision(DIGITS))));
}

function learn(
  lesson: Lesson,
  log: readonly LogEntry[],
  painter: Painter,
  paints: readonly Paint[],
): Learned[] {
  const { learns } = lesson;
  const rows = rowsOf(lesson, log, painter, paints);
  const isLocked = ({ key }: Learnt) => painter.learning.locked.includes(key);
  const priors = learns.map((one) => ({
    // A painter who sets up in no time at all still takes a moment, so that what is learned can differ.
    each: Math.max(1e-4, one.each(painter[one.key])),
    fixed: isLocked(one),
  }));
  const found = estimate(rows, priors);
  const shareOf = ({ counts }: Row, at: number): number =>
    (counts[at]! * found.each[at]!) /
    counts.reduce((sum, count, other) => sum + count * found.each[other]!, 0);
  return learns.map((one, at) => {
    const own = painter[one.key];
    const telling = rows.flatMap((row, of) => (shareOf(row, at) >= GOOD_PART ? [found.weights[of]!] : []));
    const entries = telling.filter((weight) => weight > 0).length;
    const state = isLocked(one) ? "locked" : entries < LEAST_ENTRIES ? "too few" : "followed";
    const at95 = (sign: number) =>
      one.number(found.each[at]! * Math.exp(sign * NINETEEN_IN_TWENTY * found.error[at]!));
    const ends = [at95(-1), at95(1)].sort((a, b) => a - b) as [number, number];
    const followed = state === "followed";
    return {
      ...{ key: one.key, name: one.name, unit: one.unit, own, entries, state },
      value: followed ? allowed(one, one.number(found.each[at]!)) : own,
      low: followed ? allowed(one, ends[0]) : own,
      high: followed ? allowed(one, ends[1]) : own,
      odd: telling.length - entries,
    };
  });
}

/**
 * What the log tells of the painter's numbers, of all jobs together.
 * @param painter the numbers as they were set, from which what is learned begins
 */
export const learnedFrom = (
  log: readonly LogEntry[],
  painter: Painter,
  paints: readonly Paint[],
): Learned[] => lessons.flatMap((lesson) => learn(lesson, log, painter, paints));

/** The painter as the log knows them: what is followed stands in place of what was set. */
export const followingLog = (painter: Painter, learned: readonly Learned[]): Painter => ({
  ...painter,
  ...Object.fromEntries(
    learned.filter(({ state }) => state === "followed").map(({ key, value }) => [key, value]),
  ),
});

/** The painter with a number held to, or let go. */
export function withLock(painter: Painter, key: LearntKey, locked: boolean): Painter {
  const { learning } = painter;
  const others = learning.locked.filter((one) => one !== key);
  return { ...painter, learning: { ...learning, locked: locked ? [...others, key] : others } };
}

/** The painter with a number that is learned anew from entries after a time, ISO 8601 and UTC. */
export function withFreshStart(painter: Painter, key: LearntKey, at: string): Painter {
  const { learning } = painter;
  const since = [...learning.since.filter((one) => one.key !== key), { key, at }];
  return { ...painter, learning: { ...learning, since } };
}
