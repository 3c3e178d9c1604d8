import { normalsOf, type PieceMesh } from "../piece/mesh";
import type { SpacePoint } from "../surface/forms/form";
import { write } from "../surface/vector";
import { smoothstep } from "../units";
import { inFrame, inRoom, type Frame } from "./frame";

/** A piece that the body goes through, as its seat's axis has it: how near it comes to the axis, by level and direction. */
export interface Sleeve {
  readonly axis: Frame;
  readonly lowMm: number;
  readonly highMm: number;
  /** Where a body part that it hangs by fills it: at its upper end, or at its lower one. */
  readonly filledAt: "high" | "low";
  /** Least distance from the axis, mm, by level and direction; Infinity where the piece is not. */
  readonly inside: Float32Array;
}

const [LEVELS, WAYS] = [24, 36] as const;
/** Bodies keep this far inside the pieces over them, mm: cloth and armour are about so thick. */
const GAP_MM = 0.25;
/** What lies nearer to the axis is not pressed in further, mm. */
const LEAST_MM = 0.4;

const wayOf = (x: number, z: number): number =>
  Math.min(WAYS - 1, Math.floor((Math.atan2(x, z) / (2 * Math.PI) + 0.5) * WAYS));

/** Fills places in which the coarse outside happens to have no point: between two directions, or two levels, that have one. */
function closeGaps(inside: Float32Array): void {
  const before = inside.slice();
  for (let at = 0; at < inside.length; at++) {
    if (Number.isFinite(before[at])) continue;
    const level = Math.floor(at / WAYS) * WAYS;
    const way = at % WAYS;
    const around = [before[level + ((way + 1) % WAYS)]!, before[level + ((way + WAYS - 1) % WAYS)]!];
    const above = [before[at + WAYS] ?? Infinity, before[at - WAYS] ?? Infinity];
    for (const pair of [around, above])
      if (pair.every(Number.isFinite)) inside[at] = Math.min(inside[at]!, ...pair);
  }
}

/** Measures a seated piece from the axis it hangs round. @param mesh in the figure's room */
export function sleeveOf(
  { points, holds }: PieceMesh,
  axis: Frame,
  filledAt: Sleeve["filledAt"] = "high",
): Sleeve {
  const own: SpacePoint[] = [];
  for (let at = 0; at < holds.length; at++)
    if (holds[at]! > 0) own.push(inFrame(axis, [points[at * 3]!, points[at * 3 + 1]!, points[at * 3 + 2]!]));
  const lowMm = own.reduce((low, [, y]) => Math.min(low, y), Infinity);
  const highMm = own.reduce((high, [, y]) => Math.max(high, y), -Infinity);
  const inside = new Float32Array(LEVELS * WAYS).fill(Infinity);
  for (const [x, y, z] of own) {
    const at = levelOf({ lowMm, highMm }, y) * WAYS + wayOf(x, z);
    inside[at] = Math.min(inside[at]!, Math.hypot(x, z));
  }
  closeGaps(inside);
  closeGaps(inside);
  return { axis, lowMm, highMm, filledAt, inside };
}

/** How near a piece comes to its axis in a direction on a level, mm; beyond its ends as at its ends. */
const roomAt = (sleeve: Sleeve, [x, y, z]: SpacePoint): number =>
  sleeve.inside[levelOf(sleeve, y) * WAYS + wayOf(x, z)]! - GAP_MM;

/** Which level a height lies on; beyond the ends of the piece the one at its end. */
function levelOf({ lowMm, highMm }: Pick<Sleeve, "lowMm" | "highMm">, y: number): number {
  const share = (y - lowMm) / Math.max(1e-6, highMm - lowMm);
  return Math.min(LEVELS - 1, Math.max(0, Math.floor(share * LEVELS)));
}

/** How near a piece comes to its axis on a level in any direction, mm: what fills it is round. */
function ringAt(sleeve: Sleeve, y: number): number {
  let least = Infinity;
  const level = levelOf(sleeve, y) * WAYS;
  for (let way = 0; way < WAYS; way++) least = Math.min(least, sleeve.inside[level + way]!);
  return Number.isFinite(least) ? least - GAP_MM : 0;
}

