import type { PlanItem } from "./usePlan";

/** The item that is looked at: the one chosen by its turn or card, else the first that is not done. */
export function chosenOf(items: readonly PlanItem[], id: string | null): PlanItem | undefined {
  return (
    items.find(({ turn }) => turn.id === id) ??
    items.find(({ turn, done }) => !done && turn.cardIds.some((cardId) => cardId === id)) ??
    items.find(({ turn }) => turn.cardIds.some((cardId) => cardId === id)) ??
    items.find(({ done }) => !done) ??
    items[0]
  );
}
