import { decodeSrgb } from "../colour/spaces";
import { CURVE } from "../simulate/compositor";
import { CURVE_STEPS } from "../simulate/kernel/layout";
import type { SurfaceGrid } from "../surface/grid";
import { SEEN_POINTS } from "./mesh";
import { everywhere, eyeAt, projected, windowAround, type Beholder, type Seen, type Window } from "./raster";
import { roomFor, sample, scenesOf, type Samples, type Scene } from "./sample";
import { extentOfAll, lookAtAll, type Standing } from "./shade";
import { INSIDE, type PieceGround, type PieceSkin } from "./skin";
import { standUp, type PieceRoom } from "./stood";

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
  /** Where its upper left corner lies on the beholder's plane: mm right and up of the middle of all. */
  readonly leftMm: number;
  readonly topMm: number;
}

/** A still picture of a piece, from where it is seen, and the room the piece takes up. */
export interface StillPiece {
  readonly picture: PiecePicture;
  readonly view: PieceView;
  /** Under the lamp, or its plain colours alone. */
  readonly lit: boolean;
  readonly room: PieceRoom;
}

/** Every pixel is the mean of two by two finer ones. */
const FINER = 2;
const MARGIN_PX = 4;
const DECODE = Float32Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));

type Cells = Pick<SurfaceGrid, "width" | "height">;

/** Adds up the paint's light around a place between four cells; cells beside the piece give nothing. */
function paintAt(
  rgba: Uint8ClampedArray,
  { width, height }: Cells,
  x: number,
  y: number,
  out: Float64Array,
): void {
  const left = Math.min(width - 2, x | 0);
  const top = Math.min(height - 2, y | 0);
  const tx = x - left;
  const ty = y - top;
  const a = (top * width + left) * 4;
  const c = a + width * 4;
  const ofA = rgba[a + 3]! > 0 ? (1 - tx) * (1 - ty) : 0;
  const ofB = rgba[a + 7]! > 0 ? tx * (1 - ty) : 0;
  const ofC = rgba[c + 3]! > 0 ? (1 - tx) * ty : 0;
  const ofD = rgba[c + 7]! > 0 ? tx * ty : 0;
  const all = ofA + ofB + ofC + ofD || 1;
  for (let channel = 0; channel < 3; channel++) {
    const above = ofA * DECODE[rgba[a + channel]!]! + ofB * DECODE[rgba[a + 4 + channel]!]!;
    const below = ofC * DECODE[rgba[c + channel]!]! + ofD * DECODE[rgba[c + 4 + channel]!]!;
    out[channel] = (above + below) / all;
  }
}

/** One or more pieces as one beholder has them under their lamp: any paint of the same cells can be shown on them. */
export interface Pose {
  readonly grids: readonly Cells[];
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
  readonly leftMm: number;
  readonly topMm: number;
  readonly samples: Samples;
  /** First sample of each pixel, and one more for the end. */
  readonly first: Uint32Array;
  /** How many of its finer pixels are filled. */
  readonly filled: Uint8Array;
}

const FINER_PIXELS = FINER * FINER;
/** Finer pixels this near to each other on the mesh, in points, show one place: it is lit once. */
const ONE_PLACE = 3;

/** Whether two finer pixels show nearly the same place of the same side. */
function together({ near, column, row, front, part }: Seen, one: number, other: number): boolean {
  return (
    near[other]! !== -Infinity &&
    front[other] === front[one] &&
    part[other] === part[one] &&
    Math.abs(column[other]! - column[one]!) <= ONE_PLACE &&
    Math.abs(row[other]! - row[one]!) <= ONE_PLACE
  );
}

function countSeen({ near }: Seen): number {
  let count = 0;
  for (let at = 0; at < near.length; at++) if (near[at]! !== -Infinity) count++;
  return count;
}

/** Parts as an eye has them in a picture of all of them. */
export interface Framed {
  readonly seen: Seen;
  readonly window: Window;
  /** Of the picture; its finer pixels are half as large. */
  readonly pxPerMm: number;
}

/** Looks at parts as large as is asked for, or as fits. */
export function framed(
  parts: readonly Standing[],
  eye: Beholder,
  { pxPerMm: wished, mostPx }: Pick<PieceView, "pxPerMm" | "mostPx">,
): Framed {
  const spots = parts.map(({ mesh }) => projected(mesh, eye));
  const extent = extentOfAll(parts, spots);
  const longest = Math.max(extent.right - extent.left, extent.high - extent.low);
  const pxPerMm = Math.min(wished, (mostPx - 2 * MARGIN_PX - 1) / longest);
  const window = windowAround(extent, pxPerMm * FINER, MARGIN_PX * FINER);
  return { seen: lookAtAll(parts, spots, window), window, pxPerMm };
}

