import { fieldsOf } from "../surface/fields";
import type { SpacePoint } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import type { PieceMesh } from "./mesh";
import type { Beholder } from "./raster";
import type { Rim } from "./rim";
import { fineRise, type PieceGround } from "./skin";
import { standUp, type PieceRoom } from "./stood";

/** What the lamp sees of a piece: how near the nearest point is in each pixel of its window, mm; far below all where none is. */
export interface LampSight extends Beholder {
  readonly near: Float32Array<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
  readonly left: number;
  readonly top: number;
}

/** A painted piece ready to be drawn in space from any side; its colours are those of the flat picture of the same cells. */
export interface StandingPiece {
  /** x, y, z of each point, mm: right, up, towards the front. */
  readonly points: Float32Array<ArrayBuffer>;
  /** Unit vectors at each point: out of the painted side, and along a row of cells. */
  readonly normals: Float32Array<ArrayBuffer>;
  readonly across: Float32Array<ArrayBuffer>;
  /** Where each point lies on the flat picture, 0…1 from its upper left corner. */
  readonly places: Float32Array<ArrayBuffer>;
  /** Corners of triangles that turn left round where they are seen from the painted side. */
  readonly triangles: Uint32Array<ArrayBuffer>;
  /**
   * Per cell, bytes: the ground's slope along rows and columns that is finer than the points (as `packSlope`), the share
   * of open sky, 0…1 as 0…255, and gloss, −1…1 as 0…254: below 0 metal.
   */
  readonly ground: Uint8Array<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
  /** Edge of a cell, mm. */
  readonly pitchMm: number;
  /** Unit vector to the lamp. */
  readonly lamp: SpacePoint;
  readonly sight: LampSight;
  readonly room: PieceRoom;
}

/** A slope in mm per mm as a byte: fine near level ground, where most are. */
export const packSlope = (slope: number): number => Math.round(127.5 + (127 * slope) / (1 + Math.abs(slope)));
/** The slope a byte stands for. */
export const unpackSlope = (byte: number): number => {
  const share = (byte - 127.5) / 127;
  return share / (1 - Math.abs(share));
};

/** Gloss, or metal below 0, as a byte; 0 is 127. */
export const packGloss = (gloss: number): number => Math.round(127 + 127 * Math.min(1, Math.max(-1, gloss)));

function groundOf({ grid, heights, gloss }: PieceGround, step: number): Uint8Array<ArrayBuffer> {
  const { inside, width, pitchMm } = grid;
  const { sky } = fieldsOf(grid);
  const out = new Uint8Array(inside.length * 4).fill(0);
  for (let at = 0; at < inside.length; at++) {
    const to = at * 4;
    const level = inside[at] === 0 || step === 1;
    out[to] = packSlope(level ? 0 : fineRise(heights, at, 1, step, pitchMm));
    out[to + 1] = packSlope(level ? 0 : fineRise(heights, at, width, step, pitchMm));
    out[to + 2] = sky[at]! * 255;
    out[to + 3] = packGloss(gloss ? gloss[at]! : 0);
  }
  return out;
}

/** Unit vectors from each point to the next one in its row. */
function acrossOf({ points, columns }: PieceMesh): Float32Array<ArrayBuffer> {
  const out = new Float32Array(points.length);
  for (let at = 0; at < points.length; at += 3) {
    const last = (at / 3) % columns === columns - 1;
    const [from, to] = last ? [at - 3, at] : [at, at + 3];
    const x = points[to]! - points[from]!;
    const y = points[to + 1]! - points[from + 1]!;
    const z = points[to + 2]! - points[from + 2]!;
    const length = Math.sqrt(x * x + y * y + z * z) || 1;
    out[at] = x / length;
    out[at + 1] = y / length;
    out[at + 2] = z / length;
  }
  return out;
}

/** Where each point of a mesh lies on the flat picture of its grid, 0…1 from its upper left corner. */
export function placesOf(
  { columns, rows, step }: PieceMesh,
  { width, height }: Pick<SurfaceGrid, "width" | "height">,
): Float32Array<ArrayBuffer> {
  const out = new Float32Array(columns * rows * 2);
  for (let at = 0; at < columns * rows; at++) {
    out[at * 2] = (Math.min(width - 1, (at % columns) * step) + 0.5) / width;
    out[at * 2 + 1] = (Math.min(height - 1, Math.floor(at / columns) * step) + 0.5) / height;
  }
  return out;
}

