import { familyIn } from ".";
import type { PatternUse } from "../job";

/** Mixes that a pattern names, each once; none for no pattern, or one of a family that is not known. */
export function mixesIn(pattern: PatternUse | null): string[] {
  const found = new Set<string>();
  if (pattern) familyIn({ pattern })?.mapMixes(pattern.params, (mixId) => (found.add(mixId), mixId));
  return [...found];
}

/** A pattern whose mixes are called otherwise; one of a family that is not known is left as it is. */
export function renamedMixes(pattern: PatternUse, nameOf: (mixId: string) => string): PatternUse {
  const family = familyIn({ pattern });
  return family ? { ...pattern, params: family.mapMixes(pattern.params, nameOf) } : pattern;
}
