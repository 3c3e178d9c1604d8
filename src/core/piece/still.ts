import { decodeSrgb } from "../colour/spaces";
import { CURVE } from "../simulate/compositor";
import { CURVE_STEPS } from "../simulate/kernel/layout";
import { fieldsOf } from "../surface/fields";
import type { SpacePoint } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import { meshOf, SEEN_POINTS, type PieceMesh } from "./mesh";
import { dot, extentOf, eyeAt, look, projected, windowAround, type Seen, type Window } from "./raster";
import { fineRise, INSIDE, onPiece, type PieceGround, type PieceSkin } from "./skin";
import { lampInSpace, usualTilt } from "./stance";
import { lampViewOf, lightAt, reached, type LampView } from "./shade";

/** From where a piece is looked at, and how large. */
export interface PieceView {
  /** Round the upright axis, degrees; 0 is its front. */
  readonly turnDeg: number;
  /** From above, degrees, −89…89; null: as such a piece is usually held. */
  readonly tiltDeg: number | null;
  readonly pxPerMm: number;
  /** Longest side of the picture, pixels: a large piece is drawn smaller. */
  readonly mostPx: number;
}

/** A picture of a piece in space on nothing: alpha is how much of a pixel it fills. */
export interface PiecePicture {
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
}

/** Every pixel is the mean of this many by this many. */
const FINER = 2;
const MARGIN_PX = 4;
const DECODE = Float32Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));

/** A place of the mesh between four of its points, and their shares. */
interface Between {
  readonly at: number;
  readonly x: number;
  readonly y: number;
}

function mixed(
  values: Float32Array,
  { columns, rows }: PieceMesh,
  { at, x, y }: Between,
  axis: number,
): number {
  const right = at % columns < columns - 1 ? 3 : 0;
  const below = at + columns < columns * rows ? columns * 3 : 0;
  const base = at * 3 + axis;
  const top = values[base]! * (1 - x) + values[base + right]! * x;
  return top + (values[base + below]! * (1 - x) + values[base + below + right]! * x - top) * y;
}

const pointOf = (values: Float32Array, mesh: PieceMesh, between: Between): SpacePoint => [
  mixed(values, mesh, between, 0),
  mixed(values, mesh, between, 1),
  mixed(values, mesh, between, 2),
];

/** Everything one pixel is worked out from. */
interface Scene {
  readonly skin: PieceGround & Pick<PieceSkin, "lit">;
  readonly mesh: PieceMesh;
  readonly sky: Float32Array;
  readonly lamp: SpacePoint;
  readonly eye: SpacePoint;
  readonly lampView: LampView;
}

/** Adds up the paint's light around a place between four cells; cells beside the piece give nothing. */
function paintAt(
  rgba: Uint8ClampedArray,
  { width, height }: SurfaceGrid,
  x: number,
  y: number,
  out: Float64Array,
): void {
  const [left, top] = [Math.min(width - 2, Math.floor(x)), Math.min(height - 2, Math.floor(y))];
  const [tx, ty] = [x - left, y - top];
  let all = 0;
  out.fill(0);
  for (let corner = 0; corner < 4; corner++) {
    const [dx, dy] = [corner & 1, corner >> 1];
    const at = ((top + dy) * width + left + dx) * 4;
    const share = (dx === 1 ? tx : 1 - tx) * (dy === 1 ? ty : 1 - ty) * (rgba[at + 3]! > 0 ? 1 : 0);
    all += share;
    for (let channel = 0; channel < 3; channel++) out[channel]! += share * DECODE[rgba[at + channel]!]!;
  }
  if (all > 0) for (let channel = 0; channel < 3; channel++) out[channel]! /= all;
}

/** The normal of the mesh, tipped by what is finer than its points: relief and paint. */
function normalAt({ mesh, skin }: Scene, between: Between, cell: number): SpacePoint {
  const [x, y, z] = pointOf(mesh.normals, mesh, between);
  const { grid, heights } = skin;
  if (mesh.step === 1) return scaled(x, y, z);
  const right = fineRise(heights, cell, 1, mesh.step, grid.pitchMm);
  const down = fineRise(heights, cell, grid.width, mesh.step, grid.pitchMm);
  const [ux, uy, uz] = along(mesh, between.at, 3);
  const [vx, vy, vz] = along(mesh, between.at, mesh.columns * 3);
  return scaled(x - right * ux - down * vx, y - right * uy - down * vy, z - right * uz - down * vz);
}

