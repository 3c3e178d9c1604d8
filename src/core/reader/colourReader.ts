import type { PaintReading } from "../job";
import type { Triple } from "../colour/spaces";

/** Where a reader is put down: what was painted there, and how thick. */
export type Spot = Omit<PaintReading, "lab">;

/** A hand-held device that reads the colour of a spot a few millimetres wide. */
export interface ColourReader<S = Spot> {
  readonly name: string;
  /** True where no real device stands behind it. */
  readonly simulated: boolean;
  /** Readings left until it must see its white tile again; 0 before the first time. */
  readonly readingsLeft: number;
  /** Looks at its white tile. @throws ReaderError */
  calibrate(): Promise<void>;
  /** Reads a spot: L*a*b* under D65, 2°. @throws ReaderError */
  read(spot: S): Promise<Triple>;
}

export const READER_FAILURES = {
  uncalibrated: "The reader has to see its white tile first. Put it on the tile and press Calibrate.",
  lifted: "The reader was lifted before it was done. Put it flat on the spot and read again.",
  light: "Light came in at the side. Press the reader down on a flat place and read again.",
} as const;

/** A reading that did not come about, and what to do. */
export class ReaderError extends Error {
  readonly reason: keyof typeof READER_FAILURES;
  constructor(reason: keyof typeof READER_FAILURES) {
    super(READER_FAILURES[reason]);
    this.name = "ReaderError";
    this.reason = reason;
  }
}
