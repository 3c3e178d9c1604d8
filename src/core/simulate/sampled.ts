import { growthOf } from "../growth/growthOf";
import { BANDS } from "../colour/bands";
import { primerSpectrum } from "../colour/appearance";
import { ciede2000 } from "../colour/difference";
import { spectrumToLab, spectrumToLightness, type Triple } from "../colour/spaces";
import { lightOf } from "../figure/light";
import { figureOf, mixById, type Coat, type Job, type Paint, type Surface } from "../job";
import { reliefKey } from "../surface/keptHeights";
import { isTechniqueId, techniques } from "../techniques";
import { glanceAt } from "./glance";
import { withTables, type TabledCoat } from "./lightTables";
import { filmAt, type FilmPlanes } from "./planes";
import { passing, stillShowing } from "./showing";

/** Cells looked at for each coat, spread over all it covers, and for the surface as a whole. */
const PER_COAT = 120;
const WHOLE = 500;
/** A cell counts as covered by a coat from this share on, of 255. */
const COVERED = 26;
/** Share of the places a coat changes most that tells how far it changes its ground. */
const MOST_CHANGED = 0.3;

/** What one coat did, told at some of the places it covers. */
export interface SampledCoat {
  readonly coat: Coat;
  readonly coveredShare: number;
  /** Mean thickness where it covers, µm. */
  readonly meanUm: number;
  /** Share of the panel on which it can still be seen in the end, 0…1. */
  readonly showing: number;
  /** CIEDE2000 that it changes against what was there, on the third of its places that change most. */
  readonly change: number;
  /** Mean L*a*b* of its places before and after it. */
  readonly before: Triple;
  readonly after: Triple;
  /** Mean L* of its places after each coat of the surface, its own and all others, in order. */
  readonly lightness: readonly number[];
  /** How much of it each later coat hides, 0…1, where that is more than a little. */
  readonly above: readonly { readonly coatId: string; readonly hides: number }[];
}

/** A surface as it comes out, looked at here and there. */
export interface SampledSurface {
  readonly coats: readonly SampledCoat[];
  /** L*a*b* of places spread over the whole panel when all is dry. */
  readonly final: readonly Triple[];
  /** What films add up to at the thickest hundredth of the panel, µm, and the coats that lie there, thickest first. */
  readonly buildUpUm: number;
  readonly thickest: readonly Coat[];
  /** What films of paint add up to on half of the panel at least, µm. */
  readonly usualUm: number;
}

type Stack = readonly TabledCoat[];

/** Every so manyth of some cells, at most `most`. */
function spread(cells: readonly number[], most: number): number[] {
  const stride = Math.max(1, cells.length / most);
  return Array.from({ length: Math.min(most, cells.length) }, (_, at) => cells[Math.floor(at * stride)]!);
}

/** Cells that lie on the panel. */
function panelCells(inside: Float32Array): number[] {
  const cells: number[] = [];
  for (let at = 0; at < inside.length; at++) if (inside[at]! > 0.5) cells.push(at);
  return cells;
}

function coveredCells({ cover }: FilmPlanes, inside: Float32Array): number[] {
  const cells: number[] = [];
  for (let at = 0; at < cover.length; at++) if (cover[at]! >= COVERED && inside[at]! > 0.5) cells.push(at);
  return cells;
}

/** Lays one film over the spectra of some cells. */
function layOver(spectra: Float64Array, cells: readonly number[], { film, table }: Stack[number]): void {
  cells.forEach((cell, k) => {
    const share = film.cover[cell]! / 255;
    if (share === 0) return;
    const row = film.level[cell]! * BANDS * 2;
    for (let band = 0; band < BANDS; band++) {
      const at = k * BANDS + band;
      const [ground, own] = [spectra[at]!, table[row + band]!];
      const over = own + (table[row + BANDS + band]! * ground) / (1 - own * ground);
      spectra[at] = ground * (1 - share) + over * share;
    }
  });
}

const labOf = (spectra: Float64Array, k: number): Triple =>
  spectrumToLab(spectra.subarray(k * BANDS, (k + 1) * BANDS));

const meanOf = (values: readonly number[]) =>
  values.length > 0 ? values.reduce((sum, value) => sum + value, 0) / values.length : 0;

const meanLab = (labs: readonly Triple[]): Triple =>
  [0, 1, 2].map((axis) => meanOf(labs.map((lab) => lab[axis]!))) as unknown as Triple;

function meanLightness(spectra: Float64Array, places: readonly number[]): number {
  let sum = 0;
  for (const k of places) sum += spectrumToLightness(spectra, k * BANDS);
  return places.length > 0 ? sum / places.length : 0;
}

function changeOf(before: readonly Triple[], after: readonly Triple[]): number {
  const changes = before.map((lab, at) => ciede2000(lab, after[at]!)).sort((a, b) => b - a);
  return meanOf(changes.slice(0, Math.max(1, Math.ceil(changes.length * MOST_CHANGED))));
}

const isPaste = (id: string): boolean => isTechniqueId(id) && techniques[id].raises === true;