function scaled(x: number, y: number, z: number): SpacePoint {
  const length = Math.sqrt(x * x + y * y + z * z) || 1;
  return [x / length, y / length, z / length];
}

/** Unit vector from a point of the mesh to its neighbour so many values on. */
function along({ points }: PieceMesh, at: number, on: number): SpacePoint {
  const [from, to] = [at * 3, Math.min(points.length - 3, at * 3 + on)];
  return scaled(
    points[to]! - points[from]!,
    points[to + 1]! - points[from + 1]!,
    points[to + 2]! - points[from + 2]!,
  );
}

/** Where samples of a picture lie on the paint, in cells, and what light does to it there. */
interface Samples {
  readonly x: Float32Array;
  readonly y: Float32Array;
  readonly shade: Float32Array;
  readonly shine: Float32Array;
  /** 1 on the painted side, 0 on the inner one. */
  readonly front: Uint8Array;
}

/** A piece as one beholder has it under its lamp: any paint of the same cells can be shown on it. */
export interface Pose {
  readonly grid: SurfaceGrid;
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
  readonly samples: Samples;
  /** First sample of each pixel, and one more for the end. */
  readonly first: Uint32Array;
  /** How many of its finer pixels are filled. */
  readonly filled: Uint8Array;
}

/** Takes a sample of the mesh from its painted side or its inner one. */
function sample(scene: Scene, into: Samples, at: number, column: number, row: number, front: boolean): void {
  const { mesh, skin, lamp, eye, lampView } = scene;
  const { grid, gloss } = skin;
  const [left, top] = [Math.floor(column), Math.floor(row)];
  const between: Between = { at: top * mesh.columns + left, x: column - left, y: row - top };
  const x = Math.min(grid.width - 1, column * mesh.step);
  const y = Math.min(grid.height - 1, row * mesh.step);
  into.x[at] = x;
  into.y[at] = y;
  into.front[at] = front ? 1 : 0;
  into.shade[at] = 1;
  if (!skin.lit) return;
  const cell = Math.round(y) * grid.width + Math.round(x);
  const outer = normalAt(scene, between, cell);
  const normal: SpacePoint = front ? outer : [-outer[0], -outer[1], -outer[2]];
  const free = dot(normal, lamp) <= 0 ? 0 : reached(lampView, pointOf(mesh.points, mesh, between));
  const sky = front ? scene.sky[cell]! : 0.5;
  const light = lightAt(normal, lamp, eye, { free, sky, gloss: front && gloss ? gloss[cell]! : 0 });
  into.shade[at] = light.shade;
  into.shine[at] = light.shine;
}

const FINER_PIXELS = FINER * FINER;
/** Finer pixels this near to each other on the mesh, in points, show one place: it is lit once. */
const ONE_PLACE = 3;

/** Whether all finer pixels of a pixel show nearly the same place, so that their middle stands for them. */
function onePlace({ near, column, row, front }: Seen, pixels: Int32Array): boolean {
  const first = pixels[0]!;
  for (let finer = 0; finer < FINER_PIXELS; finer++) {
    const pixel = pixels[finer]!;
    if (near[pixel] === -Infinity || front[pixel] !== front[first]) return false;
    if (Math.abs(column[pixel]! - column[first]!) > ONE_PLACE) return false;
    if (Math.abs(row[pixel]! - row[first]!) > ONE_PLACE) return false;
  }
  return true;
}

function roomFor(most: number): Samples {
  const numbers = () => new Float32Array(most);
  return { x: numbers(), y: numbers(), shade: numbers(), shine: numbers(), front: new Uint8Array(most) };
}

