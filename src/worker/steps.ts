import { opticsOfMix } from "../core/colour/appearance";
import { ciede2000 } from "../core/colour/difference";
import { baseHueOf, baseIndex, type BaseHue } from "../core/checks/seen";
import { LEVELS, levelUm, masstone } from "../core/colour/film";
import { mixById } from "../core/job";
import type { FilmPlanes } from "../core/simulate/planes";
import { finishOf, layFinish } from "../core/simulate/surfaceFinish";
import { passing, stillShowing } from "../core/simulate/showing";
import { isToShade } from "../core/techniques/toShade";
import { decodeSrgb, linearToXyz, spectrumToLab, xyzToLab, type Triple } from "../core/colour/spaces";
import { withTables, type TabledCoat } from "../core/simulate/lightTables";
import type { LaidSurface, Simulator, SpecimenRequest } from "../core/simulate/simulator";

/** What one coat does to the surface, measured on the simulated picture. */
export interface CoatEffect {
  readonly coatId: string;
  /** Share of the panel covered, 0…1. */
  readonly coveredShare: number;
  readonly meanUm: number;
  /** Share of the panel on which this coat can still be seen once all are laid, 0…1, as light through what covers it. */
  readonly showing: number;
  /**
   * Earlier coats: how much of what each covers still shows once this one is laid, 0…1; and of a glaze or wash that is to
   * shade, the mean L* of its marks before and after it.
   */
  readonly earlier: readonly {
    readonly coatId: string;
    readonly share: number;
    readonly lightness: readonly [before: number, after: number] | null;
  }[];
  /** Later coats that cover it: on what share of its marks, 0…1, how thick there, µm, and how much of it they hide, 0…1. */
  readonly above: readonly {
    readonly coatId: string;
    readonly share: number;
    readonly filmUm: number;
    readonly hides: number;
  }[];
  /** CIEDE2000 that it changes against what was there before, on the third of its places that change most. */
  readonly change: number;
  /** Mean L*a*b* of the covered places before and after. */
  readonly before: Triple;
  readonly after: Triple;
}

/** The surface after each coat, as small pictures of one size. */
export interface Steps {
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
  readonly originX: number;
  readonly originY: number;
  /** First the primed surface, then after each painted coat. */
  readonly pictures: readonly Uint8ClampedArray<ArrayBuffer>[];
  readonly effects: readonly CoatEffect[];
  /** How the base's hue reads in the end; null where nothing is painted. */
  readonly baseHue: BaseHue | null;
  /** Surface these steps are of. */
  readonly surfaceId: string;
}

const DECODE = Float32Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));

/** Lab of the mean light of some cells. */
function meanLab(rgba: Uint8ClampedArray, weights: Uint8Array): Triple {
  let [r, g, b, sum] = [0, 0, 0, 0];
  for (let at = 0; at < weights.length; at++) {
    const weight = weights[at]!;
    if (weight === 0) continue;
    r += weight * DECODE[rgba[at * 4]!]!;
    g += weight * DECODE[rgba[at * 4 + 1]!]!;
    b += weight * DECODE[rgba[at * 4 + 2]!]!;
    sum += weight;
  }
  if (sum === 0) return [0, 0, 0];
  [r, g, b] = [r / sum, g / sum, b / sum];
  return xyzToLab(linearToXyz([r, g, b]));
}

/** So many of a coat's cells are enough to tell how far it changes its ground, and this share of them counts. */
const CHANGES = 1000;
/** A cell counts as covered from this share on, of 255. */
const COVERED = 26;
const MOST_CHANGED = 0.3;

const labAt = (rgba: Uint8ClampedArray, at: number): Triple =>
  xyzToLab(linearToXyz([DECODE[rgba[at * 4]!]!, DECODE[rgba[at * 4 + 1]!]!, DECODE[rgba[at * 4 + 2]!]!]));

/**
 * How far a coat changes what it lies on, CIEDE2000: the mean over the third of its places that change most. A glaze
 * hardly moves a ground of its own colour and still ties the bright marks on it.
 */
