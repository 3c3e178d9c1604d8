import { closureOf } from "../layout";
import { formatNumber } from "../../../units";
import { patternChange } from "../../../checks/finding";
import type { SettCheck } from "../coats";

const signed = (mm: number) => `${mm >= 0 ? "+" : "−"}${formatNumber(Math.abs(mm), 2)} mm`;

/** Does the repeat close round the band? */
export const closure: SettCheck = {
  id: "closure",
  label: "The repeat closes",
  run({ surface, form, layout }) {
    if (!form.closed) return [];
    const { periods, spread } = layout.params;
    const { whole, boxes, below, above } = closureOf(layout);
    if (!whole) {
      const options = [below, above].filter((option) => option !== null);
      return [
        {
          key: "whole",
          gravity: "must",
          coatId: null,
          where: "at the closing seam",
          sentence: `${formatNumber(periods, 2)} repeats do not close: the pattern meets itself in the middle of a repeat.`,
          reason:
            `A closed band needs a whole number of repeats; ${formatNumber(boxes, 1)} boxes would stand in a row ` +
            `of ${layout.columns.boxes.length} to the repeat. ` +
            options
              .map((option) => `With ${option.periods} each repeat is ${signed(option.changeMm)} wide`)
              .join("; ") +
            ".",
          remedies: options.map((option) => ({
            label: `Use ${option.periods} repeats (${signed(option.changeMm)} each)`,
            changes: [patternChange(surface.id, "periods", option.periods)],
          })),
        },
      ];
    }
    if (spread === "parallel" && Math.abs(form.lengthAt(0) - form.lengthAt(form.slantMm)) > 0.5) {
      const short = form.lengthAt(0) - form.lengthAt(form.slantMm);
      return [
        {
          key: "parallel",
          gravity: "look",
          coatId: null,
          where: "along every seam",
          sentence: `Parallel columns are cut at the seams: hem and waist differ by ${formatNumber(Math.abs(short), 1)} mm.`,
          reason:
            "Only columns that fan out with the flare keep whole boxes at every height of a closed band.",
          remedies: [{ label: "Fan the columns out", changes: [patternChange(surface.id, "spread", "fan")] }],
        },
      ];
    }
    return [];
  },
};
