import type { StripeFate } from "../adapt";
import { columnPeriodMm, type SettLayout } from "../layout";
import { counted, formatNumber } from "../../../units";
import { fewerRepeats } from "../../../checks/finding";
import type { SettCheck } from "../coats";

/** What became of every stripe, and how wide it should be where it is narrowest, mm. */
function allFates(layout: SettLayout): (StripeFate & { readonly leastMm: number })[] {
  const { columns, rows, form, params } = layout;
  const narrow = Math.min(columnPeriodMm(layout, 0), columnPeriodMm(layout, form.slantMm));
  // Rows are as high everywhere, columns narrow with the band.
  const own = params.rowThreadCount === null ? [] : rows.fates;
  return [
    ...columns.fates.map((fate) => ({ ...fate, leastMm: (fate.countedMm * narrow) / columns.periodMm })),
    ...own.map((fate) => ({ ...fate, leastMm: fate.countedMm })),
  ];
}

/** Which stripes are finer than brush and hand? */
export const fineLines: SettCheck = {
  id: "fine-lines",
  label: "Lines can be painted",
  run({ surface, layout }) {
    const fates = allFates(layout);
    const lost = fates.filter((fate) => fate.fate === "merged");
    const thin = fates.filter(({ fate, leastMm }) => fate !== "merged" && leastMm < layout.finestMm * 0.98);
    const list = (fates: typeof lost) => fates.map((fate) => `${fate.code}${fate.threads}`).join(", ");
    const found = [];
    if (lost.length > 0) {
      const widest = Math.max(...lost.map((fate) => fate.countedMm));
      const fitting = Math.floor((layout.params.periods * widest) / (layout.finestMm / 2));
      found.push({
        key: "lost",
        gravity: "look" as const,
        coatId: null,
        where: `stripe ${list(lost)}`,
        sentence: `${counted(lost.length, "stripe")} (${list(lost)}) would be ${formatNumber(widest, 3)} mm at most, under half your finest line, and is left out.`,
        reason: `Your finest line is ${formatNumber(layout.finestMm, 2)} mm; the threads go to the neighbouring stripes.`,
        remedies: fewerRepeats(surface.id, layout.params.periods, fitting),
      });
    }
    if (thin.length > 0) {
      const least = Math.min(...thin.map(({ leastMm }) => leastMm));
      found.push({
        key: "thin",
        gravity: "note" as const,
        coatId: null,
        where: `stripe ${list(thin)}, where the band is narrowest`,
        sentence: `${list(thin)} should be ${formatNumber(least, 2)} mm there; you will paint ${formatNumber(layout.finestMm, 2)} mm.`,
        reason:
          "No line comes out finer than brush, paint and hand allow, so it takes room from its neighbours.",
        remedies: [],
      });
    }
    return found;
  },
};
