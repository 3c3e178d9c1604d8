import type { Place, SpacePoint } from "./form";
import { ellipse, sectionOf } from "./section";

/** Heights and ways across at which a draped piece is worked out. */
const [ROWS, WAYS]: readonly [number, number] = [64, 72];

/** What hangs round a body. */
interface Drape {
  readonly lengthMm: number;
  /** How far round it hangs, radians. */
  readonly wrap: number;
  /** Its width at a height, mm. */
  readonly lengthAt: (heightMm: number) => number;
  /** Depth against width of what it hangs round, at a height. */
  readonly deepAt: (heightMm: number) => number;
}

/**
 * A piece that hangs round something broader than deep, its middle in front. Every thread that runs down keeps its
 * length: where the piece spreads it sinks less, so that it lies on the shoulders and falls from them.
 * @returns how it lies in space, without its relief
 */
export function drapedOn({ lengthMm, wrap, lengthAt, deepAt }: Drape): (place: Place) => SpacePoint {
  const section = sectionOf((angle, heightMm) => ellipse(deepAt(heightMm))(angle, heightMm), lengthMm, ROWS);
  const points = new Float64Array((ROWS + 1) * (WAYS + 1) * 3);
  const step = lengthMm / ROWS;
  for (let way = 0; way <= WAYS; way++) {
    const turnDeg = 180 + ((way / WAYS - 0.5) * wrap * 180) / Math.PI;
    for (let row = ROWS; row >= 0; row--) {
      const heightMm = row * step;
      const radius = lengthAt(heightMm) / wrap;
      const [aside, front] = section.at(turnDeg, heightMm);
      const at = (row * (WAYS + 1) + way) * 3;
      points[at] = radius * aside;
      points[at + 2] = radius * front;
      if (row === ROWS) continue;
      const above = at + (WAYS + 1) * 3;
      const out = Math.hypot(points[at] - points[above]!, points[at + 2]! - points[above + 2]!);
      points[at + 1] = points[above + 1]! - Math.sqrt(Math.max(0.05 * step * step, step * step - out * out));
    }
  }
  return ({ turnDeg, heightMm }) => {
    // Beyond its ends it goes on straight.
    const [u, v] = [(turnDeg / 360) * WAYS, (heightMm / lengthMm) * ROWS];
    const way = Math.min(WAYS - 1, Math.max(0, Math.floor(u)));
    const row = Math.min(ROWS - 1, Math.max(0, Math.floor(v)));
    const [s, t] = [u - way, v - row];
    const low = (row * (WAYS + 1) + way) * 3;
    const high = low + (WAYS + 1) * 3;
    const between = (axis: 0 | 1 | 2) => {
      const below = points[low + axis]! + s * (points[low + 3 + axis]! - points[low + axis]!);
      return (
        below + t * (points[high + axis]! + s * (points[high + 3 + axis]! - points[high + axis]!) - below)
      );
    };
    return [between(0), between(1), between(2)];
  };
}
