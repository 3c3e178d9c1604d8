import type { PlanItem } from "./usePlan";

/** Card and pass that the id of a turn names: "skirt/base#2@1" is the second pass of skirt/base on the first figure. */
function namedBy(id: string): { readonly cardId: string; readonly pass: number | null } {
  const [cardId = "", pass] = id.split("#");
  return { cardId, pass: pass === undefined ? null : Number.parseInt(pass, 10) };
}

/**
 * The item that is looked at: the one chosen by its turn or card, else the first that is not done. Turns have other ids
 * once they are planned anew: what was chosen before is found by its card and pass.
 */
export function chosenOf(items: readonly PlanItem[], id: string | null): PlanItem | undefined {
  const { cardId, pass } = namedBy(id ?? "");
  const ofCard = items.filter(({ turn }) => turn.cardIds.includes(cardId));
  const open = ofCard.filter(({ done }) => !done);
  return (
    items.find(({ turn }) => turn.id === id) ??
    open.find(({ turn }) => pass !== null && turn.pass === pass) ??
    open[0] ??
    ofCard[0] ??
    items.find(({ done }) => !done) ??
    items[0]
  );
}
