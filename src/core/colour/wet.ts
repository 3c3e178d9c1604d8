import { layFilm, type Optics } from "./film";
import { underVeil, VEIL } from "./finish";
import type { Spectrum } from "./spectrum";

/**
 * Scattering that a water-borne binder adds while its droplets still lie in water, per µm of the film they dry to. A
 * wet medium of 20 µm dry then throws back a seventeenth of the light over black: a bluish milk, as seen on a palette. A starting
 * value.
 */
export const MILK_PER_UM = 0.003;

/** Share of a very thin film that sinks between the grains of a matt ground, and the film at which a third of that is left. */
const SINKS = 0.3;
const SINKS_WITHIN_UM = 8;

/** Part of a dry film that still lies on top of its ground, 0…1. */
export const staysOnTop = (filmUm: number): number => 1 - SINKS * Math.exp(-filmUm / SINKS_WITHIN_UM);

/**
 * What a film looks like while it is wet. Three things differ from the dry look: the binder is milky, which makes dark
 * and clear films lighter; the surface is smooth water, whose veil goes past the eye, which makes matt paint darker and
 * fuller; and nothing has yet sunk into the ground, so a thin light film hides more.
 * @param filmUm film it will dry to, µm
 * @param veil veil of the dry film
 */
export function wetLook(optics: Optics, filmUm: number, ground: Spectrum, veil: number): Spectrum {
  const milky: Optics = {
    absorption: optics.absorption,
    scattering: optics.scattering.map((value) => value + MILK_PER_UM),
  };
  const full = filmUm > 0 ? filmUm / staysOnTop(filmUm) : 0;
  return underVeil(layFilm(milky, full, ground), veil, VEIL.gloss);
}

/** Which way a colour goes as it dries, as a painter would say it. */
export function dryingShift(wetL: number, dryL: number): "dries lighter" | "dries darker" | "dries alike" {
  if (Math.abs(dryL - wetL) < 0.7) return "dries alike";
  return dryL > wetL ? "dries lighter" : "dries darker";
}
