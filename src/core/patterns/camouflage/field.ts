import { clamp } from "../../units";
import { xOf, yOf, type Panel } from "./panel";
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
  const { cells } = panel;
  for (let c = 0; c < cells.length; c++) {
    const at = cells[c]!;
    const [px, py] = [xOf(panel, at), yOf(panel, at)];
    const [u, v] = [(px + shift) * PER_MM, (py + 1.7 * shift) * PER_MM];
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

type Segment = readonly [x0: number, y0: number, x1: number, y1: number, w0: number, w1: number];
/** Both ends of a segment and the half width at each, mm. */
const segmentAt = ({ segments }: Shape, s: number): Segment => [
  ...([segments[s]!, segments[s + 1]!, segments[s + 2]!, segments[s + 3]!] as const),
  ...([segments[s + 4]!, segments[s + 5]!] as const),
];

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
  const { pitchMm, originX, originY, width, height, inside, piece } = panel;
  const { depthMm, mark } = field;
  let gained = 0;
  for (let s = 0; s < shape.segments.length; s += SEGMENT) {
    const [x0, y0, x1, y1, w0, w1] = segmentAt(shape, s);
    const pad = Math.max(w0, w1) + padMm;
    const fromX = Math.max(0, Math.floor((Math.min(x0, x1) - pad - originX) / pitchMm));
    const toX = Math.min(width - 1, Math.ceil((Math.max(x0, x1) + pad - originX) / pitchMm));
    const fromY = Math.max(0, Math.floor((Math.min(y0, y1) - pad - originY) / pitchMm));
    const toY = Math.min(height - 1, Math.ceil((Math.max(y0, y1) + pad - originY) / pitchMm));
    const [ex, ey] = [x1 - x0, y1 - y0];
    const square = ex * ex + ey * ey + 1e-9;
    for (let row = fromY; row <= toY; row++) {
      for (let at = row * width + fromX; at <= row * width + toX; at++) {
        if (inside[at] === 0 || piece[at] !== shape.piece) continue;
        const [qx, qy] = [warp.x[at]! - x0, warp.y[at]! - y0];
        const u = clamp((qx * ex + qy * ey) / square, 0, 1);
        const [dx, dy] = [qx - u * ex, qy - u * ey];
        const depth = w0 + (w1 - w0) * u - Math.sqrt(dx * dx + dy * dy);
        const before = depthMm[at]!;
        if (depth < before - JOIN_MM) continue;
        if (depth > before) mark[at] = number;
        const near = Math.max(0, 1 - Math.abs(depth - before) / JOIN_MM);
        const joined = Math.max(depth, before) + (near * near * JOIN_MM) / 4;
        depthMm[at] = joined;
        if (before <= 0 && joined > 0) gained++;
      }
    }
  }
  return gained;
}
