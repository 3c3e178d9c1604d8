import { coatPassUm } from "../simulate/layCoat";
import { counted, formatNumber } from "../units";
import { coatChange, type Check } from "./check";
import type { Coat } from "../job";
import { coatMeets } from "./tones";

/** Above this, µm, crisp edges soften and fine relief fills; a display figure is looked at closer. */
export const MOST_UM = { display: 120, tabletop: 160 } as const;

const filmOf = (coat: Coat) => coatPassUm(coat) * coat.passes;
const isStrip = (coat: Coat) => ["lines", "crossings", "guides"].includes(coat.target.kind);

/** At one point two lines cross at most, with the dot of their colour; guides count where they lie below both. */
function thickestCrossing(coats: readonly Coat[]): number {
  const sum = (list: readonly Coat[]) => list.reduce((total, coat) => total + filmOf(coat), 0);
  const codeOf = (coat: Coat) =>
    coat.target.kind === "lines" || coat.target.kind === "crossings" ? coat.target.code : "";
  const codes = [...new Set(coats.map(codeOf))].filter((code) => code !== "");
  const lines = (code: string) =>
    sum(coats.filter((coat) => coat.target.kind === "lines" && codeOf(coat) === code));
  const dots = (code: string) =>
    sum(coats.filter((coat) => coat.target.kind === "crossings" && codeOf(coat) === code));
  const pairs = codes.flatMap((a) => codes.map((b) => lines(a) + lines(b) + (a === b ? dots(a) : 0)));
  return Math.max(0, ...pairs) + sum(coats.filter((coat) => coat.target.kind === "guides"));
}

/** Do the films add up to more than the relief can take? */
export const filmBuildUp: Check = {
  id: "film-build-up",
  label: "Films stay thin",
  run({ job, surface, coats, layout }) {
    const codes = (axis: "columns" | "rows") =>
      layout ? [...new Set(layout[axis].boxes.map((box) => box.code))] : [""];
    const limit = MOST_UM[job.figure.standard];
    const sums = codes("columns").flatMap((column) =>
      codes("rows").map((row) => ({
        column,
        row,
        um:
          thickestCrossing(coats) +
          coats
            .filter((coat) => !isStrip(coat) && coatMeets(coat, column, row))
            .reduce((sum, coat) => sum + filmOf(coat), 0),
      })),
    );
    const most = sums.reduce((a, b) => (b.um > a.um ? b : a));
    if (most.um <= limit) return [];
    const thickest = coats
      .filter((coat) => coatMeets(coat, most.column, most.row) && coat.passes > 1)
      .sort((a, b) => coatPassUm(b) - coatPassUm(a))[0];
    return [
      {
        key: "sum",
        gravity: most.um > limit * 1.5 ? ("must" as const) : ("look" as const),
        coatId: thickest?.id ?? null,
        place: layout ? `where lines cross on ${most.column} × ${most.row} boxes` : "everywhere",
        sentence: `Films add up to ${formatNumber(most.um, 0)} µm; on a ${job.figure.standard} figure ${limit} µm is the most.`,
        reason:
          "Every coat adds thickness: edges soften, folds and vents fill, and the next line runs off the ridge.",
        remedies: thickest
          ? [
              {
                label: `${counted(thickest.passes - 1, "pass", "passes")} of ${thickest.name}`,
                changes: [coatChange(surface.id, thickest.id, "passes", thickest.passes - 1)],
              },
            ]
          : [],
      },
    ];
  },
};
