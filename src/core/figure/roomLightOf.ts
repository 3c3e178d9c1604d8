import type { PieceMesh } from "../piece/mesh";
import { levelNormal } from "../piece/stance";
import { depthInside } from "../surface/forms/depth";
import type { FlatPoint, SpacePoint, SurfaceForm } from "../surface/forms/form";
import { PER_POINT, type RoomLight } from "../surface/roomLight";
import { add, cross, dot, lengthOf, minus, times, unit } from "../surface/vector";
import { Obstacles } from "./rays";
import type { Seating } from "./seated";

/** Points of the lattice: light without relief changes slowly. From every second one, each way, it is looked around. */
const POINTS = 1800;
/** Ways that are looked along for the open room: by their cosine, evenly round. */
const SKY_WAYS = 48;
/** Ways to the lamp's rim: its shade has a soft edge. */
const LAMP_WAYS = 5;
/** Half of what the lamp looks wide, degrees: a bulb of ten centimetres at a metre. */
const LAMP_HALF_DEG = 3;
/** The piece itself is in its own way only from so far on, mm: nearer it is the relief that throws shade. */
const OWN_MM = 3;
/** Points stand off the ground by this much, mm: the coarse outside cuts corners. */
const OFF_MM = 0.12;
/** Over what the ground's directions are taken, mm. */
const AROUND_MM = 0.25;

/** A place of a piece in the room: the point, and unit vectors right and down the flat and out of the piece. */
interface Spot {
  readonly point: SpacePoint;
  readonly right: SpacePoint;
  readonly down: SpacePoint;
  readonly out: SpacePoint;
}

/** Where a place of the flat lies in the room, by the form without its relief. */
function spotAt(form: SurfaceForm, seating: Seating, [x, y]: FlatPoint): Spot {
  const inRoom = (flat: FlatPoint): SpacePoint => seating(form.inSpace(form.place(flat)));
  const place = form.place([x, y]);
  const own = form.inSpace(place);
  const point = seating(own);
  const facing = form.facing?.(place) ?? levelNormal(form);
  const out = unit(minus(seating(add(own, facing, 1e-3)), point));
  const along = minus(inRoom([x + AROUND_MM, y]), inRoom([x - AROUND_MM, y]));
  const level = minus(along, times(out, dot(along, out)));
  const right = lengthOf(level) > 1e-9 ? unit(level) : unit(cross([0, 1, 0], out));
  const down = cross(right, out);
  const below = minus(inRoom([x, y + AROUND_MM]), inRoom([x, y - AROUND_MM]));
  const sign = dot(below, down) < 0 ? -1 : 1;
  return { point, right, down: times(down, sign), out };
}

/** Directions round an axis: the axis itself and a ring so many degrees off it. */
function cone(axis: SpacePoint, deg: number, count: number): SpacePoint[] {
  const aside = unit(cross(axis, Math.abs(axis[1]) > 0.9 ? [1, 0, 0] : [0, 1, 0]));
  const other = cross(axis, aside);
  const far = Math.tan((deg * Math.PI) / 180);
  const ring = Array.from({ length: count - 1 }, (_, at) => {
    const turn = (at / (count - 1)) * 2 * Math.PI;
    return unit(add(add(axis, aside, far * Math.cos(turn)), other, far * Math.sin(turn)));
  });
  return [axis, ...ring];
}

const GOLDEN = Math.PI * (3 - Math.sqrt(5));

/**
 * Directions over a half sphere, as many where the cosine is greater: points of a disc that lie evenly (a sunflower's),
 * lifted onto it (Malley's method). Right, up and out.
 */
const OPEN: readonly SpacePoint[] = Array.from({ length: SKY_WAYS }, (_, at) => {
  const square = (at + 0.5) / SKY_WAYS;
  const [far, turn] = [Math.sqrt(square), at * GOLDEN];
  return [far * Math.cos(turn), far * Math.sin(turn), Math.sqrt(1 - square)];
});

/** The lattice over a form laid flat; an odd number of points each way. */
function latticeOf({ bounds: { minX, maxX, minY, maxY } }: SurfaceForm) {
  const pitchMm = Math.sqrt(((maxX - minX) * (maxY - minY)) / POINTS);
  const points = (mm: number) => 2 * Math.max(1, Math.ceil(mm / pitchMm / 2)) + 1;
  return { columns: points(maxX - minX), rows: points(maxY - minY), pitchMm, originX: minX, originY: minY };
}

