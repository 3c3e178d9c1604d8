import { mixById } from "../job";
import type { Check } from "./check";

/** Is every mix there, with pots in it that are at hand? */
export const pots: Check = {
  id: "pots",
  label: "Pots are at hand",
  run({ job, paints, coats }) {
    return coats.flatMap((coat) => {
      const mix = mixById(job, coat.mixId);
      const base = {
        key: coat.id,
        gravity: "must" as const,
        coatId: coat.id,
        where: coat.name,
        remedies: [],
      };
      if (!mix || mix.parts.length === 0) {
        return [
          {
            ...base,
            sentence: `${coat.name} has no paint.`,
            reason: "Its mix is missing or has no parts; choose one in the coat.",
          },
        ];
      }
      return mix.parts.flatMap((part) => {
        const paint = paints.find((one) => one.id === part.paintId);
        if (!paint) {
          return [
            {
              ...base,
              sentence: `${mix.name} names a pot that is not on the shelf.`,
              reason: "Put the pot on the shelf or take it out of the mix.",
            },
          ];
        }
        if (paint.state === "have" || paint.state === "low") return [];
        return [
          {
            ...base,
            sentence: `${paint.name} is ${paint.state === "out" ? "used up" : "only wanted"}.`,
            reason: `${mix.name} needs it.`,
          },
        ];
      });
    });
  },
};
