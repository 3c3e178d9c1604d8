import type { Finish, Mix, Paint } from "../job";
import { MAX_REFLECTANCE } from "./bands";
import type { Spectrum } from "./spectrum";

/**
 * Light thrown back by the outer surface itself, into the direction of the eye, as a share of what falls on it.
 * A surface of refractive index 1.5 reflects 4 % (Saunderson 1942, k1). A glossy one sends it one way, past the eye; a
 * matt one scatters it, and about a quarter of it veils the paint from every side.
 */
export const VEIL: Readonly<Record<Finish, number>> = { matt: 0.01, satin: 0.004, gloss: 0 };

/**
 * The same paint under another surface. Source: Saunderson, "Calculation of the color of pigmented plastics", J Opt
 * Soc Am 32, 1942: R = v + (1 − v) R'; what happens below the surface is the same for every finish, so only the veil v
 * is taken off and laid on.
 * @param from veil the spectrum was seen with
 * @param to veil it will be seen with
 */
export const underVeil = (spectrum: Spectrum, from: number, to: number): Spectrum =>
  spectrum.map((value) => {
    const below = Math.max(0.0008, (value - from) / (1 - from));
    return Math.min(MAX_REFLECTANCE, to + (1 - to) * below);
  });

/** The dry colour once varnished, or matted. */
export const underFinish = (spectrum: Spectrum, from: number, finish: Finish): Spectrum =>
  underVeil(spectrum, from, VEIL[finish]);

/** Veil of a mix's dry film: that of its pots, by parts. */
export function veilOfMix(mix: Pick<Mix, "parts">, paints: readonly Paint[]): number {
  let [sum, total] = [0, 0];
  for (const part of mix.parts) {
    const paint = paints.find((one) => one.id === part.paintId);
    if (!paint) continue;
    sum += part.parts * VEIL[paint.finish];
    total += part.parts;
  }
  return total > 0 ? sum / total : VEIL.matt;
}

/** The finish whose veil is nearest. */
export const finishOfVeil = (veil: number): Finish =>
  veil > (VEIL.matt + VEIL.satin) / 2 ? "matt" : veil > VEIL.satin / 2 ? "satin" : "gloss";
