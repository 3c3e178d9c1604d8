import { flakesOf, METAL, shineOf } from "../simulate/surfaceFinish";
import { clamp, smoothstep } from "../units";
import type { SpacePoint } from "../surface/forms/form";
import type { PieceMesh } from "./mesh";
import {
  beholderFrom,
  emptySeen,
  extentOf,
  lookInto,
  projected,
  windowAround,
  type Beholder,
  type Extent,
  type OnPiece,
  type Seen,
  type Window,
} from "./raster";

/** Light from the whole room on ground that sees all of it, and from the lamp on ground that faces it. */
export const ROOM = 0.34;
export const LAMP = 0.98;
/** What lies below gets this share of the light that comes from above. */
export const FROM_BELOW = 0.45;
/** Most pixels across the lamp's own view of one piece: it tells what stands in whose light. */
export const LAMP_PX = 640;
/** How far that is for one piece, mm; fully in the shade is what lies twice as far. */
export const SHADE_MM = 0.09;
/** Places of the lamp's view that are looked at lie this far apart, its pixels: shade has a soft rim. */
export const RIM_PX = 1.2;
/** Ground of less gloss mirrors nothing. */
export const LEAST_GLOSS = 0.05;

/** The lamp's own view of a piece. */
export interface LampView {
  readonly beholder: Beholder;
  readonly window: Window;
  readonly seen: Seen;
  /** The ground must lie this far behind what the lamp meets to be in its shade, mm. */
  readonly behindMm: number;
}

/** A mesh, and which places of it are there. */
export interface Standing {
  readonly mesh: PieceMesh;
  readonly on: OnPiece;
}

/** The box around several meshes as a beholder has them. */
export function extentOfAll(parts: readonly Standing[], spots: readonly Float32Array[]): Extent {
  const all = parts.map(({ mesh }, at) => extentOf(mesh, spots[at]!));
  return {
    left: Math.min(...all.map(({ left }) => left)),
    right: Math.max(...all.map(({ right }) => right)),
    low: Math.min(...all.map(({ low }) => low)),
    high: Math.max(...all.map(({ high }) => high)),
  };
}

/** Several meshes as a beholder sees them together, each by its number. */
export function lookAtAll(parts: readonly Standing[], spots: readonly Float32Array[], window: Window): Seen {
  const seen = emptySeen(window);
  parts.forEach(({ mesh, on }, at) => lookInto(seen, mesh, spots[at]!, window, on, at));
  return seen;
}

/**
 * What stands in the lamp's way.
 * @param towards from the pieces to the lamp
 * @param px along the longer side of that view
 */
export function lampViewOf(
  parts: readonly Standing[],
  towards: SpacePoint,
  px: number,
  behindMm = SHADE_MM,
): LampView {
  const beholder = beholderFrom(towards);
  const spots = parts.map(({ mesh }) => projected(mesh, beholder));
  const extent = extentOfAll(parts, spots);
  const longest = Math.max(extent.right - extent.left, extent.high - extent.low, 1);
  const window = windowAround(extent, px / longest, 3);
  return { beholder, window, seen: lookAtAll(parts, spots, window), behindMm };
}

/** 0…1: how much of the lamp reaches a point: the mean of nine places of its view, so that shade has a soft rim. */
export function reached(
  { beholder, window, seen, behindMm }: LampView,
  px: number,
  py: number,
  pz: number,
): number {
  const { right, up, towards } = beholder;
  const x = (px * right[0] + py * right[1] + pz * right[2] - window.left) * window.pxPerMm;
  const y = (window.top - px * up[0] - py * up[1] - pz * up[2]) * window.pxPerMm;
  const near = px * towards[0] + py * towards[1] + pz * towards[2];
  let free = 0;
  for (let dy = -1; dy <= 1; dy++) {
    for (let dx = -1; dx <= 1; dx++) {
      const column = Math.floor(x + dx * RIM_PX);
      const row = Math.floor(y + dy * RIM_PX);
      const beside = column < 0 || row < 0 || column >= window.width || row >= window.height;
      const before = beside ? -Infinity : seen.near[row * window.width + column]! - near;
      free += before <= behindMm ? 1 : 1 - smoothstep(behindMm, 2 * behindMm, before);
    }
  }
  return free / 9;
}

/**
 * Lambert's light of the lamp and of a room that is brighter above, and the lamp mirrored in what shines (Blinn 1977).
 * @param normal unit vector
 * @param free how much of the lamp reaches it, 0…1
 * @param sky how much of the room it sees past what rises beside it, 0…1
 * @param gloss 0 matt … 1 gloss; below 0 the share of metal flakes
 * @param out first what the paint's own light is multiplied by, then the lamp mirrored in it as a share of white
 */
export function lightOn(
  normal: ArrayLike<number>,
  lamp: SpacePoint,
  eye: SpacePoint,
  free: number,
  sky: number,
  gloss: number,
  out: Float64Array,
): void {
  const [nx, ny, nz] = [normal[0]!, normal[1]!, normal[2]!];
  const above = 0.5 + 0.5 * ny;
  const room = ROOM * sky * (FROM_BELOW + (1 - FROM_BELOW) * above);
  const direct = LAMP * free * clamp(nx * lamp[0] + ny * lamp[1] + nz * lamp[2], 0, 1);
  out[0] = room + direct;
  out[1] = 0;
  if (gloss >= 0 && (gloss < LEAST_GLOSS || free === 0)) return;
  const hx = lamp[0] + eye[0];
  const hy = lamp[1] + eye[1];
  const hz = lamp[2] + eye[2];
  const facing = (nx * hx + ny * hy + nz * hz) / (Math.sqrt(hx * hx + hy * hy + hz * hz) || 1);
  if (gloss < 0) out[0] = room * (1 + gloss * (1 - METAL.room)) + direct * flakesOf(-gloss, facing);
  else out[1] = free * shineOf(gloss, facing);
}