function changeOf(before: Uint8ClampedArray, after: Uint8ClampedArray, { cover }: FilmPlanes): number {
  const changes: number[] = [];
  // Every so manyth of the covered cells, wherever they lie: sparse marks are looked at as well as full coats.
  let covered = 0;
  for (let at = 0; at < cover.length; at++) if (cover[at]! >= COVERED) covered++;
  const stride = Math.max(1, Math.floor(covered / CHANGES));
  for (let at = 0, seen = 0; at < cover.length; at++) {
    if (cover[at]! < COVERED || seen++ % stride !== 0) continue;
    changes.push(ciede2000(labAt(before, at), labAt(after, at)));
  }
  changes.sort((a, b) => b - a);
  const most = changes.slice(0, Math.max(1, Math.ceil(changes.length * MOST_CHANGED)));
  return most.length > 0 ? most.reduce((sum, change) => sum + change, 0) / most.length : 0;
}

/** So many cells of a coat's marks are enough to tell what lies on them. */
const MARKED = 12_000;

/** Cells that a coat covers at all, every so manyth where there are many. */
function markedCells({ cover }: FilmPlanes): Uint32Array {
  let count = 0;
  for (let at = 0; at < cover.length; at++) if (cover[at]! > 0) count++;
  const stride = Math.max(1, Math.floor(count / MARKED));
  const cells = new Uint32Array(Math.ceil(count / stride));
  for (let at = 0, seen = 0; at < cover.length; at++)
    if (cover[at]! > 0 && seen++ % stride === 0) cells[(seen - 1) / stride] = at;
  return cells;
}

/** Mean L* of some cells of a picture, each as much as the coat covers it. */
function lightnessOf(rgba: Uint8ClampedArray, { cover }: FilmPlanes, cells: Uint32Array): number {
  const sum: [number, number, number] = [0, 0, 0];
  let all = 0;
  for (const at of cells) {
    const weight = cover[at]!;
    for (let channel = 0; channel < 3; channel++) sum[channel]! += weight * DECODE[rgba[at * 4 + channel]!]!;
    all += weight;
  }
  if (all === 0) return 0;
  return xyzToLab(linearToXyz([sum[0] / all, sum[1] / all, sum[2] / all]))[0];
}

/** How much of a coat's marks a later one covers, and how thick it lies there. */
function filmOver(
  marks: FilmPlanes,
  cells: Uint32Array,
  { film: over, table }: TabledCoat,
): { share: number; filmUm: number; hides: number } {
  const through = passing(table);
  const heights = Float32Array.from({ length: LEVELS }, (_, level) => levelUm(level, over.maxUm));
  let [all, covered, volume, hidden] = [0, 0, 0, 0];
  for (const at of cells) {
    const weight = marks.cover[at]!;
    const both = weight * over.cover[at]!;
    const level = over.level[at]!;
    all += weight;
    covered += both;
    volume += both * heights[level]!;
    hidden += both * (1 - through[level]!);
  }
  return {
    share: all > 0 ? covered / all / 255 : 0,
    filmUm: covered > 0 ? volume / covered : 0,
    hides: all > 0 ? hidden / all / 255 : 0,
  };
}

/** Every so manyth cell is enough to tell how much of earlier coats shows, and how a hue reads. */
const EARLIER_STEP = 5;
const HUE_STEP = 7;

function readBaseHue(request: SpecimenRequest, laid: LaidSurface, last: Uint8ClampedArray): BaseHue | null {
  const base = laid.coats[baseIndex(laid.coats.map(({ coat }) => coat))];
  const mix = base && mixById(request.job, base.coat.mixId);
  if (!mix) return null;
  const { inside } = laid.grid;
  const cells: [Triple, number][] = [];
  for (let at = 0; at < inside.length; at += HUE_STEP) {
    if (inside[at]! < 0.5) continue;
    const [r, g, b] = [0, 1, 2].map((channel) => DECODE[last[at * 4 + channel]!]!) as [
      number,
      number,
      number,
    ];
    cells.push([xyzToLab(linearToXyz([r, g, b])), 1]);
  }
  return baseHueOf(spectrumToLab(masstone(opticsOfMix(mix, request.paints))), cells);
}

