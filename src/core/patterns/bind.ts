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

const sameHand = (a: Hand, b: Hand) => a.finestLineMm === b.finestLineMm && a.steadiness01 === b.steadiness01;

/**
 * A surface's pattern laid out on its panel; null where it has none.
 * @throws InputError or the family's own error where its settings cannot be laid out
 */
export function patternOf(
  surface: Pick<Surface, "pattern" | "seed">,
  form: SurfaceForm,
  hand: Hand,
): Pattern | null {
  const use = surface.pattern;
  if (!use) return null;
  const before = kept.get(use);
  if (before && before.form === form && before.seed === surface.seed && sameHand(before.hand, hand))
    return before.pattern;
  const family = familyOf(use);
  const layout = family.layout(use.params, { form, hand, seed: surface.seed });
  const pattern = { family, params: use.params, layout };
  kept.set(use, { form, hand, seed: surface.seed, pattern });
  return pattern;
}
