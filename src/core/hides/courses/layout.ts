import { hash01 } from "../../random";
import type { SurfaceForm } from "../../surface/forms/form";

/** Sizes that decide where blocks lie. */
export interface CourseSizes {
  /** Height of a course and length of a block, mm, the middle of both. */
  readonly course: number;
  readonly width: number;
  /** Height of the lowest course, % of the others. */
  readonly footing: number;
  /** How unlike each other courses and blocks are, %. */
  readonly unlike: number;
  /** Blocks that are two low ones on each other, %. */
  readonly split: number;
  /** Joints that may lie over a joint of the course below, %. */
  readonly over: number;
}

/** One row of blocks. Shares are of the way along at the row's middle, from 0 to 1. */
export interface Course {
  readonly lowMm: number;
  readonly highMm: number;
  /** Length along its middle, mm. */
  readonly lengthMm: number;
  /** Where a block ends and the next begins, rising; on a form that is not closed 0 and 1 are the first and last. */
  readonly joints: readonly number[];
  /** Number of the row's first block. */
  readonly first: number;
}

/** One block. Where it lies over the end of a closed form its `to` is above 1. */
export interface Block {
  readonly row: number;
  readonly from: number;
  readonly to: number;
  readonly lowMm: number;
  readonly highMm: number;
}

/** Blocks in their courses, and which touch which. */
export interface Laid {
  readonly courses: readonly Course[];
  readonly blocks: readonly Block[];
  /** Of every block, those it touches across a joint. */
  readonly neighbours: readonly (readonly number[])[];
  /** Of a row's blocks, in order: number of the lower and of the upper one where it is split, else twice the same. */
  readonly parts: readonly (readonly (readonly [low: number, high: number])[])[];
}

/** A joint this near to one of the course below lies over it, of a block's length. */
export const LAP = 0.16;
/** Courses and blocks differ by so much of their size where they are wholly unlike. */
const [COURSES_DIFFER, BLOCKS_DIFFER] = [0.5, 1.1] as const;
/** No block is shorter than this share of the middle one. */
const SHORTEST = 0.38;
/** Blocks of the lowest course grow in length by this much of what they grow in height. */
const FOOTING_LONG = 0.45;
/** So many ways to lay a row are tried. */
const TRIES = 40;
/** Where a split block's bed lies, shares of its height. */
const [SPLIT_FROM, SPLIT_TO] = [0.38, 0.62] as const;

/** Heights at which courses begin, and the top, mm. */
function bedsOf({ slantMm }: SurfaceForm, { course, footing, unlike }: CourseSizes, seed: number): number[] {
  const low = Math.min(slantMm, (course * footing) / 100);
  const count = Math.max(1, Math.round((slantMm - low) / course) + 1);
  const own = Array.from({ length: count }, (_, row) => {
    const differs = 1 + COURSES_DIFFER * (unlike / 100) * (hash01(seed, row, 11) - 0.5);
    return (row === 0 ? footing / 100 : 1) * differs;
  });
  const all = own.reduce((sum, one) => sum + one, 0);
  const beds = [0];
  own.forEach((one) => beds.push(beds.at(-1)! + (one / all) * slantMm));
  return beds;
}

/** How far a joint lies from the nearest joint of the course below, mm; far where there is none. */
function toBelow(share: number, below: Course | undefined, closed: boolean): number {
  if (!below) return Infinity;
  const inner = closed ? below.joints : below.joints.slice(1, -1);
  return inner.reduce((least, one) => {
    const off = Math.abs(one - share);
    return Math.min(least, (closed ? Math.min(off, 1 - off) : off) * below.lengthMm);
  }, Infinity);
}

interface RowRoom {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly closed: boolean;
  readonly below: Course | undefined;
  readonly unlike: number;
  readonly seed: number;
  readonly row: number;
}

