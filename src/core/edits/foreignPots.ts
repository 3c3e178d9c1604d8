import type { JobFile } from "../formats/job-json/jobFile";
import type { History, Job, Paint } from "../job";
import { dropsCalled, namesHere, partsCalled, type Rename } from "./otherPots";

const inJob = (job: Job, rename: Rename): Job => ({
  ...job,
  mixes: job.mixes.map((mix) => ({
    ...mix,
    parts: partsCalled(mix.parts, rename),
  })),
});

const inHistory = ({ log, wells, ...rest }: History, rename: Rename): History => ({
  ...rest,
  log: log.map((entry) => ({
    ...entry,
    recipe: entry.recipe && dropsCalled(entry.recipe, rename),
    ...(entry.planned
      ? {
          planned: {
            ...entry.planned,
            parts: partsCalled(entry.planned.parts, rename),
          },
        }
      : {}),
  })),
  wells: wells.map((well) => ({
    ...well,
    added: dropsCalled(well.added, rename),
    content: well.content.map((part) => ({ ...part, paintId: rename(part.paintId) })),
  })),
});

/**
 * A file's job on a shelf of one's own: pots that are there already are those; a pot that only shares its id with another
 * one of the shelf gets an id of its own, wherever the file names it.
 */
export function onOwnShelf(
  { job, history, paints }: JobFile,
  shelf: readonly Paint[],
): Omit<JobFile, "pictures"> {
  const rename = namesHere(paints, shelf);
  return {
    job: inJob(job, rename),
    history: inHistory(history, rename),
    paints: paints.map((paint) => ({ ...paint, id: rename(paint.id) })),
  };
}

/** Ids of pots that a job names and that neither its file nor the shelf has. */
export function missingPots({ job, paints }: JobFile, shelf: readonly Paint[]): string[] {
  const known = new Set([...paints, ...shelf].map(({ id }) => id));
  const asked = job.mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId));
  return [...new Set(asked)].filter((id) => !known.has(id));
}
