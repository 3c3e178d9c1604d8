import type { Coat, Job, Paint, Surface } from "../job";
import type { SettLayout } from "../patterns/sett/layout";
import type { SurfaceForm } from "../surface/forms/form";

export const GRAVITIES = ["must", "look", "note"] as const;
/** Must: it will not work. Look: it may not come out as wanted. Note: good to know. */
export type Gravity = (typeof GRAVITIES)[number];

/** One value of the job to be set; the path runs through keys, and through lists by the id of the entry. */
export interface Change {
  readonly path: readonly string[];
  readonly value: number | string | boolean;
}

export interface Remedy {
  readonly label: string;
  readonly changes: readonly Change[];
}

/** One verdict. */
export interface Finding {
  /** The same for the same verdict on the same place. */
  readonly id: string;
  readonly gravity: Gravity;
  readonly surfaceId: string;
  readonly coatId: string | null;
  /** Where, in words. */
  readonly place: string;
  /** What will happen, with numbers. */
  readonly sentence: string;
  /** Why. */
  readonly reason: string;
  readonly remedies: readonly Remedy[];
}

export interface CheckContext {
  readonly job: Job;
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly paints: readonly Paint[];
  /** Coats that will be painted, in order. */
  readonly coats: readonly Coat[];
  /** Null where the surface has no check cloth. */
  readonly layout: SettLayout | null;
}

/** What a check says; the id is put before it. */
export type CheckResult = Omit<Finding, "id" | "surfaceId"> & { readonly key: string };

export interface Check {
  readonly id: string;
  readonly label: string;
  run(context: CheckContext): CheckResult[];
}

export const coatChange = (surfaceId: string, coatId: string, key: string, value: number): Change => ({
  path: ["surfaces", surfaceId, "coats", coatId, key],
  value,
});

export const patternChange = (surfaceId: string, key: string, value: number | string): Change => ({
  path: ["surfaces", surfaceId, "pattern", "params", key],
  value,
});
