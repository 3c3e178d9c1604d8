import { effortOf } from "../effort/effortOf";
import { withPairs } from "../figure/pairs";
import { primerSpectrum } from "../colour/appearance";
import { labToHex } from "../colour/spaces";
import { sprayedByte, sprayOn } from "../figure/fromAbove";
import { figureOf, activeCoats, type Job, type Paint } from "../job";
import type { SurfaceGrid } from "../surface/grid";
import { fieldsOf } from "../surface/fields";
import { stepCount, stepLightness, valuePlan } from "../surface/volumes/valuePlan";
import { wearMap } from "../surface/wear";
import type { Compositor } from "./compositor";
import { FilmLayer, type LaidCoat } from "./filmLayer";
import { GridShelf } from "./gridShelf";
import { raisedBy } from "./layCoat";
import { withTables } from "./lightTables";
import { seenFrom } from "./seenFrom";
import type { PieceSkin } from "../piece/skin";
import { goesOn, layVeil } from "./veil";
import { finishOf, glossPlane, layFinish, layShine, type SurfaceFinish } from "./surfaceFinish";

/** Which surface is to be painted, up to which coat, and how it is looked at. */
export interface SpecimenRequest {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly surfaceId: string;
  /** Show the surface after this many painted coats; null for all. */
  readonly upTo: number | null;
  readonly lit: boolean;
  /**
   * Show a map instead of the paint: how much of the lamp's light each place gets, how much it wears, its steps of light;
   * or black primer with white sprayed over it from above.
   */
  readonly map?: "light" | "wear" | "values" | "effort" | "sprayed" | null;
  /** Lay the place of this coat over the picture as a veil; null or left out for none. */
  readonly veilCoatId?: string | null;
  /** Most cells of the full picture; two million where left out. */
  readonly mostCells?: number;
  /** Cells of the preview, where it is to be quicker than usual. */
  readonly previewCells?: number;
  /** As the eye sees it from this far, mm; null or left out for every cell as it is. */
  readonly viewMm?: number | null;
}

/** A picture of a surface, and where it lies in mm. */
export interface Specimen {
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
  readonly originX: number;
  readonly originY: number;
  /** The finest cells would have needed more memory than allowed. */
  readonly reduced: boolean;
}

/** A surface with all its painted coats laid on one grid. */
export interface LaidSurface {
  readonly grid: SurfaceGrid;
  readonly coats: readonly LaidCoat[];
  readonly reduced: boolean;
}

/** Resolves to false where a newer request has come and this one should be dropped. */
export type StillWanted = (done: number, total: number) => Promise<boolean>;

const CACHE_BYTES = 260_000_000;

/** Lays and composites surfaces, remembering films that did not change. One per worker. */
export class Simulator {
  private readonly films = new FilmLayer(CACHE_BYTES);
  private readonly grids = new GridShelf();
  private readonly composite: Compositor;

  constructor(compositor: Compositor) {
    this.composite = compositor;
  }

  /**
   * Lays every painted coat of a surface.
   * @throws InputError for impossible sizes, ThreadCountError, RangeError where the surface is missing
   */
  async lay(request: SpecimenRequest, preview: boolean, wanted: StillWanted): Promise<LaidSurface | null> {
    const { job, mostCells, previewCells, surfaceId } = request;
    const surface = surfaceOf(request);
    if (!surface) throw new RangeError(`the job has no surface "${surfaceId}"`);
    const { grid, reduced } = this.grids.of(job, surface, { preview, mostCells, previewCells });
    const total = activeCoats(surface).length;
    const laying = this.films.lay(job, surface, grid);
    for (let step = laying.next(); ; step = laying.next()) {
      if (step.done) return { grid, coats: step.value, reduced };
      if (!(await wanted(step.value, total))) return null;
    }
  }

  /** The cells that a request is laid on. @throws InputError for impossible sizes, RangeError where the surface is missing */
  gridOf({ job, mostCells, previewCells, surfaceId }: SpecimenRequest, preview: boolean): SurfaceGrid {
    const surface = withPairs(job).surfaces.find(({ id }) => id === surfaceId);
    if (!surface) throw new RangeError(`the job has no surface "${surfaceId}"`);
    return this.grids.of(job, surface, { preview, mostCells, previewCells }).grid;
  }

  /** Paint and finish of a laid surface, under a light or (null) without any. */
  private painted(
    request: SpecimenRequest,
    { grid }: LaidSurface,
    shown: readonly LaidCoat[],
    shade: Float32Array | null,
    afterCoat?: AfterCoat,
  ): { readonly rgba: Uint8ClampedArray<ArrayBuffer>; readonly finish: SurfaceFinish | null } {
    const { job, paints } = request;
    const coats = withTables(shown, job, paints);
    const rgba = new Uint8ClampedArray(grid.width * grid.height * 4);
    const ground = primerSpectrum(figureOf(job, surfaceOf(request)).primer);
    this.composite({ ground, coats, inside: grid.inside, shade }, rgba, afterCoat);
    const finish = finishOf(coats, job, paints, grid.inside.length);
    if (finish) layFinish(rgba, finish, grid.inside, shade);
    return { rgba, finish };
  }

  /** The picture of a laid surface; `afterCoat` is told the picture after each coat. */
  picture(request: SpecimenRequest, laid: LaidSurface, afterCoat?: AfterCoat): Specimen {
    const { grid } = laid;
    const shown = shownOf(request, laid);
    const heights = request.lit ? raisedOf(laid, shown) : null;
    const shade = heights && fieldsOf(grid).lightOn(heights);
    const { rgba, finish } = this.painted(request, laid, shown, shade, afterCoat);
    if (finish && heights) layShine(rgba, finish, heights, grid);
    showAs(request, laid, rgba);
    return specimenOf(rgba, laid);
  }

