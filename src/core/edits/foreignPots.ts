import type { JobFile } from "../formats/job-json/jobFile";
import type { Addition, History, Job, Paint } from "../job";

type Rename = (paintId: string) => string;

const inJob = (job: Job, rename: Rename): Job => ({
  ...job,
  mixes: job.mixes.map((mix) => ({
    ...mix,
    parts: mix.parts.map((part) => ({ ...part, paintId: rename(part.paintId) })),
  })),
});

const inAdditions = (list: readonly Addition[], rename: Rename): Addition[] =>
  list.map((one) => (one.paintId === null ? one : { ...one, paintId: rename(one.paintId) }));

const inHistory = ({ log, wells, ...rest }: History, rename: Rename): History => ({
  ...rest,
  log: log.map((entry) => ({
    ...entry,
    recipe: entry.recipe && inAdditions(entry.recipe, rename),
    ...(entry.planned
      ? {
          planned: {
            ...entry.planned,
            parts: entry.planned.parts.map((part) => ({ ...part, paintId: rename(part.paintId) })),
          },
        }
      : {}),
  })),
  wells: wells.map((well) => ({
    ...well,
    added: inAdditions(well.added, rename),
    content: well.content.map((part) => ({ ...part, paintId: rename(part.paintId) })),
  })),
});

/** Whether two pots of one id are the same pot: by name, range, kind and colour; what is left in them may differ. */
const isSamePot = (one: Paint, other: Paint): boolean =>
  one.name === other.name &&
  one.range === other.range &&
  one.kind === other.kind &&
  one.thick === other.thick;

/**
 * A file's job on a shelf of one's own: pots that are there already are those; a pot that only shares its id with another
 * one of the shelf gets an id of its own, wherever the file names it.
 */
export function onOwnShelf(
  { job, history, paints }: JobFile,
  shelf: readonly Paint[],
): Omit<JobFile, "pictures"> {
  const taken = new Set([...shelf, ...paints].map(({ id }) => id));
  const names = new Map<string, string>();
  for (const paint of paints) {
    const own = shelf.find(({ id }) => id === paint.id);
    if (!own || isSamePot(own, paint)) continue;
    let number = 2;
    while (taken.has(`${paint.id}-${number}`)) number++;
    const id = `${paint.id}-${number}`;
    taken.add(id);
    names.set(paint.id, id);
  }
  const rename: Rename = (paintId) => names.get(paintId) ?? paintId;
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
