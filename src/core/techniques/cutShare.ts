import { upperQuantile } from "../surface/quantile";
import { clamp, smoothstep } from "../units";
import { LEAST_SHARE } from "./technique";
import { specks } from "./texture";

/** Patches by chance, told by what they are like. */
export interface PatchLook {
  /** The middle of their widths, mm. */
  readonly sizeMm: number;
  /** 0 has them much alike, 1 has some many times as large as others. */
  readonly spread01: number;
}

/**
 * Chance by place on the flat, mean about 0, variance about 1: where it is high a patch lies. Octaves of it are large and
 * small patches; a seed puts it elsewhere on its tiles, and cutting one seed at two shares puts the less within the more.
 */
export function patchChance(
  { sizeMm, spread01 }: PatchLook,
  seed: readonly [x: number, y: number],
): (xMm: number, yMm: number) => number {
  const [alike, wide, fine] = [1 - 0.6 * spread01, 0.9 * spread01, 0.12 + 0.4 * spread01];
  const scale = 1 / Math.hypot(alike, wide, fine);
  const ragged = Math.max(0.05, sizeMm * 0.28);
  return (x, y) => {
    const [u, v] = [x + seed[0], y + seed[1]];
    return (
      scale *
      (alike * specks(u, v, sizeMm) +
        wide * specks(v + 3.1, u + 7.7, sizeMm * 2.7) +
        fine * specks(u + 11.3, v + 2.9, ragged))
    );
  };
}

/** Cells of a place, each with how far it lies above a cut, and what of it is covered. */
export interface Cut {
  readonly cells: Int32Array;
  /** Above 0 inside, below 0 outside. */
  readonly above: Float32Array;
  /** 0…1; a soft border fades over it. */
  readonly cover: Float32Array;
}

/**
 * Cuts a score so that the asked share of a place is covered, soft borders and all.
 * @param inside the panel's share of each cell
 * @param weights how much each cell belongs to the place, 0…1; what belongs less is reached less readily
 * @param asked `share` 0…1 of the place; `soft` half of a border's width, in the score's own unit
 * @param scoreAt the score of a cell; asked of cells that belong to the place at all
 */
export function cutShare(
  inside: Float32Array,
  weights: Readonly<Float32Array>,
  { share, soft }: { readonly share: number; readonly soft: number },
  scoreAt: (at: number) => number,
): Cut {
  const score = new Float32Array(inside.length);
  const cells = new Int32Array(inside.length);
  let [count, wanted] = [0, 0];
  for (let at = 0; at < inside.length; at++) {
    if (inside[at] === 0 || weights[at]! < LEAST_SHARE) continue;
    score[count] = scoreAt(at) - AWAY * (1 - weights[at]!);
    cells[count++] = at;
    if (weights[at]! >= COUNTED) wanted += share * inside[at]!;
  }
  const limit = upperQuantile(score.subarray(0, count), share, cells, weights);
  const above = score.subarray(0, count).map((value) => value - limit);
  const cover = new Float32Array(count);
  for (let step = 0; step < STEPS; step++) {
    const { sum, turning } = coverOver(above, { cells: cells.subarray(0, count), inside, soft }, cover);
    if (step === STEPS - 1 || turning === 0 || Math.abs(sum - wanted) < NEAR * wanted) break;
    // Soft borders reach further out than in, as there are more specks than lakes: the cut moves until they even out.
    const move = ((sum - wanted) * 2 * soft) / turning;
    for (let k = 0; k < count; k++) above[k]! -= move;
  }
  return { cells: cells.subarray(0, count), above, cover };
}

/** How much less a cell scores that hardly belongs to the place; from how much on it is counted. */
const [AWAY, COUNTED] = [2.5, 0.05] as const;
/** The cut is moved so often at most, and no more once it is so near. */
const [STEPS, NEAR] = [6, 0.002] as const;

interface Ground {
  readonly cells: Int32Array;
  readonly inside: Float32Array;
  readonly soft: number;
}

/** Covers cells by how far they lie above; their sum in cells, and how much of them a border runs through. */
function coverOver(above: Float32Array, { cells, inside, soft }: Ground, cover: Float32Array) {
  let [sum, turning] = [0, 0];
  for (let k = 0; k < cover.length; k++) {
    const share = clamp(0.5 + above[k]! / (2 * soft), 0, 1);
    cover[k] = share;
    sum += share * inside[cells[k]!]!;
    if (share > 0 && share < 1) turning += inside[cells[k]!]!;
  }
  return { sum, turning };
}

/** The rim that a drop leaves where it dries: strongest just inside its border, gone further in and outside, 0…1. */
export const rimAt = (above: number, wide: number): number =>
  smoothstep(-0.15 * wide, 0.12 * wide, above) * smoothstep(wide, 0.2 * wide, above);
