import type { Coat, Job, LogEntry, MishapId, Surface } from "../../../../core/job";
import { mishapIds, mishaps } from "../../../../core/mishaps";
import type { Card } from "../../../../core/plan/cards";
import { filmAfter, type FilmState } from "../../../../core/plan/clocks";
import { doneOf } from "../../../../core/plan/progress";

/** Ids of a surface's coats of which anything is painted. */
export const paintedOn = (cards: readonly Card[], surfaceId: string, log: readonly LogEntry[]): string[] =>
  cards
    .filter((card) => card.surface.id === surfaceId && doneOf(card, log).size > 0)
    .map((card) => card.coat.id);

/** How far the film of a card is: one that is not ticked off is being painted. */
export function stateOf(
  card: Card,
  log: readonly LogEntry[],
  nowMs: number,
): { state: FilmState; left: number } {
  const at = log.findLast(({ cardId }) => cardId === card.id)?.doneAt;
  return filmAfter(card, at === undefined ? 0 : Math.max(0, (nowMs - Date.parse(at)) / 60_000));
}

/** A mishap that can have happened, and the coats of the surface it can have happened to. */
export interface Possible {
  readonly kind: MishapId;
  readonly coats: readonly Coat[];
}

/**
 * What can have gone wrong with a card's coat, or been left out before it.
 * @param done coats of which anything is painted; the card's own is at work
 */
export function possible(job: Job, surface: Surface, coat: Coat, done: readonly string[]): Possible[] {
  return mishapIds.flatMap((kind): Possible[] => {
    const candidates = kind === "forgotten" ? surface.coats : [coat];
    const known = new Set(kind === "forgotten" ? done : [...done, coat.id]);
    const coats = candidates.filter(
      (one) => !one.held && !one.mishap && mishaps[kind].suits({ job, surface, coat: one, painted: known }),
    );
    return coats.length > 0 ? [{ kind, coats }] : [];
  });
}
