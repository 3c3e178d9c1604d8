import { figureOf, type Coat, type Job, type Mix, type Surface } from "../../../core/job";
import type { Batch } from "../../../core/plan/drops";
import type { Card } from "../../../core/plan/cards";
import { useCards } from "../useStageStates";

export interface AreaAtHand {
  readonly surface: Surface;
  readonly coat: Coat;
  readonly batch: Batch;
  readonly figures: number;
  /** Pieces of each figure: two of a pair. */
  readonly pieces: number;
}

/** The largest batch that any coat of a mix asks for, by its card. */
export function largestBatch(job: Pick<Job, "figures">, cards: readonly Card[], mix: Mix): AreaAtHand | null {
  const own = cards.flatMap((card) =>
    card.coat.mixId === mix.id && card.batch
      ? [
          {
            surface: card.surface,
            coat: card.coat,
            batch: card.batch,
            figures: figureOf(job, card.surface).count,
            pieces: card.pieces,
          },
        ]
      : [],
  );
  return own.reduce<AreaAtHand | null>(
    (most, one) => (most === null || one.batch.neededUl > most.batch.neededUl ? one : most),
    null,
  );
}

/** What the largest coat of a mix asks for; null where no coat uses it. */
export const useAreaAtHand = (job: Job, mix: Mix): AreaAtHand | null => largestBatch(job, useCards(), mix);
