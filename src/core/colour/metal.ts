import type { Mix, Paint } from "../job";
import type { Spectrum } from "./spectrum";

/** Share of metal flake in a mix by parts and strength, 0…1. */
export function metalShare(mix: Pick<Mix, "parts">, paints: readonly Paint[]): number {
  let [metal, total] = [0, 0];
  for (const part of mix.parts) {
    const paint = paints.find((one) => one.id === part.paintId);
    if (!paint) continue;
    const weight = part.parts * paint.strength;
    total += weight;
    if (paint.kind === "metal") metal += weight;
  }
  return total > 0 ? metal / total : 0;
}

/**
 * A simple model of flakes: they lie flat like small mirrors, so the same paint has a bright tone where a lamp is
 * mirrored and a dark one elsewhere, both in the metal's own colour. The pot's colour is taken as what is seen under a
 * cloudy sky, between the two. Lit: 1 − (1 − R)^(1 + 2.2 m); unlit: R (1 − 0.62 m), for a share m of flake.
 */
export const metalTones = (spectrum: Spectrum, share: number): { lit: Spectrum; unlit: Spectrum } => ({
  lit: spectrum.map((value) => 1 - (1 - value) ** (1 + 2.2 * share)),
  unlit: spectrum.map((value) => value * (1 - 0.62 * share)),
});
