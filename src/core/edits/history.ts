import type { History, LogEntry, PlannedThen, Well } from "../job";
import type { Card } from "../plan/cards";
import { handWork } from "../plan/pace";
import { recipeOf } from "../plan/wells";

/** What an entry keeps of the card it is made of. */
export type Ticked = Pick<
  Card,
  | "id"
  | "title"
  | "coat"
  | "surface"
  | "mix"
  | "handMinutes"
  | "figures"
  | "pieces"
  | "work"
  | "needs"
  | "roomDry"
>;

/** What of a card was painted: all of it, or a pass of it, or some figures. */
export interface PaintedPart {
  readonly figures?: readonly number[];
  readonly pass?: number;
  /** Minutes planned for it. */
  readonly minutes?: number;
  /** How often something was made ready for it; 1 where left out. */
  readonly setUps?: number;
}

/** The plan as it stands when a card is ticked off. */
function plannedNow(card: Ticked, { figures: on, pass, minutes, setUps = 1 }: PaintedPart): PlannedThen {
  const { coat, surface, mix, handMinutes, figures, needs } = card;
  const part = {
    ...{ figures: on?.length ?? figures, setUps },
    passes: pass === undefined ? coat.passes : 1,
  };
  const thinned = needs.reduce((sum, { paintUl, water }) => sum + paintUl * (1 + water), 0);
  const share = (part.figures * part.passes) / Math.max(1, figures * coat.passes);
  return {
    ...{ mix: mix?.name ?? "", parts: mix?.parts ?? [], water: coat.water, passes: coat.passes },
    ...{ minutes: minutes ?? handMinutes, figures, form: surface.form, technique: coat.technique.id },
    ...{ work: handWork(card, part), touchDry: card.roomDry, thinnedUl: thinned * share },
  };
}

/** An entry for a card as painted: the well begun last for its mix tells what was really put in. */
export function entryFor(
  card: Ticked,
  { wells }: History,
  made: { readonly id: string; readonly at: string },
  part: PaintedPart = {},
): LogEntry {
  const { figures, pass } = part;
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
    planned: plannedNow(card, part),
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