  /** What a laid surface wears, for a picture of the piece in space. */
  skin(request: SpecimenRequest, laid: LaidSurface): PieceSkin {
    const shown = shownOf(request, laid);
    const { rgba, finish } = this.painted(request, laid, shown, null);
    showAs(request, laid, rgba);
    return {
      grid: laid.grid,
      rgba,
      heights: raisedOf(laid, shown),
      gloss: finish && glossPlane(finish),
      lit: request.lit,
    };
  }
}

/** A picture as the specimen of the surface it was made of. */
export function specimenOf(rgba: Uint8ClampedArray<ArrayBuffer>, { grid, reduced }: LaidSurface): Specimen {
  const { width, height, pitchMm, originX, originY } = grid;
  return { rgba, width, height, pitchMm, originX, originY, reduced };
}

/** Told which coat was laid, from which cell on, and the picture after it. */
type AfterCoat = (coat: number, from: number, rgba: Uint8Array) => void;

const surfaceOf = ({ job, surfaceId }: SpecimenRequest) =>
  withPairs(job).surfaces.find((one) => one.id === surfaceId);

/** Coats up to the one that is asked for. */
const shownOf = ({ upTo }: SpecimenRequest, { coats }: LaidSurface): readonly LaidCoat[] =>
  upTo === null ? coats : coats.slice(0, upTo);

const raisedOf = ({ grid }: LaidSurface, shown: readonly LaidCoat[]): Float32Array =>
  raisedBy(
    grid,
    shown.map((one) => one.film),
  );

/** Lays a map or a veil over the paint where one is asked for, and runs it together as the eye does from afar. */
function showAs(request: SpecimenRequest, laid: LaidSurface, rgba: Uint8ClampedArray): void {
  const { grid } = laid;
  if (request.map === "light") showLight(grid, rgba);
  if (request.map === "wear") showWear(grid, rgba, request);
  if (request.map === "values") showValues(grid, rgba, request);
  if (request.map === "effort") showEffort(grid, rgba, request);
  if (request.map === "sprayed") showSprayed(grid, rgba, request);
  const surface = surfaceOf(request);
  const veiled =
    surface && request.veilCoatId ? goesOn(request.job, surface, laid, request.veilCoatId) : null;
  if (veiled) layVeil(rgba, grid.inside, veiled);
  if (request.viewMm) seenFrom(rgba, grid.inside, grid, request.viewMm);
}

/** The light map: what a painter would photograph on the primed figure under the lamp. */
function showLight(grid: SurfaceGrid, rgba: Uint8ClampedArray): void {
  const { lit, sky } = fieldsOf(grid);
  for (let at = 0; at < lit.length; at++) {
    const light = Math.round(255 * (0.06 + 0.72 * lit[at]! + 0.22 * sky[at]!));
    rgba[at * 4] = rgba[at * 4 + 1] = rgba[at * 4 + 2] = light;
  }
}

/** The wear map: white where most is worn, on a dark ground. */
function showWear(grid: SurfaceGrid, rgba: Uint8ClampedArray, request: SpecimenRequest): void {
  const surface = surfaceOf(request);
  if (!surface) return;
  const worn = wearMap(grid, surface.wear, surface.seed);
  for (let at = 0; at < worn.length; at++)
    rgba[at * 4] = rgba[at * 4 + 1] = rgba[at * 4 + 2] = Math.round(46 + 204 * worn[at]!);
}

/** The value plan: each step of light in a grey of its own. */
function showValues(grid: SurfaceGrid, rgba: Uint8ClampedArray, request: SpecimenRequest): void {
  const surface = surfaceOf(request);
  if (!surface) return;
  const { volumes } = surface;
  const plan = valuePlan(grid, volumes);
  const count = stepCount(volumes, figureOf(request.job, surface).standard);
  const greys = stepLightness(volumes, count).map((lightness) =>
    parseInt(labToHex([lightness, 0, 0]).slice(1, 3), 16),
  );
  for (let at = 0; at < plan.length; at++) {
    const step = Math.min(count - 1, Math.floor(plan[at]! * count));
    rgba[at * 4] = rgba[at * 4 + 1] = rgba[at * 4 + 2] = greys[step]!;
  }
}

/** Where marks are kept: white where all of them are, dark where none is. */
function showEffort(grid: SurfaceGrid, rgba: Uint8ClampedArray, request: SpecimenRequest): void {
  const surface = surfaceOf(request);
  const kept = surface && effortOf(request.job, surface)?.weights(grid);
  if (!kept) return;
  for (let at = 0; at < kept.length; at++)
    rgba[at * 4] = rgba[at * 4 + 1] = rgba[at * 4 + 2] = Math.round(46 + 204 * kept[at]!);
}

/** Black primer with white sprayed from above, before any paint. */
function showSprayed(grid: SurfaceGrid, rgba: Uint8ClampedArray, request: SpecimenRequest): void {
  const surface = surfaceOf(request);
  const taken = surface && sprayOn(request.job, surface, grid);
  if (!taken) return;
  for (let at = 0; at < taken.length; at++)
    rgba[at * 4] = rgba[at * 4 + 1] = rgba[at * 4 + 2] = sprayedByte(taken[at]!);
}
