import type { Paint } from "../../job";
import { kernelBytes, kernelImports } from "../../kernel";
import { paintOptics } from "../appearance";
import { BANDS, WHITE_XYZ, XYZ_WEIGHTS } from "../bands";
import { TABLE_BASE64 } from "../generated/tableBytes";
import {
  compareMixes,
  endOfStep,
  judge,
  namedMix,
  rankStep,
  ratios,
  type FoundMix,
  type Recipe,
} from "../search";
import { glazeLight, type SeenAs } from "../seenAs";
import type { Triple } from "../spaces";
import { CELL, CELL_COUNT, coarseBound, cornerOf, leastDifference, reachOf } from "./cells";
import { layoutFor, ROOM, type Layout } from "./layout";

interface TableKernel {
  readonly memory: WebAssembly.Memory;
  begin(seenAs: number, lightAt: number, um: number, labsAt: number, countsAt: number): void;
  mixesFrom(
    first: number,
    pots: number,
    most: number,
    size: number,
    potsAt: number,
    strengthsAt: number,
  ): number;
  starts(): void;
  sort(recordsAt: number): void;
  scan(
    recordsAt: number,
    from: number,
    to: number,
    goalL: number,
    goalA: number,
    goalB: number,
    limit: number,
    out: number,
    room: number,
  ): number;
}

/** Most pots among which threes are tried, and most among which pairs are; the rest is left out and told. */
export const MOST_FOR_THREES = 60;
export const MOST_FOR_PAIRS = 250;

/** Stored fiftieths and single precision may move a difference by this much. */
const MARGIN = 0.08;
/** Steps of half a unit in which cells are ordered. */
const STEPS = 512;
const stepOf = (difference: number) => Math.min(STEPS - 1, Math.floor(difference * 2));

/** Pots in an order that spreads them: each next one lies furthest from all before it. */
export function spreadOut(labs: readonly Triple[]): number[] {
  if (labs.length === 0) return [];
  const far = new Float64Array(labs.length).fill(Infinity);
  const order = [0];
  const taken = new Set(order);
  while (order.length < labs.length) {
    const last = labs[order.at(-1)!]!;
    let next = -1;
    labs.forEach((lab, at) => {
      if (taken.has(at)) return;
      far[at] = Math.min(far[at]!, Math.hypot(lab[0] - last[0], lab[1] - last[1], lab[2] - last[2]));
      if (next < 0 || far[at] > far[next]!) next = at;
    });
    order.push(next);
    taken.add(next);
  }
  return order;
}

function writeInput(kernel: TableKernel, at: Layout, paints: readonly Paint[], most: number, seen: SeenAs) {
  const { buffer } = kernel.memory;
  const light = new Float32Array(buffer, at.light, 24 + 36);
  if (seen.kind === "film") light.set(seen.ground);
  if (seen.kind === "under") {
    glazeLight(seen).forEach(({ reflectance, transmittance }, band) => {
      light[band] = reflectance;
      light[BANDS + band] = transmittance * transmittance;
    });
  }
  XYZ_WEIGHTS.forEach((row, axis) =>
    light.set(
      row.map((value) => value / WHITE_XYZ[axis]!),
      24 + axis * BANDS,
    ),
  );
  const strengths = new Float32Array(buffer, at.strengths, paints.length);
  const pots = new Float32Array(buffer, at.pots, paints.length * most * 24);
  paints.forEach((paint, index) => {
    strengths[index] = paint.strength;
    const { absorption, scattering } = paintOptics(paint);
    for (let part = 1; part <= most; part++) {
      const from = (index * most + part - 1) * 24;
      const weight = part * paint.strength;
      for (let band = 0; band < BANDS; band++) {
        pots[from + band] = absorption[band]! * weight;
        pots[from + BANDS + band] = Math.max(1e-9, scattering[band]! * weight);
      }
    }
  });
}

function writeCentres(kernel: TableKernel, at: Layout, cells: readonly number[]) {
  const halves = new Uint32Array(kernel.memory.buffer, at.centres, cells.length * 2);
  cells.forEach((cell, index) => {
    const [l, a, b] = cornerOf(cell).map((corner, axis) => (corner + CELL / 2 + (axis > 0 ? 128 : 0)) * 50);
    halves[index * 2] = l! | (a! << 13) | (b! << 27);
    halves[index * 2 + 1] = (b! >>> 5) | (index << 9);
  });
}

const pairsOf = (n: number) => (n * (n - 1)) / 2;
const threesOf = (n: number) => (n * (n - 1) * (n - 2)) / 6;

/** Which mixes a table holds, by parts, and how they are seen: thick, or as a film over a ground. */
export interface TableOptions {
  readonly mostParts: number;
  readonly seen: SeenAs;
}

