import type { PieceMesh } from "../piece/mesh";
import type { SpacePoint } from "../surface/forms/form";

/** The box round the points of a mesh that are on its piece, mm. */
export function boundsOf({ points, holds }: PieceMesh): {
  readonly low: SpacePoint;
  readonly high: SpacePoint;
} {
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (let at = 0; at < holds.length; at++) {
    if (holds[at] === 0) continue;
    for (let axis = 0; axis < 3; axis++) {
      low[axis] = Math.min(low[axis]!, points[at * 3 + axis]!);
      high[axis] = Math.max(high[axis]!, points[at * 3 + axis]!);
    }
  }
  return { low, high };
}
