import { freeId } from "../edits/surfaces";
import type { Coat, Groundwork, Job, LaidPiece, Surface } from "../job";
import { groundPieces } from "./pieces";
import { createRandom, hashText, type Random } from "../random";

/** Bases that belong together. */
export const MOST_IN_SET = 20;
/** Surfaces that a job may have. */
const MOST_SURFACES = 60;
/** Places that are tried for a piece before it stays out. */
const MOST_TRIES = 60;

/** How large a base is, mm: half its length and half its width. */
type Half = readonly [xMm: number, yMm: number];

/** Whether a piece stays within the rim and off the feet. */
function fits(piece: LaidPiece, [a, b]: Half, { feet }: Groundwork, was: LaidPiece): boolean {
  const reach = (one: LaidPiece) => 0.5 * Math.max(one.acrossMm, one.deepMm);
  const out = (one: LaidPiece) => Math.hypot(one.xMm / a, one.yMm / b) + (0.8 * reach(one)) / Math.min(a, b);
  if (out(piece) > Math.max(1, out(was))) return false;
  return feet.every((foot) => {
    const away = (one: LaidPiece) => Math.hypot(one.xMm - foot.xMm, one.yMm - foot.yMm);
    const clear = 0.5 * foot.acrossMm + reach(piece);
    // No nearer than it was, where it was near.
    return away(piece) >= Math.min(clear, away(was) + 0.5);
  });
}

const round = (value: number, to: number) => Math.round(value / to) * to;
const degrees = (value: number) => round(value - 360 * Math.round(value / 360), 1);

/** The same kind of piece, of about its size, elsewhere. */
function another(piece: LaidPiece, turnDeg: number, mirrored: boolean, random: Random): LaidPiece {
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  const x = mirrored ? -piece.xMm : piece.xMm;
  const size = (mm: number) => Math.max(0.5, round(mm * random.range(0.82, 1.18), 0.1));
  const nudge = () => 0.25 * piece.acrossMm * (2 * random.next() - 1);
  return {
    ...piece,
    xMm: round(x * cos - piece.yMm * sin + nudge(), 0.01),
    yMm: round(x * sin + piece.yMm * cos + nudge(), 0.01),
    acrossMm: size(piece.acrossMm),
    deepMm: size(piece.deepMm),
    tallMm: Math.max(0.1, round(piece.tallMm * random.range(0.8, 1.2), 0.05)),
    turnDeg: degrees((mirrored ? -piece.turnDeg : piece.turnDeg) + turnDeg + 40 * (2 * random.next() - 1)),
    tiltToDeg: degrees((mirrored ? 180 - piece.tiltToDeg : piece.tiltToDeg) + turnDeg),
    seed: Math.floor(1e5 * random.next()),
  };
}

/** A piece carries a foot where the foot's middle lies on it. */
const carries = (piece: LaidPiece, { feet }: Groundwork): boolean =>
  feet.some(
    (foot) =>
      Math.hypot(foot.xMm - piece.xMm, foot.yMm - piece.yMm) < 0.4 * Math.min(piece.acrossMm, piece.deepMm),
  );

/** Whether a piece was laid on another: its middle lies on that one. */
function liesOn(piece: LaidPiece, other: LaidPiece): boolean {
  const away = Math.hypot(piece.xMm - other.xMm, piece.yMm - other.yMm);
  return groundPieces[piece.kind].loose !== true && away < 0.42 * Math.min(other.acrossMm, other.deepMm);
}

/** Pieces keep so much of their sizes apart; what is strewn may lie half under another, and over what is strewn. */
const [APART, STREWN_APART] = [0.45, 0.33] as const;

/** Whether a piece keeps off those that lie there: none is laid on another that was not before, and none hides another. */
function isFree(piece: LaidPiece, others: readonly LaidPiece[]): boolean {
  const isLoose = ({ kind }: LaidPiece) => groundPieces[kind].loose === true;
  const size = ({ acrossMm, deepMm }: LaidPiece) => Math.max(acrossMm, deepMm);
  return others.every((other) => {
    if (isLoose(piece) && isLoose(other)) return true;
    const apart = isLoose(piece) || isLoose(other) ? STREWN_APART : APART;
    return Math.hypot(piece.xMm - other.xMm, piece.yMm - other.yMm) >= apart * (size(piece) + size(other));
  });
}

/** A piece that carries a foot stays where it is, broken anew and turned. */
const turnedUnder = (piece: LaidPiece, random: Random): LaidPiece => ({
  ...piece,
  seed: Math.floor(1e5 * random.next()),
  turnDeg: degrees(piece.turnDeg + random.range(60, 300)),
});

/** A piece that lies on another goes along with it, about as far from its middle and to another side. */
function movedAlong(
  made: LaidPiece,
  was: LaidPiece,
  below: LaidPiece,
  now: LaidPiece,
  random: Random,
): LaidPiece {
  const away = 0.8 * Math.hypot(was.xMm - below.xMm, was.yMm - below.yMm);
  const way = 2 * Math.PI * random.next();
  return {
    ...made,
    xMm: round(now.xMm + away * Math.cos(way), 0.01),
    yMm: round(now.yMm + away * Math.sin(way), 0.01),
  };
}

