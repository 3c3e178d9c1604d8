import { mixById } from "../job";
import { isTechniqueId, techniques } from "../techniques";
import type { Check } from "./check";

const CLEAR: ReadonlySet<string> = new Set(["medium", "varnish"]);

/** Is there pigment in what is meant to be seen? */
export const mediumAlone: Check = {
  id: "medium-alone",
  label: "Coats hold pigment",
  run({ job, surface, paints, coats }) {
    return coats.flatMap((coat) => {
      const { id } = coat.technique;
      const parts = mixById(job, coat.mixId)?.parts ?? [];
      const kinds = parts.map(({ paintId }) => paints.find((paint) => paint.id === paintId)?.kind ?? "paint");
      const isClear = kinds.length > 0 && kinds.every((kind) => CLEAR.has(kind));
      if (!isClear || (isTechniqueId(id) && techniques[id].unseen === true)) return [];
      return [
        {
          key: coat.id,
          gravity: "must" as const,
          coatId: coat.id,
          where: `${surface.name}, ${coat.name}`,
          sentence: `${coat.name} is medium or varnish alone: it colours nothing.`,
          reason:
            "A mix without pigment leaves what lies below as it is. Add a pot of paint to it, or choose another mix.",
          remedies: [],
        },
      ];
    });
  },
};