/** Where the figure stands in the way of one piece's light. */
export interface InTheWay {
  readonly obstacles: Obstacles;
  /** Number of the piece's own mesh among them. */
  readonly own: number;
}

/** Meshes as what stands in light's way. */
export const obstaclesOf = (meshes: readonly PieceMesh[]): Obstacles => new Obstacles(meshes);

/** What is told at every second point, each way, told at those between them too. */
function fillBetween(values: Float32Array, { columns, rows }: Pick<RoomLight, "columns" | "rows">): void {
  const mean = (at: number, one: number, other: number) => {
    for (const part of [FREE, SKY])
      values[at * PER_POINT + part] =
        (values[one * PER_POINT + part]! + values[other * PER_POINT + part]!) / 2;
  };
  for (let row = 0; row < rows; row += 2)
    for (let at = row * columns + 1; at < (row + 1) * columns; at += 2) mean(at, at - 1, at + 1);
  for (let row = 1; row < rows; row += 2)
    for (let at = row * columns; at < (row + 1) * columns; at++) mean(at, at - columns, at + columns);
}

const [FREE, SKY] = [3, 4] as const;

/**
 * Light of the figure's room on a piece.
 * @param lamp unit vector to it, in the room
 */
export function roomLightOf(form: SurfaceForm, seating: Seating, way: InTheWay, lamp: SpacePoint): RoomLight {
  const lattice = latticeOf(form);
  const { columns, rows, pitchMm, originX, originY } = lattice;
  const values = new Float32Array(columns * rows * PER_POINT);
  const beams = cone(lamp, LAMP_HALF_DEG, LAMP_WAYS);
  const towards = (at: FlatPoint): SpacePoint => inOwn(lamp, spotAt(form, seating, at));
  for (let at = 0; at < columns * rows; at++) {
    const [column, row] = [at % columns, Math.floor(at / columns)];
    const flat: FlatPoint = [originX + column * pitchMm, originY + row * pitchMm];
    const depthMm = depthInside(form, form.place(flat));
    values.set(form.round && depthMm < 0 ? beyond(towards, flat, depthMm) : towards(flat), at * PER_POINT);
    if (column % 2 === 1 || row % 2 === 1) continue;
    const beside = depthMm < -2 * pitchMm;
    values.set(beside ? [1, 1] : look(spotAt(form, seating, flat), way, beams), at * PER_POINT + FREE);
  }
  fillBetween(values, lattice);
  return { ...lattice, values, lampInForm: lampInForm(form, seating, lamp) };
}

/** A direction of the room as a place has it: right, down and out. */
const inOwn = (way: SpacePoint, { right, down, out }: Spot): SpacePoint => [
  dot(way, right),
  dot(way, down),
  dot(way, out),
];

/** A round piece ends at its rim: what lies beside it goes on from there as it came. */
function beyond(towards: (at: FlatPoint) => SpacePoint, [x, y]: FlatPoint, depthMm: number): SpacePoint {
  const far = Math.hypot(x, y) || 1;
  const at = (mm: number): FlatPoint => [(x * (far - mm)) / far, (y * (far - mm)) / far];
  const [rim, within] = [towards(at(-depthMm)), towards(at(-2 * depthMm))];
  return add(times(rim, 2), within, -1);
}

/** How much of the lamp and of the open room a place sees, 0…1 each. */
function look(
  { point, right, down, out }: Spot,
  { obstacles, own }: InTheWay,
  beams: readonly SpacePoint[],
): readonly [free: number, sky: number] {
  const from = add(point, out, OFF_MM);
  const open = (towards: SpacePoint) => !obstacles.meets(from, towards, own, OWN_MM);
  // What faces away from the lamp is dark by that alone.
  const free = dot(beams[0]!, out) <= 0 ? 1 : beams.filter(open).length / beams.length;
  const seen = OPEN.filter(([x, y, z]) => open(add(add(times(right, x), down, y), out, z)));
  return [free, seen.length / OPEN.length];
}

/** The lamp as the middle of the form has it. */
function lampInForm(form: SurfaceForm, seating: Seating, lamp: SpacePoint): SpacePoint {
  const middle = form.inSpace({ turnDeg: form.turnDeg / 2, heightMm: form.slantMm / 2 });
  const at = seating(middle);
  const axes = (
    [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const
  ).map((axis) => unit(minus(seating(add(middle, axis, 1e-3)), at)));
  return unit([dot(lamp, axes[0]!), dot(lamp, axes[1]!), dot(lamp, axes[2]!)]);
}
