import type { Paint, PlannedSitting } from "../job";
import type { Painter } from "../painter";
import { withBatches, type Card } from "./cards";
import { figuresOf } from "./progress";
import type { Window } from "./schedule/task";
import type { Turn, Turns } from "./schedule/turns";

/** Cards one after the other, pass by pass, as long as no better plan is known. */
export function turnsInOrder(cards: readonly Card[]): Turns {
  let minutes = 0;
  const turns = cards.flatMap((card) => {
    const { passes } = card.coat;
    return Array.from({ length: passes }, (_, at): Turn => {
      const start = minutes;
      const end = start + card.handMinutes / passes;
      minutes = end + card.dryMinutes;
      return {
        ...{ id: passes > 1 ? `${card.id}#${at + 1}` : card.id, cardIds: [card.id] },
        ...{ pass: passes > 1 ? at + 1 : null, part: null, goesOn: false, figures: figuresOf(card) },
        ...{ setUpAt: start, start, end, sitting: 0, dries: card.dryMinutes },
      };
    });
  });
  const handMinutes = cards.reduce((sum, card) => sum + card.handMinutes, 0);
  const sittings = turns.length > 0 ? [{ start: 0, end: Infinity }] : [];
  return { turns, sittings, given: 0, end: turns.at(-1)?.end ?? 0, bound: 0, handMinutes };
}

/**
 * Cards in the order in which a plan comes to them first, each with the batches its paint comes from then: paint that is
 * mixed in one sitting has dried up by a later one, or has not.
 */
export function cardsInPlan(
  cards: readonly Card[],
  { turns }: { readonly turns: readonly Pick<Turn, "cardIds" | "setUpAt">[] },
  paints: readonly Paint[],
  painter: Painter,
): Card[] {
  const first = new Map<string, number>();
  for (const { cardIds, setUpAt } of turns)
    for (const id of cardIds) if (!first.has(id)) first.set(id, setUpAt);
  const planned = cards
    .filter(({ id }) => first.has(id))
    .toSorted((a, b) => first.get(a.id)! - first.get(b.id)!);
  return withBatches(
    planned,
    planned.map(({ id }) => first.get(id)!),
    paints,
    painter,
  );
}

/** Tells in how many minutes a time comes, ISO 8601 and UTC; below 0 where it is over. */
export type InMinutes = (at: string) => number;

/** Sittings of a plan that are not over yet, minutes from now. */
export function windowsFrom(sittings: readonly PlannedSitting[], inMinutes: InMinutes): Window[] {
  const windows = sittings
    .map(({ startsAt, minutes }) => {
      const start = inMinutes(startsAt);
      return { start: Math.max(0, start), end: start + minutes };
    })
    .filter(({ end }) => end > 0)
    .toSorted((a, b) => a.start - b.start);
  // Where two lie over each other the later one goes on where the earlier ends.
  return windows.flatMap((window, at) => {
    const start = Math.max(window.start, ...windows.slice(0, at).map(({ end }) => end));
    return start < window.end ? [{ start, end: window.end }] : [];
  });
}
