import type { SpacePoint } from "../surface/forms/form";
import { cross, unit } from "../surface/vector";
import type { PieceMesh } from "./mesh";

/** An eye or a lamp far away: what it looks along, and what is right and up for it; unit vectors, at right angles. */
export interface Beholder {
  readonly right: SpacePoint;
  readonly up: SpacePoint;
  /** From the piece towards the eye or lamp. */
  readonly towards: SpacePoint;
}

/** A window on the piece: pixels to the mm, and which point of the beholder's plane is its upper left corner. */
export interface Window {
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
  readonly left: number;
  readonly top: number;
}

/** What is nearest in each pixel of a window. */
export interface Seen {
  /** Nearness, mm along `towards`; −Infinity where nothing is. */
  readonly near: Float32Array<ArrayBuffer>;
  /** Place on the mesh, in points from its upper left one. */
  readonly column: Float32Array;
  readonly row: Float32Array;
  /** 1 where the painted side is seen, 0 where the inner one is. */
  readonly front: Uint8Array;
  /** Which of several meshes is seen, from 0. */
  readonly part: Uint8Array;
}

/** A window with nothing in it yet. */
export function emptySeen({ width, height }: Window): Seen {
  const pixels = width * height;
  return {
    near: new Float32Array(pixels).fill(-Infinity),
    column: new Float32Array(pixels),
    row: new Float32Array(pixels),
    front: new Uint8Array(pixels),
    part: new Uint8Array(pixels),
  };
}

/** A beholder far away in a direction, upright as far as that goes. */
export function beholderFrom(direction: SpacePoint): Beholder {
  const towards = unit(direction);
  const upright: SpacePoint = Math.abs(towards[1]) > 0.999 ? [0, 0, -1] : [0, 1, 0];
  const right = unit(cross(upright, towards));
  return { right, up: cross(towards, right), towards };
}

/** An eye: turned round the upright axis and lifted, degrees; 0, 0 looks at the front. */
export function eyeAt(turnDeg: number, tiltDeg: number): Beholder {
  const [turn, tilt] = [(turnDeg * Math.PI) / 180, (tiltDeg * Math.PI) / 180];
  return beholderFrom([Math.sin(turn) * Math.cos(tilt), Math.sin(tilt), Math.cos(turn) * Math.cos(tilt)]);
}

/** The points of a mesh as a beholder has them, mm: how far right and up they lie, and how near. */
export function projected({ points }: PieceMesh, { right, up, towards }: Beholder): Float32Array {
  const out = new Float32Array(points.length);
  for (let at = 0; at < points.length; at += 3) {
    const x = points[at]!;
    const y = points[at + 1]!;
    const z = points[at + 2]!;
    out[at] = x * right[0] + y * right[1] + z * right[2];
    out[at + 1] = x * up[0] + y * up[1] + z * up[2];
    out[at + 2] = x * towards[0] + y * towards[1] + z * towards[2];
  }
  return out;
}

/** A box on the beholder's plane, mm. */
export interface Extent {
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

/** The box around all squares of a projected mesh that hold something. */
export function extentOf({ holds, columns }: PieceMesh, spots: Float32Array): Extent {
  let left = Infinity;
  let right = -Infinity;
  let low = Infinity;
  let high = -Infinity;
  for (let at = 0; at < holds.length; at++) {
    if (holds[at] === 0) continue;
    for (let corner = 0; corner < 4; corner++) {
      const spot = (at + (corner & 1) + (corner >> 1) * columns) * 3;
      const x = spots[spot]!;
      const y = spots[spot + 1]!;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < low) low = y;
      if (y > high) high = y;
    }
  }
  return { left, right, low, high };
}

/** The smallest window that holds a box, with a margin in pixels. */
export function windowAround({ left, right, low, high }: Extent, pxPerMm: number, marginPx: number): Window {
  const margin = marginPx / pxPerMm;
  return {
    width: Math.max(1, Math.ceil((right - left + 2 * margin) * pxPerMm)),
    height: Math.max(1, Math.ceil((high - low + 2 * margin) * pxPerMm)),
    pxPerMm,
    left: left - margin,
    top: high + margin,
  };
}

/** Whether a place of the mesh is on the piece; asked for squares that its outline crosses. */
export type OnPiece = (column: number, row: number) => boolean;

/** All of a mesh is there. */
export const everywhere: OnPiece = () => true;

