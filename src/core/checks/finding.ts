import type { Coat, Effort, FormUse, MixPart, Place } from "../job";

export const GRAVITIES = ["must", "look", "note"] as const;
/** Must: it will not work. Look: it may not come out as wanted. Note: good to know. */
export type Gravity = (typeof GRAVITIES)[number];

/**
 * One value of the job to be set; the path runs through keys, and through lists by the id of the entry. A coat that is
 * set as a surface's coats comes after them; ids that are set as a list put its entries in that order.
 */
export interface Change {
  readonly path: readonly string[];
  readonly value:
    | number
    | string
    | boolean
    | readonly MixPart[]
    | Readonly<Record<string, string>>
    | FormUse
    | Effort
    | Place
    | Coat
    | readonly string[]
    | null;
}

/** What mends a finding at one click: changes of the design, as data. */
export interface Remedy {
  readonly label: string;
  readonly changes: readonly Change[];
  /** Remedies of one ladder do more and more of the same: only the first that is enough is offered. */
  readonly ladder?: string;
}

/** A place on the flat that a verdict is about. */
export interface Spot {
  readonly xMm: number;
  readonly yMm: number;
  readonly radiusMm: number;
}

/** One verdict. */
export interface Finding {
  /** The same for the same verdict on the same place. */
  readonly id: string;
  readonly gravity: Gravity;
  readonly surfaceId: string;
  readonly coatId: string | null;
  /** Where, in words. */
  readonly where: string;
  /** What will happen, with numbers. */
  readonly sentence: string;
  /** Why. */
  readonly reason: string;
  readonly remedies: readonly Remedy[];
  /** The very marks or places it is about, to be shown on the specimen. */
  readonly spots?: readonly Spot[];
}

/** What a check says; the id is put before it. */
export type CheckResult = Omit<Finding, "id" | "surfaceId"> & { readonly key: string };

/** A change of one number of a coat. */
export const coatChange = (surfaceId: string, coatId: string, key: string, value: number): Change => ({
  path: ["surfaces", surfaceId, "coats", coatId, key],
  value,
});

/** A pattern with fewer repeats, as far as there are fewer. */
export const fewerRepeats = (surfaceId: string, periods: number, fitting: number): Remedy[] =>
  fitting >= 1 && fitting < periods
    ? [{ label: `Use ${fitting} repeats`, changes: [patternChange(surfaceId, "periods", fitting)] }]
    : [];

/** A change of one setting of a surface's pattern. */
export const patternChange = (surfaceId: string, key: string, value: Change["value"]): Change => ({
  path: ["surfaces", surfaceId, "pattern", "params", key],
  value,
});
