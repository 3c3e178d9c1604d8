import { softNoise } from "../surface/forms/sheet";
import { add, cross, dot, lengthOf, minus, times, unit } from "../surface/vector";
import type { SpacePoint } from "../surface/forms/form";
import { hash01 } from "../random";

/** A handle of a growth map as it lies in space. */
export interface PlacedHandle {
  readonly point: SpacePoint;
  /** Unit vectors out of the piece, and the way things grow. */
  readonly out: SpacePoint;
  readonly way: SpacePoint;
  /** As a share of what is asked for. */
  readonly length: number;
  /** Radians. */
  readonly lift: number;
}

/** What is asked of a growth map besides its handles. */
export interface GrowthSet {
  readonly handles: readonly PlacedHandle[];
  /** Share of the pull of weight, 0…1. */
  readonly pull: number;
  /** How far the lie strays, radians. */
  readonly sway: number;
}

/** A place that a map is asked about: the point, the unit vector out of the piece, and the way down the piece. */
export interface AskedPlace {
  readonly point: SpacePoint;
  readonly out: SpacePoint;
  readonly fall: SpacePoint;
}

/** Which way things grow at a place, a unit vector in the ground's level; length as a share, lift in radians. */
export interface Grown {
  readonly way: SpacePoint;
  readonly length: number;
  readonly lift: number;
}

/**
 * Handles count by their distance, 1 / (d² + NEAR)^FALL: set by eye on a hound's shoulder, so that a few handles flow into
 * each other without a ring round any of them. d in mm.
 */
const [NEAR_MM2, FALL] = [0.6, 1.7] as const;
/** A handle on the other side of a body counts for this share of one that faces the same way. */
const LEAST_FACING = 0.02;
/** The way down the piece counts for so much where no handle is near. */
const OF_FALL = 1e-9;
/** Slow waves of the lie are about this long, mm. */
const WAVE_MM = 1.8;
const DOWN: SpacePoint = [0, -1, 0];

const wave = softNoise(311, WAVE_MM, hash01);

/** What of a vector lies in the ground's level. */
export const levelled = (way: SpacePoint, out: SpacePoint): SpacePoint =>
  minus(way, times(out, dot(way, out)));

/**
 * A vector in one ground's level carried into another's by the shortest turn that brings one normal onto the other: round a
 * limb a vector that runs round it still does.
 */
export function carried(way: SpacePoint, from: SpacePoint, to: SpacePoint): SpacePoint {
  const facing = 1 + dot(from, to);
  // Grounds back to back have no shortest turn.
  if (facing < 1e-3) return levelled(way, to);
  return minus(way, times(add(from, to), dot(way, to) / facing));
}

/** Which way things grow at a place: vectors of the handles, never their angles, weighted by distance. */
export function grownAt({ handles, pull, sway }: GrowthSet, { point, out, fall }: AskedPlace): Grown {
  let way = times(fall, OF_FALL);
  let [whole, length, lift] = [OF_FALL, OF_FALL, 0];
  for (const handle of handles) {
    const [dx, dy, dz] = minus(point, handle.point);
    const facing = (1 + dot(out, handle.out)) / 2 + LEAST_FACING;
    const weight = facing / (dx * dx + dy * dy + dz * dz + NEAR_MM2) ** FALL;
    way = add(way, carried(handle.way, handle.out, out), weight);
    whole += weight;
    length += weight * handle.length;
    lift += weight * handle.lift;
  }
  const drawn = add(times(unit(way), 1 - pull), levelled(DOWN, out), pull);
  const level = lengthOf(drawn) > 1e-6 ? unit(levelled(drawn, out)) : fall;
  return { way: swayed(level, out, point, sway), length: length / whole, lift: lift / whole };
}

/** Turned in the ground's level by a wave that is the same wherever two pieces meet. */
function swayed(way: SpacePoint, out: SpacePoint, [x, y, z]: SpacePoint, most: number): SpacePoint {
  if (most === 0) return way;
  const turn = most * wave(x + 0.7 * z, y - 0.6 * z);
  return add(times(way, Math.cos(turn)), cross(out, way), Math.sin(turn));
}
