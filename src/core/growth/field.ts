import type { GrowthHandle } from "../job";
import { flatOf, frameOn, placedOf } from "../figure/lattice";
import type { Seating } from "../figure/seated";
import { PER_FRAME } from "../rays/obstacles";
import type { FlatPoint, SpacePoint, SurfaceForm } from "../surface/forms/form";
import { PER_GROWTH, type GrowthField } from "../surface/growthField";
import { fallAt } from "../surface/places";
import { modulo } from "../units";
import { add, dot, minus, times, unit, write } from "../surface/vector";
import { grownAt, levelled, type GrowthSet, type PlacedHandle } from "./interpolate";

const radians = (deg: number): number => (deg * Math.PI) / 180;

/** An angle within half a turn to either side, degrees. */
export const halfTurn = (deg: number): number => modulo(deg + 180, 360) - 180;

/** Where a handle stands on the flat, mm. */
export const flatOfHandle = (form: SurfaceForm, { x, y }: Pick<GrowthHandle, "x" | "y">): FlatPoint =>
  form.flatten({ turnDeg: x * form.turnDeg, heightMm: y * form.slantMm });

/** A vector on the flat turned anticlockwise as it is looked at; y grows downwards. */
export function turnedOnFlat([x, y]: readonly [number, number], deg: number): readonly [number, number] {
  const [cos, sin] = [Math.cos(radians(deg)), Math.sin(radians(deg))];
  return [x * cos + y * sin, y * cos - x * sin];
}

/** Which way a handle points on the flat: a unit vector, y downwards. */
export const wayOfHandle = (form: SurfaceForm, handle: GrowthHandle): readonly [x: number, y: number] =>
  turnedOnFlat(
    fallAt(form, { turnDeg: handle.x * form.turnDeg, heightMm: handle.y * form.slantMm }),
    handle.angleDeg,
  );

/** The angle a handle has to have at a place so that it points a way on the flat, degrees. */
export function angleFor(form: SurfaceForm, at: FlatPoint, [x, y]: readonly [number, number]): number {
  const [fallX, fallY] = fallAt(form, form.place(at));
  const turn = Math.atan2(fallY * x - fallX * y, fallX * x + fallY * y);
  return (turn * 180) / Math.PI;
}

/** A piece's flat at one place as it lies in space: where a step to the right and one down the flat lead, mm to the mm. */
interface FlatAxes {
  readonly right: SpacePoint;
  readonly down: SpacePoint;
}

const inSpace = ({ right, down }: FlatAxes, [x, y]: readonly [number, number]): SpacePoint =>
  add(times(right, x), down, y);

/**
 * A vector in the ground's level as the flat has it, whose axes need be neither at right angles nor of one length there:
 * rows of a tapering piece slide on each other.
 */
export function onFlat({ right, down }: FlatAxes, way: SpacePoint): readonly [x: number, y: number] {
  const [rr, rd, dd] = [dot(right, right), dot(right, down), dot(down, down)];
  const whole = rr * dd - rd * rd;
  if (whole < 1e-9) return [0, 1];
  const [wr, wd] = [dot(way, right), dot(way, down)];
  return [(wr * dd - wd * rd) / whole, (wd * rr - wr * rd) / whole];
}

/** Over what the flat's steps are followed into space, mm. */
const STEP_MM = 0.1;

/** The flat's axes in space at one place, in the ground's level. */
export function flatAxes(form: SurfaceForm, seating: Seating, [x, y]: FlatPoint): FlatAxes {
  const at = (px: number, py: number) => seating(form.inSpace(form.place([px, py])));
  const { out } = frameOn(form, seating, [x, y]);
  const step = (dx: number, dy: number) =>
    levelled(times(minus(at(x + dx, y + dy), at(x - dx, y - dy)), 0.5 / STEP_MM), out);
  return { right: step(STEP_MM, 0), down: step(0, STEP_MM) };
}

/** A form's handles as they lie in space. */
export const placedHandles = (
  form: SurfaceForm,
  seating: Seating,
  handles: readonly GrowthHandle[],
): PlacedHandle[] =>
  handles.map((handle) => {
    const flat = flatOfHandle(form, handle);
    const { point, out } = frameOn(form, seating, flat);
    const way = unit(inSpace(flatAxes(form, seating, flat), wayOfHandle(form, handle)));
    return { point, out, way, length: handle.lengthPct / 100, lift: radians(handle.liftDeg) };
  });

/** Works out which way things grow all over a piece. */
export function growthField(form: SurfaceForm, seating: Seating, set: GrowthSet): GrowthField {
  const { lattice, frames } = placedOf(form, seating);
  const { columns, rows, pitchMm } = lattice;
  const values = new Float32Array(columns * rows * PER_GROWTH);
  const part = (at: number, from: number): SpacePoint => [
    frames[at * PER_FRAME + from]!,
    frames[at * PER_FRAME + from + 1]!,
    frames[at * PER_FRAME + from + 2]!,
  ];
  const step = (from: number, to: number, points: number, out: SpacePoint) =>
    levelled(times(minus(part(to, 0), part(from, 0)), 1 / (points * pitchMm)), out);
  for (let row = 0, at = 0; row < rows; row++) {
    const [above, below] = [row > 0 ? columns : 0, row < rows - 1 ? columns : 0];
    for (let column = 0; column < columns; column++, at++) {
      const [left, right] = [column > 0 ? 1 : 0, column < columns - 1 ? 1 : 0];
      const out = part(at, 9);
      const axes = {
        right: step(at - left, at + right, left + right, out),
        down: step(at - above, at + below, (above + below) / columns, out),
      };
      const fall = unit(inSpace(axes, fallAt(form, form.place(flatOf(lattice, at)))));
      const { way, length, lift } = grownAt(set, { point: part(at, 0), out, fall });
      const [x, y] = onFlat(axes, way);
      // A mm in space is so long on the flat.
      const long = Math.min(MOST_LONG, Math.hypot(x, y));
      write(values, at * PER_GROWTH, [x / (long || 1), y / (long || 1), length * long]);
      values[at * PER_GROWTH + 3] = lift;
    }
  }
  return { ...lattice, values };
}

/** Where the flat is torn apart, as beside a point, nothing grows longer on it than so many times. */
const MOST_LONG = 3;
