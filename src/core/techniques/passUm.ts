import { brushedPassUm } from "../colour/mix";
import type { Coat } from "../job";
import { isTechniqueId, techniques } from ".";

/** Dry film of one pass of a coat where it is laid evenly, µm. */
export function coatPassUm(coat: Pick<Coat, "technique" | "water">): number {
  const share = isTechniqueId(coat.technique.id) ? techniques[coat.technique.id].filmShare : 1;
  return brushedPassUm(coat.water) * share;
}