/** Samples of every pixel: one where its finer ones show one place, else one for each that is filled. */
function sampleAll(scene: Scene, seen: Seen, window: Window, pxPerMm: number): Pose {
  const [width, height] = [Math.floor(window.width / FINER), Math.floor(window.height / FINER)];
  const samples = roomFor(seen.near.reduce((count, near) => (near === -Infinity ? count : count + 1), 0));
  const [first, filled] = [new Uint32Array(width * height + 1), new Uint8Array(width * height)];
  const pixels = new Int32Array(FINER_PIXELS);
  let count = 0;
  for (let at = 0; at < width * height; at++) {
    first[at] = count;
    const corner = Math.floor(at / width) * FINER * window.width + (at % width) * FINER;
    for (let finer = 0; finer < FINER_PIXELS; finer++)
      pixels[finer] = corner + Math.floor(finer / FINER) * window.width + (finer % FINER);
    if (onePlace(seen, pixels)) {
      let [column, row] = [0, 0];
      for (let finer = 0; finer < FINER_PIXELS; finer++) {
        column += seen.column[pixels[finer]!]! / FINER_PIXELS;
        row += seen.row[pixels[finer]!]! / FINER_PIXELS;
      }
      sample(scene, samples, count++, column, row, seen.front[pixels[0]!] === 1);
      filled[at] = FINER_PIXELS;
      continue;
    }
    for (let finer = 0; finer < FINER_PIXELS; finer++) {
      const pixel = pixels[finer]!;
      if (seen.near[pixel] === -Infinity) continue;
      sample(scene, samples, count++, seen.column[pixel]!, seen.row[pixel]!, seen.front[pixel] === 1);
      filled[at]!++;
    }
  }
  first[width * height] = count;
  return { grid: scene.skin.grid, width, height, pxPerMm, samples, first, filled };
}

/** A picture of a posed piece in a paint: every pixel is the mean of its samples, in light and not in bytes. */
export function paintPose(pose: Pose, paint: Uint8ClampedArray): PiecePicture {
  const { grid, width, height, pxPerMm, samples, first, filled } = pose;
  const rgba = new Uint8ClampedArray(width * height * 4);
  const [one, sum] = [new Float64Array(3), new Float64Array(3)];
  for (let at = 0; at < filled.length; at++) {
    if (filled[at] === 0) continue;
    sum.fill(0);
    for (let from = first[at]!; from < first[at + 1]!; from++) {
      if (samples.front[from] === 1) paintAt(paint, grid, samples.x[from]!, samples.y[from]!, one);
      else one.fill(INSIDE);
      for (let channel = 0; channel < 3; channel++)
        sum[channel]! += Math.min(1, one[channel]! * samples.shade[from]! + samples.shine[from]!);
    }
    const share = CURVE_STEPS / (first[at + 1]! - first[at]!);
    for (let channel = 0; channel < 3; channel++)
      rgba[at * 4 + channel] = CURVE[Math.round(sum[channel]! * share)]!;
    rgba[at * 4 + 3] = Math.round((255 * filled[at]!) / FINER_PIXELS);
  }
  return { rgba, width, height, pxPerMm };
}

/** A piece as it stands before a beholder, ready for paint. @param skin its ground, and whether it stands in light */
export function posePiece(skin: PieceGround & Pick<PieceSkin, "lit">, view: PieceView): Pose {
  const { grid, heights } = skin;
  const mesh = meshOf(grid, heights, SEEN_POINTS);
  const eye = eyeAt(view.turnDeg, view.tiltDeg ?? usualTilt(grid.form));
  const spots = projected(mesh, eye);
  const extent = extentOf(mesh, spots);
  const longest = Math.max(extent.right - extent.left, extent.high - extent.low);
  const pxPerMm = Math.min(view.pxPerMm, (view.mostPx - 2 * MARGIN_PX - 1) / longest);
  const window = windowAround(extent, pxPerMm * FINER, MARGIN_PX * FINER);
  const on = onPiece(grid, mesh.step);
  const lamp = lampInSpace(grid.form, grid.lamp);
  const scene: Scene = {
    ...{ skin, mesh, lamp, eye: eye.towards },
    sky: fieldsOf(grid).sky,
    lampView: lampViewOf(mesh, lamp, on),
  };
  return sampleAll(scene, look(mesh, spots, window, on), window, pxPerMm);
}

/**
 * A still picture of a painted piece as it stands in space: its relief and the paint's own, one lamp with the shade it
 * casts, a room that is brighter above, less of it in hollows, the lamp mirrored in gloss. The eye is far away, as one
 * that looks at a figure of three centimetres is.
 */
export const drawPiece = (skin: PieceSkin, view: PieceView): PiecePicture =>
  paintPose(posePiece(skin, view), skin.rgba);
