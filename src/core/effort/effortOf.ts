import { lightOf } from "../figure/light";
import { activeCoats, type Coat, type Effort, type Job, type Surface } from "../job";
import { completeParams } from "../params";
import { fewCells } from "../simulate/fewCells";
import { patternKeyOf, whereLaid } from "../simulate/whereLaid";
import { buildForm } from "../surface/forms/buildForm";
import type { SurfaceGrid } from "../surface/grid";
import { growthOf } from "../growth/growthOf";
import { hideKey } from "../hides/withHide";
import { reliefKey } from "../surface/keptHeights";
import { isTechniqueId, techniques } from "../techniques";
import { placeWeights, type MarkName } from "../techniques/technique";
import { worthOf } from "./worth";

/** Cells a budget is shared out on. */
const CELLS = 6000;

/** What a mark counts: a stroke one, what is only pressed or dotted less. */
export const markCounts = (name: MarkName): number => (name === "stroke" ? 1 : 2 / 3);

/** Whether a coat is one of single marks that go by area: what a budget of marks is for. */
export function isOfMarks({ place, technique: { id } }: Coat): boolean {
  if (!isTechniqueId(id) || techniques[id].marksOn === undefined) return false;
  return place.kind !== "pattern" || techniques[id].lays.every((kind) => kind === "field");
}

/** Marks of one coat on a square millimetre of its place, all passes. */
function marksPerMm2({ technique: { id, params }, passes }: Coat): number {
  if (!isTechniqueId(id)) return 0;
  const technique = techniques[id];
  // Whole marks are counted on a large area, so that rare ones are not rounded away.
  const on = technique.marksOn?.(1e4, completeParams(technique.params, params));
  return on ? (on.count / 1e4) * markCounts(on.name) * passes : 0;
}

/** How a surface's marks are shared out. */
export interface EffortShared {
  /** Marks without a budget, and with it. */
  readonly full: number;
  readonly kept: number;
  /** A cell keeps its worth times this of its marks, all of them at most. */
  readonly scale: number;
  /** Area, and shares of the kept marks, of the third of the surface that is worth most, the next and the last. */
  readonly thirds: readonly [number, number, number];
}

/** The marks of a surface and their worth, cell by cell. */
export interface Shares {
  readonly grid: SurfaceGrid;
  /** Marks on each cell without a budget, and what a mark is worth there. */
  readonly marks: Float64Array;
  readonly worth: Float32Array;
}

/** Marks of a surface, its budget left aside, and what each is worth. @throws InputError where its sizes are impossible */
export function sharesOf(job: Job, surface: Surface, effort: Effort): Shares {
  const grid = fewCells(job, surface, buildForm(surface), CELLS);
  const marks = new Float64Array(grid.inside.length);
  const cell = grid.pitchMm * grid.pitchMm;
  for (const coat of activeCoats(surface)) {
    if (!isOfMarks(coat)) continue;
    const perCell = marksPerMm2(coat) * cell;
    // What follows the marks of another coat is counted as if it went all over its place: no budget is overdrawn by that.
    const place = coat.place.kind === "zones" ? { ...coat.place, near: null } : coat.place;
    const marked = whereLaid(job, surface, grid.form, { place }, () => grid);
    if (marked.kind !== "field") continue;
    const weights = placeWeights({ grid, marks: marked, nearCover: null });
    for (let at = 0; at < marks.length; at++) marks[at]! += perCell * weights[at]! * grid.inside[at]!;
  }
  return { grid, marks, worth: worthOf(job, surface, effort, grid) };
}

/** How many marks are kept at a scale. */
export const keptAt = ({ marks, worth }: Shares, scale: number): number =>
  marks.reduce((sum, count, at) => sum + count * Math.min(1, scale * worth[at]!), 0);

/** The scale at which so many marks are kept; all are from the first one on at which no cell has to go without. */
function scaleFor(shares: Shares, wanted: number): number {
  let [low, high] = [0, 1 / Math.min(...shares.worth)];
  if (keptAt(shares, high) <= wanted) return high;
  for (let turn = 0; turn < 50; turn++) {
    const middle = (low + high) / 2;
    if (keptAt(shares, middle) > wanted) high = middle;
    else low = middle;
  }
  return low;
}