/** A body fills a piece at the end it hangs by, over this share of its length below and above that end. */
const FILLED = 0.3;
/** What reaches so many times further than a piece is pressed in no more: it comes out of it. */
const [PRESSED, OUTSIDE] = [1.3, 1.8] as const;

/** Moves a point of the body inside a piece that is worn over it; where it hangs by it, the body fills it. */
function fitted(sleeve: Sleeve, point: SpacePoint, fills: boolean): SpacePoint {
  const { axis, lowMm, highMm, filledAt } = sleeve;
  const own = inFrame(axis, point);
  const [x, y, z] = own;
  const most = roomAt(sleeve, own);
  const far = Math.hypot(x, z);
  if (far <= LEAST_MM || !Number.isFinite(most)) return point;
  const tall = highMm - lowMm;
  const end = filledAt === "high" ? highMm - 0.1 * tall : lowMm + 0.1 * tall;
  const room = ringAt(sleeve, y);
  const fill = fills && room > far ? 1 - smoothstep(0, 1, Math.abs(y - end) / tall / FILLED) : 0;
  const beyond = y < lowMm || y > highMm || far <= most;
  const press = beyond ? 0 : 1 - smoothstep(PRESSED, OUTSIDE, far / Math.max(LEAST_MM, most));
  const pressed = press * (Math.max(LEAST_MM, most) - far);
  const share = (far + (beyond ? 0 : pressed) + fill * (room - far)) / far;
  return inRoom(axis, [x * share, y, z * share]);
}

/** A piece over a part of a body; the part fills it where it hangs if it hangs by that part. */
export interface Over {
  readonly sleeve: Sleeve;
  readonly fills: boolean;
}

/** Whether most of a part of the body lies outside a piece over it: it would have to come through it. */
export function comesThrough(mesh: PieceMesh, sleeve: Sleeve): boolean {
  let [beside, all] = [0, 0];
  for (let at = 0; at < mesh.points.length; at += 3) {
    const own = inFrame(sleeve.axis, [mesh.points[at]!, mesh.points[at + 1]!, mesh.points[at + 2]!]);
    if (own[1] < sleeve.lowMm || own[1] > sleeve.highMm) continue;
    all++;
    const most = roomAt(sleeve, own);
    if (Number.isFinite(most) && Math.hypot(own[0], own[2]) > most) beside++;
  }
  return beside > THROUGH * all;
}

const THROUGH = 0.25;

/** A body's part with its points inside the pieces over it; the same where none is. */
export function dressed(mesh: PieceMesh, sleeves: readonly Over[]): PieceMesh {
  if (sleeves.length === 0) return mesh;
  const points = mesh.points.slice();
  for (let at = 0; at < points.length; at += 3) {
    let point: SpacePoint = [points[at]!, points[at + 1]!, points[at + 2]!];
    for (const { sleeve, fills } of sleeves) point = fitted(sleeve, point, fills);
    write(points, at, point);
  }
  return { ...mesh, points, normals: normalsOf(points, mesh) };
}

/**
 * How far what is worn already reaches outwards at a seat, mm; at least the body itself.
 * @param seat looks outwards
 * @param span what of it the piece will lie on: half its width, and from how far below to how far above, mm
 */
export function reachOut(
  seat: Frame,
  bodyMm: number,
  worn: readonly PieceMesh[],
  span: { readonly halfMm: number; readonly lowMm: number; readonly highMm: number },
): number {
  let most = bodyMm;
  for (const { points, holds } of worn) {
    for (let at = 0; at < holds.length; at++) {
      if (holds[at] === 0) continue;
      const [x, y, z] = inFrame(seat, [points[at * 3]!, points[at * 3 + 1]!, points[at * 3 + 2]!]);
      if (Math.abs(x) <= span.halfMm && y >= span.lowMm && y <= span.highMm) most = Math.max(most, z);
    }
  }
  return most;
}
