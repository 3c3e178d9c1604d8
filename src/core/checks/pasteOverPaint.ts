import { isTechniqueId, techniques } from "../techniques";
import { counted } from "../units";
import type { Check } from "./check";

/** Does paste come before paint? */
export const pasteOverPaint: Check = {
  id: "paste-over-paint",
  label: "Paste comes before paint",
  run: ({ surface, coats }) =>
    coats.flatMap((coat, at) => {
      const raises = ({ technique: { id } }: typeof coat) =>
        isTechniqueId(id) && techniques[id].raises === true;
      const last = ({ technique: { id } }: typeof coat) =>
        isTechniqueId(id) && techniques[id].comesLast === true;
      const covered = coats.slice(0, at).filter((one) => !raises(one));
      if (!raises(coat) || last(coat) || covered.length === 0) return [];
      return [
        {
          key: coat.id,
          gravity: "look" as const,
          coatId: coat.id,
          where: `${surface.name}, ${coat.name}`,
          sentence: `${coat.name} is paste over ${counted(covered.length, "finished coat")}.`,
          reason: `Paste hides what is painted and holds better on primer. Move it before ${covered[0]!.name}.`,
          remedies: [
            {
              label: "Hold it back",
              changes: [{ path: ["surfaces", surface.id, "coats", coat.id, "held"], value: true }],
            },
          ],
        },
      ];
    }),
};
