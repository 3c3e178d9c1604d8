import type { Hand } from "./job";

/** The painter: hand, drops and pace. New jobs take the hand over; counts and minutes follow the rest. */
export interface Painter {
  readonly hand: Hand;
  /** Size of a drop of water from the painter's own pipette or brush, µl. */
  readonly waterDropUl: number;
  /** Mixed paint that stays in the brush each time it is rinsed, µl. */
  readonly brushLossUl: number;
  /** Mixed paint that stays on the palette, µl. */
  readonly paletteLossUl: number;
  /** Seconds for one pull of a line. */
  readonly secondsPerPull: number;
  /** Seconds for one box in one pass. */
  readonly secondsPerBox: number;
  /** Seconds for one dot. */
  readonly secondsPerDot: number;
  /** Surface brushed in a minute with a base coat or glaze, mm². */
  readonly mm2PerMinute: number;
  /** Mixing, loading and finding the place again, minutes per coat. */
  readonly setUpMinutes: number;
}

export const defaultPainter: Painter = {
  hand: { finestLineMm: 0.12, steadiness01: 0.6 },
  waterDropUl: 50,
  brushLossUl: 12,
  paletteLossUl: 25,
  secondsPerPull: 6,
  secondsPerBox: 4,
  secondsPerDot: 2,
  mm2PerMinute: 350,
  setUpMinutes: 2,
};
