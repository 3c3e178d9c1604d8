import type { FlatPoint, SurfaceForm } from "../surface/forms/form";

/** A straight mark on the page, mm; y grows downwards. */
export interface GaugeTick {
  readonly from: FlatPoint;
  readonly to: FlatPoint;
  readonly axis: "column" | "row";
  readonly kind: "edge" | "line";
  readonly label: string;
  /** What stands beside its inner end; empty for nothing. */
  readonly name: string;
}

/** Room between the inner end of a tick and the middle of its name, mm. */
const NAME_GAP_MM = 0.9;

/** Where the name of a tick stands: its middle, mm, on from the tick's inner end. */
export function nameAt({ from, to }: Pick<GaugeTick, "from" | "to">): FlatPoint {
  const long = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  return [to[0] + ((to[0] - from[0]) / long) * NAME_GAP_MM, to[1] + ((to[1] - from[1]) / long) * NAME_GAP_MM];
}

/** An outlined place with a name on it, mm: every ring is closed. */
export interface GaugeArea {
  readonly rings: readonly (readonly FlatPoint[])[];
  readonly label: string;
  /** Where the name stands. */
  readonly at: FlatPoint;
  /** Places of one colour have one number, from 0; they are drawn alike. */
  readonly group: number;
}

/** A piece of the development to print, cut out and lay round the figure. */
export interface GaugePiece {
  readonly title: string;
  /** Outline, closed. */
  readonly outline: readonly FlatPoint[];
  readonly ticks: readonly GaugeTick[];
  readonly areas: readonly GaugeArea[];
  readonly widthMm: number;
  readonly heightMm: number;
}

/** The part of the turn that one piece shows, degrees. */
export interface Turns {
  readonly from: number;
  readonly to: number;
}

/** Everything a printed guide shows, in mm on the paper. */
export interface GaugeDrawing {
  readonly ticks: readonly GaugeTick[];
  readonly areas: readonly GaugeArea[];
}

/** Widest and highest piece that fits on common paper with its margins, mm. */
export const WIDEST_MM = 180;
const MOST_PIECES = 24;
const STEPS = 160;

function outlineOf(form: SurfaceForm, { from, to }: Turns): FlatPoint[] {
  const edge = (heightMm: number, backwards: boolean) =>
    Array.from({ length: STEPS + 1 }, (_, step) => {
      const t = backwards ? STEPS - step : step;
      return form.flatten({ turnDeg: from + ((to - from) * t) / STEPS, heightMm });
    });
  // Laid out round a middle, the rim alone is the outline.
  return form.round ? edge(0, false) : [...edge(0, false), ...edge(form.slantMm, true)];
}

/** Turns a piece about the apex so that its middle hangs straight down, then moves it to the origin. */
function settle(
  form: SurfaceForm,
  { from, to }: Turns,
  outline: readonly FlatPoint[],
  drawing: GaugeDrawing,
): Omit<GaugePiece, "title"> {
  const fans = form.flatPerTurn !== 0 && Number.isFinite(form.apexMm);
  const away = (((from + to) / 2 - form.turnDeg / 2) * Math.PI * form.flatPerTurn) / 180;
  const [cos, sin] = [Math.cos(away), Math.sin(away)];
  const turned = ([x, y]: FlatPoint): FlatPoint => {
    if (!fans) return [x, y];
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
    ticks: drawing.ticks.map((tick) => ({ ...tick, from: moved(tick.from), to: moved(tick.to) })),
    areas: drawing.areas.map((area) => ({
      ...area,
      rings: area.rings.map((ring) => ring.map(moved)),
      at: moved(area.at),
    })),
    widthMm: Math.max(...points.map((p) => p[0])) - minX,
    heightMm: Math.max(...points.map((p) => p[1])) - minY,
  };
}

/**
 * The development of a form at 1 : 1 with what is drawn on it. Forms wider than the paper are cut into equal pieces
 * that meet edge to edge; one laid out round a middle stays whole.
 * @param draw what lies on a part of the turn, mm on the flat
 */
export function gaugePieces(
  form: SurfaceForm,
  title: string,
  draw: (turns: Turns) => GaugeDrawing,
): GaugePiece[] {
  for (let count = 1; ; count++) {
    const pieces = Array.from({ length: count }, (_, piece) => {
      const turns = { from: (piece * form.turnDeg) / count, to: ((piece + 1) * form.turnDeg) / count };
      return {
        title: count === 1 ? title : `${title} ${piece + 1} of ${count}`,
        ...settle(form, turns, outlineOf(form, turns), draw(turns)),
      };
    });
    const fits = pieces.every((piece) => piece.widthMm <= WIDEST_MM && piece.heightMm <= WIDEST_MM);
    if (fits || form.round || count === MOST_PIECES) return pieces;
  }
}
