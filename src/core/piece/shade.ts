import { shineOf } from "../simulate/surfaceFinish";
import { clamp, smoothstep } from "../units";
import type { SpacePoint } from "../surface/forms/form";
import type { PieceMesh } from "./mesh";
import {
  beholderFrom,
  dot,
  extentOf,
  look,
  projected,
  windowAround,
  type Beholder,
  type OnPiece,
  type Seen,
  type Window,
} from "./raster";

/** Light from the whole room on ground that sees all of it, and from the lamp on ground that faces it. */
export const ROOM = 0.34;
export const LAMP = 0.98;
/** What lies below gets this share of the light that comes from above. */
export const FROM_BELOW = 0.45;
/** Pixels across the lamp's own view of the piece: it tells what stands in whose light. */
const LAMP_PX = 640;
/** The ground must lie this far behind what the lamp meets to be in its shade, mm; and fully so from twice that. */
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
}

/** What stands in the lamp's way. @param towards from the piece to the lamp */
export function lampViewOf(mesh: PieceMesh, towards: SpacePoint, on: OnPiece): LampView {
  const beholder = beholderFrom(towards);
  const spots = projected(mesh, beholder);
  const extent = extentOf(mesh, spots);
  const longest = Math.max(extent.right - extent.left, extent.high - extent.low, 1);
  const window = windowAround(extent, LAMP_PX / longest, 3);
  return { beholder, window, seen: look(mesh, spots, window, on) };
}

/** 0…1: how much of the lamp reaches a point: the mean of nine places of its view, so that shade has a soft rim. */
export function reached({ beholder, window, seen }: LampView, point: SpacePoint): number {
  const x = (dot(point, beholder.right) - window.left) * window.pxPerMm;
  const y = (window.top - dot(point, beholder.up)) * window.pxPerMm;
  const near = dot(point, beholder.towards);
  let free = 0;
  for (let dy = -1; dy <= 1; dy++) {
    for (let dx = -1; dx <= 1; dx++) {
      const [column, row] = [Math.floor(x + dx * RIM_PX), Math.floor(y + dy * RIM_PX)];
      const beside = column < 0 || row < 0 || column >= window.width || row >= window.height;
      const before = beside ? -Infinity : seen.near[row * window.width + column]! - near;
      free += before <= SHADE_MM ? 1 : 1 - smoothstep(SHADE_MM, 2 * SHADE_MM, before);
    }
  }
  return free / 9;
}

/** What a place of the piece gets and gives back. */
export interface Light {
  /** Times the paint's own light. */
  readonly shade: number;
  /** The lamp mirrored in it, as a share of white. */
  readonly shine: number;
}

/**
 * Lambert's light of the lamp and of a room that is brighter above, and the lamp mirrored in what shines (Blinn 1977).
 * @param normal unit vector
 * @param free how much of the lamp reaches it, 0…1
 * @param sky how much of the room it sees past what rises beside it, 0…1
 * @param gloss 0 matt … 1 gloss
 */
export function lightAt(
  normal: SpacePoint,
  lamp: SpacePoint,
  eye: SpacePoint,
  { free, sky, gloss }: { readonly free: number; readonly sky: number; readonly gloss: number },
): Light {
  const above = 0.5 + 0.5 * normal[1];
  const room = ROOM * sky * (FROM_BELOW + (1 - FROM_BELOW) * above);
  const direct = LAMP * free * clamp(dot(normal, lamp), 0, 1);
  if (gloss < LEAST_GLOSS || free === 0) return { shade: room + direct, shine: 0 };
  const half: SpacePoint = [lamp[0] + eye[0], lamp[1] + eye[1], lamp[2] + eye[2]];
  const facing = dot(normal, half) / (Math.sqrt(dot(half, half)) || 1);
  return { shade: room + direct, shine: free * shineOf(gloss, facing) };
}
