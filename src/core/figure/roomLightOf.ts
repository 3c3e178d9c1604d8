import type { PieceMesh } from "../piece/mesh";
import { levelNormal } from "../piece/stance";
import { depthInside } from "../surface/forms/depth";
import type { FlatPoint, SpacePoint, SurfaceForm } from "../surface/forms/form";
import { PER_POINT, type RoomLight } from "../surface/roomLight";
import { add, cross, dot, lengthOf, minus, times, unit } from "../surface/vector";
import { Obstacles } from "./rays";
import type { Seating } from "./seated";
import type { StandingFigure } from "./standingFigure";

/** Points of the lattice: light without relief changes slowly. From every second one, each way, it is looked around. */
const POINTS = 1800;
/** Ways that are looked along for the open room: by their cosine, evenly round. */
const SKY_WAYS = 60;
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

/** How many points on the open room is looked for everywhere; between them only where it changes. */
const WIDE = 4;
/** Shares of the open room that differ by less are taken to go over into each other. */
const EVEN = 0.03;

/** The lattice over a form laid flat; a multiple of the widest step, and one point more, each way. */
function latticeOf({ bounds: { minX, maxX, minY, maxY } }: SurfaceForm) {
  const pitchMm = Math.sqrt(((maxX - minX) * (maxY - minY)) / POINTS);
  const points = (mm: number) => WIDE * Math.max(1, Math.ceil(mm / pitchMm / WIDE)) + 1;
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

const known = new WeakMap<StandingFigure, Obstacles>();

/** Everything of a figure as what stands in light's way: its pieces first, then its body. */
export function obstaclesIn(standing: StandingFigure): Obstacles {
  const made =
    known.get(standing) ?? obstaclesOf([...standing.pieces.map(({ mesh }) => mesh), ...standing.body]);
  known.set(standing, made);
  return made;
}

/** Part of the lattice's numbers that says how much of the lamp is let through. */
const FREE = 3;

type Lattice = ReturnType<typeof latticeOf>;

/** A number that is told at every second point, each way, told at those between them too. */
function fillBetween(values: Float32Array, part: number, per: number, { columns, rows }: Lattice): void {
  const mean = (at: number, one: number, other: number) => {
    values[at * per + part] = (values[one * per + part]! + values[other * per + part]!) / 2;
  };
  for (let row = 0; row < rows; row += 2)
    for (let at = row * columns + 1; at < (row + 1) * columns; at += 2) mean(at, at - 1, at + 1);
  for (let row = 1; row < rows; row += 2)
    for (let at = row * columns; at < (row + 1) * columns; at++) mean(at, at - columns, at + columns);
}

/** Told a point of the lattice by its number, where it lies on the flat, and how deep inside the panel, mm. */
type PointVisit = (at: number, flat: FlatPoint, depthMm: number) => void;

function eachPoint(form: SurfaceForm, lattice: Lattice, step: 1 | 2 | typeof WIDE, visit: PointVisit): void {
  const { columns, rows, pitchMm, originX, originY } = lattice;
  for (let row = 0; row < rows; row += step) {
    for (let column = 0; column < columns; column += step) {
      const flat: FlatPoint = [originX + column * pitchMm, originY + row * pitchMm];
      visit(row * columns + column, flat, depthInside(form, form.place(flat)));
    }
  }
}

/** Whether light is looked for from a point: some way beside the panel nothing lies that could be lit. */
const isNear = (depthMm: number, { pitchMm }: Lattice): boolean => depthMm >= -2 * pitchMm;

/** Points on the lattice of so many steps that lie around one between them. */
function around(at: number, row: number, column: number, columns: number, step: number): number[] {
  const aside = column % (2 * step) === 0 ? [0] : [-step, step];
  const up = row % (2 * step) === 0 ? [0] : [-step, step];
  return up.flatMap((rows) => aside.map((cells) => at + rows * columns + cells));
}

/** Share of the open room that a piece sees, over its lattice: looked for more closely where it changes. */
function openOf(form: SurfaceForm, seating: Seating, way: InTheWay): Float32Array {
  const lattice = latticeOf(form);
  const { columns, rows } = lattice;
  const open = new Float32Array(columns * rows);
  const look: PointVisit = (at, flat, depthMm) => {
    open[at] = isNear(depthMm, lattice) ? openFrom(spotAt(form, seating, flat), way) : 1;
  };
  eachPoint(form, lattice, WIDE, look);
  eachPoint(form, lattice, 2, (at, flat, depthMm) => {
    const [row, column] = [Math.floor(at / columns), at % columns];
    if (row % WIDE === 0 && column % WIDE === 0) return;
    const known = around(at, row, column, columns, 2).map((one) => open[one]!);
    if (Math.max(...known) - Math.min(...known) > EVEN) look(at, flat, depthMm);
    else open[at] = known.reduce((sum, share) => sum + share, 0) / known.length;
  });
  fillBetween(open, 0, 1, lattice);
  return open;
}

/** A piece in its figure's room, to be lit from any side. */
export interface InRoom {
  /** @param lamp unit vector to it, in the room */
  under(lamp: SpacePoint): RoomLight;
}

/** Places a piece in the room of its figure; how open it lies there is worked out once for all lamps. */
export function inRoom(form: SurfaceForm, seating: Seating, way: InTheWay): InRoom {
  let open: Float32Array | null = null;
  return {
    under: (lamp) => ({
      ...lampLight(form, seating, way, lamp),
      open: () => (open ??= openOf(form, seating, way)),
    }),
  };
}

/** Light of the lamp on a piece. @param lamp unit vector to it, in the room */
function lampLight(
  form: SurfaceForm,
  seating: Seating,
  way: InTheWay,
  lamp: SpacePoint,
): Omit<RoomLight, "open"> {
  const lattice = latticeOf(form);
  const values = new Float32Array(lattice.columns * lattice.rows * PER_POINT);
  const beams = cone(lamp, LAMP_HALF_DEG, LAMP_WAYS);
  const towards = (at: FlatPoint): SpacePoint => inOwn(lamp, spotAt(form, seating, at));
  eachPoint(form, lattice, 1, (at, flat, depthMm) => {
    values.set(form.round && depthMm < 0 ? beyond(towards, flat, depthMm) : towards(flat), at * PER_POINT);
  });
  eachPoint(form, lattice, 2, (at, flat, depthMm) => {
    const free = isNear(depthMm, lattice) ? freeFrom(spotAt(form, seating, flat), way, beams) : 1;
    values[at * PER_POINT + FREE] = free;
  });
  fillBetween(values, FREE, PER_POINT, lattice);
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

/** How much of the lamp a place sees, 0…1. */
function freeFrom({ point, out }: Spot, { obstacles, own }: InTheWay, beams: readonly SpacePoint[]): number {
  // What faces away from the lamp is dark by that alone.
  if (dot(beams[0]!, out) <= 0) return 1;
  const from = add(point, out, OFF_MM);
  return beams.filter((beam) => !obstacles.meets(from, beam, own, OWN_MM)).length / beams.length;
}

/** Every so many of the ways are looked along first. */
const FIRST_OF = 3;
const FIRST_WAYS = OPEN.filter((_, at) => at % FIRST_OF === 0);
const OTHER_WAYS = OPEN.filter((_, at) => at % FIRST_OF !== 0);

/** How much of the open room a place sees, 0…1. Where the first ways all go free, or none does, so do the others. */
function openFrom({ point, right, down, out }: Spot, { obstacles, own }: InTheWay): number {
  const from = add(point, out, OFF_MM);
  const free = (ways: readonly SpacePoint[]): number =>
    ways.filter(
      ([x, y, z]) => !obstacles.meets(from, add(add(times(right, x), down, y), out, z), own, OWN_MM),
    ).length;
  const first = free(FIRST_WAYS);
  if (first === 0 || first === FIRST_WAYS.length) return first / FIRST_WAYS.length;
  return (first + free(OTHER_WAYS)) / OPEN.length;
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
