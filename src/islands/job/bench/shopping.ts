import type { Paint } from "../../../core/job";
import type { Card } from "../../../core/plan/cards";

/** Whole drops of each pot over all cards, with their volume. */
export function shopping(
  cards: readonly Card[],
  paints: readonly Paint[],
): { name: string; drops: number; ml: number }[] {
  const sums = new Map<string, number>();
  for (const card of cards) {
    for (const pot of card.batch?.drops ?? [])
      sums.set(pot.paintId, (sums.get(pot.paintId) ?? 0) + pot.drops);
  }
  return [...sums].map(([id, drops]) => {
    const paint = paints.find((one) => one.id === id);
    return { name: paint?.name ?? "missing pot", drops, ml: (drops * (paint?.dropUl ?? 40)) / 1000 };
  });
}
