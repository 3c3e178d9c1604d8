import type { PieceMesh } from "../piece/mesh";
import type { FlatPoint, SpacePoint, SurfaceForm } from "../surface/forms/form";
import { Obstacles, PER_FRAME, ROOM, waysOf, type Frames, type Ways } from "../rays/obstacles";
import { PER_POINT, type RoomLight } from "../surface/roomLight";
import { add, cross, times, unit, write } from "../surface/vector";
import { axesInRoom, backOfAxes, inForm } from "./back";
import {
  around,
  eachPoint,
  fillBetween,
  flatOf,
  isNear,
  placedOf,
  towardsAt,
  towardsIn,
  WIDE,
  type Placed,
} from "./lattice";
import type { Seating } from "./seated";
import type { StandingFigure } from "./standingFigure";

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
const OPEN = Array.from({ length: SKY_WAYS }, (_, at) => {
  const square = (at + 0.5) / SKY_WAYS;
  const [far, turn] = [Math.sqrt(square), at * GOLDEN];
  return [far * Math.cos(turn), far * Math.sin(turn), Math.sqrt(1 - square)] as const;
});

/** Shares of the open room that differ by less are taken to go over into each other. */
const EVEN = 0.03;

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

/** Share of the open room that a piece sees, over its lattice: looked for more closely where it changes. */
function openOf(placed: Placed, way: InTheWay): Float32Array {
  const { lattice } = placed;
  const { columns, rows } = lattice;
  const open = new Float32Array(columns * rows);
  const look = (at: number) => {
    open[at] = isNear(placed, at) ? openFrom(placed, at, way) : 1;
  };
  eachPoint(lattice, WIDE, look);
  eachPoint(lattice, 2, (at) => {
    const [row, column] = [Math.floor(at / columns), at % columns];
    if (row % WIDE === 0 && column % WIDE === 0) return;
    const known = around(at, row, column, columns, 2).map((one) => open[one]!);
    if (Math.max(...known) - Math.min(...known) > EVEN) look(at);
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

/**
 * Places a piece in the room of its figure; how it lies there, and how open, is worked out once for all lamps.
 * @param ahead unit vector to where the figure looks
 */
export function inRoom(
  form: SurfaceForm,
  seating: Seating,
  way: InTheWay,
  ahead: SpacePoint = [0, 0, 1],
): InRoom {
  let placed: Placed | null = null;
  let open: Float32Array | null = null;
  const once = () => (placed ??= placedOf(form, seating));
  return {
    under: (lamp) => ({
      ...lampLight(form, seating, once(), way, lamp),
      upInForm: inForm(axesInRoom(form, seating), [0, 1, 0]),
      aheadInForm: inForm(axesInRoom(form, seating), ahead),
      open: () => (open ??= openOf(once(), way)),
    }),
  };
}

/** Light of the lamp on a piece. @param lamp unit vector to it, in the room */
function lampLight(
  form: SurfaceForm,
  seating: Seating,
  placed: Placed,
  way: InTheWay,
  lamp: SpacePoint,
): Omit<RoomLight, "open" | "upInForm" | "aheadInForm"> {
  const { lattice, depthMm, frames } = placed;
  const values = new Float32Array(depthMm.length * PER_POINT);
  const beams = waysOf(cone(lamp, LAMP_HALF_DEG, LAMP_WAYS));
  for (let at = 0; at < depthMm.length; at++) {
    const beside = form.round && depthMm[at]! < 0;
    const own = beside
      ? beyond((flat) => towardsAt(form, seating, flat, lamp), flatOf(lattice, at), depthMm[at]!)
      : towardsIn(frames, at, lamp);
    write(values, at * PER_POINT, own);
  }
  eachPoint(lattice, 2, (at) => {
    values[at * PER_POINT + FREE] = isNear(placed, at) ? freeFrom(frames, at, way, lamp, beams) : 1;
  });
  fillBetween(values, FREE, PER_POINT, lattice);
  const axes = axesInRoom(form, seating);
  return { ...lattice, values, lampInForm: inForm(axes, lamp), backInForm: backOfAxes(axes) };
}

/** A round piece ends at its rim: what lies beside it goes on from there as it came. */
function beyond(towards: (at: FlatPoint) => SpacePoint, [x, y]: FlatPoint, depthMm: number): SpacePoint {
  const far = Math.hypot(x, y) || 1;
  const at = (mm: number): FlatPoint => [(x * (far - mm)) / far, (y * (far - mm)) / far];
  const [rim, within] = [towards(at(-depthMm)), towards(at(-2 * depthMm))];
  return add(times(rim, 2), within, -1);
}

/** A place OFF_MM off the ground, as `Frames` has it; the axes are those of the place itself or of the room. */
function offGround(frames: Frames, at: number, axes: "own" | "room"): Frames {
  const own = frames.subarray(at * PER_FRAME, (at + 1) * PER_FRAME);
  for (let axis = 0; axis < 3; axis++) looking[axis] = own[axis]! + OFF_MM * own[9 + axis]!;
  looking.set(axes === "own" ? own.subarray(3) : ROOM, 3);
  return looking;
}
const looking = new Float64Array(PER_FRAME);

/** How much of the lamp a place sees, 0…1. @param beams to the lamp's middle and its rim, in the room */
function freeFrom(
  frames: Frames,
  at: number,
  { obstacles, own }: InTheWay,
  lamp: SpacePoint,
  beams: Ways,
): number {
  // What faces away from the lamp is dark by that alone.
  if (towardsIn(frames, at, lamp)[2] <= 0) return 1;
  return obstacles.countFree(offGround(frames, at, "room"), beams, own, OWN_MM) / LAMP_WAYS;
}

/** Every so many of the ways are looked along first. */
const FIRST_OF = 3;
const FIRST_WAYS = waysOf(OPEN.filter((_, at) => at % FIRST_OF === 0));
const OTHER_WAYS = waysOf(OPEN.filter((_, at) => at % FIRST_OF !== 0));

/** How much of the open room a place sees, 0…1. Where the first ways all go free, or none does, so do the others. */
function openFrom({ frames }: Placed, at: number, { obstacles, own }: InTheWay): number {
  const from = offGround(frames, at, "own");
  const count = FIRST_WAYS.length / 3;
  const first = obstacles.countFree(from, FIRST_WAYS, own, OWN_MM);
  if (first === 0 || first === count) return first / count;
  return (first + obstacles.countFree(from, OTHER_WAYS, own, OWN_MM)) / SKY_WAYS;
}
