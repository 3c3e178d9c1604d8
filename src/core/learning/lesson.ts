import type { LogEntry, Paint } from "../job";
import type { LearntKey, Painter } from "../painter";
import type { Row } from "./robust";

/** An entry of the log with the plan it was made by. */
export type PlannedEntry = LogEntry & { readonly planned: NonNullable<LogEntry["planned"]> };

/** A number of the painter that a lesson learns. */
export interface Learnt {
  readonly key: LearntKey;
  /** What it is called. */
  readonly name: string;
  readonly unit: string;
  /** What one of it measures in the rows of the lesson, where the number is this; and the number, where it measures that. */
  each(number: number): number;
  number(each: number): number;
}

/** What can be known besides the log. */
export interface Known {
  readonly painter: Painter;
  readonly paints: readonly Paint[];
}

/** Something the log teaches: what is measured, and which numbers are in it. */
export interface Lesson {
  readonly id: string;
  readonly learns: readonly Learnt[];
  /** What an entry measures, with counts in the order of what is learned; null where it tells nothing of it. */
  row(entry: PlannedEntry, known: Known): Row | null;
}

/** A number that measures itself. */
export const itself = {
  each: (number: number): number => number,
  number: (each: number): number => each,
};
