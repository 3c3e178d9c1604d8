import { paintOptics } from "../colour/appearance";
import { readingLab, type TintWhite } from "../colour/fit";
import type { Optics } from "../colour/film";
import { BANDS } from "../colour/bands";
import type { Triple } from "../colour/spaces";
import type { Paint } from "../job";
import { createRandom, hashText, type Random } from "../random";
import { ReaderError, type ColourReader } from "./colourReader";

/** Readings between two looks at the white tile. */
const READINGS_PER_CALIBRATION = 12;
/** Standard deviation of one reading in L*, a*, b*, and how much it drifts with each since the last calibration. */
const NOISE = 0.2;
const DRIFT = 0.02;
const FAILS = 0.06;

/**
 * What is really in a pot of the simulated world: near what the label says, never the same. The pot's own id decides,
 * so that the same pot reads alike every day.
 */
export function realPot(paint: Paint): { optics: Optics; strength: number } {
  const random = createRandom(hashText(`real ${paint.id}`));
  const label = paintOptics({ ...paint, fit: null });
  const [more, tilt, hides] = [random.normal() * 0.12, random.normal() * 0.12, random.normal() * 0.15];
  const absorption = label.absorption.map(
    (k, band) => k * Math.exp(more + hides + (tilt * (band - (BANDS - 1) / 2)) / (BANDS / 2)),
  );
  const scattering = label.scattering.map((s) => s * Math.exp(hides));
  return { optics: { absorption, scattering }, strength: paint.strength * Math.exp(random.normal() * 0.1) };
}

/** A device that reads something of the simulated world with noise, drifts between calibrations, and fails now and then. */
function simulatedDevice<S>(truth: (spot: S) => Triple, random: Random): ColourReader<S> {
  let left = 0;
  const drift: Triple = [random.normal(), random.normal(), random.normal()];
  return {
    name: "Simulated colour reader",
    simulated: true,
    get readingsLeft() {
      return left;
    },
    calibrate() {
      if (random.next() < FAILS) return Promise.reject(new ReaderError("light"));
      left = READINGS_PER_CALIBRATION;
      return Promise.resolve();
    },
    read(spot: S) {
      if (left === 0) return Promise.reject(new ReaderError("uncalibrated"));
      if (random.next() < FAILS)
        return Promise.reject(new ReaderError(random.next() < 0.5 ? "lifted" : "light"));
      const since = READINGS_PER_CALIBRATION - left;
      left--;
      const seen = truth(spot).map(
        (value, axis) => value + NOISE * random.normal() + DRIFT * since * drift[axis]!,
      );
      return Promise.resolve(seen.map((value) => Math.round(value * 100) / 100) as unknown as Triple);
    },
  };
}

/**
 * A small device that does not exist: it reads the simulated pot, as a real one does.
 * @param random decides noise and failures
 * @param white the white pot tints are mixed with; null for none
 */
export function simulatedReader(paint: Paint, white: TintWhite | null, random: Random): ColourReader {
  const real = realPot(paint);
  return simulatedDevice(
    (spot) => readingLab({ ...spot, lab: [0, 0, 0] }, real.optics, real.strength, white),
    random,
  );
}

/** A hand does not hit the colour it plans: standard deviations of L*, a* and b* of what is really on a figure. */
const HAND: Triple = [1.6, 0.9, 1.1];

/** Where the reader is put on a figure: the entry of the log it tells of, and the colour that was planned there. */
export interface FigureSpot {
  readonly entryId: string;
  readonly planned: Triple;
}

/** The same device on a painted figure of the simulated world: near what was planned, alike each time it is read. */
export const simulatedFigureReader = (random: Random): ColourReader<FigureSpot> =>
  simulatedDevice(({ entryId, planned }) => {
    const hand = createRandom(hashText(`painted ${entryId}`));
    return planned.map((value, axis) => value + HAND[axis]! * hand.normal()) as unknown as Triple;
  }, random);
