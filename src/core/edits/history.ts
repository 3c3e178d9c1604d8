import type { Coat, History, LogEntry, Well } from "../job";
import { recipeOf } from "../plan/wells";

interface Ticked {
  readonly id: string;
  readonly title: string;
  readonly coat: Coat;
}

/** An entry for a card as painted: the well begun last for its mix tells what was really put in. */
export function entryFor(
  card: Ticked,
  { wells }: History,
  made: { readonly id: string; readonly at: string },
): LogEntry {
  const well = wells.findLast((one) => one.mixId === card.coat.mixId && one.added.length > 0);
  return {
    id: made.id,
    cardId: card.id,
    cardTitle: card.title,
    doneAt: made.at,
    minutes: null,
    note: "",
    recipe: well ? recipeOf(well) : null,
  };
}

/** Entries of the log for one card, first to last. */
export const entriesOf = ({ log }: Pick<History, "log">, cardId: string): LogEntry[] =>
  log.filter((entry) => entry.cardId === cardId);

/** An id that no well has. */
export function freeWellId(wells: readonly Well[]): string {
  let number = wells.length + 1;
  while (wells.some((well) => well.id === `well-${number}`)) number++;
  return `well-${number}`;
}

/** A list with one thing put in, or changed where it is. */
export const withItem = <T extends { readonly id: string }>(list: readonly T[], item: T): T[] =>
  list.some((one) => one.id === item.id)
    ? list.map((one) => (one.id === item.id ? item : one))
    : [...list, item];
