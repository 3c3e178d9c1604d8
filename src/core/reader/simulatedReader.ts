import { paintOptics } from "../colour/appearance";
import { readingLab, type TintWhite } from "../colour/fit";
import type { Optics } from "../colour/film";
import { BANDS } from "../colour/bands";
import type { Triple } from "../colour/spaces";
import type { Paint } from "../job";
import { createRandom, hashText, type Random } from "../random";
import { ReaderError, type ColourReader, type Spot } from "./colourReader";

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

/**
 * A small device that does not exist: it reads the simulated pot with noise, drifts between calibrations, and fails
 * now and then, as a real one does.
 * @param random decides noise and failures
 * @param white the white pot tints are mixed with; null for none
 */
export function simulatedReader(paint: Paint, white: TintWhite | null, random: Random): ColourReader {
  const real = realPot(paint);
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
    read(spot: Spot) {
      if (left === 0) return Promise.reject(new ReaderError("uncalibrated"));
      if (random.next() < FAILS)
        return Promise.reject(new ReaderError(random.next() < 0.5 ? "lifted" : "light"));
      const since = READINGS_PER_CALIBRATION - left;
      left--;
      const lab = readingLab({ ...spot, lab: [0, 0, 0] }, real.optics, real.strength, white);
      const seen = lab.map((value, axis) => value + NOISE * random.normal() + DRIFT * since * drift[axis]!);
      return Promise.resolve(seen.map((value) => Math.round(value * 100) / 100) as unknown as Triple);
    },
  };
}
