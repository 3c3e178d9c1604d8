import type { Coat, Job, Surface } from "../job";
import type { Counting } from "../patterns/family";
import { patternOf } from "../patterns/bind";
import type { SurfaceForm } from "../surface/forms/form";
import { formatNumber } from "../units";

/** What is counted before a coat of the surface's pattern is painted full. */
export function countingOf(job: Job, surface: Surface, form: SurfaceForm, coat: Coat): readonly Counting[] {
  if (coat.place.kind !== "pattern") return [];
  const pattern = patternOf(job, surface, form);
  return pattern?.family.counts?.(pattern.layout, coat.place.key) ?? [];
}

/** Cards with what was counted for the one before left out: lines stand still once they are right. */
export function countedOnce<T extends { readonly countFirst: readonly Counting[] }>(
  cards: readonly T[],
): T[] {
  const known = new Set<string>();
  return cards.map((card) => {
    const text = countingText(card.countFirst);
    if (!known.has(text)) {
      known.add(text);
      return card;
    }
    return { ...card, countFirst: [] };
  });
}

/** "24 column lines, 9 row lines". */
export const countingText = (countings: readonly Counting[]): string =>
  countings
    .map(({ what, count, within }) => `${within > 0 ? "about " : ""}${formatNumber(count, 0)} ${what}`)
    .join(", ");

/** What is said of a count. */
export interface CountSays {
  readonly right: boolean;
  readonly words: string;
}

/** Judges what the painter counted, and says what to do about it while it is thin. */
export function countSays({ what, count, within }: Counting, counted: number): CountSays {
  const off = counted - count;
  if (off === 0) return { right: true, words: "As many as planned: paint on." };
  if (Math.abs(off) <= within)
    return { right: true, words: `${formatNumber(count, 0)} were planned; this looks the same. Paint on.` };
  const many = formatNumber(Math.abs(off), 0);
  if (within > 0)
    return off < 0
      ? { right: false, words: `${many} fewer than planned: set some small odd ones into the widest gaps.` }
      : { right: false, words: `${many} more than planned: join neighbours, or cover some in the base mix.` };
  return off < 0
    ? {
        right: false,
        words: `${many} of the ${what} missing: find the gap that is twice as wide, before anything is filled.`,
      }
    : {
        right: false,
        words: `${many} of the ${what} too many: find two that stand too close, and wipe or cover one before anything is filled.`,
      };
}
