/** A height over the flat, mm: `at` at the point it is told from, and its slopes to the right and away. */
export interface Plane {
  readonly slopeX: number;
  readonly slopeY: number;
  readonly atMm: number;
}

/** Points x, y, height one behind the other, mm. */
export type Points = Float64Array;

/** A height that lies so little above a plane lies on it, mm: far below what a hand could feel. */
const EPSILON = 1e-7;
/** A slab leans no steeper than this, mm per mm: it would slide. */
const STEEPEST = 3;

/** Lowest value of `value · t` for which every `rise[i] · t ≥ need[i]`, within ±bound; null where there is none. */
function lowestOnLine(rise: Float64Array, need: Float64Array, count: number, value: number, bound: number) {
  let [low, high] = [-bound, bound];
  for (let at = 0; at < count; at++) {
    const [r, n] = [rise[at]!, need[at]!];
    if (r > EPSILON) low = Math.max(low, n / r);
    else if (r < -EPSILON) high = Math.min(high, n / r);
    else if (n > EPSILON) return null;
  }
  if (low > high + EPSILON) return null;
  return value >= 0 ? low : high;
}

/**
 * The plane on which a flat underside comes to rest on points below it: the lowest one at its centre of mass that no
 * point pierces. Where it lies it is held by points all round that centre, so that it neither rocks nor floats.
 *
 * A linear programme in the plane's two slopes and its height, solved by adding points in turn (Seidel, "Small-dimensional
 * linear programming and convex hulls made easy", 1991).
 * @param points relative to the centre of mass, one or more, in any order; the order decides the time alone
 */
export function restingPlane(points: Points): Plane {
  const count = points.length / 3;
  const order = shuffled(count);
  // With the first point alone any slope would do that puts the centre lowest.
  let { slopeX, slopeY, atMm } = steepestFor(points, order[0]!);
  for (let done = 1; done < count; done++) {
    const at = order[done]! * 3;
    const stands = points[at + 2]! - (slopeX * points[at]! + slopeY * points[at + 1]! + atMm);
    if (stands <= EPSILON) continue;
    const next = throughPoint(points, order, done);
    if (next) ({ slopeX, slopeY, atMm } = next);
  }
  return { slopeX, slopeY, atMm: atMm + highestAbove(points, { slopeX, slopeY, atMm }) };
}

/** How far the highest of the points stands above a plane, mm; 0 where none does. */
function highestAbove(points: Points, { slopeX, slopeY, atMm }: Plane): number {
  let most = 0;
  for (let at = 0; at < points.length; at += 3)
    most = Math.max(most, points[at + 2]! - (slopeX * points[at]! + slopeY * points[at + 1]! + atMm));
  return most;
}

function steepestFor(points: Points, first: number): Plane {
  const [x, y, h] = [points[first * 3]!, points[first * 3 + 1]!, points[first * 3 + 2]!];
  const slopeX = x >= 0 ? STEEPEST : -STEEPEST;
  const slopeY = y >= 0 ? STEEPEST : -STEEPEST;
  return { slopeX, slopeY, atMm: h - slopeX * x - slopeY * y };
}

/** The lowest plane that goes through one point and lies on or over those before it. */
function throughPoint(points: Points, order: Int32Array, upTo: number): Plane | null {
  const own = order[upTo]! * 3;
  const [x0, y0, h0] = [points[own]!, points[own + 1]!, points[own + 2]!];
  // Height at the centre is h0 − slopeX x0 − slopeY y0: it falls fastest along (x0, y0).
  let slopeX = x0 >= 0 ? STEEPEST : -STEEPEST;
  let slopeY = y0 >= 0 ? STEEPEST : -STEEPEST;
  const rise = new Float64Array(upTo + 4);
  const need = new Float64Array(upTo + 4);
  for (let done = 0; done < upTo; done++) {
    const at = order[done]! * 3;
    const [dx, dy, dh] = [points[at]! - x0, points[at + 1]! - y0, points[at + 2]! - h0];
    if (slopeX * dx + slopeY * dy >= dh - EPSILON) continue;
    // Both points lie on it now: one slope is left, across the way from one to the other.
    const length2 = dx * dx + dy * dy;
    if (length2 < 1e-12) return null;
    const [onX, onY] = [(dx * dh) / length2, (dy * dh) / length2];
    const [wayX, wayY] = [-dy / Math.sqrt(length2), dx / Math.sqrt(length2)];
    for (let other = 0; other < done; other++) {
      const place = order[other]! * 3;
      const [ex, ey, eh] = [points[place]! - x0, points[place + 1]! - y0, points[place + 2]! - h0];
      rise[other] = wayX * ex + wayY * ey;
      need[other] = eh - onX * ex - onY * ey;
    }
    const t = lowestOnLine(rise, need, done, -(wayX * x0 + wayY * y0), 4 * STEEPEST);
    if (t === null) return null;
    [slopeX, slopeY] = [onX + wayX * t, onY + wayY * t];
  }
  return { slopeX, slopeY, atMm: h0 - slopeX * x0 - slopeY * y0 };
}

/** Numbers from 0 in an order that is always the same and has none of theirs. */
function shuffled(count: number): Int32Array {
  const order = Int32Array.from({ length: count }, (_, at) => at);
  let state = 0x9e3779b9;
  for (let at = count - 1; at > 0; at--) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    const other = state % (at + 1);
    [order[at], order[other]] = [order[other]!, order[at]!];
  }
  return order;
}
