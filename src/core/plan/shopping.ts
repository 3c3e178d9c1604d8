import type { Paint } from "../job";
import type { MixBatch } from "./batches";
import type { Card } from "./cards";

/** What all batches take out of one pot. */
export interface PotWanted {
  readonly name: string;
  readonly ml: number;
  /** The same in drops of this pot, rounded up. */
  readonly drops: number;
}

/** Every batch once, in the order in which they are mixed. */
export const batchesIn = (cards: readonly Card[]): MixBatch[] => [
  ...new Set(cards.flatMap(({ mixing }) => mixing)),
];

/** Paint out of every pot, all batches added up; most first. */
export function shopping(cards: readonly Card[], paints: readonly Paint[]): PotWanted[] {
  const sums = new Map<string, number>();
  for (const { pots } of batchesIn(cards))
    for (const { paintId, ul } of pots) sums.set(paintId, (sums.get(paintId) ?? 0) + ul);
  return [...sums]
    .sort((a, b) => b[1] - a[1])
    .map(([id, ul]) => {
      const paint = paints.find((one) => one.id === id);
      return {
        name: paint?.name ?? "missing pot",
        ml: ul / 1000,
        drops: Math.ceil(ul / (paint?.dropUl ?? 40) - 1e-9),
      };
    });
}
