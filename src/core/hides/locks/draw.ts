import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import type { FlatPoint } from "../../surface/forms/form";
import type { Motion } from "../acrossSeam";
import type { Sheet } from "../sheet";
import type { Lock } from "./place";

/** Straight parts a lock is drawn in. */
const PARTS = 8;
/** A lock falls apart into strands about so wide, mm. */
const STRAND_MM = 0.115;
/** Widths along a lock: at its root, and how far it narrows to its tip; where it is widest and highest. */
const [ROOT_WIDTH, NARROWS, WIDEST_AT, HIGHEST_AT] = [0.66, 0.78, 0.36, 0.62] as const;
const SAMPLES = 64;

/** Half width along a lock against its widest, at so many places from root to tip. */
const WIDTHS = Float64Array.from({ length: SAMPLES + 2 }, (_, at) => {
  const s = Math.min(1, at / SAMPLES);
  return s < WIDEST_AT
    ? ROOT_WIDTH + (1 - ROOT_WIDTH) * Math.sin(((s / WIDEST_AT) * Math.PI) / 2)
    : 1 - NARROWS * ((s - WIDEST_AT) / (1 - WIDEST_AT)) ** 1.25;
});

/** How high it stands along its length; one that stays upright does not sink back. */
const RISES = Float64Array.from({ length: SAMPLES + 2 }, (_, at) => {
  const s = Math.min(1, at / SAMPLES);
  return s < HIGHEST_AT ? smoothstep(0, HIGHEST_AT, s) : 1;
});
const SINKS = Float64Array.from({ length: SAMPLES + 2 }, (_, at) => {
  const s = Math.min(1, at / SAMPLES);
  return s < HIGHEST_AT ? 0 : 0.45 * ((s - HIGHEST_AT) / (1 - HIGHEST_AT)) ** 1.6;
});

/** Strands side by side: where each ends along the lock, how deep the groove beside it, how high it lies. */
interface Strands {
  readonly count: number;
  readonly ends: Float64Array;
  readonly grooves: Float64Array;
  readonly highs: Float64Array;
  /** A deeper parting between two of them. */
  readonly split: number;
}

const MOST_STRANDS = 48;
const kept: Strands & { count: number; split: number } = {
  count: 0,
  ends: new Float64Array(MOST_STRANDS),
  grooves: new Float64Array(MOST_STRANDS),
  highs: new Float64Array(MOST_STRANDS),
  split: 0,
};

/** The strands of one lock; the same object each time. @param grooveMm how deep they are parted */
function strandsOf({ halfMm, seed }: Lock, grooveMm: number): Strands {
  const count = Math.min(MOST_STRANDS, Math.max(2, Math.round((2 * halfMm) / STRAND_MM)));
  kept.count = count;
  kept.split = 1 + Math.floor(hash01(seed, 9) * (count - 1));
  for (let k = 0; k < count; k++) {
    const aside = Math.abs(((k + 0.5) / count) * 2 - 1);
    const chance = hash01(seed, k, 11);
    // Each strand ends where it likes, those outside sooner.
    kept.ends[k] = 1 - 0.42 * aside ** 1.2 - 0.24 * chance;
    kept.grooves[k] = grooveMm * (0.5 + hash01(seed, k, 12));
    kept.highs[k] = 0.4 * grooveMm * (chance - 0.5);
  }
  return kept;
}

/** A quadratic curve in straight parts: x0, y0, x1, y1 … */
function pathOf({ root, middle, tip }: Lock, motion: Motion | null, out: Float64Array): void {
  const at = (point: FlatPoint) => (motion ? motion(point) : point);
  const [a, b, c] = [at(root), at(middle), at(tip)];
  for (let k = 0; k <= PARTS; k++) {
    const s = k / PARTS;
    const [p, q, r] = [(1 - s) * (1 - s), 2 * s * (1 - s), s * s];
    out[2 * k] = p * a[0] + q * b[0] + r * c[0];
    out[2 * k + 1] = p * a[1] + q * b[1] + r * c[1];
  }
}
const path = new Float64Array(2 * PARTS + 2);