type Laid = readonly TabledCoat[];

const stackOf = ({ job, paints }: SpecimenRequest, { coats }: LaidSurface): Laid =>
  withTables(coats, job, paints);

/** A picture of the bare panel for every coat, painted up to that coat. */
function picturesAfter(
  simulator: Simulator,
  request: SpecimenRequest,
  laid: LaidSurface,
  stack: Laid,
): Uint8ClampedArray<ArrayBuffer>[] {
  const { inside } = laid.grid;
  const after = laid.coats.map(() => new Uint8ClampedArray(inside.length * 4));
  simulator.picture(request, laid, (coat, from, rgba) => after[coat]!.set(rgba, from * 4));
  for (const picture of after)
    for (let at = 0; at < inside.length; at++) picture[at * 4 + 3] = inside[at]! * 255;
  finishOf(stack, request.job, request.paints, inside.length, (coat, finish) =>
    layFinish(after[coat]!, finish, inside, null),
  );
  return after;
}

/** The primed surface, then the surface after each coat, as pictures of one size. */
export function stepPictures(
  simulator: Simulator,
  request: SpecimenRequest,
  laid: LaidSurface,
  stack = stackOf(request, laid),
): Uint8ClampedArray<ArrayBuffer>[] {
  const plain = { ...request, upTo: null, lit: false };
  const primed = simulator.picture({ ...plain, upTo: 0 }, laid).rgba;
  return [primed, ...picturesAfter(simulator, plain, laid, stack)];
}

/** What one coat did to what it lies on, and what later coats leave of it. */
function effectOf(
  stack: Laid,
  index: number,
  pictures: readonly Uint8ClampedArray[],
  inside: Float32Array,
): Omit<CoatEffect, "showing"> {
  const { coat, film } = stack[index]!;
  const earlier = stillShowing(stack.slice(0, index + 1), inside, EARLIER_STEP).slice(0, index);
  const cells = markedCells(film);
  return {
    coatId: coat.id,
    coveredShare: film.coveredShare,
    meanUm: film.meanUm,
    earlier: earlier.map((share, at) => {
      const { coat: below, film: marks } = stack[at]!;
      const seen = isToShade(coat) ? markedCells(marks) : null;
      return {
        coatId: below.id,
        share: share / Math.max(1e-6, marks.coveredShare),
        lightness: seen && [
          lightnessOf(pictures[index]!, marks, seen),
          lightnessOf(pictures[index + 1]!, marks, seen),
        ],
      };
    }),
    above: stack.slice(index + 1).flatMap((over) => {
      const found = filmOver(film, cells, over);
      return found.share > 0.02 ? [{ coatId: over.coat.id, ...found }] : [];
    }),
    change: changeOf(pictures[index]!, pictures[index + 1]!, film),
    before: meanLab(pictures[index]!, film.cover),
    after: meanLab(pictures[index + 1]!, film.cover),
  };
}

/** The surface after each coat, with what each coat did. */
export function takeSteps(simulator: Simulator, request: SpecimenRequest, laid: LaidSurface): Steps {
  const { inside, width, height, pitchMm, originX, originY } = laid.grid;
  const stack = stackOf(request, laid);
  const pictures = stepPictures(simulator, request, laid, stack);
  const showing = stillShowing(stack, inside);
  return {
    ...{ width, height, pitchMm, originX, originY, pictures },
    surfaceId: request.surfaceId,
    effects: stack.map((_, index) => ({
      ...effectOf(stack, index, pictures, inside),
      showing: showing[index]!,
    })),
    baseHue: readBaseHue(request, laid, pictures.at(-1)!),
  };
}
