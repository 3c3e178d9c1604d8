import { closureOf } from "../layout";
import { formatNumber } from "../../../units";
import { patternChange, type CheckResult } from "../../../checks/finding";
import type { SettCheck, SettContext } from "../coats";

const signed = (mm: number) => `${mm >= 0 ? "+" : "−"}${formatNumber(Math.abs(mm), 2)} mm`;

/** A number of repeats that cuts one at the seam. */
function cutRepeat({ surface, layout }: SettContext): CheckResult {
  const { boxes, below, above } = closureOf(layout);
  const options = [below, above].filter((option) => option !== null);
  const each = options.map(
    ({ periods, changeMm }) => `With ${periods} each repeat is ${signed(changeMm)} wide`,
  );
  return {
    key: "whole",
    gravity: "must",
    coatId: null,
    where: "at the closing seam",
    sentence: `${formatNumber(layout.params.periods, 2)} repeats do not close: the pattern meets itself in the middle of a repeat.`,
    reason:
      `A closed band needs a whole number of repeats; ${formatNumber(boxes, 1)} boxes would stand in a row ` +
      `of ${layout.columns.boxes.length} to the repeat. ${each.join("; ")}.`,
    remedies: options.map(({ periods, changeMm }) => ({
      label: `Use ${periods} repeats (${signed(changeMm)} each)`,
      changes: [patternChange(surface.id, "periods", periods)],
    })),
  };
}

const cutColumns = ({ surface }: SettContext, shortMm: number): CheckResult => ({
  key: "parallel",
  gravity: "look",
  coatId: null,
  where: "along every seam",
  sentence: `Parallel columns are cut at the seams: hem and waist differ by ${formatNumber(shortMm, 1)} mm.`,
  reason: "Only columns that fan out with the flare keep whole boxes at every height of a closed band.",
  remedies: [{ label: "Fan the columns out", changes: [patternChange(surface.id, "spread", "fan")] }],
});

/** Does the repeat close round the band? */
export const closure: SettCheck = {
  id: "closure",
  label: "The repeat closes",
  run(context) {
    const { form, layout } = context;
    if (!form.closed) return [];
    if (!closureOf(layout).whole) return [cutRepeat(context)];
    const shortMm = Math.abs(form.lengthAt(0) - form.lengthAt(form.slantMm));
    return layout.params.spread === "parallel" && shortMm > 0.5 ? [cutColumns(context, shortMm)] : [];
  },
};
