import type { Paint } from "../../job";
import type { Painter } from "../../painter";
import type { LearnedPot } from "./learnPots";

/** What the shelf said of a pot before what was learned was taken over. */
type Former = NonNullable<Painter["learning"]["pots"]>[number];

/** What the shelf said of a pot before; undefined where nothing was taken over. */
export const formerOf = ({ learning }: Pick<Painter, "learning">, paintId: string): Former | undefined =>
  learning.pots?.find((one) => one.paintId === paintId);

/** The painter who remembers, or no longer needs to, what the shelf said of a pot; what was said first stays. */
export function withFormer(painter: Painter, { id, strength, hiding }: Paint, keep: boolean): Painter {
  const known = formerOf(painter, id) ?? { paintId: id, strength, hiding };
  const others = (painter.learning.pots ?? []).filter((one) => one.paintId !== id);
  return { ...painter, learning: { ...painter.learning, pots: keep ? [...others, known] : others } };
}

/** A pot with what was learned of it. */
export const withLearned = (paint: Paint, { strength, hiding }: LearnedPot): Paint => ({
  ...paint,
  strength: strength.value,
  hiding: hiding.value,
});
