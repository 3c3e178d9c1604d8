import { backOf } from "../figure/back";
import type { Figure, Hand, PatternUse, Surface } from "../job";
import type { SpacePoint, SurfaceForm } from "../surface/forms/form";
import { familyOf } from ".";
import type { Pattern } from "./pattern";

interface Kept {
  readonly form: SurfaceForm;
  readonly hand: Hand;
  readonly seed: number;
  readonly back: SpacePoint | undefined;
  readonly pattern: Pattern;
}

/** The last layout of each use: most edits leave the pattern as it is, and many parts of the program ask for it. */
const kept = new WeakMap<PatternUse, Kept>();
/** Layouts by all they depend on: a job that came in a message is made of new objects, though little of it is new. */
const byText = new Map<string, Pattern>();
const MOST_BY_TEXT = 24;

const sameHand = (a: Hand, b: Hand) => a.finestLineMm === b.finestLineMm && a.steadiness01 === b.steadiness01;
const sameBack = (a: SpacePoint | undefined, b: SpacePoint | undefined) => a?.join() === b?.join();

function laidOut(
  { form: use, pattern, seed }: PatternedSurface,
  form: SurfaceForm,
  hand: Hand,
  back: SpacePoint | undefined,
): Pattern {
  const key = JSON.stringify([use, seed, hand, pattern, back]);
  const known = byText.get(key);
  // The newest come last; the oldest goes.
  byText.delete(key);
  const oldest = byText.keys().next();
  if (byText.size >= MOST_BY_TEXT && !oldest.done) byText.delete(oldest.value);
  const family = familyOf(pattern!);
  const { params } = pattern!;
  const room = { form, hand, seed, ...(back && { back }) };
  const made = known ?? { family, params, layout: family.layout(params, room) };
  byText.set(key, made);
  return made;
}

/** What of a surface its layout depends on. */
export type PatternedSurface = Pick<Surface, "form" | "pattern" | "seed" | "seat" | "figureId">;

/** What of a job a layout depends on: the hand, and how a surface is seated on its figure. */
interface PatternedJob {
  readonly figures: readonly Figure[];
  readonly hand: Hand;
}

/**
 * A surface's pattern laid out on its panel; null where it has none.
 * @throws InputError or the family's own error where its settings cannot be laid out
 */
export function patternOf(job: PatternedJob, surface: PatternedSurface, form: SurfaceForm): Pattern | null {
  const { pattern: use, seed } = surface;
  if (!use) return null;
  const { hand } = job;
  const back = familyOf(use).followsBack ? backOf(job, surface, form) : undefined;
  const before = kept.get(use);
  if (
    before &&
    before.form === form &&
    before.seed === seed &&
    sameHand(before.hand, hand) &&
    sameBack(before.back, back)
  )
    return before.pattern;
  const pattern = laidOut(surface, form, hand, back);
  kept.set(use, { form, hand, seed, back, pattern });
  return pattern;
}
