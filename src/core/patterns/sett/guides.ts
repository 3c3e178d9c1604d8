import type { FlatPoint } from "../../surface/forms/form";
import { columnTurn, panelAt, type SettLayout } from "./layout";

/** A line to lay on the band before painting. */
export type Guide =
  | {
      readonly axis: "column";
      readonly kind: "edge" | "line";
      readonly label: string;
      readonly coordinate: number;
      /** Middle of the panel it lies in, degrees; matters where columns are parallel. */
      readonly middleDeg: number;
    }
  | {
      readonly axis: "row";
      readonly kind: "edge" | "line";
      readonly label: string;
      readonly heightMm: number;
    };

/** Where one edge or line of the columns lies, from the first seam. */
export interface ColumnPosition {
  readonly heightMm: number;
  readonly turnDeg: number;
  /** Along the cloth from the first seam, mm. */
  readonly fromSeamMm: number;
}

function inPeriod(axis: SettLayout["columns"]): { at: number; kind: "edge" | "line"; label: string }[] {
  const edges =
    axis.boxes.length > 1 ? axis.boxes.map((box) => ({ at: box.to, kind: "edge" as const, label: "" })) : [];
  const labelled = edges.map((edge, index) => ({
    ...edge,
    label: `${axis.boxes[index]!.code} | ${axis.boxes[(index + 1) % axis.boxes.length]!.code}`,
  }));
  const lines = axis.lines.map((line) => ({
    at: line.centre,
    kind: "line" as const,
    label: `line ${line.code}`,
  }));
  return [...labelled, ...lines];
}

/** Column guides whose turn lies on the band at half height, from the first seam round. */
export function columnGuides(layout: SettLayout): Extract<Guide, { axis: "column" }>[] {
  const { form, params } = layout;
  const found: { turn: number; guide: Extract<Guide, { axis: "column" }> }[] = [];
  const reach = Math.ceil(params.periods) + 2;
  const middles =
    params.spread === "fan" ? [form.turnDeg / 2] : form.seamsDeg.map((seam) => panelAt(form, seam).middle);
  for (const middleDeg of middles) {
    for (let period = -reach; period <= reach; period++) {
      for (const part of inPeriod(layout.columns)) {
        const coordinate = period + part.at;
        const turn = guideTurn(layout, coordinate, middleDeg);
        if (turn === null) continue;
        const guide = { axis: "column" as const, kind: part.kind, label: part.label, coordinate, middleDeg };
        found.push({ turn, guide });
      }
    }
  }
  return found.sort((a, b) => a.turn - b.turn).map((entry) => entry.guide);
}

/** The turn of a guide that belongs to the band, or null: at half height, or at the hem where it ends below that. */
function guideTurn(layout: SettLayout, coordinate: number, middleDeg: number): number | null {
  const { form, params } = layout;
  for (const heightMm of [form.slantMm / 2, 0, form.slantMm]) {
    const turn = columnTurn(layout, coordinate, heightMm, middleDeg);
    if (turn === null) continue;
    const panel = params.spread === "fan" ? { from: 0, to: form.turnDeg } : panelAt(form, middleDeg);
    // On a closed band the guide at 360° is the one at 0°.
    const end = form.closed && params.spread === "fan" ? turn < panel.to - 1e-9 : turn <= panel.to + 1e-9;
    if (turn >= panel.from - 1e-9 && end) return turn;
    if (params.spread === "fan") return null;
  }
  return null;
}

/** Row guides from the hem up. */
export function rowGuides(layout: SettLayout): Extract<Guide, { axis: "row" }>[] {
  const { form, params, rows } = layout;
  const out: Extract<Guide, { axis: "row" }>[] = [];
  const first = Math.floor(-params.rowStartMm / rows.periodMm) - 2;
  const last = Math.ceil((form.slantMm - params.rowStartMm) / rows.periodMm) + 2;
  for (let period = first; period <= last; period++) {
    for (const part of inPeriod(rows)) {
      const heightMm = (period + part.at) * rows.periodMm + params.rowStartMm;
      if (heightMm > 0.05 && heightMm < form.slantMm - 0.05) {
        out.push({ axis: "row", kind: part.kind, label: part.label, heightMm });
      }
    }
  }
  return out.sort((a, b) => a.heightMm - b.heightMm);
}

/** Where a column guide lies at given heights; heights at which it is cut off by a seam are left out. */
export function columnPositions(
  layout: SettLayout,
  guide: Extract<Guide, { axis: "column" }>,
  heightsMm: readonly number[],
): ColumnPosition[] {
  const { form } = layout;
  const panel =
    layout.params.spread === "fan" ? { from: 0, to: form.turnDeg } : panelAt(form, guide.middleDeg);
  return heightsMm.flatMap((heightMm) => {
    const turnDeg = columnTurn(layout, guide.coordinate, heightMm, guide.middleDeg);
    if (turnDeg === null || turnDeg < panel.from - 1e-9 || turnDeg > panel.to + 1e-9) return [];
    return [{ heightMm, turnDeg, fromSeamMm: (turnDeg * form.lengthAt(heightMm)) / form.turnDeg }];
  });
}

/** The guide as a flat path, mm; at most `stepMm` between points. Parts beyond a seam are cut off. */
export function guidePath(layout: SettLayout, guide: Guide, stepMm: number): FlatPoint[] {
  const { form } = layout;
  if (guide.axis === "row") {
    const steps = Math.max(2, Math.ceil(form.lengthAt(guide.heightMm) / stepMm));
    return Array.from({ length: steps + 1 }, (_, step) =>
      form.flatten({ turnDeg: (form.turnDeg * step) / steps, heightMm: guide.heightMm }),
    );
  }
  const steps = Math.max(2, Math.ceil(form.slantMm / stepMm));
  const heights = Array.from({ length: steps + 1 }, (_, step) => (form.slantMm * step) / steps);
  return columnPositions(layout, guide, heights).map(({ turnDeg, heightMm }) =>
    form.flatten({ turnDeg, heightMm }),
  );
}
