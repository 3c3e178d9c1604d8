import type { PaintedLight } from "../job";
import { PER_FRAME, ROOM, waysOf, type Frames } from "../rays/obstacles";
import type { SpacePoint, SurfaceForm } from "../surface/forms/form";
import { PER_SHED, type ShedLight } from "../surface/shedLight";
import { add, cross, lengthOf, minus, unit, write } from "../surface/vector";
import { eachPoint, fillBetween, frameOn, isNear, placedOf, towardsIn, type Placed } from "./lattice";
import type { InTheWay } from "./roomLightOf";
import type { Seating } from "./seated";

/** Points of a light's disc that are looked at: its middle and a ring. */
const RING = 4;
/** The piece itself is in its own way only from so far on, mm: nearer it is the relief that throws shade. */
const OWN_MM = 3;
/** Points stand off the ground by this much, mm: the coarse outside cuts corners. */
const OFF_MM = 0.12;
/** What lies this near to the light is taken as of the light, mm: the coarse outside of what it sits on. */
const NEAR_MM = 0.4;

/** A painted light in a room: where its middle is, the unit vector to its front where it sheds to that side alone, mm. */
export interface LightInRoom extends Pick<PaintedLight, "widthMm" | "reachMm"> {
  readonly middle: SpacePoint;
  readonly front: SpacePoint | null;
}

/** Where a light sits on a form, as a place of it. */
const placeOn = (form: SurfaceForm, { along, up }: Pick<PaintedLight, "along" | "up">) => ({
  turnDeg: along * form.turnDeg,
  heightMm: up * form.slantMm,
});

/** A painted light in the room of the piece it sits on: off its surface there, relief and all. */
export function lightInRoom(form: SurfaceForm, seating: Seating, light: PaintedLight): LightInRoom {
  const place = placeOn(form, light);
  const { point, out } = frameOn(form, seating, form.flatten(place));
  const { widthMm, reachMm, sheds, outMm } = light;
  const middle = add(point, out, form.relief(place) + outMm);
  return { middle, front: sheds === "front" ? out : null, widthMm, reachMm };
}

/** The middle of a light's disc and a ring on it, as seen from a point. */
function discFrom(middle: SpacePoint, from: SpacePoint, widthMm: number): SpacePoint[] {
  const way = unit(minus(middle, from));
  const aside = unit(cross(way, Math.abs(way[1]) > 0.9 ? [1, 0, 0] : [0, 1, 0]));
  const other = cross(way, aside);
  const ring = Array.from({ length: RING }, (_, at) => {
    const turn = (at / RING) * 2 * Math.PI;
    return add(add(middle, aside, (widthMm / 2) * Math.cos(turn)), other, (widthMm / 2) * Math.sin(turn));
  });
  return [middle, ...ring];
}

/** How much of a light a point of the lattice sees past everything of the figure, 0…1. */
function freeAt(frames: Frames, at: number, { obstacles, own }: InTheWay, light: LightInRoom): number {
  const frame = new Float64Array([...frames.subarray(at * PER_FRAME, at * PER_FRAME + 3), ...ROOM]);
  for (let axis = 0; axis < 3; axis++) frame[axis]! += OFF_MM * frames[at * PER_FRAME + 9 + axis]!;
  const from: SpacePoint = [frame[0]!, frame[1]!, frame[2]!];
  const disc = discFrom(light.middle, from, light.widthMm);
  const free = disc.filter((point) => {
    const way = minus(point, from);
    const far = lengthOf(way) - NEAR_MM - light.widthMm / 2;
    return far <= 0 || obstacles.countFree(frame, waysOf([unit(way)]), own, OWN_MM, far) === 1;
  });
  return free.length / disc.length;
}

/** The form a light falls on, where it lies, what is in the way there, and the place of the light on it where it sits on it. */
export interface ShedOn {
  readonly form: SurfaceForm;
  readonly seating: Seating;
  /** Null where nothing else is there. */
  readonly way: InTheWay | null;
  readonly own: Pick<PaintedLight, "along" | "up"> | null;
}

function writeOwn({ frames }: Placed, values: Float32Array, { middle, front }: LightInRoom): void {
  for (let at = 0; at * PER_FRAME < frames.length; at++) {
    const point: SpacePoint = [
      frames[at * PER_FRAME]!,
      frames[at * PER_FRAME + 1]!,
      frames[at * PER_FRAME + 2]!,
    ];
    const way = minus(middle, point);
    write(values, at * PER_SHED, towardsIn(frames, at, way));
    values[at * PER_SHED + 3] = 1;
    if (front) write(values, at * PER_SHED + 4, towardsIn(frames, at, front));
  }
}

/** What a painted light sheds on a piece, before the piece's relief. */
export function shedLight(on: ShedOn, light: LightInRoom): ShedLight {
  const placed = placedOf(on.form, on.seating);
  const { lattice, frames } = placed;
  const values = new Float32Array((frames.length / PER_FRAME) * PER_SHED);
  writeOwn(placed, values, light);
  const { way } = on;
  if (way) {
    eachPoint(lattice, 2, (at) => {
      // What faces away is dark by that alone.
      const isFacing = values[at * PER_SHED + 2]! > 0 && isNear(placed, at);
      values[at * PER_SHED + 3] = isFacing ? freeAt(frames, at, way, light) : 1;
    });
    fillBetween(values, 3, PER_SHED, lattice);
  }
  const { widthMm, reachMm } = light;
  const at = on.own && on.form.flatten(placeOn(on.form, on.own));
  return { ...lattice, values, widthMm, reachMm, front: light.front !== null, at };
}
