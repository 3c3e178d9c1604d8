import { hash01 } from "../../random";
import { depthInside } from "../../surface/forms/depth";
import { growthAt, type GrowthField, type Lie } from "../../surface/growthField";
import type { FlatPoint } from "../../surface/forms/form";
import type { HideRoom } from "../hide";
import { beyondRim } from "../sheet";

/** Sizes of locks as a painter asks for them. */
export interface LockSizes {
  readonly length: number;
  readonly width: number;
  readonly lift: number;
  readonly groove: number;
  readonly drawn: number;
  readonly unlike: number;
}

/** One lock: a curve on the flat with a width, and how it stands. */
export interface Lock {
  readonly root: FlatPoint;
  /** Middle and end of a quadratic curve, mm on the flat. */
  readonly middle: FlatPoint;
  readonly tip: FlatPoint;
  readonly lengthMm: number;
  /** Half its width where it is widest, mm. */
  readonly halfMm: number;
  /** How far it stands off the ground at its highest, mm, and how far its root does. */
  readonly liftMm: number;
  readonly offMm: number;
  /** 1 where it stays up to its tip, 0 where it sinks back. */
  readonly upright: number;
  readonly seed: number;
}

/** Locks lie this many times over each other; between them lie narrower ones, so many times as many. */
const [OVER, FILLERS] = [2.8, 2.6] as const;
/** A clump draws the locks of so many lengths squared together. */
const CLUMP_LENGTHS = 1.1;

interface Clump {
  readonly x: number;
  readonly y: number;
  readonly tipX: number;
  readonly tipY: number;
}

/**
 * Points of a jittered lattice over the panel and so far around it, mm: what has its root before a rim still lies on the
 * piece. Every second row lies between those beside it.
 */
function* spots({ grid: { form }, seed }: HideRoom, lattice: Lattice) {
  const { perMm2, aroundMm, jitter } = lattice;
  const step = 1 / Math.sqrt(perMm2);
  const { minX, minY, maxX, maxY } = form.bounds;
  const around = Math.ceil(aroundMm / step);
  const [columns, rows] = [Math.ceil((maxX - minX) / step), Math.ceil((maxY - minY) / step)];
  for (let row = -around; row <= rows + around; row++)
    for (let column = -around; column <= columns + around; column++) {
      const key = row * 65_537 + column;
      const chance = (k: number) => jitter * (hash01(seed + lattice.salt, key, k) - 0.5);
      const shift = row & 1 ? 0.25 : -0.25;
      const x = minX + (column + 0.5 + shift + chance(1)) * step;
      const y = minY + (row + 0.5 + chance(2)) * step;
      yield { x, y, key };
    }
}

interface Lattice {
  readonly perMm2: number;
  readonly aroundMm: number;
  /** How far a point strays, in steps. */
  readonly jitter: number;
  readonly salt: number;
}

const lie: Lie = { x: 0, y: 1, length: 1, lift: 0 };
/** A number about a normal deviate, −1.7…1.7, of three chances. */
const about = (a: number, b: number, c: number): number => 2 * (a + b + c) - 3;

function turned(x: number, y: number, angle: number): FlatPoint {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return [x * cos - y * sin, x * sin + y * cos];
}

function clumpsOn(room: HideRoom, { length }: LockSizes): Clump[] {
  const perMm2 = 1 / (CLUMP_LENGTHS * length) ** 2;
  return Array.from(spots(room, { perMm2, aroundMm: length, jitter: 0.8, salt: 1 }), ({ x, y, key }) => {
    const chance = (k: number) => hash01(room.seed + 1, key, k);
    growthAt(room.lie, x, y, lie);
    const long = length * lie.length * (0.9 + 0.4 * chance(3));
    const [wayX, wayY] = turned(lie.x, lie.y, 0.22 * about(chance(4), chance(5), chance(6)));
    return { x, y, tipX: x + wayX * long, tipY: y + wayY * long };
  });
}

/** The clump a lock belongs to: the nearest beside it; along the growth it may be farther. */
function clumpOf(clumps: readonly Clump[], x: number, y: number, wayX: number, wayY: number): Clump | null {
  let nearest: Clump | null = null;
  let least = Infinity;
  for (const clump of clumps) {
    const [dx, dy] = [clump.x - x, clump.y - y];
    const along = dx * wayX + dy * wayY;
    const across = dy * wayX - dx * wayY;
    const away = 0.45 * along * along + across * across;
    if (away < least) [least, nearest] = [away, clump];
  }
  return nearest;
}

/** Where a lock's tip comes to lie: its own way, drawn towards its clump's. */
function drawnTip(
  clump: Clump | null,
  [rootX, rootY]: FlatPoint,
  tip: FlatPoint,
  long: number,
  share: number,
): FlatPoint {
  if (!clump) return tip;
  const [dx, dy] = [clump.tipX - rootX, clump.tipY - rootY];
  const away = Math.hypot(dx, dy);
  if (away < 1e-6 || away > 1.7 * long) return tip;
  const [toX, toY] = [rootX + (dx / away) * long, rootY + (dy / away) * long];
  return [tip[0] + share * (toX - tip[0]), tip[1] + share * (toY - tip[1])];
}

/** A lock is cut short at a rim to no less than this share of its length; what would be shorter is left away. */
const LEAST_LENGTH = 0.4;

/** A tip may reach out over a rim by this share of its length: there it is cut off. */
const REACHES_OUT = 0.04;

