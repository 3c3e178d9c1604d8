import type { SpacePoint } from "../surface/forms/form";
import { add, cross, dot, minus, times, unit } from "../surface/vector";

/** A place in the figure's room with three unit axes at right angles, mm: right, up, and out towards who looks at it. */
export interface Frame {
  readonly origin: SpacePoint;
  readonly right: SpacePoint;
  readonly up: SpacePoint;
  readonly out: SpacePoint;
}

const TO_RAD = Math.PI / 180;

/** A frame at a place. @param up kept as it is @param out kept as far as it stands at right angles to `up` */
export function frameAt(origin: SpacePoint, up: SpacePoint, out: SpacePoint): Frame {
  const upright = unit(up);
  const right = unit(cross(upright, out));
  return { origin, right, up: upright, out: cross(right, upright) };
}

/** A point told in a frame, in the room the frame is told in. */
export const inRoom = ({ origin, right, up, out }: Frame, [x, y, z]: SpacePoint): SpacePoint => [
  origin[0] + x * right[0] + y * up[0] + z * out[0],
  origin[1] + x * right[1] + y * up[1] + z * out[1],
  origin[2] + x * right[2] + y * up[2] + z * out[2],
];

/** A point of the room as a frame has it. */
export function inFrame({ origin, right, up, out }: Frame, point: SpacePoint): SpacePoint {
  const from = minus(point, origin);
  return [dot(from, right), dot(from, up), dot(from, out)];
}

/** A vector turned round an axis, degrees, right-handed. Source: Rodrigues' rotation formula. */
export function turned(vector: SpacePoint, axis: SpacePoint, deg: number): SpacePoint {
  const [cosine, sine] = [Math.cos(deg * TO_RAD), Math.sin(deg * TO_RAD)];
  const along = dot(axis, vector) * (1 - cosine);
  return add(add(times(vector, cosine), cross(axis, vector), sine), axis, along);
}

/** A frame turned round its own axes, first round its upright, then tilted, then leant. */
export function turnedFrame(frame: Frame, turnDeg: number, tiltDeg: number, leanDeg: number): Frame {
  let { right, up, out } = frame;
  [right, out] = [turned(right, up, turnDeg), turned(out, up, turnDeg)];
  [up, out] = [turned(up, right, tiltDeg), turned(out, right, tiltDeg)];
  [right, up] = [turned(right, out, leanDeg), turned(up, out, leanDeg)];
  return { origin: frame.origin, right, up, out };
}
