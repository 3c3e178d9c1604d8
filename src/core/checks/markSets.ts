import { type Coat } from "../job";
import { completeParams } from "../params";
import type { MarkSet } from "../patterns/family";
import { createRandom } from "../random";
import { marksOf } from "../simulate/layCoat";
import { coarseGrid } from "../simulate/coarseGrid";
import { isTechniqueId, techniques } from "../techniques";
import { coatPassUm } from "../techniques/passUm";
import type { PlacedMark } from "../techniques/singleMarks";
import type { CheckContext } from "./check";
import type { Remedy } from "./finding";

/** A set of marks, the coat that lays them, and what mends each fault. */
export interface JudgedSet {
  readonly coat: Coat;
  readonly set: Omit<MarkSet, "remedies">;
  readonly remedies: Readonly<Partial<Record<string, readonly Remedy[]>>>;
}

/** Marks judged at most: spacing and neighbours are compared pair by pair. */
const MOST_MARKS = 300;
/** Fewer are alike or evenly spaced by chance too often to be told off. */
const LEAST_MARKS = 16;

/** The marks nearest to the middle one: a window of the set, with nothing left out of it. */
function windowOf(marks: readonly PlacedMark[]): readonly PlacedMark[] {
  if (marks.length <= MOST_MARKS) return marks;
  const middle = marks[0]!;
  const away = ({ xMm, yMm }: PlacedMark) => Math.hypot(xMm - middle.xMm, yMm - middle.yMm);
  return [...marks].sort((a, b) => away(a) - away(b)).slice(0, MOST_MARKS);
}

/** Marks a pattern lays out. */
export function patternSets({ surface, coats, pattern }: CheckContext): JudgedSet[] {
  const sets = pattern?.family.markSets?.(pattern.layout) ?? [];
  return sets.flatMap(({ remedies, ...set }): JudgedSet[] => {
    const coat = coats.find(({ place }) => place.kind === "pattern" && place.key === set.key);
    if (!coat) return [];
    const params = ["surfaces", surface.id, "pattern", "params"];
    const mended = Object.entries(remedies).map(([fault, list]) => [
      fault,
      list.map(({ label, path, value }) => ({ label, changes: [{ path: [...params, ...path], value }] })),
    ]);
    return [{ coat, set, remedies: Object.fromEntries(mended) as JudgedSet["remedies"] }];
  });
}

/** Marks that techniques set one by one. */
export function techniqueSets({ job, surface, form, coats }: CheckContext): JudgedSet[] {
  return coats.flatMap((coat): JudgedSet[] => {
    const { id } = coat.technique;
    const technique = isTechniqueId(id) ? techniques[id] : null;
    // What a pattern lays out itself it tells of itself.
    const laidOut = coat.place.kind === "pattern" && !technique?.lays.every((kind) => kind === "field");
    if (!technique?.singles || laidOut) return [];
    const { singles } = technique;
    const grid = coarseGrid(job, surface);
    const { water, overSeams } = coat;
    const context = {
      ...{ grid, water, overSeams, passUm: coatPassUm(coat), passes: 1, hand: job.hand, nearCover: null },
      marks: marksOf(job, surface, form, coat, () => grid),
      heightMm: () => grid.relief,
    };
    const params = completeParams(technique.params, coat.technique.params);
    const marks = windowOf(singles.of(context, params, createRandom(coat.seed)));
    if (marks.length < LEAST_MARKS) return [];
    const path = ["surfaces", surface.id, "coats", coat.id, "technique", "params"];
    const mended = Object.entries(singles.remedies).map(([fault, { label, param, value }]) => [
      fault,
      [{ label, changes: [{ path: [...path, param], value }] }],
    ]);
    const set = { ...singles.intent, key: coat.id, label: coat.name, marks };
    return [{ coat, set, remedies: Object.fromEntries(mended) as JudgedSet["remedies"] }];
  });
}
