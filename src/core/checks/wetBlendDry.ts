import { isTechniqueId, techniques } from "../techniques";
import type { Check } from "./check";

/** Ways of laying paint that leave enough of it wet to be worked into. */
const WET: ReadonlySet<string> = new Set(["base-coat", "layer", "wet-blend", "fill"]);

/** Is there something wet to blend into? */
export const wetBlendDry: Check = {
  id: "wet-blend-dry",
  label: "Wet blends find wet paint",
  run: ({ surface, coats }) =>
    coats.flatMap((coat, at) => {
      const { id } = coat.technique;
      const before = coats[at - 1];
      if (!isTechniqueId(id) || !techniques[id].wetInWet || (before && WET.has(before.technique.id)))
        return [];
      return [
        {
          key: coat.id,
          gravity: "look" as const,
          coatId: coat.id,
          where: `${surface.name}, ${coat.name}`,
          sentence: before
            ? `${before.name}, which comes before ${coat.name}, leaves nothing wet to blend into.`
            : `${coat.name} comes first: there is nothing wet to blend into.`,
          reason:
            "A wet blend is worked into the coat laid right before it. Put it after the coat it shall run into, or make it a layer.",
          remedies: [],
        },
      ];
    }),
};
