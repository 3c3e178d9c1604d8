import type { Triple } from "../colour/spaces";
import type { Addition, Batch, LogEntry } from "../job";

/** Whether a recipe is an earlier one with nothing but more drops in it. */
const goesOnWith = (later: readonly Addition[], earlier: readonly Addition[]): boolean =>
  earlier.every(({ paintId, drops }) => {
    const now = later.find((one) => one.paintId === paintId)?.drops ?? 0;
    return now >= drops;
  });

/** A batch with what an entry tells of it: an entry tells all that went into its well so far. */
function wentOn(batch: Batch | undefined, entry: LogEntry, mix: string): Batch {
  const { cardTitle, recipe, doneAt } = entry;
  const newest = entry.readings?.at(-1);
  const water = entry.water ?? batch?.water;
  const read: Triple | undefined = newest ? [newest.l, newest.a, newest.b] : batch?.read;
  return {
    mix,
    coats: [...new Set([...(batch?.coats ?? []), cardTitle])],
    added: recipe!,
    ...(water === undefined ? {} : { water }),
    ...(read === undefined ? {} : { read }),
    at: doneAt,
  };
}

/** Wells as they were really mixed, each once, in the order they were begun; entries whose well was not kept tell of none. */
export function batchesOf(log: readonly LogEntry[]): Batch[] {
  const batches: Batch[] = [];
  const newest = new Map<string, number>();
  for (const entry of log.toSorted((a, b) => a.doneAt.localeCompare(b.doneAt))) {
    const { recipe, planned } = entry;
    if (!recipe || recipe.length === 0 || !planned) continue;
    const known = newest.get(planned.mix);
    if (known !== undefined && goesOnWith(recipe, batches[known]!.added))
      batches[known] = wentOn(batches[known], entry, planned.mix);
    else {
      newest.set(planned.mix, batches.length);
      batches.push(wentOn(undefined, entry, planned.mix));
    }
  }
  return batches;
}