/** Asked now and then while building; false stops it. */
export type StillWanted = (done: number, total: number) => Promise<boolean>;

/** Pots that are mixed: all of them, or those furthest apart where there are too many for threes. */
function potsToTry(given: readonly Paint[]): readonly Paint[] {
  if (given.length <= MOST_FOR_THREES) return given;
  const plain = judge(given, [50, 0, 0], { kind: "thick" });
  return spreadOut(given.map((_, pot) => plain({ pots: [pot], parts: [1] }).lab))
    .slice(0, MOST_FOR_PAIRS)
    .map((pot) => given[pot]!);
}

/** A kernel with room for so many bytes. @throws WebAssembly.CompileError where the machine lacks SIMD */
async function startKernel(bytes: number): Promise<TableKernel> {
  const { instance } = await WebAssembly.instantiate(
    kernelBytes(TABLE_BASE64),
    kernelImports("the mix table"),
  );
  const kernel = instance.exports as unknown as TableKernel;
  const missing = Math.ceil((bytes - kernel.memory.buffer.byteLength) / 65536);
  if (missing > 0) kernel.memory.grow(missing);
  return kernel;
}

/** Sorts the mixes that were made by the cell of L*a*b* they lie in. */
function sortIntoCells(kernel: TableKernel, at: Layout) {
  kernel.starts();
  const counts = new Uint32Array(kernel.memory.buffer, at.counts, CELL_COUNT + 1);
  const full: number[] = [];
  for (let cell = 0; cell < CELL_COUNT; cell++) if (counts[cell + 1]! > counts[cell]!) full.push(cell);
  kernel.sort(at.records);
  const ends = Uint32Array.from(full, (cell) => counts[cell]!);
  writeCentres(kernel, at, full);
  const reaches = Float32Array.from(full.map(reachOf).flatMap(({ a, b, reach }) => [a, b, reach]));
  return { full: Uint32Array.from(full), ends, reaches };
}

/**
 * Every mix of up to three pots in whole parts with its L*a*b*, made once for a shelf and a way of being seen, and
 * asked as often as wanted. Takes 16 bytes for each of the mixes: 100 MB for 60 pots in parts to 6.
 */
export class MixTable {
  private constructor(
    private readonly kernel: TableKernel,
    private readonly at: Layout,
    private readonly paints: readonly Paint[],
    private readonly options: TableOptions,
    /** Number of the first mix of each size and first pot. */
    private readonly begins: readonly { size: number; first: number; number: number }[],
    private readonly cells: Uint32Array,
    private readonly ends: Uint32Array,
    /** Per cell: a*, b* of its middle, and by how much a difference in it may be smaller than there. */
    private readonly reaches: Float32Array,
    readonly mixes: number,
  ) {
    this.rows = [0, 1, 2, 3].map((size) => ratios(size, options.mostParts));
  }

  /** Part numbers by the count of pots, in the order of the kernel. */
  private readonly rows: readonly (readonly number[][])[];

  /** Pots that were tried in threes; fewer than were given where there were too many. */
  get inThrees(): number {
    return Math.min(this.paints.length, MOST_FOR_THREES);
  }

  /**
   * Builds the table.
   * @param given pots to mix from; above MOST_FOR_THREES only the furthest apart are tried in threes
   * @returns null where it was no longer wanted
   * @throws WebAssembly.CompileError where the machine lacks SIMD
   */
  static async build(
    given: readonly Paint[],
    options: TableOptions,
    wanted: StillWanted = () => Promise.resolve(true),
  ): Promise<MixTable | null> {
    const paints = potsToTry(given);
    const { mostParts } = options;
    const [r2, r3] = [ratios(2, mostParts).length, ratios(3, mostParts).length];
    const threes = Math.min(paints.length, MOST_FOR_THREES);
    const count = paints.length + pairsOf(paints.length) * r2 + threesOf(threes) * r3;
    const at = layoutFor(paints.length, mostParts, count);
    const kernel = await startKernel(at.end);
    writeInput(kernel, at, paints, mostParts, options.seen);
    const mode = { thick: 0, under: 1, film: 2 }[options.seen.kind];
    kernel.begin(mode, at.light, options.seen.kind === "film" ? options.seen.filmUm : 0, at.labs, at.counts);
    const begins: { size: number; first: number; number: number }[] = [];
    let made = 0;
    for (const size of [1, 2, 3]) {
      const pots = size === 3 ? threes : paints.length;
      for (let first = 0; first < pots; first++) {
        begins.push({ size, first, number: made });
        made = kernel.mixesFrom(first, pots, mostParts, size, at.pots, at.strengths);
        if (size === 3 && first % 4 === 0 && !(await wanted(made, count))) return null;
      }
    }
    const { full, ends, reaches } = sortIntoCells(kernel, at);
    return new MixTable(kernel, at, paints, options, begins, full, ends, reaches, made);
  }

