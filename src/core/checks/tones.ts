import { opticsOfMix, primerSpectrum } from "../colour/appearance";
import { layFilm } from "../colour/film";
import type { Spectrum } from "../colour/spectrum";
import { figureOf, mixById, type Coat, type Job, type Paint, type Surface } from "../job";
import type { PatternTone } from "../patterns/family";
import { coatMeets, coversTone, type Pattern } from "../patterns/pattern";
import { coatPassUm } from "../techniques/passUm";

/** One class of places with the same coats below: a tone of the pattern, or the whole surface. */
export interface Tone extends PatternTone {
  readonly spectrum: Spectrum;
}

/** What each painted coat finds below it and leaves above, tone by tone, with even films. */
export interface CoatTones {
  readonly coat: Coat;
  readonly filmUm: number;
  readonly steps: readonly { readonly tone: Tone; readonly after: Spectrum }[];
}

/** The tones of a surface; one without a name where it has no pattern. */
export const tonesOf = (pattern: Pattern | null): readonly PatternTone[] =>
  pattern ? pattern.family.tones(pattern.layout) : [{ key: "", label: "surface" }];

interface TonesContext {
  readonly job: Job;
  readonly surface: Surface;
  readonly paints: readonly Paint[];
  readonly coats: readonly Coat[];
  readonly pattern: Pattern | null;
}

/** Walks through the painted coats with even films, tone by tone. */
export function coatTones({ job, surface, paints, coats, pattern }: TonesContext): CoatTones[] {
  const start = primerSpectrum(figureOf(job, surface).primer);
  let tones: Tone[] = tonesOf(pattern).map((tone) => ({ ...tone, spectrum: start }));
  return coats.map((coat) => {
    const optics = opticsOfMix(mixById(job, coat.mixId), paints);
    const filmUm = coatPassUm(coat) * coat.passes;
    const steps = tones
      .filter((tone) => coatMeets(pattern, coat, tone.key))
      .map((tone) => ({ tone, after: layFilm(optics, filmUm, tone.spectrum) }));
    if (coversTone(pattern, coat)) {
      tones = tones.map((tone) => {
        const step = steps.find((one) => one.tone === tone);
        return step ? { ...tone, spectrum: step.after } : tone;
      });
    }
    return { coat, filmUm, steps };
  });
}
