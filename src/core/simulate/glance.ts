import { type Job, type Surface } from "../job";
import { coarseGrid } from "./coarseGrid";
import { reliefShares } from "../surface/reliefArea";
import type { SurfaceGrid } from "../surface/grid";
import { FilmLayer, type LaidCoat } from "./filmLayer";
import { filmAt, type FilmPlanes } from "./planes";

/** Films of all surfaces of a large job; at two bytes a cell a thousand coats. */
const MOST_BYTES = 60_000_000;
const layer = new FilmLayer(MOST_BYTES);

/** A surface painted on few cells: enough to count its paint and to judge it without opening it. */
export interface Glance {
  readonly grid: SurfaceGrid;
  readonly coats: readonly LaidCoat[];
}

/**
 * Lays every painted coat of a surface on few cells; films that did not change are remembered.
 * @throws InputError where sizes or settings are impossible
 */
export function glanceAt(job: Job, surface: Surface): Glance {
  const grid = coarseGrid(job, surface);
  const laying = layer.lay(job, surface, grid);
  let step = laying.next();
  while (!step.done) step = laying.next();
  return { grid, coats: step.value };
}

/** The paint of one coat as it lies on one figure, all passes together. */
export interface LaidPaint {
  /** Dry volume, µl. */
  readonly dryUl: number;
  /** Area it covers, relief counted, mm². */
  readonly coveredMm2: number;
  /** Mean thickness there, µm. */
  readonly meanUm: number;
}

const measured = new WeakMap<FilmPlanes, LaidPaint>();

/** What a film holds on the real area of its panel. */
export function paintIn(film: FilmPlanes, grid: SurfaceGrid): LaidPaint {
  const known = measured.get(film);
  if (known) return known;
  const shares = reliefShares(grid);
  const cell = grid.pitchMm ** 2;
  let [volume, covered] = [0, 0];
  for (let at = 0; at < shares.length; at++) {
    const cover = film.cover[at]!;
    if (cover === 0) continue;
    volume += filmAt(film, at) * shares[at]!;
    covered += (cover / 255) * shares[at]!;
  }
  // 1 µm over 1 mm² is 0.001 µl.
  const paint = {
    dryUl: volume * cell * 0.001,
    coveredMm2: covered * cell,
    meanUm: covered > 0 ? volume / covered : 0,
  };
  measured.set(film, paint);
  return paint;
}
