import { modulo } from "../../units";
import type { PlaceWork } from "../family";
import { placeOfKey } from "./keys";
import type { Axis, SettLayout } from "./layout";

const HEIGHTS = 600;

const codeAt = (axis: Axis, share: number): string =>
  axis.boxes.find((box) => modulo(share - box.from, 1) < box.to - box.from)?.code ?? axis.boxes[0]!.code;

/** Share of the rows taken by each code's boxes, weighted by how long the band is there. */
function rowShares({ form, rows, params }: SettLayout): Map<string, number> {
  const shares = new Map<string, number>();
  let total = 0;
  for (let step = 0; step < HEIGHTS; step++) {
    const heightMm = ((step + 0.5) * form.slantMm) / HEIGHTS;
    const code = codeAt(rows, modulo((heightMm - params.rowStartMm) / rows.periodMm, 1));
    const length = form.lengthAt(heightMm);
    total += length;
    shares.set(code, (shares.get(code) ?? 0) + length);
  }
  for (const [code, length] of shares) shares.set(code, length / total);
  return shares;
}

function columnShares({ columns }: SettLayout): Map<string, number> {
  const shares = new Map<string, number>();
  for (const box of columns.boxes) shares.set(box.code, (shares.get(box.code) ?? 0) + box.to - box.from);
  return shares;
}

/** How many boxes, whole or cut, stand in a direction; by code. */
function counts(axis: Axis, repeats: number): Map<string, number> {
  const out = new Map<string, number>();
  for (const box of axis.boxes)
    out.set(box.code, (out.get(box.code) ?? 0) + Math.max(1, Math.round(repeats)));
  return out;
}

type ByCode = ReadonlyMap<string, number>;

/** A pair of codes both ways round: column by row and row by column. */
const bothWays = (columns: ByCode, rows: ByCode, a: string, b: string): number => {
  const one = (column: string, row: string) => (columns.get(column) ?? 0) * (rows.get(row) ?? 0);
  return one(a, b) + (a === b ? 0 : one(b, a));
};

/** Area and boxes of a place that is filled; null for lines and dots, which are counted one by one. */
export function settWork(layout: SettLayout, key: string): PlaceWork | null {
  const place = placeOfKey(key);
  const area = layout.form.areaMm2;
  const columnCounts = counts(layout.columns, layout.params.periods);
  const rowCounts = counts(layout.rows, layout.rowRepeats);
  if (place?.kind === "bands") {
    const { along, code } = place;
    const shares = along === "columns" ? columnShares(layout) : rowShares(layout);
    const number = (along === "columns" ? columnCounts : rowCounts).get(code) ?? 0;
    return { areaMm2: area * (shares.get(code) ?? 0), count: number, name: "box", rate: "box" };
  }
  if (place?.kind !== "boxes") return null;
  const { column, row } = place;
  return {
    areaMm2: area * bothWays(columnShares(layout), rowShares(layout), column, row),
    count: bothWays(columnCounts, rowCounts, column, row),
    name: "box",
    rate: "box",
  };
}