/** One way to lay a row's joints. */
function jointsBy({ lengthMm, widthMm, closed, unlike, seed, row }: RowRoom, attempt: number): number[] {
  const count = Math.max(closed ? 3 : 1, Math.round(lengthMm / widthMm));
  const chance = (k: number) => hash01(seed + 17 * attempt, row * 977 + k, 5);
  const widths = Array.from({ length: count }, (_, k) =>
    Math.max(SHORTEST, 1 + BLOCKS_DIFFER * (unlike / 100) * (chance(k) - 0.5)),
  );
  // Every second row begins half a block on, the others where they like as far as blocks are unlike.
  const shift = 0.5 * (row % 2) + (unlike / 100 + 0.12 * (attempt > 0 ? 1 : 0)) * (chance(900) - 0.5);
  const all = widths.reduce((sum, one) => sum + one, 0);
  const step = (one: number) => one / all;
  if (closed) {
    let at = step(shift);
    return widths
      .map((width) => {
        at += step(width);
        return ((at % 1) + 1) % 1;
      })
      .sort((a, b) => a - b);
  }
  let at = step(((shift % 1) + 1) % 1);
  const joints = at > step(SHORTEST) ? [0, at] : [0];
  for (const width of widths) {
    at += step(width);
    if (at < 1 - step(SHORTEST)) joints.push(at);
  }
  return [...joints.filter((joint, k) => k < 2 || joint - joints[k - 1]! > 1e-6), 1];
}

/** Inner joints of a row: those that a block lies on both sides of. */
const innerOf = (joints: readonly number[], closed: boolean): readonly number[] =>
  closed ? joints : joints.slice(1, -1);

/** How many of a row's joints lie over one of the course below. */
const overBelow = (joints: readonly number[], room: RowRoom): number =>
  innerOf(joints, room.closed).filter((joint) => toBelow(joint, room.below, room.closed) < LAP * room.widthMm)
    .length;

/** Moves joints that lie over one of the course below aside, as far as their blocks stay long enough. */
function mended(joints: readonly number[], room: RowRoom): number[] {
  const { closed, below, lengthMm, widthMm } = room;
  const made = [...joints];
  const least = (SHORTEST * widthMm) / lengthMm;
  for (let k = closed ? 0 : 1; k < made.length - (closed ? 0 : 1); k++) {
    if (toBelow(made[k]!, below, closed) >= LAP * widthMm) continue;
    const before = k > 0 ? made[k - 1]! : made.at(-1)! - 1;
    const after = k < made.length - 1 ? made[k + 1]! : made[0]! + 1;
    const tries = Array.from(
      { length: 41 },
      (_, at) => before + least + ((after - before - 2 * least) * at) / 40,
    )
      .filter((share) => share >= 0 && share < 1 && share > before && share < after)
      .sort((a, b) => Math.abs(a - made[k]!) - Math.abs(b - made[k]!));
    const free = tries.find((share) => toBelow(share, below, closed) >= LAP * widthMm);
    if (free !== undefined) made[k] = free;
  }
  return made.sort((a, b) => a - b);
}

/** Joints of a row that keep bond with the one below: no more of them lie over a joint than asked, if any way does it. */
function bonded(room: RowRoom, over: number): number[] {
  let best: number[] | null = null;
  let least = Infinity;
  for (let attempt = 0; attempt < TRIES && least > 0; attempt++) {
    const joints = jointsBy(room, attempt);
    const most = (over / 100) * innerOf(joints, room.closed).length;
    const tried = overBelow(joints, room) > most ? mended(joints, room) : joints;
    const count = Math.max(0, overBelow(tried, room) - most);
    if (count < least) [best, least] = [tried, count];
  }
  return best!;
}