/** Films of paint summed up at the places looked at, paste left out as ground: the thickest hundredth, and what lies there. */
function thickestOf(
  stack: Stack,
  cells: readonly number[],
): Pick<SampledSurface, "buildUpUm" | "thickest" | "usualUm"> {
  const sums = cells
    .map((cell) => ({ cell, um: stack.reduce((sum, { film }) => sum + filmAt(film, cell), 0) }))
    .sort((a, b) => b.um - a.um);
  const at = sums[Math.floor(sums.length / 100)];
  if (!at) return { buildUpUm: 0, thickest: [], usualUm: 0 };
  const there = stack
    .map(({ coat, film }) => ({ coat, um: filmAt(film, at.cell) }))
    .filter(({ um }) => um > 0);
  const usualUm = sums[Math.floor(sums.length / 2)]!.um;
  return { usualUm, buildUpUm: at.um, thickest: there.sort((a, b) => b.um - a.um).map(({ coat }) => coat) };
}

function hidesOf(stack: Stack, index: number, own: readonly number[]): SampledCoat["above"] {
  return stack.slice(index + 1).flatMap(({ coat, film, table }) => {
    const through = passing(table);
    const hides = meanOf(own.map((cell) => (film.cover[cell]! / 255) * (1 - through[film.level[cell]!]!)));
    return hides > 0.02 ? [{ coatId: coat.id, hides }] : [];
  });
}

function sample(job: Job, surface: Surface, paints: readonly Paint[]): SampledSurface {
  const glance = glanceAt(job, surface);
  const { inside } = glance.grid;
  const stack = withTables(glance.coats, job, paints);
  const whole = spread(panelCells(inside), WHOLE);
  const picked = stack.map(({ film }) => spread(coveredCells(film, inside), PER_COAT));
  const cells = [...new Set([...whole, ...picked.flat()])];
  const place = new Map(cells.map((cell, k) => [cell, k]));
  const own = picked.map((list) => list.map((cell) => place.get(cell)!));
  const primer = primerSpectrum(figureOf(job, surface).primer);
  const spectra = new Float64Array(cells.length * BANDS);
  cells.forEach((_, k) => spectra.set(primer, k * BANDS));
  const labs = (list: readonly number[]) => list.map((k) => labOf(spectra, k));
  const lightness = stack.map((): number[] => []);
  const steps = stack.map((laid, index) => {
    const before = labs(own[index]!);
    layOver(spectra, cells, laid);
    const after = labs(own[index]!);
    own.forEach((list, at) => lightness[at]!.push(meanLightness(spectra, list)));
    return { before, after };
  });
  const showing = stillShowing(stack, inside);
  return {
    coats: stack.map(({ coat, film }, index) => ({
      ...{ coat, coveredShare: film.coveredShare, meanUm: film.meanUm },
      showing: showing[index]!,
      change: changeOf(steps[index]!.before, steps[index]!.after),
      before: meanLab(steps[index]!.before),
      after: meanLab(steps[index]!.after),
      lightness: lightness[index]!,
      above: hidesOf(stack, index, picked[index]!),
    })),
    final: labs(whole.map((cell) => place.get(cell)!)),
    ...thickestOf(
      stack.filter(({ coat }) => !isPaste(coat.technique.id)),
      cells,
    ),
  };
}

/**
 * Reflectance of some cells of a surface's coarse grid once all is painted, cell by cell, `BANDS` each.
 * @param cells of `glanceAt(job, surface).grid`
 * @throws InputError where sizes or settings are impossible
 */
export function spectraAt(
  job: Job,
  surface: Surface,
  paints: readonly Paint[],
  cells: readonly number[],
): Float64Array {
  const primer = primerSpectrum(figureOf(job, surface).primer);
  const spectra = new Float64Array(cells.length * BANDS);
  cells.forEach((_, k) => spectra.set(primer, k * BANDS));
  for (const laid of withTables(glanceAt(job, surface).coats, job, paints)) layOver(spectra, cells, laid);
  return spectra;
}

/** The same as L*a*b*. */
export function labsAt(
  job: Job,
  surface: Surface,
  paints: readonly Paint[],
  cells: readonly number[],
): Triple[] {
  const spectra = spectraAt(job, surface, paints, cells);
  return cells.map((_, k) => labOf(spectra, k));
}

const MOST_KEPT = 64;
const kept = new Map<string, SampledSurface>();

/** What a surface's look depends on, as a text. */
function keyOf(job: Job, surface: Surface, paints: readonly Paint[]): string {
  const { form, seed, wear, volumes, pattern, coats } = surface;
  const mixes = [...new Set(coats.map(({ mixId }) => mixId))].map((id) => mixById(job, id)?.parts ?? null);
  const pots = new Set(mixes.flatMap((parts) => parts?.map(({ paintId }) => paintId) ?? []));
  const looks = paints.filter(({ id }) => pots.has(id));
  const { primer } = figureOf(job, surface);
  return JSON.stringify([
    form,
    seed,
    reliefKey(surface),
    surface.hide,
    surface.groundwork,
    wear,
    volumes,
    pattern,
    coats,
    mixes,
    looks,
    primer,
    lightOf(job, surface).key,
    growthOf(job, surface).key,
    surface.effort,
    job.hand,
  ]);
}

/**
 * Paints a surface on few cells and looks at it here and there; what did not change is remembered.
 * @throws InputError where sizes or settings are impossible
 */
export function sampledSurface(job: Job, surface: Surface, paints: readonly Paint[]): SampledSurface {
  const key = keyOf(job, surface, paints);
  const known = kept.get(key);
  if (known) {
    kept.delete(key);
    kept.set(key, known);
    return known;
  }
  const made = sample(job, surface, paints);
  kept.set(key, made);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return made;
}
