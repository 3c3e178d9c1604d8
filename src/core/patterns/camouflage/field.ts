import type { Panel } from "../panel";
import { SEGMENT, type Shape } from "./shapes";
import { smoothNoise } from "./smooth";

/** Distance to the nearest mark of one layer, cell by cell of the panel. */
export interface Field {
  /** Depth within the nearest mark, mm: above 0 inside; FAR_MM where none is near. */
  readonly depthMm: Float32Array;
  /** Which mark is nearest, −1 for none. */
  readonly mark: Int32Array;
}

export const FAR_MM = -3;
/** How far outside a mark its distance is still told, mm. */
const PAD_MM = 0.8;
/** Dabs nearer to each other than this flow together, mm. */
const JOIN_MM = 0.1;
/** How far a hand strays from the shape it had in mind, mm, at two sizes. */
const STRAY = [
  { mm: 0.09, over: 0.65 },
  { mm: 0.035, over: 0.24 },
] as const;

/** A tile of displacements that repeats without a seam; one cell of it is 0.05 mm. */
const TILE = 256;
const TILE_MASK = TILE - 1;
const PER_MM = 20;
let tile: Float32Array | null = null;

function strayTile(): Float32Array {
  const made = new Float32Array(TILE * TILE);
  for (const { mm, over } of STRAY) {
    const points = Math.round(TILE / PER_MM / over);
    for (let at = 0; at < made.length; at++) {
      const [x, y] = [(at & TILE_MASK) / TILE, Math.floor(at / TILE) / TILE];
      made[at]! += mm * smoothNoise(x * points, y * points, points);
    }
  }
  return made;
}

/** Where each cell is looked for instead of where it lies: borders come out as a hand makes them. */
export interface Warp {
  readonly x: Float32Array;
  readonly y: Float32Array;
}

/** @param shift mm by which this layer's hand differs from another's */
export function warpOf(panel: Panel, shift: number): Warp {
  const stray = (tile ??= strayTile());
  const x = new Float32Array(panel.inside.length);
  const y = new Float32Array(panel.inside.length);
  const { cells, width, originX, originY, pitchMm } = panel;
  for (let c = 0; c < cells.length; c++) {
    const at = cells[c]!;
    const row = Math.floor(at / width);
    const px = originX + (at - row * width) * pitchMm;
    const py = originY + row * pitchMm;
    const u = (px + shift) * PER_MM;
    const v = (py + 1.7 * shift) * PER_MM;
    x[at] = px + stray[(v & TILE_MASK) * TILE + (u & TILE_MASK)]!;
    y[at] = py + stray[((u + 101) & TILE_MASK) * TILE + ((v + 57) & TILE_MASK)]!;
  }
  return { x, y };
}

/** A field of a panel on which nothing lies yet. */
export const emptyField = (panel: Panel): Field => ({
  depthMm: new Float32Array(panel.inside.length).fill(FAR_MM),
  mark: new Int32Array(panel.inside.length).fill(-1),
});

/** Beyond this share of the reach squared a cell is left out before its root is drawn: rounding cannot bring it back. */
const SURELY_OUT = 1.0001;

/**
 * Lays one mark into a field, on its own piece only. Distances to segments of changing width are joined smoothly
 * (polynomial smooth maximum; Quilez, "Smooth minimum", 2013).
 * @param padMm how far outside the mark its distance is told
 * @returns area gained where the field was not above 0 before, in cells
 */
export function splat(
  panel: Panel,
  field: Field,
  warp: Warp,
  shape: Shape,
  number: number,
  padMm = PAD_MM,
): number {
  const { segments } = shape;
  let gained = 0;
  for (let s = 0; s < segments.length; s += SEGMENT) {
    const pad = Math.max(segments[s + 4]!, segments[s + 5]!) + padMm;
    const box = boxOf(panel, segments, s, pad);
    gained += splatSegment(panel, field, warp, shape, s, number, box);
  }
  return gained;
}

/** Columns and rows of a panel, the last ones within. */
interface Box {
  readonly fromX: number;
  readonly toX: number;
  readonly fromY: number;
  readonly toY: number;
}

/** The cells within a distance of a segment's box. */
function boxOf(
  { pitchMm, originX, originY, width, height }: Panel,
  segments: ArrayLike<number>,
  s: number,
  pad: number,
): Box {
  const [x0, y0, x1, y1] = [segments[s]!, segments[s + 1]!, segments[s + 2]!, segments[s + 3]!];
  return {
    fromX: Math.max(0, Math.floor((Math.min(x0, x1) - pad - originX) / pitchMm)),
    toX: Math.min(width - 1, Math.ceil((Math.max(x0, x1) + pad - originX) / pitchMm)),
    fromY: Math.max(0, Math.floor((Math.min(y0, y1) - pad - originY) / pitchMm)),
    toY: Math.min(height - 1, Math.ceil((Math.max(y0, y1) + pad - originY) / pitchMm)),
  };
}

/** Lays one segment of a mark. Plain numbers only: this runs over every cell near every mark. */
function splatSegment(
  { width, inside, piece }: Panel,
  { depthMm, mark }: Field,
  warp: Warp,
  shape: Shape,
  s: number,
  number: number,
  { fromX, toX, fromY, toY }: Box,
): number {
  const { segments, piece: own } = shape;
  const x0 = segments[s]!;
  const y0 = segments[s + 1]!;
  const ex = segments[s + 2]! - x0;
  const ey = segments[s + 3]! - y0;
  const w0 = segments[s + 4]!;
  const dw = segments[s + 5]! - w0;
  const square = ex * ex + ey * ey + 1e-9;
  let gained = 0;
  for (let row = fromY; row <= toY; row++) {
    for (let at = row * width + fromX; at <= row * width + toX; at++) {
      if (inside[at] === 0 || piece[at] !== own) continue;
      const qx = warp.x[at]! - x0;
      const qy = warp.y[at]! - y0;
      const u = Math.min(1, Math.max(0, (qx * ex + qy * ey) / square));
      const dx = qx - u * ex;
      const dy = qy - u * ey;
      const away = dx * dx + dy * dy;
      const before = depthMm[at]!;
      const reach = w0 + dw * u - before + JOIN_MM;
      if (reach < 0 || away > reach * reach * SURELY_OUT) continue;
      const depth = w0 + dw * u - Math.sqrt(away);
      if (depth > before) mark[at] = number;
      const near = Math.max(0, 1 - Math.abs(depth - before) / JOIN_MM);
      const joined = Math.max(depth, before) + (near * near * JOIN_MM) / 4;
      depthMm[at] = joined;
      if (before <= 0 && joined > 0) gained++;
    }
  }
  return gained;
}
