import type { Hiding } from "./colour/paint";
import type { Hand } from "./job";
import type { DoubtId } from "./routes/doubtIds";

/** The painter: hand, drops and pace. New jobs take the hand over; counts and minutes follow the rest. */
export interface Painter {
  readonly hand: Hand;
  /** Size of a drop of water from the painter's own pipette or brush, µl. */
  readonly waterDropUl: number;
  /** Mixed paint that stays in the brush each time it is rinsed, µl. */
  readonly brushLossUl: number;
  /** Mixed paint that stays on the palette, µl. */
  readonly paletteLossUl: number;
  /** What a brush takes up at once, µl: small needs are counted in these. */
  readonly brushLoadUl: number;
  /** How long mixed paint stays usable on the palette, hours: under one on a dry one, a day on a wet one. */
  readonly paletteHours: number;
  /** Room, °C. */
  readonly roomC: number;
  /** Relative humidity of its air, %. */
  readonly humidityPercent: number;
  /** Air over the piece, m/s: 0.1 in a still room, 1 and more by a fan or a dryer. */
  readonly airMps: number;
  /** Seconds for one pull of a line. */
  readonly secondsPerPull: number;
  /** Seconds for one box in one pass. */
  readonly secondsPerBox: number;
  /** Seconds for one dot. */
  readonly secondsPerDot: number;
  /** Surface brushed in a minute with a base coat or glaze, mm². */
  readonly mm2PerMinute: number;
  /** Surface sprayed in a minute with an airbrush, mm². */
  readonly sprayedMm2PerMinute: number;
  /** Mixing, loading and finding the place again, minutes per coat. */
  readonly setUpMinutes: number;
  /** Taking a figure of a unit up, finding the place, and putting it down again, minutes. */
  readonly handlingMinutes: number;
  /** Paint dries in so many times of what is computed for the room. */
  readonly dryingTimes: number;
  /** The painter's pots want so many times of the water that a coat names. */
  readonly waterTimes: number;
  readonly learning: Learning;
  /** What this painter does without; left out for nothing. */
  readonly without?: readonly DoubtId[] | undefined;
}

/** Numbers of the painter that follow the log. */
export const LEARNT_KEYS = [
  "setUpMinutes",
  "secondsPerPull",
  "secondsPerBox",
  "secondsPerDot",
  "mm2PerMinute",
  "sprayedMm2PerMinute",
  "handlingMinutes",
  "dryingTimes",
  "waterTimes",
  "brushLoadUl",
] as const;
export type LearntKey = (typeof LEARNT_KEYS)[number];

/** What the painter says about learning from the log. */
export interface Learning {
  /** Numbers that stay as the painter set them, whatever the log says. */
  readonly locked: readonly LearntKey[];
  /** Entries of the log from before these times do not count, by number; ISO 8601, UTC. */
  readonly since: readonly { readonly key: LearntKey; readonly at: string }[];
  /** What the shelf said of pots before what readings told of them was taken over; left out for none. */
  readonly pots?:
    | readonly { readonly paintId: string; readonly strength: number; readonly hiding: Hiding }[]
    | undefined;
}

export const defaultPainter: Painter = {
  hand: { finestLineMm: 0.12, steadiness01: 0.6 },
  waterDropUl: 50,
  brushLossUl: 12,
  paletteLossUl: 25,
  brushLoadUl: 4,
  paletteHours: 8,
  roomC: 20,
  humidityPercent: 50,
  airMps: 0.1,
  secondsPerPull: 6,
  secondsPerBox: 4,
  secondsPerDot: 2,
  mm2PerMinute: 350,
  sprayedMm2PerMinute: 2800,
  setUpMinutes: 2,
  handlingMinutes: 0.3,
  dryingTimes: 1,
  waterTimes: 1,
  learning: { locked: [], since: [] },
};
