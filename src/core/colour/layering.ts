import { ciede2000 } from "./difference";
import { filmLight, layFilm, masstone, overGround, type Optics } from "./film";
import { brushedPassUm } from "./mix";
import { spectrumToLab } from "./spaces";
import type { Spectrum } from "./spectrum";

/** What shows after some coats, and how far that is from the paint laid thick. */
export interface CoverStep {
  readonly coats: number;
  readonly spectrum: Spectrum;
  /** CIEDE2000 against the same paint laid thick. */
  readonly difference: number;
}

/** Most coats a painter would lay to cover. */
export const MOST_COATS = 12;

/**
 * What one coat after another does to a ground, until it shows by less than a difference.
 * @param water parts of water to one of paint
 * @returns the coats tried; the last one meets the limit, unless MOST_COATS of them do not
 */
export function coatsToCover(optics: Optics, water: number, ground: Spectrum, limit: number): CoverStep[] {
  const goal = spectrumToLab(masstone(optics));
  const steps: CoverStep[] = [];
  for (let coats = 1; coats <= MOST_COATS; coats++) {
    const spectrum = layFilm(optics, brushedPassUm(water) * coats, ground);
    const difference = ciede2000(spectrumToLab(spectrum), goal);
    steps.push({ coats, spectrum, difference });
    if (difference < limit) break;
  }
  return steps;
}

/** The ground to paint under a glaze; how near the goal it comes where no ground reaches it. */
export interface GroundAnswer {
  /** What has to lie below, held inside what paint can be. */
  readonly ground: Spectrum;
  /** What is then seen. */
  readonly seen: Spectrum;
  /** CIEDE2000 of what is seen against the goal; 0 where a ground reaches it. */
  readonly difference: number;
  readonly reached: boolean;
}

const DARKEST = 0.004;
const LIGHTEST = 0.985;
/** Below this a goal counts as reached. */
const REACHED = 1;

/**
 * What must lie under a glaze so that a goal is seen: Rg = (Rt − R0) / (T² + R0 (Rt − R0)), band by band (Kubelka's
 * formula turned round). Where a band asks for more than paint can be, it is held there and the rest is told.
 */
export function groundUnder(glaze: Optics, filmUm: number, goal: Spectrum): GroundAnswer {
  const light = Array.from(glaze.absorption, (k, band) => filmLight(k, glaze.scattering[band]!, filmUm));
  const ground = goal.map((target, band) => {
    const { reflectance, transmittance } = light[band]!;
    const through = transmittance * transmittance;
    const above = target - reflectance;
    const wanted = above / (through + reflectance * above);
    // A film that lets nothing through does not care for its ground.
    return Number.isFinite(wanted) ? Math.min(LIGHTEST, Math.max(DARKEST, wanted)) : 0.5;
  });
  const seen = ground.map((value, band) => overGround(light[band]!, value));
  const difference = ciede2000(spectrumToLab(seen), spectrumToLab(goal));
  return { ground, seen, difference, reached: difference < REACHED };
}
