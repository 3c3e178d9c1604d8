import type { PatternPlace, PatternTone } from "../family";
import { boxCodes, crossingsOf, lineCodes } from "./coats";
import { keyOf, placeOfKey, toneKey, type SettPlace } from "./keys";
import type { SettLayout } from "./layout";

function labelOf(place: SettPlace): string {
  switch (place.kind) {
    case "guides":
      return "along the guides";
    case "boxes":
      return place.column === place.row
        ? `${place.column} boxes`
        : `boxes where ${place.column} crosses ${place.row}`;
    case "bands":
      return `${place.code} ${place.along}`;
    case "lines":
      return `${place.code} lines, ${place.along === "both" ? "columns and rows" : place.along}`;
    case "dots":
      return `where ${place.code} lines cross`;
  }
}

const LAYS = {
  guides: "strokes",
  lines: "strokes",
  dots: "dots",
  boxes: "regions",
  bands: "regions",
} as const;

const entry = (place: SettPlace): PatternPlace => ({
  key: keyOf(place),
  label: labelOf(place),
  lays: LAYS[place.kind],
  covers: place.kind === "boxes" || place.kind === "bands",
  through: place.kind === "bands",
});

/** Every place of the cloth. */
export function settPlaces(layout: SettLayout): PatternPlace[] {
  const [columns, rows] = [boxCodes(layout.columns), boxCodes(layout.rows)];
  const solid = columns.filter((code) => rows.includes(code));
  const lines = lineCodes(layout);
  const places: SettPlace[] = [
    { kind: "guides" },
    ...lines.flatMap((code) =>
      (["both", "columns", "rows"] as const).map((along) => ({ kind: "lines" as const, along, code })),
    ),
    ...lines.map((code) => ({ kind: "dots" as const, code })),
    ...solid.map((code) => ({ kind: "boxes" as const, column: code, row: code })),
    ...crossingsOf(layout).map(([column, row]) => ({ kind: "boxes" as const, column, row })),
    ...columns.map((code) => ({ kind: "bands" as const, along: "columns" as const, code })),
    ...rows.map((code) => ({ kind: "bands" as const, along: "rows" as const, code })),
  ];
  return places.map(entry);
}

/** One tone for each pair of broad stripes. */
export const settTones = (layout: SettLayout): PatternTone[] =>
  boxCodes(layout.columns).flatMap((column) =>
    boxCodes(layout.rows).map((row) => ({
      key: toneKey(column, row),
      label: column < row ? `${column} × ${row}` : `${row} × ${column}`,
    })),
  );

/** Whether a place goes on boxes of a tone; lines and dots cross all of them. */
export function settMeets(key: string, tone: string): boolean {
  const place = placeOfKey(key);
  const [column, row] = tone.split("+");
  if (place?.kind === "boxes")
    return (place.column === column && place.row === row) || (place.column === row && place.row === column);
  if (place?.kind === "bands") return (place.along === "columns" ? column : row) === place.code;
  return place !== null;
}

/** At one point two lines cross at most, with the dot of their colour; guides lie below both. */
export function settCrossings(layout: SettLayout): string[][] {
  const codes = lineCodes(layout);
  const lines = (code: string) =>
    (["both", "columns", "rows"] as const).map((along) => keyOf({ kind: "lines", along, code }));
  const guides = keyOf({ kind: "guides" });
  if (codes.length === 0) return [[guides]];
  return codes.flatMap((a) =>
    codes.map((b) => [
      guides,
      ...new Set([...lines(a), ...lines(b)]),
      ...(a === b ? [keyOf({ kind: "dots", code: a })] : []),
    ]),
  );
}
