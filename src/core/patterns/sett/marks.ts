import type { FlatPoint } from "../../surface/forms/form";
import type { SurfaceGrid } from "../../surface/grid";
import type { Dot, Marks, Stroke } from "../../techniques/technique";
import { modulo } from "../../units";
import { columnGuides, guidePath, rowGuides, type Guide } from "./guides";
import { placeOfKey } from "./keys";
import { columnPeriodMm, columnTurn, type Axis, type SettLayout } from "./layout";
import { boxRegions } from "./regions";

/** Step between points of a guide's path, mm. */
const PATH_STEP_MM = 0.4;

/** The brush runs off the cloth: strokes go this far past hem, waist and closing seam, mm. */
const RUN_OFF_MM = 0.35;

/** A guide's path, run off both ends; on a closed band a line next to the seam is painted on both sides of it. */
function runOffPaths(layout: SettLayout, guide: Guide): FlatPoint[][] {
  const { form, params } = layout;
  if (guide.axis === "row") {
    const beyond = (RUN_OFF_MM * form.turnDeg) / form.lengthAt(guide.heightMm);
    const steps = Math.max(2, Math.ceil(form.lengthAt(guide.heightMm) / PATH_STEP_MM));
    const turn = (step: number) => -beyond + ((form.turnDeg + 2 * beyond) * step) / steps;
    return [range(steps, (step) => form.flatten({ turnDeg: turn(step), heightMm: guide.heightMm }))];
  }
  if (params.spread === "parallel") return [guidePath(layout, guide, PATH_STEP_MM)];
  const turnDeg = columnTurn(layout, guide.coordinate, 0, guide.middleDeg) ?? 0;
  const steps = Math.max(2, Math.ceil(form.slantMm / PATH_STEP_MM));
  const height = (step: number) => -RUN_OFF_MM + ((form.slantMm + 2 * RUN_OFF_MM) * step) / steps;
  const near = (3 * form.turnDeg) / form.lengthAt(form.slantMm);
  const turns = [turnDeg];
  if (form.closed && turnDeg < near) turns.push(turnDeg + form.turnDeg);
  if (form.closed && turnDeg > form.turnDeg - near) turns.push(turnDeg - form.turnDeg);
  return turns.map((turn) => range(steps, (step) => form.flatten({ turnDeg: turn, heightMm: height(step) })));
}

const range = <T>(steps: number, at: (step: number) => T): T[] =>
  Array.from({ length: steps + 1 }, (_, step) => at(step));

/** @param widthShare of the repeat; null for a guide, laid with the tip of the brush */
function strokeAlong(layout: SettLayout, guide: Guide, widthShare: number | null): Stroke[] {
  const least = layout.finestMm;
  const width = (heightMm: number) => {
    if (widthShare === null) return least;
    const periodMm = guide.axis === "row" ? layout.rows.periodMm : columnPeriodMm(layout, heightMm);
    return Math.max(least, widthShare * periodMm);
  };
  return runOffPaths(layout, guide)
    .filter((path) => path.length >= 2)
    .map((path) => ({
      path: Float64Array.from(path.flat()),
      startWidthMm: width(0),
      endWidthMm: width(layout.form.slantMm),
    }));
}

const guidesOf = (layout: SettLayout): Guide[] => [...rowGuides(layout), ...columnGuides(layout)];

function lineStrokes(layout: SettLayout, code: string, along: "columns" | "rows" | "both"): Stroke[] {
  return guidesOf(layout).flatMap((guide) => {
    if (guide.kind !== "line" || guide.label !== `line ${code}`) return [];
    const isColumn = guide.axis === "column";
    if ((isColumn && along === "rows") || (!isColumn && along === "columns")) return [];
    const axis = isColumn ? layout.columns : layout.rows;
    const at = isColumn
      ? guide.coordinate
      : (guide.heightMm - layout.params.rowStartMm) / layout.rows.periodMm;
    const line = axis.lines.find(
      (one) => one.code === code && Math.abs(modulo(one.centre - at + 0.5, 1) - 0.5) < 1e-6,
    );
    return strokeAlong(layout, guide, line?.widthShare ?? 0);
  });
}

/** Places where a column line and a row line of one colour cross: there both threads are of that colour. */
function crossingDots(layout: SettLayout, code: string): Dot[] {
  const columns = columnGuides(layout).filter((guide) => guide.label === `line ${code}`);
  const rows = rowGuides(layout).filter((guide) => guide.label === `line ${code}`);
  const widthOf = (axis: Axis) => axis.lines.find((line) => line.code === code)?.widthShare ?? 0;
  return rows.flatMap((row) =>
    columns.flatMap((column) => {
      const turnDeg = columnTurn(layout, column.coordinate, row.heightMm, column.middleDeg);
      if (turnDeg === null || turnDeg < 0 || turnDeg > layout.form.turnDeg) return [];
      const [xMm, yMm] = layout.form.flatten({ turnDeg, heightMm: row.heightMm });
      const [, upY] = layout.form.flatten({ turnDeg, heightMm: row.heightMm + 0.1 });
      const [upX] = layout.form.flatten({ turnDeg, heightMm: row.heightMm + 0.1 });
      return [
        {
          xMm,
          yMm,
          widthMm: Math.max(layout.finestMm, widthOf(layout.columns) * columnPeriodMm(layout, row.heightMm)),
          heightMm: Math.max(layout.finestMm, widthOf(layout.rows) * layout.rows.periodMm),
          angle: Math.atan2(upX - xMm, -(upY - yMm)),
        },
      ];
    }),
  );
}

/** Where a place of this cloth lies. */
export function settMarks(layout: SettLayout, key: string, grid: () => SurfaceGrid): Marks {
  const place = placeOfKey(key);
  switch (place?.kind) {
    case "boxes": {
      const { column: a, row: b } = place;
      const fill = (column: string, row: string) =>
        (column === a && row === b) || (column === b && row === a);
      return { kind: "regions", regions: boxRegions({ layout, fill }, grid()) };
    }
    case "bands": {
      const fill = (column: string, row: string) => (place.along === "columns" ? column : row) === place.code;
      return { kind: "regions", regions: boxRegions({ layout, fill }, grid()) };
    }
    case "guides":
      return {
        kind: "strokes",
        strokes: guidesOf(layout)
          .filter((guide) => guide.kind === "edge")
          .flatMap((guide) => strokeAlong(layout, guide, null)),
      };
    case "lines":
      return { kind: "strokes", strokes: lineStrokes(layout, place.code, place.along) };
    case "dots":
      return { kind: "dots", dots: crossingDots(layout, place.code) };
    case undefined:
      return { kind: "strokes", strokes: [] };
  }
}
