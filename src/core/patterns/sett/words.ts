import { counted, formatNumber } from "../../units";
import { columnGuides, rowGuides } from "./guides";
import { placeOfKey } from "./keys";
import { closureOf, type SettLayout } from "./layout";

/** What to look at after a coat of the cloth. */
export function settLookAt(layout: SettLayout, key: string, count: number): string[] {
  const place = placeOfKey(key);
  switch (place?.kind) {
    case "guides": {
      const columns = columnGuides(layout).filter((guide) => guide.kind === "edge");
      const rows = rowGuides(layout).filter((guide) => guide.kind === "edge");
      const boxes = layout.form.closed
        ? `, ${formatNumber(closureOf(layout).boxes, 0)} boxes once round the hem.`
        : ".";
      return [
        "Wrap the gauge strip, tick its marks on the cloth, then join them: rows first, columns after.",
        `Count before you fill: ${counted(columns.length, "column line")}, ${counted(rows.length, "row line")}${boxes}`,
      ];
    }
    case "boxes":
      return place.column === place.row
        ? ["These boxes only touch at corners. If two share an edge, the count is off."]
        : ["Between any two of the solid boxes there is one of these, up and sideways."];
    case "lines":
      return ["Load little, wipe, one stroke in the air first. Turn the figure, not the hand."];
    case "dots":
      return [`${counted(count, "dot")}, one on every crossing of these lines.`];
    default:
      return [];
  }
}
