import type { Job, LogEntry } from "../../../core/job";
import type { Card } from "../../../core/plan/cards";
import { recipeOf } from "../../../core/plan/wells";

/** Notes a card as painted now. */
export function tickCard(job: Job, card: Card): Job {
  // The well begun for this mix tells what was really put in.
  const well = job.wells.findLast((one) => one.mixId === card.coat.mixId && one.added.length > 0);
  const entry: LogEntry = {
    id: `entry-${crypto.randomUUID()}`,
    cardId: card.id,
    cardTitle: card.title,
    doneAt: new Date().toISOString(),
    minutes: null,
    note: "",
    recipe: well ? recipeOf(well) : null,
  };
  return { ...job, log: [...job.log, entry] };
}

export const untickCard = (job: Job, cardId: string): Job => ({
  ...job,
  log: job.log.filter((entry) => entry.cardId !== cardId),
});

export const changeEntry = (
  job: Job,
  id: string,
  part: Partial<Pick<LogEntry, "minutes" | "note">>,
): Job => ({
  ...job,
  log: job.log.map((entry) => (entry.id === id ? { ...entry, ...part } : entry)),
});
