import type { Coat } from "../job";
import type { Pattern, PatternFamily, PatternPlace } from "./family";

export type { Pattern } from "./family";

/** Key of the pattern's place a coat goes to; null for a coat by area. */
export const patternKey = ({ place }: Pick<Coat, "place">): string | null =>
  place.kind === "pattern" ? place.key : null;

/** The place a coat names; null where it names none or the pattern has it no more. */
export function placeOf(pattern: Pattern | null, coat: Pick<Coat, "place">): PatternPlace | null {
  const key = patternKey(coat);
  if (key === null || !pattern) return null;
  return pattern.family.places(pattern.layout).find((place) => place.key === key) ?? null;
}

/** Whether a coat goes on places of this tone at all. */
export function coatMeets(pattern: Pattern | null, coat: Pick<Coat, "place">, tone: string): boolean {
  const key = patternKey(coat);
  return key === null || (pattern !== null && pattern.family.meets(pattern.layout, key, tone));
}

/** Coats that cover a whole tone; those by zones, lines and dots cover only parts of it. */
export const coversTone = (pattern: Pattern | null, coat: Pick<Coat, "place">): boolean =>
  coat.place.kind === "everywhere" || placeOf(pattern, coat)?.covers === true;

/** A coat that is there to be covered, as guides are. */
export function isUnseen(family: PatternFamily | null, coat: Pick<Coat, "place">): boolean {
  const key = patternKey(coat);
  return key !== null && family?.unseen?.(key) === true;
}
