import type { Coat, Job, Surface } from "../job";
import type { Painter } from "../painter";
import { completeParams } from "../params";
import type { Axis, SettLayout } from "../patterns/sett/layout";
import { layoutOf } from "../patterns/sett/coats";
import { marksOf } from "../simulate/layCoat";
import { placeShare } from "./placeShare";
import type { SurfaceForm } from "../surface/forms/form";
import { isTechniqueId, techniques } from "../techniques";
import { resample } from "../techniques/strokes";
import type { Dot, MarkName, Stroke } from "../techniques/technique";
import { modulo } from "../units";

/** What one coat asks of the hand, for one figure and one pass. */
export interface CoatWork {
  readonly areaMm2: number;
  /** Pulls, boxes or dots. */
  readonly strokes: number;
  readonly strokeName: MarkName | "box";
  readonly handMinutes: number;
}

/** Share of an axis taken by each code's boxes, weighted by how long the band is there. */
function rowShares(layout: SettLayout): Map<string, number> {
  const { form, rows, params } = layout;
  const shares = new Map<string, number>();
  const steps = 600;
  let total = 0;
  for (let step = 0; step < steps; step++) {
    const heightMm = ((step + 0.5) * form.slantMm) / steps;
    const at = modulo((heightMm - params.rowStartMm) / rows.periodMm, 1);
    const code = codeAt(rows, at);
    const length = form.lengthAt(heightMm);
    total += length;
    shares.set(code, (shares.get(code) ?? 0) + length);
  }
  for (const [code, length] of shares) shares.set(code, length / total);
  return shares;
}

const codeAt = (axis: Axis, share: number): string =>
  axis.boxes.find((box) => modulo(share - box.from, 1) < box.to - box.from)?.code ?? axis.boxes[0]!.code;

const columnShares = (layout: SettLayout): Map<string, number> => {
  const shares = new Map<string, number>();
  for (const box of layout.columns.boxes)
    shares.set(box.code, (shares.get(box.code) ?? 0) + box.to - box.from);
  return shares;
};

/** How many boxes, whole or cut, stand in a direction; by code. */
function counts(axis: Axis, repeats: number): Map<string, number> {
  const out = new Map<string, number>();
  for (const box of axis.boxes)
    out.set(box.code, (out.get(box.code) ?? 0) + Math.max(1, Math.round(repeats)));
  return out;
}

function boxWork(layout: SettLayout, coat: Coat): { areaMm2: number; boxes: number } {
  const { target } = coat;
  const area = layout.form.areaMm2;
  const columns = columnShares(layout);
  const rows = rowShares(layout);
  const columnCounts = counts(layout.columns, layout.params.periods);
  const rowCounts = counts(layout.rows, layout.rowRepeats);
  if (target.kind === "bands") {
    const share = (target.along === "columns" ? columns : rows).get(target.code) ?? 0;
    const count = (target.along === "columns" ? columnCounts : rowCounts).get(target.code) ?? 0;
    return { areaMm2: area * share, boxes: count };
  }
  if (target.kind !== "boxes") return { areaMm2: 0, boxes: 0 };
  const product = <T extends number>(
    a: ReadonlyMap<string, T>,
    b: ReadonlyMap<string, T>,
    c: string,
    r: string,
  ) => (a.get(c) ?? 0) * (b.get(r) ?? 0);
  const both = (a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>) =>
    product(a, b, target.column, target.row) +
    (target.column === target.row ? 0 : product(a, b, target.row, target.column));
  return { areaMm2: area * both(columns, rows), boxes: both(columnCounts, rowCounts) };
}

function strokeWork(
  strokes: readonly Stroke[],
  pullMm: number,
  widthShare: number,
): { areaMm2: number; pulls: number } {
  let areaMm2 = 0;
  let pulls = 0;
  for (const stroke of strokes) {
    const { lengthMm } = resample(stroke.path, 1);
    areaMm2 += (lengthMm * (stroke.startWidthMm + stroke.endWidthMm) * widthShare) / 2;
    pulls += Math.max(1, Math.round(lengthMm / pullMm));
  }
  return { areaMm2, pulls };
}

const dotArea = (dots: readonly Dot[], size: number) =>
  dots.reduce((sum, dot) => sum + (Math.PI / 4) * dot.widthMm * dot.heightMm * size * size, 0);

/** Marks of a texture are set several to a touch of thought: a quarter of the time of one placed by a guide. */
const MANY_MARKS = 0.25;

/** The work of one coat on one figure, from its marks; one pass. */
export function coatWork(
  job: Job,
  surface: Surface,
  form: SurfaceForm,
  coat: Coat,
  painter: Painter,
): CoatWork {
  const marks = marksOf(job, surface, form, coat);
  const id = coat.technique.id;
  const params = isTechniqueId(id) ? completeParams(techniques[id].params, coat.technique.params) : {};
  switch (marks.kind) {
    case "strokes": {
      const { areaMm2, pulls } = strokeWork(marks.strokes, params.pull ?? 7, (params.width ?? 100) / 100);
      return {
        areaMm2,
        strokes: pulls,
        strokeName: "pull",
        handMinutes: (pulls * painter.secondsPerPull) / 60,
      };
    }
    case "dots":
      return {
        areaMm2: dotArea(marks.dots, (params.size ?? 100) / 100),
        strokes: marks.dots.length,
        strokeName: "dot",
        handMinutes: (marks.dots.length * painter.secondsPerDot) / 60,
      };
    case "cells": {
      const { areaMm2, boxes } = boxWork(layoutOf({ job, surface, form }), coat);
      return {
        areaMm2,
        strokes: boxes,
        strokeName: "box",
        handMinutes: (boxes * painter.secondsPerBox) / 60,
      };
    }
    case "field": {
      const technique = isTechniqueId(id) ? techniques[id] : null;
      // A place the coat is kept to, or fades into, gets as much less of everything.
      const areaMm2 = form.areaMm2 * placeShare(job, surface, form, coat);
      const single = technique?.marksOn?.(areaMm2, params);
      if (single) {
        const seconds = single.name === "stroke" ? painter.secondsPerDot * 1.5 : painter.secondsPerDot;
        return {
          areaMm2,
          strokes: single.count,
          strokeName: single.name,
          handMinutes: (single.count * seconds * MANY_MARKS) / 60,
        };
      }
      const strokes = Math.max(1, Math.round(areaMm2 / 12));
      return { areaMm2, strokes, strokeName: "stroke", handMinutes: areaMm2 / painter.mm2PerMinute };
    }
  }
}
