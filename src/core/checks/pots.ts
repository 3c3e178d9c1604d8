import { mixById, type Coat, type Job, type Paint } from "../job";
import type { Check } from "./check";

interface Lack {
  readonly sentence: string;
  readonly reason: string;
}

/** What a coat lacks to be painted: its mix, or pots of it. */
function lacksOf(coat: Coat, job: Job, paints: readonly Paint[]): Lack[] {
  const mix = mixById(job, coat.mixId);
  if (!mix || mix.parts.length === 0) {
    const reason = "Its mix is missing or has no parts; choose one in the coat.";
    return [{ sentence: `${coat.name} has no paint.`, reason }];
  }
  return mix.parts.flatMap(({ paintId }): Lack[] => {
    const paint = paints.find((one) => one.id === paintId);
    if (!paint) {
      const reason = "Put the pot on the shelf or take it out of the mix.";
      return [{ sentence: `${mix.name} names a pot that is not on the shelf.`, reason }];
    }
    if (paint.state === "have" || paint.state === "low") return [];
    const state = paint.state === "out" ? "used up" : "only wanted";
    return [{ sentence: `${paint.name} is ${state}.`, reason: `${mix.name} needs it.` }];
  });
}

/** Is every mix there, with pots in it that are at hand? */
export const pots: Check = {
  id: "pots",
  label: "Pots are at hand",
  run: ({ job, paints, coats }) =>
    coats.flatMap((coat) =>
      lacksOf(coat, job, paints).map((lack) => ({
        ...lack,
        key: coat.id,
        gravity: "must" as const,
        coatId: coat.id,
        where: coat.name,
        remedies: [],
      })),
    ),
};
