import { counted, formatNumber } from "../../units";
import type { Counting } from "../family";
import { columnGuides, rowGuides } from "./guides";
import { placeOfKey } from "./keys";
import { closureOf, type SettLayout } from "./layout";

/** Lines that part its stripes, along both ways, and boxes once round. */
function parting(layout: SettLayout): { columns: number; rows: number; round: number | null } {
  const edges = (guides: readonly { readonly kind: string }[]) =>
    guides.filter(({ kind }) => kind === "edge").length;
  return {
    columns: edges(columnGuides(layout)),
    rows: edges(rowGuides(layout)),
    round: layout.form.closed ? closureOf(layout).boxes : null,
  };
}

/** The lines of the cloth are counted before the first of its boxes or bands is filled. */
export function settCounts(layout: SettLayout, key: string): Counting[] {
  const kind = placeOfKey(key)?.kind;
  if (kind !== "boxes" && kind !== "bands") return [];
  const { columns, rows, round } = parting(layout);
  return [
    { what: "column lines", count: columns, within: 0 },
    { what: "row lines", count: rows, within: 0 },
    ...(round === null || !Number.isInteger(round)
      ? []
      : [{ what: "boxes once round the hem", count: round, within: 0 }]),
  ];
}

/** What to look at after a coat of the cloth. */
export function settLookAt(layout: SettLayout, key: string, count: number): string[] {
  const place = placeOfKey(key);
  switch (place?.kind) {
    case "guides": {
      const { columns, rows, round } = parting(layout);
      const boxes = round === null ? "." : `, ${formatNumber(round, 0)} boxes once round the hem.`;
      return [
        "Wrap the gauge strip, tick its marks on the cloth, then join them: rows first, columns after.",
        `Count before you fill: ${counted(columns, "column line")}, ${counted(rows, "row line")}${boxes}`,
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
