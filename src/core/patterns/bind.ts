import type { Hand, PatternUse, Surface } from "../job";
import type { SurfaceForm } from "../surface/forms/form";
import { familyOf } from ".";
import type { Pattern } from "./pattern";

interface Kept {
  readonly form: SurfaceForm;
  readonly hand: Hand;
  readonly seed: number;
  readonly pattern: Pattern;
}

/** The last layout of each use: most edits leave the pattern as it is, and many parts of the program ask for it. */
const kept = new WeakMap<PatternUse, Kept>();
/** Layouts by all they depend on: a job that came in a message is made of new objects, though little of it is new. */
const byText = new Map<string, Pattern>();
const MOST_BY_TEXT = 24;

const sameHand = (a: Hand, b: Hand) => a.finestLineMm === b.finestLineMm && a.steadiness01 === b.steadiness01;

function laidOut({ form: use, pattern, seed }: PatternedSurface, form: SurfaceForm, hand: Hand): Pattern {
  const key = JSON.stringify([use, seed, hand, pattern]);
  const known = byText.get(key);
  // The newest come last; the oldest goes.
  byText.delete(key);
  const oldest = byText.keys().next();
  if (byText.size >= MOST_BY_TEXT && !oldest.done) byText.delete(oldest.value);
  const family = familyOf(pattern!);
  const { params } = pattern!;
  const made = known ?? { family, params, layout: family.layout(params, { form, hand, seed }) };
  byText.set(key, made);
  return made;
}

/** What of a surface its layout depends on. */
export type PatternedSurface = Pick<Surface, "form" | "pattern" | "seed">;

/**
 * A surface's pattern laid out on its panel; null where it has none.
 * @throws InputError or the family's own error where its settings cannot be laid out
 */
export function patternOf(surface: PatternedSurface, form: SurfaceForm, hand: Hand): Pattern | null {
  const use = surface.pattern;
  if (!use) return null;
  const before = kept.get(use);
  if (before && before.form === form && before.seed === surface.seed && sameHand(before.hand, hand))
    return before.pattern;
  const pattern = laidOut(surface, form, hand);
  kept.set(use, { form, hand, seed: surface.seed, pattern });
  return pattern;
}
