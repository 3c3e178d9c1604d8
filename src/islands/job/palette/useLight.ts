import { coatOver, opticsOfMix, primerSpectrum } from "../../../core/colour/appearance";
import { CHART_BLACK, CHART_WHITE } from "../../../core/colour/paint";
import { veilOfMix } from "../../../core/colour/finish";
import { brushedPassUm } from "../../../core/colour/mix";
import { spectrumToHex, spectrumToLab } from "../../../core/colour/spaces";
import { dryingShift, wetLook } from "../../../core/colour/wet";
import { uniformSpectrum, type Spectrum } from "../../../core/colour/spectrum";
import { coatTones } from "../../../core/checks/tones";
import { activeCoats, figureOf, type Job, type Mix, type Paint, type Surface } from "../../../core/job";
import { patternOf } from "../../../core/patterns/bind";
import { coversTone, isUnseen } from "../../../core/patterns/pattern";
import { InputError } from "../../../core/errors";
import { buildForm } from "../../../core/surface/forms/buildForm";

export interface Ground {
  readonly name: string;
  readonly spectrum: Spectrum;
}

/** A surface's pattern, or null where it has none that can be used. */
function usablePattern(job: Job, surface: Surface) {
  try {
    return { pattern: patternOf(job, surface, buildForm(surface)) };
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** What really lies under a mix where it is first used: the coats before it, else the primer. */
export function trueGround(job: Job, mixId: string, paints: readonly Paint[]): Ground {
  const primerOf = (surface: Surface | undefined) => {
    const { primer } = figureOf(job, surface);
    return { name: `over ${primer} primer`, spectrum: primerSpectrum(primer) };
  };
  for (const surface of job.surfaces) {
    const coats = activeCoats(surface);
    const built = coats.some((coat) => coat.mixId === mixId) ? usablePattern(job, surface) : null;
    if (!built) continue;
    const { pattern } = built;
    const tones = coatTones({ job, surface, paints, coats, pattern });
    const at = tones.findIndex(
      ({ coat }) => coat.mixId === mixId && !isUnseen(pattern?.family ?? null, coat),
    );
    const first = tones[at]?.steps[0];
    if (!first) continue;
    const below = tones
      .slice(0, at)
      .findLast(
        ({ coat, steps }) =>
          coversTone(pattern, coat) && steps.some((step) => step.tone.key === first.tone.key),
      );
    return {
      name: below ? `over ${below.coat.name}` : primerOf(surface).name,
      spectrum: first.tone.spectrum,
    };
  }
  return primerOf(job.surfaces[0]);
}

export const CHART_GROUNDS: readonly Ground[] = [
  { name: "over black", spectrum: uniformSpectrum(CHART_BLACK) },
  { name: "over white", spectrum: uniformSpectrum(CHART_WHITE) },
];

export interface DrawnCoats {
  readonly dry: string;
  readonly wet: string;
  /** Which way it goes as it dries. */
  readonly shift: ReturnType<typeof dryingShift>;
}

/** One, two and three brushed coats of a mix over a ground, dry and while the last one is wet. */
export function drawdown(mix: Mix, paints: readonly Paint[], ground: Spectrum): DrawnCoats[] {
  const optics = opticsOfMix(mix, paints);
  const veil = veilOfMix(mix, paints);
  const coatUm = brushedPassUm(mix.water);
  return [1, 2, 3].map((coats) => {
    const dry = coatOver(optics, mix.water, coats, ground);
    // What lies below the wet coat has dried already.
    const below = coats === 1 ? ground : coatOver(optics, mix.water, coats - 1, ground);
    const wet = wetLook(optics, coatUm, below, veil);
    return {
      dry: spectrumToHex(dry),
      wet: spectrumToHex(wet),
      shift: dryingShift(spectrumToLab(wet)[0], spectrumToLab(dry)[0]),
    };
  });
}

/** Black or white, whichever reads on a colour. */
export function inkOn(hex: string): string {
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)) as [number, number, number];
  return 0.2126 * r ** 2.2 + 0.7152 * g ** 2.2 + 0.0722 * b ** 2.2 > 0.18 * 255 ** 2.2
    ? "#000000"
    : "#ffffff";
}