/** What of the kept marks falls to each third of the surface, by what a mark is worth there. */
function thirdsOf({ grid: { inside }, marks, worth }: Shares, scale: number): [number, number, number] {
  const order = Array.from(worth.keys()).filter((at) => inside[at]! > 0);
  order.sort((a, b) => worth[b]! - worth[a]!);
  const whole = order.reduce((sum, at) => sum + inside[at]!, 0);
  const thirds: [number, number, number] = [0, 0, 0];
  let [area, all] = [0, 0];
  for (const at of order) {
    const kept = marks[at]! * Math.min(1, scale * worth[at]!);
    thirds[Math.min(2, Math.floor((3 * area) / whole)) as 0 | 1 | 2] += kept;
    area += inside[at]!;
    all += kept;
  }
  return all > 0 ? [thirds[0] / all, thirds[1] / all, thirds[2] / all] : thirds;
}

/** What a new budget is asked of, where a surface has none yet. */
export const USUAL_EFFORT = { seen: 70, lit: 50 } as const;

/** Shares a budget out over a surface, by the marks of all its coats. @throws InputError where its sizes are impossible */
export function shareEffort(job: Job, surface: Surface, effort: Effort): EffortShared {
  const shares = sharesOf(job, surface, effort);
  const scale = scaleFor(shares, effort.marks);
  const full = shares.marks.reduce((sum, count) => sum + count, 0);
  return { full, kept: keptAt(shares, scale), scale, thirds: thirdsOf(shares, scale) };
}

/** Ground of which less than this is seen from anywhere is looked at by nobody, 0…1. */
const UNSEEN = 0.15;

/** Marks that are set one by one on a surface, and how many of them lie where nobody looks. */
export interface MarksUnseen {
  readonly all: number;
  readonly unseen: number;
}

const unseenBy = new WeakMap<SurfaceGrid, MarksUnseen & { readonly key: string }>();

/** Counts the marks of a surface that nobody sees, its budget left aside. @throws InputError where its sizes are impossible */
export function marksUnseen(job: Job, surface: Surface): MarksUnseen {
  const coats = activeCoats(surface).filter(isOfMarks);
  if (coats.length === 0) return { all: 0, unseen: 0 };
  const grid = fewCells(job, surface, buildForm(surface), CELLS);
  const key = JSON.stringify(
    coats.map((coat) => [coat.technique, coat.passes, coat.place, patternKeyOf(job, surface, coat.place)]),
  );
  const known = unseenBy.get(grid);
  if (known?.key === key) return known;
  const { marks, worth } = sharesOf(job, surface, { marks: 1, seen: 100, lit: 0 });
  const count = (least: number, most: number) =>
    marks.reduce((sum, one, at) => (worth[at]! >= least && worth[at]! < most ? sum + one : sum), 0);
  const made = { key, all: count(0, Infinity), unseen: count(0, UNSEEN) };
  unseenBy.set(grid, made);
  return made;
}

const MOST_KEPT = 64;
const scales = new Map<string, number>();
const weights = new WeakMap<SurfaceGrid, Map<string, Float32Array>>();

/** The share of a surface's marks that each cell keeps. */
export interface SurfaceEffort {
  /** Equal for equal shares. */
  readonly key: string;
  /** To each cell of a grid, 0…1. */
  readonly weights: (grid: SurfaceGrid) => Float32Array;
}

/** How the marks of a surface's coats are kept to its budget; null where it has none. */
export function effortOf(job: Job, surface: Surface): SurfaceEffort | null {
  const { effort, form, seed, volumes, wear } = surface;
  if (!effort) return null;
  const coats = activeCoats(surface).filter(isOfMarks);
  const key = JSON.stringify([
    ...[form, form.mirrored, seed, reliefKey(surface), volumes, wear, effort, lightOf(job, surface).key],
    hideKey(surface, growthOf(job, surface)),
    coats.map(({ technique, place, passes }) => [
      technique,
      place,
      passes,
      patternKeyOf(job, surface, place),
    ]),
  ]);
  const scaleOnce = (): number => {
    const known = scales.get(key) ?? shareEffort(job, surface, effort).scale;
    scales.set(key, known);
    if (scales.size > MOST_KEPT) scales.delete(scales.keys().next().value!);
    return known;
  };
  const weightsOn = (grid: SurfaceGrid): Float32Array => {
    const before = weights.get(grid) ?? new Map<string, Float32Array>();
    weights.set(grid, before);
    const known = before.get(key);
    if (known) return known;
    const scale = scaleOnce();
    const made = worthOf(job, surface, effort, grid).map((worth) => Math.min(1, scale * worth));
    before.clear();
    before.set(key, made);
    return made;
  };
  return { key, weights: weightsOn };
}