/** The share of its length a lock may have, so that it ends at a rim; 0 for none. */
function lengthLeft({ grid: { form } }: HideRoom, root: FlatPoint, tip: FlatPoint, long: number): number {
  const [dx, dy] = [tip[0] - root[0], tip[1] - root[1]];
  for (let share = 1; share >= LEAST_LENGTH; share -= 0.05)
    if (beyondRim(form, [root[0] + share * dx, root[1] + share * dy]) <= REACHES_OUT * long) return share;
  return 0;
}

/** Whether a root stands on the panel, or so near before it that its lock lies on it. */
function stands({ grid: { form } }: HideRoom, [x, y]: FlatPoint, lengthMm: number): boolean {
  const place = form.place([x, y]);
  if (form.closed && !form.rim && (place.turnDeg < 0 || place.turnDeg >= form.turnDeg)) return false;
  if (depthInside(form, place) >= 0) return true;
  const ahead = form.place([x + 0.7 * lengthMm * lie.x, y + 0.7 * lengthMm * lie.y]);
  return depthInside(form, ahead) > 0;
}

/** The shortest growth's share of a lock's length that its number is still reckoned by. */
const LEAST_SHARE = 0.35;

/** How many there are where they are as long as asked for, per mm², and the shortest they grow, as a share of it. */
function countOf(field: GrowthField, { length, width }: LockSizes) {
  let least = 1;
  for (let at = 2; at < field.values.length; at += 4) least = Math.min(least, field.values[at]!);
  return { perMm2: OVER / (length * width), shortest: Math.max(LEAST_SHARE, least) };
}

/** The locks of a piece: large ones, and narrow ones between them, in the order in which they are drawn. */
export function locksOn(room: HideRoom, sizes: LockSizes): Lock[] {
  const clumps = clumpsOn(room, sizes);
  const { perMm2, shortest } = countOf(room.lie, sizes);
  const locks: Lock[] = [];
  const set = (large: boolean) => {
    const density = (perMm2 * (large ? 1 : FILLERS)) / shortest;
    const lattice = {
      ...{ perMm2: density, aroundMm: sizes.length },
      ...(large ? { jitter: 1.1, salt: 2 } : { jitter: 1.2, salt: 3 }),
    };
    for (const { x, y, key } of spots(room, lattice)) {
      const seed = Math.floor(hash01(room.seed + (large ? 4 : 5), key) * 1e9);
      growthAt(room.lie, x, y, lie);
      // Short hair has as many more roots as it is shorter.
      if (hash01(seed, 1) * Math.max(shortest, lie.length) > shortest) continue;
      const lock = lockAt(room, sizes, { x, y, seed, large, clumps });
      if (lock) locks.push(lock);
    }
  };
  set(true);
  set(false);
  return locks;
}

/** How far a root is set back against the growth at most, in lengths. */
const SET_BACK = 0.4;

interface LockSpot {
  readonly x: number;
  readonly y: number;
  readonly seed: number;
  readonly large: boolean;
  readonly clumps: readonly Clump[];
}

/** One lock at a spot; `lie` is the growth there. */
function lockAt(room: HideRoom, sizes: LockSizes, { seed, large, clumps, ...spot }: LockSpot): Lock | null {
  const chance = (k: number) => hash01(seed, k);
  const unlike = sizes.unlike / 50;
  const grown = Math.min(3, Math.max(0.1, lie.length));
  const spread = unlike * (chance(2) - 0.5);
  const long = sizes.length * grown * (large ? 1 + 0.5 * spread : 0.85 + 0.5 * spread);
  // Set back a little: where locks lie away from a crown, some begin behind it and cover it.
  const back = SET_BACK * long * chance(10);
  const [x, y] = [spot.x - back * lie.x, spot.y - back * lie.y];
  if (!stands(room, [x, y], long)) return null;
  const wide = large ? 0.97 + 0.85 * unlike * (chance(3) - 0.5) : 0.6 + 0.35 * unlike * (chance(3) - 0.5);
  const halfMm = (sizes.width * Math.min(1.2, Math.sqrt(grown)) * Math.max(0.2, wide)) / 2;
  const bend = 0.16 * unlike * about(chance(4), chance(5), chance(6));
  const own = turned(lie.x, lie.y, bend);
  const early = turned(lie.x, lie.y, -0.5 * bend);
  const root: FlatPoint = [x, y];
  const clump = clumpOf(clumps, x, y, lie.x, lie.y);
  const free: FlatPoint = [x + own[0] * long, y + own[1] * long];
  const tip = drawnTip(clump, root, free, long, (sizes.drawn / 100) * (large ? 1 : 0.7));
  const { lift } = lie;
  const left = lengthLeft(room, root, tip, long);
  if (left === 0) return null;
  const size = (0.6 + 0.6 * chance(7)) * (large ? 1 : 0.72) * Math.min(1.3, (2 * halfMm) / sizes.width);
  return {
    root,
    middle: [x + early[0] * long * 0.5 * left, y + early[1] * long * 0.5 * left],
    tip: [x + (tip[0] - x) * left, y + (tip[1] - y) * left],
    lengthMm: long * left,
    halfMm,
    liftMm: sizes.lift * size + 0.4 * Math.sin(lift) * long,
    offMm: 0.4 * sizes.lift * chance(8),
    upright: Math.sin(lift),
    seed,
  };
}
