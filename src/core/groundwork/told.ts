import type { FootPlace, Groundwork } from "../job";
import { depthInside } from "../surface/forms/depth";
import type { SurfaceForm } from "../surface/forms/form";
import { settledOn } from "./onGrid";
import type { SetPiece, Settled } from "./settle";

/** How a piece came to lie, in numbers. */
export interface PieceTold {
  readonly id: string;
  /** How far its underside leans, degrees. */
  readonly leanDeg: number;
  /** Its highest point over the middle of the base's ground, mm. */
  readonly topMm: number;
  /** Paste that fills what is open below it, µl, and the widest gap there, mm. */
  readonly bedUl: number;
  readonly gapMm: number;
  readonly onGround: boolean;
  /** How far it stands out over the rim of the base, mm; 0 where it does not. */
  readonly overRimMm: number;
}

/** What a foot would stand on. */
export interface FootTold {
  readonly id: string;
  /** Number of the piece under its middle; −1 for the ground. */
  readonly piece: number;
  /** Its sole on the highest place below it, mm. */
  readonly heightMm: number;
  /** How far the ground below it goes up and down, mm. */
  readonly unevenMm: number;
  /** The sole reaches over the rim of the base. */
  readonly overRim: boolean;
}

/** What is built on a base, in numbers. */
export interface GroundTold {
  readonly pieces: readonly PieceTold[];
  readonly feet: readonly FootTold[];
}

/** Ground that goes up and down by no more than this carries a foot level, mm. */
export const LEVEL_MM = 0.2;

const [RINGS, AROUND] = [4, 24] as const;

/** Places on a disc, told from its middle, mm. */
function* disc(radius: number): Generator<readonly [number, number]> {
  yield [0, 0];
  for (let ring = 1; ring <= RINGS; ring++)
    for (let step = 0; step < AROUND; step++) {
      const way = (2 * Math.PI * step) / AROUND;
      yield [(ring / RINGS) * radius * Math.cos(way), (ring / RINGS) * radius * Math.sin(way)];
    }
}

/** How far inside the rim a place lies, mm from the middle of the base. */
function insideMm(form: SurfaceForm, x: number, y: number): number {
  const { minX, maxX, minY, maxY } = form.bounds;
  return depthInside(form, form.place([(minX + maxX) / 2 + x, (minY + maxY) / 2 - y]));
}

function footTold(form: SurfaceForm, settled: Settled, { id, xMm, yMm, acrossMm }: FootPlace): FootTold {
  let [low, high, overRim] = [Infinity, -Infinity, false];
  for (const [x, y] of disc(acrossMm / 2)) {
    const { heightMm } = settled.seenAt(xMm + x, yMm + y);
    [low, high] = [Math.min(low, heightMm), Math.max(high, heightMm)];
    if (insideMm(form, xMm + x, yMm + y) < 0) overRim = true;
  }
  return {
    ...{ id, heightMm: high, unevenMm: high - low, overRim },
    piece: settled.seenAt(xMm, yMm).piece,
  };
}

/** Lines from the middle of a piece along which its outline is looked for. */
const LINES = 48;

function overRimMm(form: SurfaceForm, set: SetPiece): number {
  const { piece, shape } = set;
  let most = 0;
  for (let line = 0; line < LINES; line++) {
    const [cos, sin] = [Math.cos((line / LINES) * 2 * Math.PI), Math.sin((line / LINES) * 2 * Math.PI)];
    for (let out = shape.reachMm; out > 0; out -= 0.15) {
      const [x, y] = [piece.xMm + out * cos, piece.yMm + out * sin];
      if (set.topAt(x, y, 0) === -Infinity) continue;
      most = Math.max(most, -insideMm(form, x, y));
      break;
    }
  }
  return most;
}

const pieceTold = (form: SurfaceForm, set: SetPiece): PieceTold => {
  const { piece, plane, bedMm3, gapMm, onGround } = set;
  let topMm = -Infinity;
  for (const [x, y] of disc(0.8 * set.shape.reachMm))
    topMm = Math.max(topMm, set.topAt(piece.xMm + x, piece.yMm + y, 0));
  return {
    ...{ id: piece.id, bedUl: bedMm3, gapMm, onGround, topMm: Math.max(0, topMm) },
    leanDeg: (Math.atan(Math.hypot(plane.slopeX, plane.slopeY)) * 180) / Math.PI,
    overRimMm: overRimMm(form, set),
  };
};

/** What is built on a form, in numbers. @param key of the form and its seed */
export function groundTold(form: SurfaceForm, key: string, work: Groundwork): GroundTold {
  const settled = settledOn(form, key, work);
  return {
    pieces: settled.pieces.map((set) => pieceTold(form, set)),
    feet: work.feet.map((foot) => footTold(form, settled, foot)),
  };
}

/** How far around a foot level ground is looked for, mm, and in which steps. */
const [FARTHEST_MM, STEP_MM] = [12, 0.75] as const;

/** The nearest place around a foot that carries it level; null where there is none. */
export function levelPlace(
  form: SurfaceForm,
  key: string,
  work: Groundwork,
  foot: FootPlace,
): FootPlace | null {
  const settled = settledOn(form, key, work);
  for (let ring = 1; ring * STEP_MM <= FARTHEST_MM; ring++)
    for (let step = 0; step < AROUND; step++) {
      const [way, out] = [(2 * Math.PI * step) / AROUND, ring * STEP_MM];
      const xMm = Math.round((foot.xMm + out * Math.cos(way)) * 100) / 100;
      const yMm = Math.round((foot.yMm + out * Math.sin(way)) * 100) / 100;
      const there = { ...foot, xMm, yMm };
      const { unevenMm, overRim } = footTold(form, settled, there);
      const free = work.feet.every(
        (other) =>
          other.id === foot.id ||
          Math.hypot(other.xMm - xMm, other.yMm - yMm) >= (other.acrossMm + foot.acrossMm) / 2,
      );
      if (unevenMm <= LEVEL_MM && !overRim && free) return there;
    }
  return null;
}
