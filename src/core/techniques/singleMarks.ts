import type { Random } from "../random";
import type { LayContext } from "./technique";

/** One mark as a whole: where its middle lies, how large it is and how it lies. */
export interface PlacedMark {
  readonly id: string;
  /** Middle of what is seen of it, mm on the flat. */
  readonly xMm: number;
  readonly yMm: number;
  readonly areaMm2: number;
  /** Direction of its length, radians on the flat; null where it has none. */
  readonly angle: number | null;
}

/** Ways in which marks that should be irregular are not. */
export const UNEVENNESS_FAULTS = ["even", "alike", "lined", "clumped", "twins"] as const;
/** One of those ways. */
export type UnevennessFault = (typeof UNEVENNESS_FAULTS)[number];

/** What marks are by intent, so that nobody is told off for it. */
export interface MarkIntent {
  /** They lie in rows, one way, as weave does: spacing, size and direction are not judged. */
  readonly aligned: boolean;
  /** They stand in clusters. */
  readonly clustered: boolean;
  /** They are nearly of one size, as dots are. */
  readonly alike: boolean;
  /** They follow one direction, each a little off: length of their mean direction from which they are a comb, 0…1. */
  readonly mostDirection?: number;
  /** Standard deviation over mean of their areas below which they are alike, where it is another than for free patches. */
  readonly leastSizeCv?: number;
}

/** A setting of a technique that mends a fault of its marks. */
export interface SettingRemedy<P> {
  readonly label: string;
  readonly param: keyof P & string;
  readonly value: number;
}

/** Marks set one by one by a technique, to be judged for sameness. */
export interface SingleMarks<P> {
  readonly intent: MarkIntent;
  /** The very marks of the first pass; angles are against the direction asked for. */
  of(context: LayContext, params: P, random: Random): PlacedMark[];
  readonly remedies: Readonly<Partial<Record<UnevennessFault, SettingRemedy<P>>>>;
}