/**
 * A groundwork that belongs to another and is not the same: the same kinds, of about the same sizes, turned round the
 * base or mirrored, each piece split or broken anew. Feet stay where they are, what carries one stays below it, and what
 * lay on another piece lies on it again.
 */
export function likeGround(work: Groundwork, half: Half, seed: number): Groundwork {
  const random = createRandom(seed).fork("like");
  const mirrored = random.next() < 0.5;
  const around = random.range(50, 310);
  const moved = new Map<string, LaidPiece>();
  work.pieces.forEach((piece, at) => {
    const below = work.pieces.slice(0, at).findLast((other) => liesOn(piece, other));
    const now = below && moved.get(below.id);
    if (carries(piece, work)) moved.set(piece.id, turnedUnder(piece, random));
    else if (below && now)
      moved.set(piece.id, movedAlong(another(piece, around, mirrored, random), piece, below, now, random));
    else
      for (let attempt = 0; attempt < MOST_TRIES && !moved.has(piece.id); attempt++) {
        const made = another(piece, around + (attempt * 360) / MOST_TRIES, mirrored, random);
        if (fits(made, half, work, piece) && isFree(made, [...moved.values()])) moved.set(piece.id, made);
      }
  });
  return { ...work, pieces: work.pieces.flatMap(({ id }) => moved.get(id) ?? []) };
}

/** Layouts that are tried for each base of a set, and how finely they are compared, mm. */
const [LAYOUTS, COARSE_MM] = [16, 1.5] as const;

/** How high the pieces of a base stand, roughly: enough to tell layouts apart. */
function roughHeights({ pieces }: Groundwork, [a, b]: Half): Float64Array {
  const [columns, rows] = [Math.ceil((2 * a) / COARSE_MM), Math.ceil((2 * b) / COARSE_MM)];
  const out = new Float64Array(columns * rows);
  for (const { kind, xMm, yMm, acrossMm, deepMm, tallMm } of pieces) {
    if (groundPieces[kind].loose) continue;
    const across = (acrossMm + deepMm) / 4;
    for (let at = 0; at < out.length; at++) {
      const x = ((at % columns) + 0.5) * COARSE_MM - a - xMm;
      const y = (Math.floor(at / columns) + 0.5) * COARSE_MM - b - yMm;
      if (Math.hypot(x, y) < across) out[at]! += tallMm;
    }
  }
  return out;
}

/** How alike two layouts are: Pearson's correlation of their heights, −1…1; 0 where one is flat. */
function likeness(one: Float64Array, other: Float64Array): number {
  const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [m, n] = [mean(one), mean(other)];
  let [ab, aa, bb] = [0, 0, 0];
  for (let at = 0; at < one.length; at++) {
    const [x, y] = [one[at]! - m, other[at]! - n];
    [ab, aa, bb] = [ab + x * y, aa + x * x, bb + y * y];
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
}

/** Of some layouts the one that is least like any base there is; one that has lost a piece only where all have. */
function unlikeAll(work: Groundwork, half: Half, made: readonly Groundwork[], seed: number): Groundwork {
  const others = made.map((one) => roughHeights(one, half));
  const score = (one: Groundwork) => {
    const own = roughHeights(one, half);
    return (
      Math.max(...others.map((other) => likeness(own, other))) + 2 * (work.pieces.length - one.pieces.length)
    );
  };
  const tried = Array.from({ length: LAYOUTS }, (_, at) => likeGround(work, half, seed + at));
  return tried.map((one) => [score(one), one] as const).sort(([a], [b]) => a - b)[0]![1];
}

/** A surface's coats on another one: same mixes, marks of their own; what shared its places goes on sharing them. */
function coatsOn(surface: Surface, id: string): Coat[] {
  const idOf = (coatId: string) =>
    coatId.startsWith(`${surface.id}-`)
      ? `${id}${coatId.slice(surface.id.length)}`
      : `${id}-${coatId}`.slice(0, 60);
  return surface.coats.map((coat) => ({
    ...coat,
    id: idOf(coat.id),
    seed: hashText(`${id}/${coat.seed}`) % 100000,
    place:
      coat.place.kind === "zones" && coat.place.near
        ? { ...coat.place, near: { ...coat.place.near, coatId: idOf(coat.place.near.coatId) } }
        : coat.place,
  }));
}

/** The job with more bases like one of its own, up to so many in all; fewer where the job has no room for them. */
export function withSet(job: Job, surfaceId: string, count: number): Job {
  const surface = job.surfaces.find(({ id }) => id === surfaceId);
  if (!surface) return job;
  const { lengthMm = 40, widthMm = 40 } = surface.form.params;
  const surfaces = [...job.surfaces];
  const half = [lengthMm / 2, widthMm / 2] as const;
  const made = surface.groundwork ? [surface.groundwork] : [];
  for (let number = 2; number <= count && surfaces.length < MOST_SURFACES; number++) {
    const id = freeId(surface.id, surfaces);
    const seed = hashText(`${id}/${surface.seed}`) % 100000;
    const { groundwork } = surface;
    const own = groundwork && unlikeAll(groundwork, half, made, seed);
    if (own) made.push(own);
    surfaces.push({
      ...surface,
      ...{ id, seed, name: `${surface.name} ${number}`.slice(0, 80), coats: coatsOn(surface, id) },
      ...{ parked: [], variants: [], seat: null },
      groundwork: own,
    });
  }
  return { ...job, surfaces };
}
