/** Which way things grow on a piece, on a coarse lattice over the piece laid flat. Row-major, y downwards. */
export interface GrowthField {
  readonly columns: number;
  readonly rows: number;
  /** Distance of its points, and where the first lies on the flat, mm. */
  readonly pitchMm: number;
  readonly originX: number;
  readonly originY: number;
  /**
   * Four numbers to a point: the way it grows, to the right and down the flat, about a unit vector; how long it is
   * on the flat, as a share of what is asked for; how far it stands off the ground, radians.
   */
  readonly values: Float32Array;
}

/** What grows on a surface, worked out when first asked for; null where nobody has said. */
export interface SurfaceGrowth {
  /** Equal for equal growth. */
  readonly key: string;
  readonly field: () => GrowthField | null;
}

/** Numbers to a point of the lattice. */
export const PER_GROWTH = 4;

/** The lie at one place: a unit vector on the flat, y downwards; length as a share; lift in radians. */
export interface Lie {
  x: number;
  y: number;
  length: number;
  lift: number;
}

/** The lie at a flat place, mm, by straight lines between the lattice's points; written into `lie`. */
export function growthAt(field: GrowthField, xMm: number, yMm: number, lie: Lie): Lie {
  const { columns, rows, pitchMm, originX, originY, values } = field;
  const u = Math.min(columns - 1, Math.max(0, (xMm - originX) / pitchMm));
  const v = Math.min(rows - 1, Math.max(0, (yMm - originY) / pitchMm));
  const column = Math.min(columns - 2, Math.floor(u));
  const row = Math.min(rows - 2, Math.floor(v));
  const [s, t] = [u - column, v - row];
  const above = (row * columns + column) * PER_GROWTH;
  const below = above + columns * PER_GROWTH;
  const at = (part: number) =>
    (values[above + part]! * (1 - s) + values[above + PER_GROWTH + part]! * s) * (1 - t) +
    (values[below + part]! * (1 - s) + values[below + PER_GROWTH + part]! * s) * t;
  const [x, y] = [at(0), at(1)];
  const long = Math.hypot(x, y) || 1;
  lie.x = x / long;
  lie.y = y / long;
  lie.length = at(2);
  lie.lift = at(3);
  return lie;
}
