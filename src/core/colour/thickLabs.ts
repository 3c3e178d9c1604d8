import type { Paint } from "../job";
import { paintOptics } from "./appearance";
import type { Optics } from "./film";

/** Optics are made once a pot, so they tell which pot it is. */
const numbers = new WeakMap<Optics, number>();
let known = 0;

function numberOf(paint: Paint): number {
  const optics = paintOptics(paint);
  const own = numbers.get(optics) ?? known++;
  numbers.set(optics, own);
  return own;
}

/** Numbers that are kept at most: 24 MB. */
const MOST_NUMBERS = 3_000_000;
const kept = new Map<string, Float64Array>();
let held = 0;

/**
 * Colours of some pots in several ratios, which do not depend on what is looked for: worked out once.
 * @param ratios named by the text, which tells them from other ratios of as many pots
 * @param labOf L*a*b* of these pots in one of the ratios, as a thick film
 * @returns L*, a*, b* for each of the ratios
 */
export function thickLabs(
  pots: readonly Paint[],
  ratios: { readonly name: string; readonly parts: readonly (readonly number[])[] },
  labOf: (parts: readonly number[]) => readonly [number, number, number],
): Float64Array {
  const key = pots.reduce((text, pot) => `${text}/${numberOf(pot)}*${pot.strength}`, ratios.name);
  const own = kept.get(key);
  if (own) return own;
  const labs = new Float64Array(3 * ratios.parts.length);
  ratios.parts.forEach((parts, at) => labs.set(labOf(parts), 3 * at));
  if (held + labs.length > MOST_NUMBERS) {
    kept.clear();
    held = 0;
  }
  held += labs.length;
  kept.set(key, labs);
  return labs;
}
