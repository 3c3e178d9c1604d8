import type { Place, SpacePoint, SurfaceForm } from "./form";

interface SheetOptions {
  readonly id: string;
  /** Along the piece, mm. */
  readonly lengthMm: number;
  /** From edge to edge, mm. */
  readonly widthMm: number;
  /** Height above the plain sheet at a place along and up from the lower edge, mm. */
  readonly relief: (alongMm: number, upMm: number) => number;
  /** 0…1: whether iron fixed to it lies there; left out where there is none. */
  readonly fitting?: (alongMm: number, upMm: number) => number;
  /** Radius round which the piece bends, across its width; Infinity for a flat one. */
  readonly bendMm?: number;
  /** Closed round the figure: both ends meet. */
  readonly closed?: boolean;
  /** Places of seams along the piece, mm. */
  readonly seamsMm?: readonly number[];
}

/**
 * A rectangle of material: flat, or bent round a limb along its length. Its development is itself, so lengths and
 * areas are exact. Turn runs from 0 to 360 along the piece, height from the lower edge up.
 */
export function buildSheet(options: SheetOptions): SurfaceForm {
  const { id, lengthMm, widthMm, relief, fitting, closed = false, seamsMm = [0] } = options;
  const toMm = lengthMm / 360;
  const radius = options.bendMm ?? Infinity;
  const inSpace = ({ turnDeg, heightMm }: Place): SpacePoint => {
    const along = turnDeg * toMm;
    if (!Number.isFinite(radius)) return [along - lengthMm / 2, heightMm, relief(along, heightMm)];
    const angle = (along - lengthMm / 2) / radius;
    const out = radius + relief(along, heightMm);
    return [out * Math.sin(angle), heightMm, out * Math.cos(angle) - radius];
  };
  return {
    id,
    closed,
    turnDeg: 360,
    slantMm: widthMm,
    areaMm2: lengthMm * widthMm,
    seamsDeg: seamsMm.map((mm) => mm / toMm),
    bounds: { minX: -lengthMm / 2, maxX: lengthMm / 2, minY: -widthMm, maxY: 0 },
    lengthAt: () => lengthMm,
    apexMm: Infinity,
    flatPerTurn: 0,
    flatten: ({ turnDeg, heightMm }) => [turnDeg * toMm - lengthMm / 2, -heightMm],
    place: ([x, y]) => ({ turnDeg: (x + lengthMm / 2) / toMm, heightMm: -y }),
    inSpace,
    ...(Number.isFinite(radius) && {
      facing: ({ turnDeg }: Place): SpacePoint => {
        const angle = (turnDeg * toMm - lengthMm / 2) / radius;
        return [Math.sin(angle), 0, Math.cos(angle)];
      },
    }),
    ...(fitting && { fitting: ({ turnDeg, heightMm }: Place) => fitting(turnDeg * toMm, heightMm) }),
    relief: ({ turnDeg, heightMm }) => relief(turnDeg * toMm, heightMm),
  };
}

/** Smooth noise over a sheet, −1…1, features about `mm` wide; the same for a seed on every grid. */
export function softNoise(seed: number, mm: number, hash: (seed: number, x: number, y: number) => number) {
  return (x: number, y: number): number => {
    const [u, v] = [x / mm, y / mm];
    const [i, j] = [Math.floor(u), Math.floor(v)];
    const ease = (t: number) => t * t * (3 - 2 * t);
    const [s, t] = [ease(u - i), ease(v - j)];
    const low = hash(seed, i, j) * (1 - s) + hash(seed, i + 1, j) * s;
    const high = hash(seed, i, j + 1) * (1 - s) + hash(seed, i + 1, j + 1) * s;
    return 2 * (low * (1 - t) + high * t) - 1;
  };
}
