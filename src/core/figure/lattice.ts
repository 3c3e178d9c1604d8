import { levelNormal } from "../piece/stance";
import { PER_FRAME, type Frames } from "../rays/obstacles";
import { depthInside } from "../surface/forms/depth";
import type { FlatPoint, Place, SpacePoint, SurfaceForm } from "../surface/forms/form";
import { add, cross, dot, lengthOf, minus, times, unit, write } from "../surface/vector";
import type { Seating } from "./seated";

/** Points of the lattice: light without relief changes slowly. From every second one, each way, it is looked around. */
const POINTS = 1800;
/** Over what the ground's directions are taken, mm. */
const AROUND_MM = 0.25;
/** How many points on the open room is looked for everywhere; between them only where it changes. */
export const WIDE = 4;

/** The lattice over a form laid flat; a multiple of the widest step, and one point more, each way. */
function latticeOf({ bounds: { minX, maxX, minY, maxY } }: SurfaceForm) {
  const pitchMm = Math.sqrt(((maxX - minX) * (maxY - minY)) / POINTS);
  const points = (mm: number) => WIDE * Math.max(1, Math.ceil(mm / pitchMm / WIDE)) + 1;
  return { columns: points(maxX - minX), rows: points(maxY - minY), pitchMm, originX: minX, originY: minY };
}

/** A coarse lattice over a piece laid flat, mm. */
export type Lattice = ReturnType<typeof latticeOf>;

/** A place of a piece in the room, by the form without its relief: the point, and the unit vector out of the piece. */
interface Stood {
  readonly point: SpacePoint;
  readonly out: SpacePoint;
}

function stoodAt(form: SurfaceForm, seating: Seating, place: Place): Stood {
  const own = form.inSpace(place);
  const point = seating(own);
  const facing = form.facing?.(place) ?? levelNormal(form);
  return { point, out: unit(minus(seating(add(own, facing, 1e-3)), point)) };
}

/** Unit vectors right and down the flat, at right angles to the one out of it. @param along, below any step that way */
function axesOf(along: SpacePoint, below: SpacePoint, out: SpacePoint) {
  const level = minus(along, times(out, dot(along, out)));
  const right = lengthOf(level) > 1e-9 ? unit(level) : unit(cross([0, 1, 0], out));
  const down = cross(right, out);
  return { right, down: times(down, dot(below, down) < 0 ? -1 : 1) };
}

/** A place of a piece in the room: the point, and unit vectors right and down the flat and out of it. */
export interface PlaceFrame {
  readonly point: SpacePoint;
  readonly right: SpacePoint;
  readonly down: SpacePoint;
  readonly out: SpacePoint;
}

/** How one flat place lies in the room, by the form without its relief. */
export function frameOn(form: SurfaceForm, seating: Seating, [x, y]: FlatPoint): PlaceFrame {
  const inRoom = (flat: FlatPoint): SpacePoint => seating(form.inSpace(form.place(flat)));
  const { point, out } = stoodAt(form, seating, form.place([x, y]));
  const along = minus(inRoom([x + AROUND_MM, y]), inRoom([x - AROUND_MM, y]));
  const below = minus(inRoom([x, y + AROUND_MM]), inRoom([x, y - AROUND_MM]));
  return { point, out, ...axesOf(along, below, out) };
}

/** A direction of the room as a place of the flat has it: right, down and out. */
export function towardsAt(form: SurfaceForm, seating: Seating, at: FlatPoint, way: SpacePoint): SpacePoint {
  const { right, down, out } = frameOn(form, seating, at);
  return [dot(way, right), dot(way, down), dot(way, out)];
}

/** A piece's lattice as it lies in the room. */
export interface Placed {
  readonly lattice: Lattice;
  /** How deep inside the panel each point lies, mm. */
  readonly depthMm: Float32Array;
  /** Each point's place: the point, right, down and out. */
  readonly frames: Frames;
}

/** Places a form's lattice in the room, by the form without its relief. */
export function placedOf(form: SurfaceForm, seating: Seating): Placed {
  const lattice = latticeOf(form);
  const { columns, rows } = lattice;
  const depthMm = new Float32Array(columns * rows);
  const frames = new Float64Array(columns * rows * PER_FRAME);
  for (let at = 0; at < columns * rows; at++) {
    const place = form.place(flatOf(lattice, at));
    depthMm[at] = depthInside(form, place);
    const { point, out } = stoodAt(form, seating, place);
    write(frames, at * PER_FRAME, point);
    write(frames, at * PER_FRAME + 9, out);
  }
  const part = (at: number, from: number): SpacePoint => [
    frames[at * PER_FRAME + from]!,
    frames[at * PER_FRAME + from + 1]!,
    frames[at * PER_FRAME + from + 2]!,
  ];
  const between = (from: number, to: number) => minus(part(to, 0), part(from, 0));
  for (let row = 0, at = 0; row < rows; row++) {
    const [above, below] = [Math.max(0, row - 1) * columns, Math.min(rows - 1, row + 1) * columns];
    for (let column = 0; column < columns; column++, at++) {
      const along = between(at - (column > 0 ? 1 : 0), at + (column < columns - 1 ? 1 : 0));
      const { right, down } = axesOf(along, between(above + column, below + column), part(at, 9));
      write(frames, at * PER_FRAME + 3, right);
      write(frames, at * PER_FRAME + 6, down);
    }
  }
  return { lattice, depthMm, frames };
}

/** Where a point of the lattice lies on the flat. */
export const flatOf = ({ columns, pitchMm, originX, originY }: Lattice, at: number): FlatPoint => [
  originX + (at % columns) * pitchMm,
  originY + Math.floor(at / columns) * pitchMm,
];

/** Visits every so many-th point of a lattice, each way, by its number. */
export function eachPoint(
  { columns, rows }: Lattice,
  step: 2 | typeof WIDE,
  visit: (at: number) => void,
): void {
  for (let row = 0; row < rows; row += step)
    for (let column = 0; column < columns; column += step) visit(row * columns + column);
}

/** Some way beside the panel nothing lies that could be lit: no light is looked for from there. */
export const isNear = ({ depthMm, lattice }: Placed, at: number): boolean =>
  depthMm[at]! >= -2 * lattice.pitchMm;

/** Points on the lattice of so many steps that lie around one between them. */
export function around(at: number, row: number, column: number, columns: number, step: number): number[] {
  const aside = column % (2 * step) === 0 ? [0] : [-step, step];
  const up = row % (2 * step) === 0 ? [0] : [-step, step];
  return up.flatMap((rows) => aside.map((cells) => at + rows * columns + cells));
}

/** A direction of the room as a point of the lattice has it: right, down and out. */
export function towardsIn(frames: Frames, at: number, [x, y, z]: SpacePoint): SpacePoint {
  const along = (from: number) => x * frames[from]! + y * frames[from + 1]! + z * frames[from + 2]!;
  const from = at * PER_FRAME;
  return [along(from + 3), along(from + 6), along(from + 9)];
}

/** A number that is told at every second point, each way, told at those between them too. */
export function fillBetween(
  values: Float32Array,
  part: number,
  per: number,
  { columns, rows }: Lattice,
): void {
  const mean = (at: number, one: number, other: number) => {
    values[at * per + part] = (values[one * per + part]! + values[other * per + part]!) / 2;
  };
  for (let row = 0; row < rows; row += 2)
    for (let at = row * columns + 1; at < (row + 1) * columns; at += 2) mean(at, at - 1, at + 1);
  for (let row = 1; row < rows; row += 2)
    for (let at = row * columns; at < (row + 1) * columns; at++) mean(at, at - columns, at + columns);
}
