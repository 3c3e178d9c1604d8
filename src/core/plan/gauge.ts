import { columnGuides, columnPositions, rowGuides } from "../patterns/sett/guides";
import type { SettLayout } from "../patterns/sett/layout";
import type { FlatPoint, SurfaceForm } from "../surface/forms/form";

/** A straight mark or outline on the page, mm; y grows downwards. */
export interface GaugeTick {
  readonly from: FlatPoint;
  readonly to: FlatPoint;
  readonly axis: "column" | "row";
  readonly kind: "edge" | "line";
  readonly label: string;
}

/** A piece of the development to print, cut out and lay round the figure. */
export interface GaugePiece {
  readonly title: string;
  /** Outline, closed. */
  readonly outline: readonly FlatPoint[];
  readonly ticks: readonly GaugeTick[];
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Length of a tick inwards from hem or waist, mm. */
const TICK_MM = 2;
/** Widest piece that fits upright on common paper with its margins, mm. */
export const WIDEST_MM = 180;

interface Turns {
  readonly from: number;
  readonly to: number;
}

function outlineOf(form: SurfaceForm, { from, to }: Turns): FlatPoint[] {
  const steps = 160;
  const edge = (heightMm: number, backwards: boolean) =>
    Array.from({ length: steps + 1 }, (_, step) => {
      const t = backwards ? steps - step : step;
      return form.flatten({ turnDeg: from + ((to - from) * t) / steps, heightMm });
    });
  return [...edge(0, false), ...edge(form.slantMm, true)];
}

function columnTicks(layout: SettLayout, { from, to }: Turns): GaugeTick[] {
  const { form } = layout;
  const ends: readonly (readonly [number, number])[] = [
    [0, Math.min(TICK_MM, form.slantMm / 2)],
    [form.slantMm, Math.max(form.slantMm - TICK_MM, form.slantMm / 2)],
  ];
  return columnGuides(layout).flatMap((guide) =>
    ends.flatMap(([edge, inner]) => {
      const [a, b] = columnPositions(layout, guide, [edge, inner]);
      if (!a || !b || a.turnDeg < from - 1e-9 || a.turnDeg > to + 1e-9) return [];
      return [
        {
          from: form.flatten(a),
          to: form.flatten(b),
          axis: "column" as const,
          kind: guide.kind,
          label: guide.label,
        },
      ];
    }),
  );
}

function rowTicks(layout: SettLayout, { from, to }: Turns): GaugeTick[] {
  const { form } = layout;
  return rowGuides(layout).flatMap((guide) => {
    const step = (TICK_MM * form.turnDeg) / form.lengthAt(guide.heightMm);
    return (
      [
        [from, from + step],
        [to, to - step],
      ] as const
    ).map(([a, b]) => ({
      from: form.flatten({ turnDeg: a, heightMm: guide.heightMm }),
      to: form.flatten({ turnDeg: b, heightMm: guide.heightMm }),
      axis: "row" as const,
      kind: guide.kind,
      label: guide.label,
    }));
  });
}

/** Turns a piece about the apex so that its middle hangs straight down, then moves it to the origin. */
function settle(
  form: SurfaceForm,
  { from, to }: Turns,
  outline: FlatPoint[],
  ticks: GaugeTick[],
): Pick<GaugePiece, "outline" | "ticks" | "widthMm" | "heightMm"> {
  const away = (((from + to) / 2 - form.turnDeg / 2) * Math.PI * form.flatPerTurn) / 180;
  const [cos, sin] = [Math.cos(away), Math.sin(away)];
  const turned = ([x, y]: FlatPoint): FlatPoint => {
    if (form.flatPerTurn === 0) return [x, y];
    const down = y + form.apexMm;
    return [x * cos - down * sin, x * sin + down * cos - form.apexMm];
  };
  const points = outline.map(turned);
  const minX = Math.min(...points.map((p) => p[0]));
  const minY = Math.min(...points.map((p) => p[1]));
  const moved = (point: FlatPoint): FlatPoint => {
    const [x, y] = turned(point);
    return [x - minX, y - minY];
  };
  return {
    outline: outline.map(moved),
    ticks: ticks.map((tick) => ({ ...tick, from: moved(tick.from), to: moved(tick.to) })),
    widthMm: Math.max(...points.map((p) => p[0])) - minX,
    heightMm: Math.max(...points.map((p) => p[1])) - minY,
  };
}

/**
 * The gauge strip of a cloth at 1 : 1: the development with a tick at both edges for every guide. Bands wider than the
 * paper are cut into equal pieces that meet edge to edge.
 */
export function gaugePieces(layout: SettLayout): GaugePiece[] {
  const { form } = layout;
  for (let count = 1; ; count++) {
    const pieces = Array.from({ length: count }, (_, piece) => {
      const turns = { from: (piece * form.turnDeg) / count, to: ((piece + 1) * form.turnDeg) / count };
      const ticks = [...columnTicks(layout, turns), ...rowTicks(layout, turns)];
      const title = count === 1 ? "Gauge strip" : `Gauge strip ${piece + 1} of ${count}`;
      return { title, ...settle(form, turns, outlineOf(form, turns), ticks) };
    });
    if (count === 24 || pieces.every((piece) => piece.widthMm <= WIDEST_MM && piece.heightMm <= 180))
      return pieces;
  }
}
