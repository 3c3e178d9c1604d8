import type { Painter } from "../painter";
import { LEARNT_RANGES } from "../painterSchema";
import { wobbleMm } from "../techniques/technique";
import type { PlateReading } from "./reading";

/** A pull strays from straight by this share of its hand's wobble, root mean square over a long line. */
const STRAYS = 0.351;

/** The steadiness of a hand whose lines stray from straight by so much, root mean square, mm; 0 shaky … 1 very steady. */
export function steadinessOf(strayMm: number): number {
  const [shaky, steady] = [0, 1].map((steadiness01) => wobbleMm({ finestLineMm: 1, steadiness01 })) as [
    number,
    number,
  ];
  const share = (shaky - strayMm / STRAYS) / (shaky - steady);
  return Math.min(1, Math.max(0, Math.round(share * 100) / 100));
}

/** How long rows of the plate took, seconds; null where nobody looked at the clock. */
export interface RowTimes {
  readonly lines: number | null;
  readonly dots: number | null;
}

/** A number of the painter's that the plate tells. */
export interface PlateOffer {
  readonly id: "finestLine" | "steadiness" | "waterTimes" | "secondsPerPull" | "secondsPerDot";
  readonly label: string;
  /** Empty for a plain number. */
  readonly unit: string;
  readonly was: number;
  readonly now: number;
}

const held = (value: number, [least, most]: readonly [number, number], digits: number): number => {
  const scale = 10 ** digits;
  return Math.min(most, Math.max(least, Math.round(value * scale) / scale));
};

/** What a plate says of the painter's own numbers. */
export function offersOf(reading: PlateReading, times: RowTimes, painter: Painter): PlateOffer[] {
  const { lines, dots, thinning } = reading;
  const { hand } = painter;
  return [
    lines && {
      ...{ id: "finestLine", label: "Finest line you can make", unit: "mm", was: hand.finestLineMm },
      now: held(lines.widthMm, [0.03, 1], 2),
    },
    lines && {
      ...{ id: "steadiness", label: "Steadiness, 0 shaky to 1 very steady", unit: "" },
      ...{ was: hand.steadiness01, now: steadinessOf(lines.wobbleMm) },
    },
    thinning && {
      ...{ id: "waterTimes", label: "Water, times of what a coat names", unit: "×" },
      ...{ was: painter.waterTimes, now: held(thinning.times, LEARNT_RANGES.waterTimes, 2) },
    },
    lines &&
      times.lines !== null && {
        ...{ id: "secondsPerPull", label: "One pull of a line", unit: "s", was: painter.secondsPerPull },
        now: held(times.lines / lines.count, LEARNT_RANGES.secondsPerPull, 1),
      },
    dots &&
      times.dots !== null && {
        ...{ id: "secondsPerDot", label: "One dot", unit: "s", was: painter.secondsPerDot },
        now: held(times.dots / dots.count, LEARNT_RANGES.secondsPerDot, 1),
      },
  ].filter((offer): offer is PlateOffer => Boolean(offer));
}

/** The painter with what the plate tells taken over. */
export function withOffers(painter: Painter, offers: readonly PlateOffer[]): Painter {
  return offers.reduce((now, { id, now: value }) => {
    switch (id) {
      case "finestLine":
        return { ...now, hand: { ...now.hand, finestLineMm: value } };
      case "steadiness":
        return { ...now, hand: { ...now.hand, steadiness01: value } };
      default:
        return { ...now, [id]: value };
    }
  }, painter);
}
