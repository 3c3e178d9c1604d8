import { figureOf, type Figure, type Job, type SeatUse, type Surface } from "../job";
import { meshOf, normalsOf, type PieceMesh } from "../piece/mesh";
import { forms, isFormId } from "../surface/forms";
import type { SpacePoint, SurfaceForm } from "../surface/forms/form";
import type { Worn } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import { frameAt, inRoom, turnedFrame, type Frame } from "./frame";
import { add, lengthOf, minus, unit, write } from "../surface/vector";
import { bodyOf } from "./bodies";
import type { Seat } from "./bodies/body";

/** How a point of a form's own space comes into the figure's room. */
export type Seating = (point: SpacePoint) => SpacePoint;

/** Where a surface is seated: its seat, how it was moved there, and how its form is worn. */
export interface Seated {
  readonly seat: Seat;
  readonly use: SeatUse;
  readonly worn: Worn;
}

/** The seat of a surface on its figure's body; null where it lies aside or the body has no such seat. */
export function seatedAt(
  figure: Pick<Figure, "body" | "eyeHeightMm">,
  surface: Pick<Surface, "seat" | "form">,
): Seated | null {
  const { seat: use, form } = surface;
  const seat = use && bodyOf(figure)?.seats.find(({ id }) => id === use.id);
  return use && seat && isFormId(form.id) ? { seat, use, worn: forms[form.id].worn } : null;
}

/** The same for a surface of a job. */
export const seatIn = (job: Job, surface: Surface): Seated | null =>
  seatedAt(figureOf(job, surface), surface);

/** How a piece lies on its seat: how far out, mm, and tilted by so much to lie along what is below it, degrees. */
export interface Rest {
  readonly outMm: number;
  readonly tiltDeg: number;
}

/** Places once round that tell where the middle of a closed form lies. */
const AROUND = 48;

/** Middle of a closed form at a height along it, in its own space, mm. */
function middleAt(form: SurfaceForm, heightMm: number): SpacePoint {
  let sum: SpacePoint = [0, 0, 0];
  for (let step = 0; step < AROUND; step++)
    sum = add(sum, form.inSpace({ turnDeg: (step / AROUND) * form.turnDeg, heightMm }), 1 / AROUND);
  return sum;
}

/** The very ends of a form have no direction of their own. */
const [FOOT, TOP] = [1e-4, 0.9999] as const;
const SHARE = { foot: FOOT, middle: 0.5, top: TOP } as const;

/** Level and highest point of a form that lies open, mm. */
function heightsOf(form: SurfaceForm): readonly [low: number, high: number] {
  let [low, high] = [Infinity, -Infinity];
  for (let row = 0; row <= 8; row++) {
    for (let column = 0; column <= 8; column++) {
      const at = {
        turnDeg: (column / 8) * form.turnDeg,
        heightMm: (FOOT + (TOP - FOOT) * (row / 8)) * form.slantMm,
      };
      const [, y] = form.inSpace(at);
      [low, high] = [Math.min(low, y), Math.max(high, y)];
    }
  }
  return [low, high];
}

/** How far behind its front the upright lies that an open form is bent round, mm along z: the circle through both ends and the front. */
function axisOf(form: SurfaceForm, heightMm: number): number {
  const [x, , z] = form.inSpace({ turnDeg: 0, heightMm });
  const [, , front] = form.inSpace({ turnDeg: form.turnDeg / 2, heightMm });
  const deep = front - z;
  return Math.abs(deep) < 1e-6 ? front : front - (x * x + deep * deep) / (2 * deep);
}

/** What of a form comes to its seat, as a frame in the form's own space. */
function heldFrame(form: SurfaceForm, { by, how }: Worn): Frame {
  if (!form.closed || how !== "round") {
    // What lies on the ground has its own level at the seat.
    const [low, high] = form.round ? [0, 0] : heightsOf(form);
    const y = { foot: low, middle: (low + high) / 2, top: high }[by];
    const z = how === "round" ? axisOf(form, SHARE[by] * form.slantMm) : 0;
    return { origin: [0, y, z], right: [1, 0, 0], up: [0, 1, 0], out: [0, 0, 1] };
  }
  if (form.held) return frameAt(middleAt(form, form.held.heightMm), form.held.up, form.held.out);
  const held = middleAt(form, SHARE[by] * form.slantMm);
  // What hangs on a limb runs along it from end to end, however it bends on its way.
  const chord = minus(middleAt(form, TOP * form.slantMm), middleAt(form, FOOT * form.slantMm));
  const up: SpacePoint = by === "top" && lengthOf(chord) > 1e-6 ? unit(chord) : [0, 1, 0];
  return frameAt(held, up, Math.abs(up[2]) > 0.95 ? [0, 1, 0] : [0, 0, 1]);
}

/** A flat point bent round an upright so far behind it, mm. */
const bent = ([x, y, z]: SpacePoint, radiusMm: number): SpacePoint => {
  const angle = x / radiusMm;
  return [(radiusMm + z) * Math.sin(angle), y, (radiusMm + z) * Math.cos(angle) - radiusMm];
};

/**
 * How a form comes into the figure's room on its seat.
 * @param rest on the seat's body, with what is worn below
 */
export function seatingOf(form: SurfaceForm, { seat, use, worn }: Seated, rest: Rest): Seating {
  const { outMm } = rest;
  const held = heldFrame(form, worn);
  const { turnDeg, tiltDeg, leanDeg, asideMm, upMm } = use;
  // The seat itself is turned about its axis; the piece tilts and leans where it touches.
  const round = turnedFrame(seat.at, turnDeg, 0, 0);
  const outwards = (worn.how === "round" ? 0 : outMm) + use.outMm;
  const touches = { ...round, origin: inRoom(round, [asideMm, upMm, outwards]) };
  const placed = turnedFrame(touches, 0, tiltDeg + rest.tiltDeg, leanDeg);
  const bends = worn.how === "bent" && outMm > 0.5;
  return (point) => {
    const from = minus(point, held.origin);
    const own: SpacePoint = [
      from[0] * held.right[0] + from[1] * held.right[1] + from[2] * held.right[2],
      from[0] * held.up[0] + from[1] * held.up[1] + from[2] * held.up[2],
      from[0] * held.out[0] + from[1] * held.out[1] + from[2] * held.out[2],
    ];
    return inRoom(placed, bends ? bent(own, outMm) : own);
  };
}

/** A mesh with its points in the figure's room. */
export function seatMesh(mesh: PieceMesh, seating: Seating): PieceMesh {
  const points = new Float32Array(mesh.points.length);
  for (let at = 0; at < points.length; at += 3)
    write(points, at, seating([mesh.points[at]!, mesh.points[at + 1]!, mesh.points[at + 2]!]));
  return { ...mesh, points, normals: normalsOf(points, mesh) };
}

/** The mesh of a surface's cells in the figure's room. */
export const seatedMesh = (
  grid: SurfaceGrid,
  heights: Float32Array,
  mostPoints: number,
  seating: Seating,
): PieceMesh => seatMesh(meshOf(grid, heights, mostPoints), seating);
