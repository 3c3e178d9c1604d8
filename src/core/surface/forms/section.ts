/** The outline of a turned form where it is not round, by height: points in radii of a circle of the same girth. */
export interface Section {
  /** Sideways and to the front of the middle line. @param turnDeg by the way round; 180 in front */
  at(turnDeg: number, heightMm: number): readonly [aside: number, front: number];
  /** Where a place lies as seen from the middle line, degrees: 0 behind, 180 in front. */
  angleAt(turnDeg: number, heightMm: number): number;
}

/** Distance from the middle line in a direction, in any unit. @param angle from the front, radians, −π…π */
export type Polar = (angle: number, heightMm: number) => number;

/** Points once round, finely to measure its way, and evenly by that way. */
const [FINE, WAYS] = [720, 144] as const;

/** One outline: its points evenly by the way round, from behind over the side at 90°, scaled to the girth of a unit circle. */
function outlineOf(polar: Polar, heightMm: number): Float64Array {
  const [x, z, way] = [0, 0, 0].map(() => new Float64Array(FINE + 1)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let at = 0; at <= FINE; at++) {
    const angle = (at / FINE - 0.5) * 2 * Math.PI;
    const radius = polar(angle, heightMm);
    x[at] = radius * Math.sin(angle);
    z[at] = radius * Math.cos(angle);
    if (at > 0) way[at] = way[at - 1]! + Math.hypot(x[at]! - x[at - 1]!, z[at]! - z[at - 1]!);
  }
  const scale = (2 * Math.PI) / way[FINE]!;
  const out = new Float64Array((WAYS + 1) * 2);
  let fine = 0;
  for (let at = 0; at <= WAYS; at++) {
    const wanted = (at / WAYS) * way[FINE]!;
    while (fine < FINE - 1 && way[fine + 1]! < wanted) fine++;
    const share = (wanted - way[fine]!) / (way[fine + 1]! - way[fine]!);
    out[at * 2] = scale * (x[fine]! + share * (x[fine + 1]! - x[fine]!));
    out[at * 2 + 1] = scale * (z[fine]! + share * (z[fine + 1]! - z[fine]!));
  }
  return out;
}

/**
 * A section told by its distance from the middle line. Turn runs by the way round, so that widths on the flat stay true.
 * @param steps heights at which the outline is worked out; 0 where it is the same all along
 */
export function sectionOf(polar: Polar, lengthMm: number, steps: number): Section {
  const outlines = Array.from({ length: steps + 1 }, (_, at) =>
    outlineOf(polar, steps === 0 ? 0 : (at / steps) * lengthMm),
  );
  const at = (turnDeg: number, heightMm: number): readonly [number, number] => {
    const along = Math.min(steps, Math.max(0, (heightMm / lengthMm) * steps));
    const row = Math.min(Math.max(0, steps - 1), Math.floor(along));
    const turns = turnDeg / 360;
    const round = (turns - Math.floor(turns)) * WAYS;
    const way = Math.min(WAYS - 1, Math.floor(round));
    const [low, high] = [outlines[row]!, outlines[Math.min(steps, row + 1)]!];
    const [s, t] = [round - way, along - row];
    const between = (axis: 0 | 1) => {
      const from = way * 2 + axis;
      const below = low[from]! + s * (low[from + 2]! - low[from]!);
      return below + t * (high[from]! + s * (high[from + 2]! - high[from]!) - below);
    };
    return [between(0), between(1)];
  };
  return {
    at,
    angleAt(turnDeg, heightMm) {
      const [aside, front] = at(turnDeg, heightMm);
      return ((Math.atan2(aside, front) / (2 * Math.PI) + 0.5) * 360) % 360;
    },
  };
}

/** An ellipse. @param deep its depth against its width */
export const ellipse =
  (deep: number): Polar =>
  (angle) =>
    1 / Math.hypot(Math.sin(angle), Math.cos(angle) / deep);
