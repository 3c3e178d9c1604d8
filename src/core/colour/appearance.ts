import type { Mix, MixPart, Paint, PaintReading } from "../job";
import { ciede2000 } from "./difference";
import { fitOptics } from "./fit";
import { brushedPassUm, mixOptics } from "./mix";
import { layFilm, masstone, type Optics } from "./film";
import { CHART_WHITE, clearOptics, opticsOf, STANDARD_FILM_UM } from "./paint";
import { hexToLab, spectrumToLab } from "./spaces";
import { linearToSpectrum, uniformSpectrum, type Spectrum } from "./spectrum";

const known = new Map<string, Optics>();
const MOST_KNOWN = 2000;

/** What the optics of a pot depend on. */
export type SeenPaint = Pick<Paint, "thick" | "overWhite" | "overBlack" | "hiding" | "fit"> &
  Partial<Pick<Paint, "kind">>;

/** Pots that hold no pigment: what is seen over white is all they do. */
export const isClear = (paint: SeenPaint) => paint.kind === "medium" || paint.kind === "varnish";

/** Colours over black and white tell the hiding better than a word: K and S are fitted to them. */
function measuredOverBlack(paint: SeenPaint, overBlack: string): Optics {
  const reading = (place: PaintReading["laid"], hex: string): PaintReading => ({
    laid: place,
    filmUm: place === "thick" ? null : STANDARD_FILM_UM,
    whiteParts: null,
    lab: hexToLab(hex),
  });
  const readings = [reading("thick", paint.thick), reading("black", overBlack)];
  if (paint.overWhite !== null) readings.push(reading("white", paint.overWhite));
  return fitOptics(readings, opticsOf(paint), 1, null).optics;
}

function madeOptics(paint: SeenPaint): Optics {
  if (paint.fit) {
    return {
      absorption: Float64Array.from(paint.fit.absorption),
      scattering: Float64Array.from(paint.fit.scattering),
    };
  }
  if (isClear(paint)) return clearOptics(paint.overWhite ?? paint.thick);
  return paint.overBlack === null ? opticsOf(paint) : measuredOverBlack(paint, paint.overBlack);
}

/** Optics of a pot, remembered by what they depend on: readings, else colours over black and white, else hiding. */
export function paintOptics(paint: SeenPaint): Optics {
  const fitted = paint.fit ? [...paint.fit.absorption, ...paint.fit.scattering].join() : "";
  const key = `${paint.thick}/${paint.overWhite ?? ""}/${paint.overBlack ?? ""}/${paint.hiding}/${String(isClear(paint))}/${fitted}`;
  let optics = known.get(key);
  if (!optics) {
    optics = madeOptics(paint);
    if (known.size >= MOST_KNOWN) known.clear();
    known.set(key, optics);
  }
  return optics;
}

/**
 * Optics of a mix of pots. Parts whose pot is missing are left out; a mix without any is a neutral grey, so that a
 * picture can still be shown while the check names what is missing.
 */
export function opticsOfMix(mix: Pick<Mix, "parts"> | undefined, paints: readonly Paint[]): Optics {
  const parts = (mix?.parts ?? []).flatMap((part) => {
    const paint = paints.find((candidate) => candidate.id === part.paintId);
    return paint && part.parts > 0
      ? [{ optics: paintOptics(paint), parts: part.parts, strength: paint.strength }]
      : [];
  });
  if (parts.length === 0) return opticsOf({ thick: "#8c8c8c", overWhite: null, hiding: "semi" });
  return mixOptics(parts);
}

/**
 * The colour a mix is shown by beside its name: a thick film. A mix without pigment has no such colour (thick enough, it
 * would swallow all light): it is shown as one coat over white.
 */
export function swatchOfMix(mix: Pick<Mix, "parts"> | undefined, paints: readonly Paint[]): Spectrum {
  const optics = opticsOfMix(mix, paints);
  const pots = (mix?.parts ?? []).map(({ paintId }) => paints.find(({ id }) => id === paintId));
  const clear = pots.length > 0 && pots.every((pot) => pot !== undefined && isClear(pot));
  return clear ? layFilm(optics, STANDARD_FILM_UM, uniformSpectrum(CHART_WHITE)) : masstone(optics);
}

/** CIEDE2000 between two mixtures of the same pots, both thick. */
export function thickDifference(
  one: readonly MixPart[],
  other: readonly MixPart[],
  paints: readonly Paint[],
): number {
  const [a, b] = [one, other].map((parts) => spectrumToLab(masstone(opticsOfMix({ parts }, paints))));
  return ciede2000(a!, b!);
}

/** Dry colour of the primers, as flat as they are in use. */
const PRIMER_LINEAR = { black: 0.008, grey: 0.23, white: 0.82 } as const;

/** Light a primer sends back, 0…1 of white, alike at all wavelengths. */
export const primerLevel = (primer: keyof typeof PRIMER_LINEAR): number => PRIMER_LINEAR[primer];

/** Reflectance of a primer, at the twelve bands. */
export const primerSpectrum = (primer: keyof typeof PRIMER_LINEAR): Spectrum => {
  const level = primerLevel(primer);
  return linearToSpectrum([level, level, level]);
};

/** What is seen after some brushed passes of a mix over a ground. */
export function coatOver(
  optics: Optics,
  water: number,
  passes: number,
  ground: Spectrum,
  filmShare = 1,
): Spectrum {
  return layFilm(optics, brushedPassUm(water) * passes * filmShare, ground);
}