/** Samples of every pixel: one where its four finer ones show one place, else one for each that is filled. */
export function sampleAll(scenes: readonly Scene[], { seen, window, pxPerMm }: Framed): Pose {
  const { near, column, row, front, part } = seen;
  const [width, height] = [Math.floor(window.width / FINER), Math.floor(window.height / FINER)];
  const samples = roomFor(countSeen(seen));
  const [first, filled] = [new Uint32Array(width * height + 1), new Uint8Array(width * height)];
  let count = 0;
  const take = (pixel: number, x: number, y: number) => {
    const scene = scenes[part[pixel]!]!;
    // An edge is seen from outside alone.
    sample(scene, samples, count++, x, y, front[pixel] === 1 || scene.places !== undefined);
  };
  for (let at = 0; at < width * height; at++) {
    first[at] = count;
    const a = ((at / width) | 0) * FINER * window.width + (at % width) * FINER;
    const c = a + window.width;
    const one = near[a]! !== -Infinity && together(seen, a, a + 1) && together(seen, a, c);
    if (one && together(seen, a, c + 1)) {
      const x = (column[a]! + column[a + 1]! + column[c]! + column[c + 1]!) / FINER_PIXELS;
      const y = (row[a]! + row[a + 1]! + row[c]! + row[c + 1]!) / FINER_PIXELS;
      take(a, x, y);
      filled[at] = FINER_PIXELS;
      continue;
    }
    for (let finer = 0; finer < FINER_PIXELS; finer++) {
      const pixel = (finer < FINER ? a : c - FINER) + finer;
      if (near[pixel] === -Infinity) continue;
      take(pixel, column[pixel]!, row[pixel]!);
      filled[at]!++;
    }
  }
  first[width * height] = count;
  const { left: leftMm, top: topMm } = window;
  const grids = scenes.map(({ skin }) => skin.grid);
  return { grids, width, height, pxPerMm, leftMm, topMm, samples, first, filled };
}

/** A picture of posed pieces, each in its paint: every pixel is the mean of its samples, in light and not in bytes. */
export function paintPose(pose: Pose, paints: readonly Uint8ClampedArray[]): PiecePicture {
  const { grids, width, height, pxPerMm, leftMm, topMm, samples, first, filled } = pose;
  const rgba = new Uint8ClampedArray(width * height * 4);
  const [one, sum] = [new Float64Array(3), new Float64Array(3)];
  for (let at = 0; at < filled.length; at++) {
    if (filled[at] === 0) continue;
    sum.fill(0);
    for (let from = first[at]!; from < first[at + 1]!; from++) {
      const part = samples.part[from]!;
      if (samples.front[from] === 1)
        paintAt(paints[part]!, grids[part]!, samples.x[from]!, samples.y[from]!, one);
      else one.fill(INSIDE);
      for (let channel = 0; channel < 3; channel++)
        sum[channel]! += Math.min(1, one[channel]! * samples.shade[from]! + samples.shine[from]!);
    }
    const share = CURVE_STEPS / (first[at + 1]! - first[at]!);
    for (let channel = 0; channel < 3; channel++)
      rgba[at * 4 + channel] = CURVE[Math.round(sum[channel]! * share)]!;
    rgba[at * 4 + 3] = Math.round((255 * filled[at]!) / FINER_PIXELS);
  }
  return { rgba, width, height, pxPerMm, leftMm, topMm };
}

/**
 * A piece as it stands before a beholder, ready for paint.
 * @param skin its ground, and whether it stands in light
 * @param mostPoints of its mesh: with few, small relief is told by slopes too far apart
 */
export function posePiece(
  skin: PieceGround & Pick<PieceSkin, "lit">,
  view: PieceView,
  mostPoints = SEEN_POINTS,
): Pose {
  const stood = standUp(skin, mostPoints);
  const { mesh, on, rim, room } = stood;
  const eye = eyeAt(view.turnDeg, view.tiltDeg ?? room.tiltDeg);
  const parts = [{ mesh, on }, ...(rim ? [{ mesh: rim.mesh, on: everywhere }] : [])];
  return sampleAll(scenesOf(skin, stood, eye.towards), framed(parts, eye, view));
}

/**
 * A still picture of a painted piece as it stands in space: its relief and the paint's own, one lamp with the shade it
 * casts, a room that is brighter above, less of it in hollows, the lamp mirrored in gloss. The eye is far away, as one
 * that looks at a figure of three centimetres is.
 */
export const drawPiece = (skin: PieceSkin, view: PieceView): PiecePicture =>
  paintPose(posePiece(skin, view), [skin.rgba]);

/** A still picture of a painted piece, with what is needed to show it at its size. @param mostPoints as `posePiece` */
export const stillOf = (skin: PieceSkin, view: PieceView, mostPoints = SEEN_POINTS): StillPiece => ({
  picture: paintPose(posePiece(skin, view, mostPoints), [skin.rgba]),
  view,
  lit: skin.lit,
  room: standUp(skin, mostPoints).room,
});
