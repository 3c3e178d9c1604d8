import type { Surface } from "../../../../core/job";

/** What every setter is given: one family's settings, their layout, and the way to change them. */
export interface SetterProps<P = unknown, L = unknown> {
  readonly surface: Surface;
  readonly params: P;
  /** Null while the settings cannot be laid out; `problem` says why. */
  readonly layout: L | null;
  readonly problem: string | null;
  readonly change: (part: Partial<P>) => void;
}
