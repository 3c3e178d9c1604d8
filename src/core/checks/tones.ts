import { ciede2000 } from "../colour/difference";
import { spectrumToLab } from "../colour/spaces";
import { formatNumber } from "../units";
import type { CheckContext } from "./check";
import type { CheckResult } from "./finding";
import { opticsOfMix, primerSpectrum } from "../colour/appearance";
import { layFilm, masstone } from "../colour/film";
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

/** Which coats are laid in sets over each other, and what is said where two of them are of one tone. */
export interface Sets {
  readonly is: (coat: Coat) => boolean;
  /** Sets whose mixes differ by less, CIEDE2000, are alike. */
  readonly alike: number;
  readonly sentence: (before: string, coat: string, apart: string) => string;
  readonly reason: string;
  /** One mix laid twice, each time another way, is meant so. */
  readonly twiceMeant?: boolean;
}

/** The set that another falls on: the one right before it, or of a pattern the last one on the same colour. */
function setBefore(
  { pattern }: CheckContext,
  is: Sets["is"],
  earlier: readonly Coat[],
  coat: Coat,
): Coat | undefined {
  if (!pattern || coat.place.kind !== "pattern") return earlier.slice(-1).find(is);
  const own = tonesOf(pattern).filter(({ key }) => coatMeets(pattern, coat, key));
  return earlier.findLast((one) => is(one) && own.some(({ key }) => coatMeets(pattern, one, key)));
}

/** Sets on each other that nobody tells apart, as thick films. */
export function setsAlike(
  context: CheckContext,
  { is, alike, sentence, reason, twiceMeant = false }: Sets,
): CheckResult[] {
  const { job, paints, surface, coats } = context;
  return coats.flatMap((coat, at): CheckResult[] => {
    const before = is(coat) && setBefore(context, is, coats.slice(0, at), coat);
    if (!before || (twiceMeant && before.mixId === coat.mixId)) return [];
    const [here, there] = [coat, before].map(({ mixId }) =>
      spectrumToLab(masstone(opticsOfMix(mixById(job, mixId), paints))),
    );
    const apart = ciede2000(here!, there!);
    if (apart >= alike) return [];
    return [
      {
        ...{ key: `${coat.id}/alike`, gravity: "look" as const, coatId: coat.id },
        where: `${surface.name}, ${coat.name}`,
        sentence: sentence(before.name, coat.name, formatNumber(apart, 1)),
        reason,
        remedies: [
          {
            label: `Hold ${coat.name} back`,
            changes: [{ path: ["surfaces", surface.id, "coats", coat.id, "held"], value: true }],
          },
        ],
      },
    ];
  });
}