/** Corners of the triangles of a mesh, by point; they turn left round where they are seen from the painted side. */
export function trianglesOf({ holds, columns }: PieceMesh): Uint32Array<ArrayBuffer> {
  let squares = 0;
  for (let at = 0; at < holds.length; at++) if (holds[at]! > 0) squares++;
  const out = new Uint32Array(squares * 6);
  let to = 0;
  for (let at = 0; at < holds.length; at++) {
    if (holds[at] === 0) continue;
    out[to++] = at;
    out[to++] = at + columns;
    out[to++] = at + 1;
    out[to++] = at + columns + 1;
    out[to++] = at + 1;
    out[to++] = at + columns;
  }
  return out;
}

/**
 * Gives cells beside the piece the colour of a neighbour on it, so that no dark rim is drawn along its edges; they stay
 * unseen (alpha 0) where the picture lies flat.
 * @param rgba changed in place
 */
export function bleed(rgba: Uint8ClampedArray, width: number): void {
  const near = [1, -1, width, -width, 2, -2, 2 * width, -2 * width];
  for (let at = 0; at < rgba.length; at += 4) {
    if (rgba[at + 3]! > 0) continue;
    for (const step of near) {
      const from = at + step * 4;
      if (from < 0 || from >= rgba.length || rgba[from + 3] === 0) continue;
      rgba[at] = rgba[from]!;
      rgba[at + 1] = rgba[from + 1]!;
      rgba[at + 2] = rgba[from + 2]!;
      break;
    }
  }
}

/** Where each point of a piece's edges lies on the flat picture, as `placesOf`. */
export function edgePlaces(
  { mesh, places }: Rim,
  { width, height }: Pick<SurfaceGrid, "width" | "height">,
): Float32Array<ArrayBuffer> {
  const out = new Float32Array(mesh.columns * mesh.rows * 2);
  for (let at = 0; at < mesh.columns * mesh.rows; at++) {
    const column = at % mesh.columns;
    out[at * 2] = (places[column * 2]! + 0.5) / width;
    out[at * 2 + 1] = (places[column * 2 + 1]! + 0.5) / height;
  }
  return out;
}

/** Several lists of numbers as one. */
function joined(...lists: readonly Float32Array[]): Float32Array<ArrayBuffer> {
  const out = new Float32Array(lists.reduce((sum, { length }) => sum + length, 0));
  lists.reduce((to, list) => {
    out.set(list, to);
    return to + list.length;
  }, 0);
  return out;
}

/** The points of a piece and after them those of its edges, as triangles. Copies: what is handed on to another thread is gone here. */
function geometryOf(mesh: PieceMesh, rim: Rim | null, grid: SurfaceGrid) {
  const piece = {
    points: mesh.points.slice(),
    normals: mesh.normals.slice(),
    across: acrossOf(mesh),
    places: placesOf(mesh, grid),
    triangles: trianglesOf(mesh),
  };
  if (!rim) return piece;
  const first = mesh.points.length / 3;
  const edges = trianglesOf(rim.mesh).map((point) => point + first);
  const triangles = new Uint32Array(piece.triangles.length + edges.length);
  triangles.set(piece.triangles);
  triangles.set(edges, piece.triangles.length);
  return {
    points: joined(piece.points, rim.mesh.points),
    normals: joined(piece.normals, rim.mesh.normals),
    across: joined(piece.across, acrossOf(rim.mesh)),
    places: joined(piece.places, edgePlaces(rim, grid)),
    triangles,
  };
}

/** Makes a painted piece ready to be drawn in space from any side. */
export function standPiece(ground: PieceGround): StandingPiece {
  const { grid } = ground;
  const { mesh, rim, lamp, lampView, room } = standUp(ground);
  const { beholder, window, seen } = lampView;
  return {
    ...geometryOf(mesh, rim, grid),
    ground: groundOf(ground, mesh.step),
    width: grid.width,
    height: grid.height,
    pitchMm: grid.pitchMm,
    lamp,
    sight: { ...beholder, ...window, near: seen.near.map((mm) => Math.max(-1e9, mm)) },
    room,
  };
}