/** What triangles are drawn on and from. */
interface Canvas {
  readonly seen: Seen;
  readonly window: Window;
  readonly spots: Float32Array;
  readonly columns: number;
  /** The corners of the triangle at hand: x and y in pixels, nearness in mm, column and row on the mesh. */
  readonly corners: Float64Array;
  readonly part: number;
}

/** Places one corner of the triangle at hand. */
function setCorner({ window, spots, columns, corners }: Canvas, corner: number, point: number): void {
  corners[corner] = (spots[point * 3]! - window.left) * window.pxPerMm;
  corners[corner + 1] = (window.top - spots[point * 3 + 1]!) * window.pxPerMm;
  corners[corner + 2] = spots[point * 3 + 2]!;
  corners[corner + 3] = point % columns;
  corners[corner + 4] = (point / columns) | 0;
}

/** A pixel whose middle lies on a shared edge belongs to either: it must not fall between. */
const ON_EDGE = -1e-6;

/**
 * Fills the triangle at hand: what is nearer wins. Pixels count by their middles, by edge functions (Pineda, "A
 * parallel algorithm for polygon rasterization", 1988), which change by the same amount from pixel to pixel.
 */
function fill({ seen, window, corners, part }: Canvas, on: OnPiece | null): void {
  const ax = corners[0]!;
  const ay = corners[1]!;
  const bax = corners[5]! - ax;
  const bay = corners[6]! - ay;
  const cax = corners[10]! - ax;
  const cay = corners[11]! - ay;
  const area = bax * cay - cax * bay;
  if (!(Math.abs(area) > 1e-9)) return;
  const fromX = Math.max(0, Math.ceil(ax + Math.min(0, bax, cax) - 0.5));
  const toX = Math.min(window.width - 1, Math.floor(ax + Math.max(0, bax, cax) - 0.5));
  const toY = Math.min(window.height - 1, Math.floor(ay + Math.max(0, bay, cay) - 0.5));
  const stepB = cay / area;
  const stepC = -bay / area;
  const front = area > 0 ? 1 : 0;
  for (let y = Math.max(0, Math.ceil(ay + Math.min(0, bay, cay) - 0.5)); y <= toY; y++) {
    const px = fromX + 0.5 - ax;
    const py = y + 0.5 - ay;
    let wb = (px * cay - cax * py) / area;
    let wc = (bax * py - px * bay) / area;
    for (let at = y * window.width + fromX; at <= y * window.width + toX; at++, wb += stepB, wc += stepC) {
      const wa = 1 - wb - wc;
      if (wa < ON_EDGE || wb < ON_EDGE || wc < ON_EDGE) continue;
      const near = wa * corners[2]! + wb * corners[7]! + wc * corners[12]!;
      if (near <= seen.near[at]!) continue;
      const column = wa * corners[3]! + wb * corners[8]! + wc * corners[13]!;
      const row = wa * corners[4]! + wb * corners[9]! + wc * corners[14]!;
      if (on && !on(column, row)) continue;
      seen.near[at] = near;
      seen.column[at] = column;
      seen.row[at] = row;
      seen.front[at] = front;
      seen.part[at] = part;
    }
  }
}

/**
 * Adds what a beholder sees of a piece to what is in a window: what is nearer stays.
 * @param spots the mesh as the beholder has it
 * @param on which places of the mesh are on the piece
 * @param part number under which it is found in `seen`, 0…255
 */
export function lookInto(
  seen: Seen,
  mesh: PieceMesh,
  spots: Float32Array,
  window: Window,
  on: OnPiece,
  part: number,
): void {
  const { columns, rows, holds } = mesh;
  const canvas: Canvas = { seen, window, spots, columns, corners: new Float64Array(15), part };
  for (let row = 0; row < rows - 1; row++) {
    for (let column = 0; column < columns - 1; column++) {
      const at = row * columns + column;
      if (holds[at] === 0) continue;
      const crossed = holds[at] === 2 ? null : on;
      setCorner(canvas, 0, at);
      setCorner(canvas, 5, at + 1);
      setCorner(canvas, 10, at + columns);
      fill(canvas, crossed);
      setCorner(canvas, 0, at + columns + 1);
      // The other half of the square, turning the same way.
      setCorner(canvas, 5, at + columns);
      setCorner(canvas, 10, at + 1);
      fill(canvas, crossed);
    }
  }
}
