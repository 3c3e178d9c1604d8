import { fieldsOf } from "../surface/fields";
import type { SpacePoint } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import type { PieceMesh } from "./mesh";
import { lightOn, reached, type LampView } from "./shade";
import { fineRise, type PieceGround, type PieceSkin } from "./skin";
import type { Stood } from "./stood";

/** The ground of one part: a painted piece's, or something plain that has as many cells as its mesh has points. */
export type PartGround = Pick<PieceGround, "heights" | "gloss"> &
  Pick<PieceSkin, "lit"> & { readonly grid: Pick<SurfaceGrid, "width" | "height" | "pitchMm"> };

/** Everything one sample is worked out from. */
export interface Scene {
  readonly skin: PartGround;
  readonly mesh: PieceMesh;
  /** Share of the open sky each cell sees, 0…1. */
  readonly sky: Float32Array;
  readonly lamp: SpacePoint;
  readonly eye: SpacePoint;
  readonly lampView: LampView;
  /** Number of the part whose paint it has. */
  readonly paintOf: number;
  /** An edge of that part: which of its cells each column of the mesh has, x and y; left out where every point has its own. */
  readonly places?: Float32Array;
}

/** A stood piece before an eye, and its edges if it has any. @param eye unit vector towards it */
export function scenesOf(
  skin: PieceGround & Pick<PieceSkin, "lit">,
  { mesh, rim, lamp, lampView }: Stood,
  eye: SpacePoint,
): Scene[] {
  const { sky } = fieldsOf(skin.grid);
  const piece = { skin, mesh, lamp, eye, lampView, sky, paintOf: 0 };
  return [piece, ...(rim ? [{ ...piece, ...rim }] : [])];
}

/** Where samples of a picture lie on the paint, in cells, and what light does to it there. */
export interface Samples {
  readonly x: Float32Array;
  readonly y: Float32Array;
  readonly shade: Float32Array;
  readonly shine: Float32Array;
  /** 1 on the painted side, 0 on the inner one. */
  readonly front: Uint8Array;
  /** Which part of the picture it is of. */
  readonly part: Uint8Array;
}

/** Room for so many samples. */
export function roomFor(most: number): Samples {
  const numbers = () => new Float32Array(most);
  const bytes = () => new Uint8Array(most);
  return { x: numbers(), y: numbers(), shade: numbers(), shine: numbers(), front: bytes(), part: bytes() };
}

/** Three numbers each, of the sample at hand: a picture has too many samples to make room for every one of them. */
const [point, normal, across, down] = [0, 0, 0, 0].map(() => new Float64Array(3)) as [
  Float64Array,
  Float64Array,
  Float64Array,
  Float64Array,
];
const light = new Float64Array(2);

function unit(out: Float64Array): void {
  const length = Math.sqrt(out[0]! * out[0]! + out[1]! * out[1]! + out[2]! * out[2]!) || 1;
  for (let axis = 0; axis < 3; axis++) out[axis]! /= length;
}

/** What lies between four points of the mesh. @param tx, ty shares of the right and of the lower ones */
function blend(
  values: Float32Array,
  { columns, rows }: PieceMesh,
  at: number,
  tx: number,
  ty: number,
  out: Float64Array,
): void {
  const right = at % columns < columns - 1 ? 3 : 0;
  const below = at + columns < columns * rows ? columns * 3 : 0;
  for (let axis = 0; axis < 3; axis++) {
    const base = at * 3 + axis;
    const top = values[base]! * (1 - tx) + values[base + right]! * tx;
    out[axis] = top + (values[base + below]! * (1 - tx) + values[base + below + right]! * tx - top) * ty;
  }
}

/** Unit vector from a point of the mesh to another so many points on. */
function along({ points }: PieceMesh, at: number, on: number, out: Float64Array): void {
  const [from, to] = [at * 3, Math.min(points.length - 3, (at + on) * 3)];
  for (let axis = 0; axis < 3; axis++) out[axis] = points[to + axis]! - points[from + axis]!;
  unit(out);
}

/** Tips the normal by what is finer than the points of the mesh: relief and paint. */
function tip({ mesh, skin }: Scene, at: number, cell: number): void {
  const { grid, heights } = skin;
  const right = fineRise(heights, cell, 1, mesh.step, grid.pitchMm);
  const low = fineRise(heights, cell, grid.width, mesh.step, grid.pitchMm);
  along(mesh, at, 1, across);
  along(mesh, at, mesh.columns, down);
  for (let axis = 0; axis < 3; axis++) normal[axis]! -= right * across[axis]! + low * down[axis]!;
}

const facesLamp = ({ lamp }: Scene): boolean =>
  normal[0]! * lamp[0] + normal[1]! * lamp[1] + normal[2]! * lamp[2] > 0;

/** How much of the lamp reaches a place between four points of the mesh, 0…1. */
function freeAt({ mesh, lampView }: Scene, at: number, tx: number, ty: number): number {
  blend(mesh.points, mesh, at, tx, ty, point);
  return reached(lampView, point[0]!, point[1]!, point[2]!);
}

/** Which cell lies at a column of an edge, along one axis. */
function placeOf(places: Float32Array, column: number, axis: 0 | 1): number {
  const at = (column | 0) * 2 + axis;
  const next = at + 2 < places.length ? places[at + 2]! : places[at]!;
  return Math.max(0, places[at]! + (next - places[at]!) * (column - (column | 0)));
}

/** Takes a sample of the mesh from its painted side or its inner one. @param column, row where, in points of the mesh */
export function sample(
  scene: Scene,
  into: Samples,
  to: number,
  column: number,
  row: number,
  front: boolean,
): void {
  const { mesh, skin, lamp } = scene;
  const { grid, gloss } = skin;
  const x = Math.min(grid.width - 1, scene.places ? placeOf(scene.places, column, 0) : column * mesh.step);
  const y = Math.min(grid.height - 1, scene.places ? placeOf(scene.places, column, 1) : row * mesh.step);
  into.part[to] = scene.paintOf;
  into.x[to] = x;
  into.y[to] = y;
  into.front[to] = front ? 1 : 0;
  into.shade[to] = 1;
  if (!skin.lit) return;
  const [left, top] = [column | 0, row | 0];
  const at = top * mesh.columns + left;
  const cell = Math.round(y) * grid.width + Math.round(x);
  blend(mesh.normals, mesh, at, column - left, row - top, normal);
  if (mesh.step > 1) tip(scene, at, cell);
  unit(normal);
  if (!front) for (let axis = 0; axis < 3; axis++) normal[axis]! *= -1;
  const free = facesLamp(scene) ? freeAt(scene, at, column - left, row - top) : 0;
  lightOn(
    normal,
    lamp,
    scene.eye,
    free,
    front ? scene.sky[cell]! : 0.5,
    front && gloss ? gloss[cell]! : 0,
    light,
  );
  into.shade[to] = light[0]!;
  into.shine[to] = light[1]!;
}
