import { LEVELS } from "../colour/film";
import type { FilmBuffer } from "../techniques/technique";

/** One coat's film on a grid in two bytes a cell: thickness maxUm (level/255)², and covered share. */
export interface FilmPlanes {
  readonly level: Uint8Array;
  readonly cover: Uint8Array;
  readonly maxUm: number;
  /** Covered area over the area of the panel, 0…1. */
  readonly coveredShare: number;
  /** Mean thickness where covered, µm. */
  readonly meanUm: number;
  /**
   * Thickness spread over the whole cell, µm, as it was laid: of films that become the ground of what follows, where steps
   * of some µm would be seen as ripples. Left out for all others.
   */
  readonly exactUm?: Float32Array;
}

/** Bytes that a film takes. */
export const bytesOf = ({ level, exactUm }: FilmPlanes): number =>
  2 * level.length + (exactUm ? 4 * exactUm.length : 0);

const BLOCK = 256;

/**
 * Packs a film. Thickness is rooted before rounding: equal steps of light need fine steps where films are thin.
 * @param insideSum sum of the panel's own coverage, cells
 * @param raises it becomes the ground of what follows
 */
export function packFilm(film: FilmBuffer, insideSum: number, raises = false): FilmPlanes {
  const { volumeUm, cover } = film;
  const count = cover.length;
  let maxUm = 0.5;
  let coverSum = 0;
  let volumeSum = 0;
  // Most coats leave most of the surface alone: the second round looks only where the first found something.
  const blocks = new Uint8Array(Math.ceil(count / BLOCK));
  for (let at = 0; at < count; at++) {
    const share = cover[at]!;
    if (share === 0) continue;
    const volume = volumeUm[at]!;
    if (volume > maxUm * share) maxUm = volume / share;
    coverSum += share;
    volumeSum += volume;
    blocks[(at / BLOCK) | 0] = 1;
  }
  const level = new Uint8Array(count);
  const covered = new Uint8Array(count);
  const scale = 1 / maxUm;
  for (let block = 0; block < blocks.length; block++) {
    if (blocks[block] === 0) continue;
    const to = Math.min(count, (block + 1) * BLOCK);
    for (let at = block * BLOCK; at < to; at++) {
      const share = cover[at]!;
      if (share === 0) continue;
      level[at] = Math.sqrt((volumeUm[at]! / share) * scale) * (LEVELS - 1) + 0.5;
      covered[at] = share * 255 + 0.5;
    }
  }
  return {
    level,
    cover: covered,
    maxUm,
    coveredShare: insideSum > 0 ? coverSum / insideSum : 0,
    meanUm: coverSum > 0 ? volumeSum / coverSum : 0,
    ...(raises && { exactUm: volumeUm.slice() }),
  };
}

/** Thickness spread over the whole cell, µm. */
export function filmAt(planes: FilmPlanes, at: number): number {
  const root = planes.level[at]! / (LEVELS - 1);
  return planes.maxUm * root * root * (planes.cover[at]! / 255);
}

/** The last sum: a picture asks for the same one more than once. */
let last: { readonly films: readonly FilmPlanes[]; readonly sum: Float32Array } | null = null;

/** Sum of all films per cell, µm: what has built up on the relief. Not to be changed. */
export function buildUp(films: readonly FilmPlanes[], count: number): Float32Array {
  const same = last?.films.length === films.length && last.sum.length === count;
  if (same && films.every((film, at) => film === last!.films[at])) return last!.sum;
  const sum = sumOf(films, count);
  last = { films, sum };
  return sum;
}

function sumOf(films: readonly FilmPlanes[], count: number): Float32Array {
  const out = new Float32Array(count);
  for (const film of films) {
    const { exactUm } = film;
    if (exactUm) {
      for (let at = 0; at < count; at++) out[at]! += exactUm[at]!;
      continue;
    }
    const heights = Float32Array.from({ length: LEVELS }, (_, level) => film.maxUm * (level / 255) ** 2);
    const { level, cover } = film;
    for (let at = 0; at < count; at++) {
      if (cover[at] !== 0) out[at]! += heights[level[at]!]! * cover[at]! * (1 / 255);
    }
  }
  return out;
}