/** How finely cells can show strands, 0…1: below two cells to a strand they blur into one. */
const shownOn = (pitchMm: number): number => smoothstep(1.1, 2.6, STRAND_MM / pitchMm);

/**
 * Draws a lock where it is higher than what is there.
 * @param number its number among the things of the hide
 * @param grooveMm how deep its strands are parted
 * @param motion where else it is drawn; as it is where left out
 */
export function drawLock(
  sheet: Sheet,
  lock: Lock,
  number: number,
  grooveMm: number,
  motion: Motion | null,
): void {
  const { width, height, pitchMm, originX, originY } = sheet.grid;
  const shown = shownOn(pitchMm);
  const strands = strandsOf(lock, grooveMm * shown);
  pathOf(lock, motion, path);
  const { halfMm } = lock;
  for (let k = 0; k < PARTS; k++) {
    const [ax, ay, bx, by] = [path[2 * k]!, path[2 * k + 1]!, path[2 * k + 2]!, path[2 * k + 3]!];
    const [ex, ey] = [bx - ax, by - ay];
    const length2 = ex * ex + ey * ey;
    if (length2 < 1e-12) continue;
    const perLength = 1 / Math.sqrt(length2);
    const first = Math.max(0, Math.ceil((Math.min(ay, by) - halfMm - originY) / pitchMm));
    const last = Math.min(height - 1, Math.floor((Math.max(ay, by) + halfMm - originY) / pitchMm));
    const left = Math.max(0, Math.ceil((Math.min(ax, bx) - halfMm - originX) / pitchMm));
    const right = Math.min(width - 1, Math.floor((Math.max(ax, bx) + halfMm - originX) / pitchMm));
    for (let row = first; row <= last; row++) {
      const gy = originY + row * pitchMm - ay;
      for (let column = left; column <= right; column++) {
        const gx = originX + column * pitchMm - ax;
        const u = (gx * ex + gy * ey) / length2;
        // Parts overlap a little, so that no gap opens where the lock bends.
        if (u < -0.08 || u > 1.08) continue;
        const s = Math.min(1, Math.max(0, (k + u) / PARTS));
        drawCell(sheet, lock, strands, number, row * width + column, s, (gy * ex - gx * ey) * perLength);
      }
    }
  }
}

/** One cell of a lock: how high it stands there. @param s 0 root … 1 tip. @param aside mm from its middle line */
function drawCell(
  sheet: Sheet,
  { halfMm, liftMm, offMm, upright }: Lock,
  { count, ends, grooves, highs, split }: Strands,
  number: number,
  at: number,
  s: number,
  aside: number,
): void {
  const sample = s * SAMPLES;
  const step = Math.floor(sample);
  const t = sample - step;
  const half = halfMm * (WIDTHS[step]! * (1 - t) + WIDTHS[step + 1]! * t);
  const q = aside / half;
  if (q <= -1 || q >= 1) return;
  const place = ((q + 1) / 2) * count;
  const strand = Math.min(count - 1, Math.floor(place));
  const within = 2 * (place - strand) - 1;
  const left = ends[strand]! - s - 0.06 * within * within;
  if (left <= 0) return;
  const dome = Math.sqrt(1 - q * q);
  const round = Math.sqrt(Math.max(0, 1 - within * within));
  const rise = RISES[step]! * (1 - t) + RISES[step + 1]! * t;
  const sink = (SINKS[step]! * (1 - t) + SINKS[step + 1]! * t) * (1 - upright);
  const off = Math.abs(place - split);
  const groove = grooves[strand]! * (1 - round) + (off < 0.5 ? 1.3 * grooves[strand]! * (1 - 2 * off) : 0);
  const thin = left < 0.1 ? 1 - left / 0.1 : 0;
  const up =
    offMm +
    liftMm * (rise - sink) +
    (dome - 0.75) * 0.55 * halfMm -
    groove * Math.min(1, 0.3 + 1.6 * s) +
    highs[strand]! -
    0.48 * liftMm * thin * thin;
  if (up <= sheet.upMm[at]!) return;
  sheet.upMm[at] = up;
  sheet.thing[at] = number;
  sheet.along[at] = 255 * s;
  sheet.across[at] = 127 * q;
}
