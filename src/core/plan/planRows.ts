import type { Card } from "./cards";
import type { Turn } from "./schedule/turns";

/** One thing to do at the bench, as files and lists tell of it. */
export interface PlannedTurn {
  readonly turn: Turn;
  /** Cards it paints: two where one is laid wet into the other. */
  readonly cards: readonly Card[];
  /** From 1, in the order of painting. */
  readonly number: number;
  /** What of its card it paints: "pass 1 of 2, figures 1 to 5"; empty where it is all. */
  readonly part: string;
}

/** Names of the cards: "Base, then Blend". */
export const namesOf = (cards: readonly Card[]): string => cards.map(({ title }) => title).join(", then ");
