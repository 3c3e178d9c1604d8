import { ciede2000, directionInWords } from "../colour/difference";
import type { Triple } from "../colour/spaces";
import type { Addition, LogEntry, Paint } from "../job";
import { batchesOf } from "./batches";
import { isTechniqueId, techniques } from "../techniques";

/** Minutes of one technique: as planned, and as they were taken. */
export interface TechniqueMinutes {
  readonly name: string;
  readonly planned: number;
  readonly taken: number;
  readonly entries: number;
}

const techniqueName = (id: string | undefined): string =>
  id !== undefined && isTechniqueId(id) ? techniques[id].label : "technique not noted";

/** Minutes by technique of entries whose time was noted, what took longest first. */
export function minutesByTechnique(log: readonly LogEntry[]): TechniqueMinutes[] {
  const sums = new Map<string, TechniqueMinutes>();
  for (const { minutes, planned } of log) {
    if (minutes === null || !planned) continue;
    const name = techniqueName(planned.technique);
    const sum = sums.get(name) ?? { name, planned: 0, taken: 0, entries: 0 };
    sums.set(name, {
      name,
      planned: sum.planned + planned.minutes,
      taken: sum.taken + minutes,
      entries: sum.entries + 1,
    });
  }
  return [...sums.values()].sort((a, b) => b.taken - a.taken);
}

/** Paint out of one pot, µl: what was to lie on the figures, and what was mixed for it. */
export interface PotUse {
  readonly paintId: string;
  readonly name: string;
  readonly plannedUl: number;
  readonly mixedUl: number;
}

const dropsIn = (recipe: readonly Addition[], paintId: string): number =>
  recipe.reduce((sum, one) => sum + (one.paintId === paintId ? one.drops : 0), 0);

/** Paint by pot of entries whose well was kept, most mixed first; what is mixed and not planned stayed in brush and palette. */
export function paintByPot(log: readonly LogEntry[], paints: readonly Paint[]): PotUse[] {
  const entries = log.filter(({ recipe, planned }) => recipe && planned?.thinnedUl !== undefined);
  const wells = batchesOf(entries).map(({ added }) => added);
  const plannedUl = new Map<string, number>();
  for (const { planned } of entries) {
    const { parts, thinnedUl = 0, water } = planned!;
    const all = parts.reduce((sum, part) => sum + part.parts, 0);
    for (const { paintId, parts: own } of parts)
      plannedUl.set(paintId, (plannedUl.get(paintId) ?? 0) + ((thinnedUl / (1 + water)) * own) / all);
  }
  const ids = new Set([
    ...plannedUl.keys(),
    ...wells.flatMap((recipe) => recipe.flatMap(({ paintId }) => paintId ?? [])),
  ]);
  return [...ids]
    .map((paintId) => {
      const paint = paints.find(({ id }) => id === paintId);
      const drops = wells.reduce((sum, recipe) => sum + dropsIn(recipe, paintId), 0);
      return {
        ...{ paintId, name: paint?.name ?? "missing pot", mixedUl: drops * (paint?.dropUl ?? 40) },
        plannedUl: plannedUl.get(paintId) ?? 0,
      };
    })
    .sort((a, b) => b.mixedUl - a.mixedUl);
}

/** A colour that was read against the one that was planned there. */
export interface ReadAgainst {
  readonly entryId: string;
  readonly cardTitle: string;
  readonly planned: Triple;
  readonly read: Triple;
  readonly difference: number;
  /** As a painter would say it: "darker, redder"; empty where nothing stands out. */
  readonly words: string;
}

/**
 * The newest reading of each entry against what its card was to look like, furthest off first.
 * @param plannedOf L*a*b* of a card once it is dry; undefined where that is not known
 */
export function coloursRead(
  log: readonly LogEntry[],
  plannedOf: (cardId: string) => Triple | undefined,
): ReadAgainst[] {
  return log
    .flatMap(({ id, cardId, cardTitle, readings }) => {
      const newest = readings?.at(-1);
      const planned = plannedOf(cardId);
      if (!newest || !planned) return [];
      const read: Triple = [newest.l, newest.a, newest.b];
      return [
        {
          ...{ entryId: id, cardTitle, planned, read },
          difference: ciede2000(planned, read),
          words: directionInWords(planned, read),
        },
      ];
    })
    .sort((a, b) => b.difference - a.difference);
}
