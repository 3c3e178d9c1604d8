import { BANDS } from "./bands";
import type { Spectrum } from "./spectrum";

/** Absorption and scattering per micrometre of dry film, per band; both at least 0. */
export interface Optics {
  readonly absorption: Float64Array;
  readonly scattering: Float64Array;
}

/** What a film does to light by itself: reflectance over a perfect black, and transmittance. */
export interface FilmLight {
  readonly reflectance: number;
  readonly transmittance: number;
}

const TINY = 1e-12;

/**
 * One band of a film. Source: Kubelka and Munk 1931, Kubelka 1948, rewritten with exponentials of −bSX only, so that
 * no thickness overflows: b = √(k(k+2)), k = K/S, e = exp(−bSX), m = 1 − e², D = (1+k)m + b(1+e²),
 * R0 = m/D, T = 2be/D. Limits: K = 0: R0 = SX/(1+SX); S = 0: R0 = 0, T = exp(−KX).
 * @param absorption K, per µm, ≥ 0
 * @param scattering S, per µm, ≥ 0
 * @param filmUm dry thickness, µm, ≥ 0
 */
export function filmLight(absorption: number, scattering: number, filmUm: number): FilmLight {
  if (filmUm <= 0) return { reflectance: 0, transmittance: 1 };
  if (scattering < TINY) return { reflectance: 0, transmittance: Math.exp(-absorption * filmUm) };
  const k = absorption / scattering;
  if (k < 1e-9) {
    const reflectance = (scattering * filmUm) / (1 + scattering * filmUm);
    return { reflectance, transmittance: 1 - reflectance };
  }
  const b = Math.sqrt(k * (k + 2));
  const y = b * scattering * filmUm;
  const e = Math.exp(-y);
  const m = -Math.expm1(-2 * y);
  const d = (1 + k) * m + b * (1 + e * e);
  return { reflectance: m / d, transmittance: (2 * b * e) / d };
}

/** A film over a ground: R = R0 + T² Rg / (1 − R0 Rg). Source: Kubelka 1948. */
export function overGround(light: FilmLight, ground: number): number {
  const { reflectance, transmittance } = light;
  return reflectance + (transmittance * transmittance * ground) / (1 - reflectance * ground);
}

/** The spectrum seen when a film of a paint lies over a ground; thickness in µm dry. */
export function layFilm(optics: Optics, filmUm: number, ground: Spectrum): Spectrum {
  return ground.map((value, band) =>
    overGround(filmLight(optics.absorption[band]!, optics.scattering[band]!, filmUm), value),
  );
}

/** The colour of an endlessly thick film: R∞ = S / (S + K + √(K(K + 2S))). */
export function masstone(optics: Optics): Spectrum {
  return optics.absorption.map((k, band) => {
    const s = optics.scattering[band]!;
    return s < TINY ? 0 : s / (s + k + Math.sqrt(k * (k + 2 * s)));
  });
}

/** Levels of stored thickness: X = maxUm (level / 255)², fine where films are thin. */
export const LEVELS = 256;
/** Thickness that a level 0 to 255 stands for, µm; levels are finer where films are thin. */
export const levelUm = (level: number, maxUm: number): number => maxUm * (level / 255) * (level / 255);

/**
 * R0 and T² for every stored thickness of one coat: 256 rows of [R0 × 12, T² × 12].
 * T² below 1e-12 is 0, so that denormal numbers never slow the loop.
 */
export function filmTable(optics: Optics, maxUm: number): Float32Array {
  const table = new Float32Array(LEVELS * BANDS * 2);
  for (let level = 0; level < LEVELS; level++) {
    const filmUm = levelUm(level, maxUm);
    for (let band = 0; band < BANDS; band++) {
      const light = filmLight(optics.absorption[band]!, optics.scattering[band]!, filmUm);
      const through = light.transmittance * light.transmittance;
      table[level * BANDS * 2 + band] = light.reflectance;
      table[level * BANDS * 2 + BANDS + band] = through < TINY ? 0 : through;
    }
  }
  return table;
}
