import type { Coat, History, LogEntry, Mix, PlannedThen, Surface, Well } from "../job";
import { recipeOf } from "../plan/wells";

/** What an entry keeps of the card it is made of. */
export interface Ticked {
  readonly id: string;
  readonly title: string;
  readonly coat: Coat;
  readonly surface: Surface;
  readonly mix: Mix | null;
  readonly handMinutes: number;
  /** Figures it is painted on. */
  readonly figures: number;
}

/** The plan as it stands when a card is ticked off. */
const plannedNow = ({ coat, surface, mix, handMinutes, figures }: Ticked): PlannedThen => ({
  mix: mix?.name ?? "",
  parts: mix?.parts ?? [],
  water: coat.water,
  passes: coat.passes,
  minutes: handMinutes,
  figures,
  form: surface.form,
});

/** What of a card was painted: all of it, or a pass of it, or some figures. */
export interface PaintedPart {
  readonly figures?: readonly number[];
  readonly pass?: number;
  /** Minutes planned for it. */
  readonly minutes?: number;
}

/** An entry for a card as painted: the well begun last for its mix tells what was really put in. */
export function entryFor(
  card: Ticked,
  { wells }: History,
  made: { readonly id: string; readonly at: string },
  { figures, pass, minutes }: PaintedPart = {},
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
    ...(figures && { figures: [...figures] }),
    ...(pass !== undefined && { pass }),
    planned: { ...plannedNow(card), ...(minutes !== undefined && { minutes }) },
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
