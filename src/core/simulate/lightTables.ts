import { opticsOfMix } from "../colour/appearance";
import { filmTable, type Optics } from "../colour/film";
import type { Spectrum } from "../colour/spectrum";
import { mixById, type Job, type Paint } from "../job";
import type { LaidCoat } from "./filmLayer";
import type { FilmPlanes } from "./planes";

/** One painted coat with its film and its table of light by level: rows of [R0 × 12, T² × 12]. */
export interface TabledCoat extends LaidCoat {
  readonly table: Float32Array;
}

interface Tabled {
  readonly optics: Optics;
  readonly table: Float32Array;
}

/** The table made last for each film: a film outlives many pictures of it, and its mix seldom changes between them. */
const made = new WeakMap<FilmPlanes, Tabled>();

const same = (one: Spectrum, other: Spectrum): boolean => one.every((value, band) => value === other[band]);

const sameOptics = (one: Optics, other: Optics): boolean =>
  same(one.absorption, other.absorption) && same(one.scattering, other.scattering);

function tableOf(film: FilmPlanes, optics: Optics): Float32Array {
  const known = made.get(film);
  if (known && sameOptics(known.optics, optics)) return known.table;
  const table = filmTable(optics, film.maxUm);
  made.set(film, { optics, table });
  return table;
}

/** Laid coats with their tables of light, each in the mix that the job gives it. Tables are shared: read only. */
export const withTables = (coats: readonly LaidCoat[], job: Job, paints: readonly Paint[]): TabledCoat[] =>
  coats.map(({ coat, film }) => ({
    coat,
    film,
    table: tableOf(film, opticsOfMix(mixById(job, coat.mixId), paints)),
  }));