  /** Pots and parts of a mix by its number: the reverse of the order in which the kernel makes them. */
  private recipe(number: number): Recipe {
    let [low, high] = [0, this.begins.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.begins[middle]!.number <= number) low = middle;
      else high = middle - 1;
    }
    const { size, first, number: from } = this.begins[low]!;
    const rest = number - from;
    if (size === 1) return { pots: [first], parts: [1] };
    const rows = this.rows[size]!;
    const parts = rows[rest % rows.length]!;
    let set = Math.floor(rest / rows.length);
    if (size === 2) return { pots: [first, first + 1 + set], parts };
    let second = first + 1;
    for (; set >= this.inThrees - 1 - second; second++) set -= this.inThrees - 1 - second;
    return { pots: [first, second, second + 1 + set], parts };
  }

  /** Places of the cells in use, in steps of half a unit of their centres' difference, and those differences. */
  private nearestCells(goal: Triple): { places: Uint32Array; centres: Float32Array } {
    const { kernel, at, cells } = this;
    kernel.scan(at.centres, 0, cells.length, ...goal, 1e6, at.cellsOut, cells.length);
    const out = new Float32Array(kernel.memory.buffer, at.cellsOut, cells.length * 2);
    const centres = new Float32Array(cells.length);
    const starts = new Uint32Array(STEPS + 1);
    for (let place = 0; place < cells.length; place++) {
      const difference = Math.abs(out[place * 2 + 1]!);
      centres[place] = difference;
      starts[stepOf(difference) + 1]!++;
    }
    for (let step = 0; step < STEPS; step++) starts[step + 1]! += starts[step]!;
    const places = new Uint32Array(cells.length);
    for (let place = 0; place < cells.length; place++) places[starts[stepOf(centres[place]!)]!++] = place;
    return { places, centres };
  }

  /** Whether a cell may hold a mix within a limit of the goal; cheap bounds first. */
  private mayHold(place: number, goal: Triple, chroma: number, centre: number, limit: number): boolean {
    const a = this.reaches[place * 3]!;
    const b = this.reaches[place * 3 + 1]!;
    if (goal[1] * a + goal[2] * b > 0 && centre - this.reaches[place * 3 + 2]! > limit) return false;
    if (coarseBound(goal, chroma, a, b) > limit) return false;
    return leastDifference(goal, this.cells[place]!, limit) <= limit;
  }

  /** Numbers of all mixes that may be among the best `keep`. */
  private candidates(goal: Triple, keep: number): number[] {
    const { kernel, at } = this;
    const { buffer } = kernel.memory;
    const numbers = new Uint32Array(buffer, at.out, ROOM * 2);
    const differences = new Float32Array(buffer, at.out, ROOM * 2);
    const found: { number: number; difference: number }[] = [];
    const best: number[] = [];
    let limit = 1e6;
    const chroma = Math.hypot(goal[1], goal[2]);
    const [l, a, b] = goal;
    const { places, centres } = this.nearestCells(goal);
    for (let turn = 0; turn < places.length; turn++) {
      const place = places[turn]!;
      if (!this.mayHold(place, goal, chroma, centres[place]!, limit)) continue;
      const to = this.ends[place]!;
      for (let from = place === 0 ? 0 : this.ends[place - 1]!; from < to; from += ROOM) {
        const count = kernel.scan(at.records, from, Math.min(to, from + ROOM), l, a, b, limit, at.out, ROOM);
        for (let slot = 0; slot < count; slot++) {
          const value = differences[slot * 2 + 1]!;
          const difference = Math.abs(value);
          if (difference > limit) continue;
          found.push({ number: numbers[slot * 2]!, difference });
          // A negative one is a bound only: it may turn out further away, and must not narrow the search.
          if (value < 0) continue;
          if (best.length === keep && difference >= best[keep - 1]!) continue;
          best.push(difference);
          best.sort((one, other) => one - other);
          if (best.length > keep) best.pop();
          if (best.length === keep) limit = endOfStep(rankStep(best[keep - 1]! + MARGIN)) + MARGIN;
        }
      }
    }
    return found.filter(({ difference }) => difference <= limit).map(({ number }) => number);
  }

  /**
   * The mixes nearest to a goal, as they will be seen: the same that trying every one of them gives.
   * @returns at most `keep`, best first
   */
  nearest(goal: Triple, keep: number): FoundMix[] {
    const see = judge(this.paints, goal, this.options.seen);
    return this.candidates(goal, keep)
      .sort((a, b) => a - b)
      .map((number) => {
        const recipe = this.recipe(number);
        return namedMix(this.paints, recipe, see(recipe));
      })
      .sort(compareMixes)
      .slice(0, keep);
  }
}
