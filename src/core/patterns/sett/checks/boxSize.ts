import { columnPeriodMm, LINE_WIDTHS_AT_MOST, type SettLayout } from "../layout";
import { formatNumber } from "../../../units";
import { fewerRepeats, patternChange, type Remedy } from "../../../checks/finding";
import type { SettCheck } from "../coats";

/** Below this many line widths the edges of a box run into each other. */
export const LINE_WIDTHS_PER_BOX = 3;

/** A stripe of less than this share of the broadest one can be a line over the cloth instead of a part of its ground. */
const THIN_SHARE = 0.5;

/** The cloth with all boxes so thin painted as lines. */
function asLines(surfaceId: string, layout: SettLayout, limitMm: number): Remedy[] {
  const thin = [layout.columns, layout.rows].flatMap((axis) => {
    const widest = Math.max(...axis.stripes.map(({ widthMm }) => widthMm));
    const most = Math.min(limitMm, LINE_WIDTHS_AT_MOST * layout.finestMm, THIN_SHARE * widest);
    return axis.stripes.filter(
      ({ code, widthMm }) => widthMm < most && axis.boxes.some((box) => box.code === code),
    );
  });
  const codes = [...new Set(thin.map(({ code }) => code))];
  if (codes.length === 0) return [];
  const painted = { ...layout.params.painted, ...Object.fromEntries(codes.map((code) => [code, "line"])) };
  return [
    {
      label: `Paint ${codes.join(" and ")} as lines`,
      changes: [patternChange(surfaceId, "painted", painted)],
    },
  ];
}

/** Are the boxes large enough to be filled cleanly? */
export const boxSize: SettCheck = {
  id: "box-size",
  label: "Boxes can be filled",
  run({ surface, form, layout }) {
    const limit = LINE_WIDTHS_PER_BOX * layout.finestMm;
    const narrowHeight = form.lengthAt(0) < form.lengthAt(form.slantMm) ? 0 : form.slantMm;
    const sides = [
      {
        axis: layout.columns,
        name: "column",
        periodMm: columnPeriodMm(layout, narrowHeight),
        where: narrowHeight === 0 ? "at the hem" : "at the waist",
      },
      { axis: layout.rows, name: "row", periodMm: layout.rows.periodMm, where: "in every row repeat" },
    ];
    return sides.flatMap(({ axis, name, periodMm, where }) => {
      if (axis.boxes.length < 2) return [];
      const least = axis.boxes.reduce((a, b) => (b.to - b.from < a.to - a.from ? b : a));
      const widthMm = (least.to - least.from) * periodMm;
      if (widthMm >= limit) return [];
      const fitting = Math.floor((layout.params.periods * widthMm) / limit);
      return [
        {
          key: name,
          gravity: widthMm < (limit * 2) / 3 ? ("must" as const) : ("look" as const),
          coatId: null,
          where: `${name} ${least.code}, ${where}`,
          sentence: `The ${least.code} boxes are ${formatNumber(widthMm, 2)} mm ${name === "column" ? "wide" : "high"}, under three line widths (${formatNumber(limit, 2)} mm).`,
          reason: `With a finest line of ${formatNumber(layout.finestMm, 2)} mm two edges and a filling do not fit side by side.`,
          remedies: [
            ...asLines(surface.id, layout, limit),
            ...(name === "column" ? fewerRepeats(surface.id, layout.params.periods, fitting) : []),
          ],
        },
      ];
    });
  },
};