function coursesOf(form: SurfaceForm, sizes: CourseSizes, seed: number): Course[] {
  const beds = bedsOf(form, sizes, seed);
  const courses: Course[] = [];
  let first = 0;
  for (let row = 0; row + 1 < beds.length; row++) {
    const [lowMm, highMm] = [beds[row]!, beds[row + 1]!];
    const lengthMm = Math.max(1e-3, form.lengthAt((lowMm + highMm) / 2));
    const longer = row === 0 ? 1 + FOOTING_LONG * Math.max(0, sizes.footing / 100 - 1) : 1;
    const room = {
      ...{ lengthMm, widthMm: sizes.width * longer, closed: form.closed, below: courses.at(-1) },
      ...{ unlike: sizes.unlike, seed, row },
    };
    const joints = bonded(room, sizes.over);
    courses.push({ lowMm, highMm, lengthMm, joints, first });
    first += form.closed ? joints.length : joints.length - 1;
  }
  return courses;
}

/** Whether two stretches overlap by more than nothing; on a closed form once round counts too. */
const meet = (a: Block, b: Block, closed: boolean): boolean =>
  (closed ? [-1, 0, 1] : [0]).some(
    (turn) => Math.min(a.to, b.to + turn) - Math.max(a.from, b.from + turn) > 1e-6,
  );

const side = (a: Block, b: Block): boolean =>
  Math.min(a.highMm, b.highMm) - Math.max(a.lowMm, b.lowMm) > 1e-6;

/** Lays blocks in courses on a form, bond kept; on a closed one every course meets itself. */
export function laidOn(form: SurfaceForm, sizes: CourseSizes, seed: number): Laid {
  const courses = coursesOf(form, sizes, seed);
  const { closed } = form;
  const blocks: Block[] = [];
  const parts = courses.map(({ joints, lowMm, highMm }, row) => {
    const count = closed ? joints.length : joints.length - 1;
    return Array.from({ length: count }, (_, k): readonly [number, number] => {
      const [from, to] = [joints[k]!, joints[k + 1] ?? joints[0]! + 1];
      const number = blocks.length;
      const chance = (one: number) => hash01(seed, row * 977 + k, one);
      const whole = { row, from, to, lowMm, highMm };
      if (row === 0 || chance(61) >= sizes.split / 100) {
        blocks.push(whole);
        return [number, number];
      }
      const bed = lowMm + (highMm - lowMm) * (SPLIT_FROM + (SPLIT_TO - SPLIT_FROM) * chance(62));
      blocks.push({ ...whole, highMm: bed }, { ...whole, lowMm: bed });
      return [number, number + 1];
    });
  });
  return { courses, blocks, parts, neighbours: neighboursOf(blocks, parts, closed) };
}

function neighboursOf(blocks: readonly Block[], parts: Laid["parts"], closed: boolean): number[][] {
  const sets = blocks.map(() => new Set<number>());
  const join = (a: number, b: number) => {
    if (a === b) return;
    sets[a]!.add(b);
    sets[b]!.add(a);
  };
  parts.forEach((row, number) => {
    row.forEach(([low, high], k) => {
      join(low, high);
      const next = k + 1 < row.length ? row[k + 1]! : closed && row.length > 1 ? row[0]! : null;
      if (next)
        for (const a of [low, high]) for (const b of next) if (side(blocks[a]!, blocks[b]!)) join(a, b);
      for (const [above] of parts[number + 1] ?? [])
        if (meet(blocks[high]!, blocks[above]!, closed)) join(high, above);
    });
  });
  return sets.map((set) => [...set].sort((a, b) => a - b));
}

/** Share of inner joints, 0…1, that lie over a joint of the course below. */
export function jointsOver({ courses }: Laid, closed: boolean, widthMm: number): number {
  let [over, all] = [0, 0];
  courses.forEach(({ joints }, row) => {
    if (row === 0) return;
    for (const joint of innerOf(joints, closed)) {
      all++;
      if (toBelow(joint, courses[row - 1], closed) < LAP * widthMm) over++;
    }
  });
  return all > 0 ? over / all : 0;
}
