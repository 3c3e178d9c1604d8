import type { Card } from "./cards";
import type { Wish } from "./schedule/task";
import type { Turn } from "./schedule/turns";

/** What putting a card elsewhere comes to: the painter's wishes after it, or why it cannot lie there. */
export type Moved =
  | { readonly kind: "wishes"; readonly wishes: readonly Wish[]; readonly added: Wish }
  | { readonly kind: "refused"; readonly why: string }
  | { readonly kind: "same" };

/** Cards that come after a card at once: the next on its surface, and what is wished. */
function nextOf(card: string, cards: readonly Card[], wishes: readonly Wish[]): string[] {
  const at = cards.findIndex(({ id }) => id === card);
  const follows = cards.slice(at + 1).find(({ surface }) => surface.id === cards[at]?.surface.id);
  return [
    ...(follows ? [follows.id] : []),
    ...wishes.filter(({ first }) => first === card).map(({ then }) => then),
  ];
}

/** Cards on the way from one card to another that has to wait for it; null where it need not. */
function wayTo(from: string, to: string, cards: readonly Card[], wishes: readonly Wish[]): string[] | null {
  const cameFrom = new Map<string, string | null>([[from, null]]);
  const queue = [from];
  for (let card = queue.shift(); card !== undefined; card = queue.shift()) {
    if (card === to) {
      const way: string[] = [];
      for (let at: string | null = to; at !== null; at = cameFrom.get(at) ?? null) way.unshift(at);
      return way;
    }
    for (const next of nextOf(card, cards, wishes))
      if (!cameFrom.has(next)) {
        cameFrom.set(next, card);
        queue.push(next);
      }
  }
  return null;
}

/** Before which card a card has to be painted, or after which, so that it comes to a time; null where it is there already. */
function wishAt(turns: readonly Turn[], moved: Turn, toMinutes: number): Wish | null {
  const own = moved.cardIds[0]!;
  const others = turns.filter(({ cardIds }) => !cardIds.includes(own));
  if (toMinutes < moved.setUpAt) {
    const next = others.find(({ end }) => end > toMinutes);
    return next && next.setUpAt < moved.setUpAt ? { first: own, then: next.cardIds[0]! } : null;
  }
  const before = others.findLast(({ setUpAt }) => setUpAt < toMinutes);
  return before && before.end > moved.end ? { first: before.cardIds.at(-1)!, then: own } : null;
}

/**
 * Puts a card to another time of the plan: before what is painted then, or after it. The rest of the plan follows.
 * @param cards all, those of one surface in the order of its coats
 * @param toMinutes where its beginning is put, minutes from the beginning of the plan
 */
export function withMoved(
  cards: readonly Card[],
  turns: readonly Turn[],
  wishes: readonly Wish[],
  moved: Turn,
  toMinutes: number,
): Moved {
  const added = wishAt(turns, moved, toMinutes);
  if (!added) return { kind: "same" };
  const nameOf = (id: string) => cards.find((card) => card.id === id)?.title ?? "";
  // What was wished the other way round before is over.
  const kept = wishes.filter(
    ({ first, then }) =>
      !(first === added.then && then === added.first) && !(first === added.first && then === added.then),
  );
  const way = wayTo(added.then, added.first, cards, kept);
  if (!way) return { kind: "wishes", wishes: [...kept, added], added };
  const below = way.map(nameOf).filter((_, at) => at > 0 && at < way.length - 1);
  const by = below.length > 0 ? `, by way of ${below.join(", ")}` : "";
  return {
    kind: "refused",
    why: `${nameOf(added.first)} has to wait for ${nameOf(added.then)}${by}: it cannot come before it.`,
  };
}
