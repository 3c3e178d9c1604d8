import { BANDS, MAX_REFLECTANCE, MIN_REFLECTANCE, XYZ_WEIGHTS } from "./bands";
import { filmLight, layFilm, overGround, type Optics } from "./film";
import { hexToSpectrum, uniformSpectrum, type Spectrum } from "./spectrum";

export const HIDING = ["opaque", "semi", "transparent"] as const;
export type Hiding = (typeof HIDING)[number];

/** What a painter can say about a pot; all that film optics need follows from it. */
export interface PaintColour {
  /** Dry colour of a thick coat, "#rrggbb". */
  readonly thick: string;
  /** Dry colour of one standard coat over white, "#rrggbb"; null where it was not given. */
  readonly overWhite: string | null;
  readonly hiding: Hiding;
}

/** The film in which hiding and `overWhite` are stated: one full undiluted coat, dry. */
export const STANDARD_FILM_UM = 30;

/**
 * Contrast ratio (Y over black / Y over white) of the standard film. That of a transparent one is a share of its own
 * luminance over white: a dark ink shows black as good as unchanged, a pale one veils it.
 */
export const CONTRAST_RATIO: Readonly<Record<Hiding, number>> = {
  opaque: 0.98,
  semi: 0.85,
  transparent: 0.4,
};

/** Contrast ratio meant for a pot of one colour. @param luminance Y of its one colour, 0…1 */
export const wantedContrast = (hiding: Hiding, luminance01: number): number =>
  hiding === "transparent" ? CONTRAST_RATIO.transparent * luminance01 : CONTRAST_RATIO[hiding];

/** Reflectance of the white and black of a drawdown chart. */
export const CHART_WHITE = 0.95;
export const CHART_BLACK = 0.01;

/** Y of a reflectance, 0…1. */
export const luminance = (spectrum: Spectrum): number =>
  spectrum.reduce((sum, value, band) => sum + XYZ_WEIGHTS[1][band]! * value, 0);

/** Y over black divided by Y over white, for the standard film. */
export function contrastRatio(optics: Optics): number {
  const over = (ground: number) => luminance(layFilm(optics, STANDARD_FILM_UM, uniformSpectrum(ground)));
  return over(CHART_BLACK) / over(CHART_WHITE);
}

/** The word for a contrast ratio: the nearest of the three. */
export const hidingOf = (ratio: number): Hiding =>
  HIDING.reduce((best, word) =>
    Math.abs(CONTRAST_RATIO[word] - ratio) < Math.abs(CONTRAST_RATIO[best] - ratio) ? word : best,
  );

/** K/S of a colour of full thickness. Source: Kubelka and Munk 1931. */
const kOverS = (reflectance: number) => ((1 - reflectance) * (1 - reflectance)) / (2 * reflectance);

/** Halves an interval until the rising function meets its goal. */
function bisect(low: number, high: number, goal: number, rising: (value: number) => number): number {
  let [a, b] = [low, high];
  for (let turn = 0; turn < 80; turn++) {
    const middle = Math.sqrt(a * b);
    if (rising(middle) < goal) a = middle;
    else b = middle;
  }
  return Math.sqrt(a * b);
}

/**
 * How much more a pigment scatters where it reflects than where it absorbs. With scattering the same in every band, a
 * dark blue drawn thin over white turns as vivid as a dye, which pots of hiding paint do not: most are toned with
 * white and black. The power is set by eye on drawdowns of such paint.
 */
const SCATTERS_WHERE_IT_REFLECTS = 0.4;

/** Scattering such that the masstone keeps its colour and the standard film hides as stated. */
function opticsFromMasstone(thick: Spectrum, ratio: number): Optics {
  const ks = thick.map(kOverS);
  const most = Math.max(...thick);
  const shape = thick.map((value) => (value / most) ** SCATTERS_WHERE_IT_REFLECTS);
  const withScattering = (s: number): Optics => ({
    absorption: ks.map((value, band) => value * s * shape[band]!),
    scattering: shape.map((value) => value * s),
  });
  return withScattering(bisect(1e-6, 50, ratio, (s) => contrastRatio(withScattering(s))));
}

/**
 * K and S of one band from the thick colour and the standard film over white. Solves
 * coth(bSX) = (1 − a(R + Rg) + R Rg) / (b (R − Rg)) for S, with a = (1/R∞ + R∞)/2, b = (1/R∞ − R∞)/2.
 * Source: Kubelka 1948.
 */
function bandFromBoth(thick: number, overWhite: number): { k: number; s: number } {
  const a = (1 / thick + thick) / 2;
  const b = (1 / thick - thick) / 2;
  // The film over white must lie strictly between masstone and white, or no thickness fits.
  const r = Math.min(CHART_WHITE - 1e-3, Math.max(thick + 1e-4, overWhite));
  const coth = (1 - a * (r + CHART_WHITE) + r * CHART_WHITE) / (b * (r - CHART_WHITE));
  const y = coth > 1 ? 0.5 * Math.log((coth + 1) / (coth - 1)) : 8;
  const s = y / (b * STANDARD_FILM_UM);
  return { k: (a - 1) * s, s };
}

/** Absorption that gives a colour over white through a film of known scattering. */
function absorptionOverWhite(goal: number, scattering: number): number {
  const seen = (k: number) => 1 - overGround(filmLight(k, scattering, STANDARD_FILM_UM), CHART_WHITE);
  return bisect(1e-7, 50, 1 - goal, seen);
}

/** Scattering of a dry film without pigment, per µm: a trace of haze. */
const CLEAR_SCATTERING = 0.0001;

/** K and S of a medium or varnish from its colour over white: it hides nothing, whatever it looks like in the pot. */
export const clearOptics = (overWhite: string): Optics => ({
  absorption: hexToSpectrum(overWhite).map((value) =>
    absorptionOverWhite(Math.min(0.94, value), CLEAR_SCATTERING),
  ),
  scattering: new Float64Array(BANDS).fill(CLEAR_SCATTERING),
});

/**
 * K and S per band of a pot. A transparent paint's thick colour hides its undertone, so with only one colour given
 * that colour is read as one standard coat over white; with both given, each band is solved from the two.
 * @throws RangeError where a colour is not "#rrggbb"
 */
export function opticsOf(colour: PaintColour): Optics {
  const thick = hexToSpectrum(colour.thick);
  if (colour.overWhite !== null) {
    const over = hexToSpectrum(colour.overWhite);
    const solved = Array.from(thick, (value, band) => bandFromBoth(value, over[band]!));
    return {
      absorption: Float64Array.from(solved, (band) => band.k),
      scattering: Float64Array.from(solved, (band) => band.s),
    };
  }
  if (colour.hiding !== "transparent") return opticsFromMasstone(thick, CONTRAST_RATIO[colour.hiding]);
  const withScattering = (s: number): Optics => ({
    absorption: thick.map((value) =>
      absorptionOverWhite(Math.min(MAX_REFLECTANCE, Math.max(MIN_REFLECTANCE, Math.min(0.93, value))), s),
    ),
    scattering: new Float64Array(BANDS).fill(s),
  });
  const s = bisect(1e-9, 1, wantedContrast("transparent", luminance(thick)), (value) =>
    contrastRatio(withScattering(value)),
  );
  return withScattering(s);
}
