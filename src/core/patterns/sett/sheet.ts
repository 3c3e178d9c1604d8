import { formatNumber } from "../../units";
import type { PatternGuides } from "../family";
import { settGauge } from "./gauge";
import { columnGuides, columnPositions, rowGuides } from "./guides";
import type { SettLayout } from "./layout";

const mm = (value: number) => `${formatNumber(value, 2)}\u202fmm`;

/** Where every guide line lies: rows from hem and waist, columns in degrees of turn and mm from the seam. */
export function settGuides(layout: SettLayout): PatternGuides {
  const { slantMm } = layout.form;
  const columns = columnGuides(layout);
  const rows = rowGuides(layout);
  return {
    note: "Millimetres along the cloth from the first seam, turning to the right.",
    pieces: settGauge(layout),
    tables: [
      {
        title: `${rows.length} row lines`,
        name: "Row guides",
        head: ["From the hem", "From the waist", "Between"],
        rows: rows.map(({ heightMm, label }) => [mm(heightMm), mm(slantMm - heightMm), label]),
      },
      {
        title: `${columns.length} column lines`,
        name: "Column guides",
        head: ["Turn", "At the hem", "At the waist", "Between"],
        rows: columns.map((guide) => {
          const [hem] = columnPositions(layout, guide, [0]);
          const [waist] = columnPositions(layout, guide, [slantMm]);
          return [
            `${formatNumber((hem ?? waist)?.turnDeg ?? 0, 1)}°`,
            hem ? mm(hem.fromSeamMm) : "cut off",
            waist ? mm(waist.fromSeamMm) : "cut off",
            guide.label,
          ];
        }),
      },
    ],
  };
}
