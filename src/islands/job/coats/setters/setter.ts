import type { Surface } from "../../../../core/job";

/** What every setter is given: one family's settings, their layout, and the way to change them. */
export interface SetterProps<P = unknown, L = unknown, F = unknown> {
  readonly surface: Surface;
  readonly params: P;
  /** Null while the settings cannot be laid out; `problem` says why. */
  readonly layout: L | null;
  readonly problem: string | null;
  /** What the family tells of the pattern on this piece; null until it is worked out. */
  readonly facts: F | null;
  /** Whether the facts are those of the newest edit. */
  readonly settled: boolean;
  readonly change: (part: Partial<P>) => void;
}
