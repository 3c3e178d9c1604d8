import { groundKey } from "../groundwork/key";
import { canBuildOn, settledOn } from "../groundwork/onGrid";
import { groundPieces } from "../groundwork/pieces";
import type { SetPiece } from "../groundwork/settle";
import { groundTold, type PieceTold } from "../groundwork/told";
import type { LaidPiece, Surface } from "../job";
import { depthInside } from "../surface/forms/depth";
import type { FlatPoint, SurfaceForm } from "../surface/forms/form";
import { formatNumber, withUnit } from "../units";
import type { GaugeArea, GaugePiece } from "./gaugePiece";

/** One thing to be glued on before any paint. */
export interface GroundStep {
  readonly id: string;
  readonly title: string;
  readonly how: string;
  readonly caution: string;
}

const mm = (value: number) => formatNumber(value, 1).replace(/\.0$/, "");

function howSet(piece: LaidPiece, told: PieceTold): string {
  if (groundPieces[piece.kind].loose) return "strewn over its place";
  const bed =
    told.bedUl < 0.5
      ? ""
      : `, ${withUnit(told.bedUl, 0, "µl")} of paste below it, at most ${withUnit(told.gapMm, 1, "mm")} high`;
  const lies =
    piece.bedding === "rests"
      ? `as it comes to lie, leaning ${withUnit(told.leanDeg, 0, "°")}`
      : piece.tiltDeg === 0
        ? "bedded level"
        : `bedded leaning ${withUnit(piece.tiltDeg, 0, "°")}`;
  return `${lies}${bed}`;
}

/** What is built on a base, thing by thing in the order it is laid; none where nothing is. */
export function groundSteps(surface: Surface, form: SurfaceForm): GroundStep[] {
  const { groundwork } = surface;
  if (!groundwork || !canBuildOn(form)) return [];
  const { pieces } = groundTold(form, groundKey(surface), groundwork);
  return groundwork.pieces.map((piece, at) => {
    const { label, bench, caution } = groundPieces[piece.kind];
    const size = `${mm(piece.acrossMm)} × ${mm(piece.deepMm)} × ${mm(piece.tallMm)} mm`;
    const turned = piece.turnDeg === 0 ? "" : `, turned ${withUnit(piece.turnDeg, 0, "°")}`;
    return {
      ...{ id: piece.id, caution },
      title: `${at + 1}  ${label}, ${size}`,
      how: `${bench} Set it ${howSet(piece, pieces[at]!)}${turned}.`,
    };
  });
}

/** Corners of an outline on paper. */
const CORNERS = 96;

/** The farthest place along a line from a middle that something still holds, mm. */
function farthest(holds: (outMm: number) => boolean, mostMm: number): number {
  for (let out = mostMm; out > 0; out -= 0.1) if (holds(out)) return out;
  return 0;
}

/** A closed outline round a middle on the flat. */
function around([x, y]: FlatPoint, mostMm: number, holds: (point: FlatPoint) => boolean): FlatPoint[] {
  return Array.from({ length: CORNERS }, (_, corner) => {
    const way = (2 * Math.PI * corner) / CORNERS;
    const at = (out: number): FlatPoint => [x + out * Math.cos(way), y + out * Math.sin(way)];
    return at(farthest((out) => holds(at(out)), mostMm));
  });
}

/** Rigid pieces are drawn with a full line, what is strewn and feet with broken ones. */
const [RIGID, LOOSE, FOOT] = [0, 1, 2] as const;

function areaOf(set: SetPiece, number: number, mid: FlatPoint): GaugeArea {
  const { piece, shape, loose } = set;
  const at: FlatPoint = [mid[0] + piece.xMm, mid[1] - piece.yMm];
  const onIt = ([x, y]: FlatPoint) => set.topAt(x - mid[0], mid[1] - y, 0) > -Infinity;
  return {
    rings: [around(at, shape.reachMm, onIt)],
    label: String(number),
    at,
    group: loose ? LOOSE : RIGID,
  };
}

/** What is printed of a base: its plan at 1 : 1 with every piece and foot in its place; null where nothing is built. */
export function groundPlan(
  surface: Surface,
  form: SurfaceForm,
): { readonly title: string; readonly use: string; readonly pieces: readonly GaugePiece[] } | null {
  const { groundwork } = surface;
  if (!groundwork || !canBuildOn(form) || groundwork.pieces.length + groundwork.feet.length === 0)
    return null;
  const { minX, maxX, minY, maxY } = form.bounds;
  const [wide, high] = [maxX - minX, maxY - minY];
  const mid: FlatPoint = [(minX + maxX) / 2, (minY + maxY) / 2];
  const moved = ([x, y]: FlatPoint): FlatPoint => [x - minX, y - minY];
  const inside = (point: FlatPoint) => depthInside(form, form.place(point)) >= 0;
  const settled = settledOn(form, groundKey(surface), groundwork);
  const feet = groundwork.feet.map((foot, number): GaugeArea => {
    const at: FlatPoint = [mid[0] + foot.xMm, mid[1] - foot.yMm];
    const sole = around(at, foot.acrossMm / 2, () => true);
    return { rings: [sole], label: `F${number + 1}`, at, group: FOOT };
  });
  const areas = [...settled.pieces.map((set, at) => areaOf(set, at + 1, mid)), ...feet].map((area) => ({
    ...area,
    rings: area.rings.map((ring) => ring.map(moved)),
    at: moved(area.at),
  }));
  const steps = groundSteps(surface, form).map(({ title, how }) => `${title}: ${how}`);
  return {
    title: "Plan of what is built on it, from above, the front below.",
    use: `Lay the pieces in the order of their numbers; F marks feet and pegs. ${steps.join(" ")}`,
    pieces: [
      {
        title: surface.name,
        outline: around(mid, Math.hypot(wide, high) / 2, inside).map(moved),
        ...{ ticks: [], areas, widthMm: wide, heightMm: high },
      },
    ],
  };
}
