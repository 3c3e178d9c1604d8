import { brushedPassUm } from "../colour/mix";
import type { Coat } from "../job";
import { completeParams } from "../params";
import { isTechniqueId, techniques } from ".";
import type { TechniqueDefinition } from "./technique";

/** Dry film of one pass of a coat where it is laid evenly, µm. */
export function coatPassUm(coat: Pick<Coat, "technique" | "water">): number {
  const { id, params } = coat.technique;
  if (!isTechniqueId(id)) return brushedPassUm(coat.water);
  const technique: TechniqueDefinition = techniques[id];
  if (technique.filmUm) return technique.filmUm(completeParams(technique.params, params), coat.water);
  return brushedPassUm(coat.water) * technique.filmShare;
}
