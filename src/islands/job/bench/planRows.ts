import { figureOf, type Job } from "../../../core/job";
import type { PlanItem } from "./usePlan";

/** More rows than this are not told apart by figure. */
const MOST_ROWS = 40;

/** No surface is called so. */
const HAND = "";

/** Rows of the chart of times: surfaces, each figure of a unit by itself while there are few of them. */
export interface PlanRows {
  readonly names: readonly string[];
  /** The row of all that the hand does. */
  readonly hand: number;
  /** Rows of the surfaces an item lies in. */
  of(item: PlanItem): number[];
}

export function rowsOf(items: readonly PlanItem[], job: Job): PlanRows {
  const keys: string[] = [HAND];
  const names: string[] = ["The hand"];
  const all = new Set(
    items.flatMap(({ cards: [{ surface }], turn }) =>
      turn.figures.map((figure) => `${surface.id}/${figure}`),
    ),
  );
  const byFigure = all.size <= MOST_ROWS;
  const keyOf = (surfaceId: string, figure: number) => (byFigure ? `${surfaceId}/${figure}` : surfaceId);
  for (const surface of job.surfaces) {
    const { count } = figureOf(job, surface);
    for (let figure = 1; figure <= count; figure++) {
      const key = keyOf(surface.id, figure);
      if (keys.includes(key) || !all.has(`${surface.id}/${figure}`)) continue;
      keys.push(key);
      names.push(byFigure && count > 1 ? `${surface.name} ${figure}` : surface.name);
    }
  }
  return {
    names,
    hand: 0,
    of: ({ cards: [{ surface }], turn }) => [
      ...new Set(turn.figures.map((figure) => keys.indexOf(keyOf(surface.id, figure)))),
    ],
  };
}
