import type { Coat, Hand, Job, Surface } from "../job";
import { completeParams } from "../params";
import { families } from "../patterns";
import { brushedPassUm } from "../colour/mix";
import { createRandom } from "../random";
import type { SurfaceForm } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import { isTechniqueId, techniques } from "../techniques";
import type { FilmBuffer, Marks } from "../techniques/technique";
import { buildUp, packFilm, type FilmPlanes } from "./planes";

const wearOf = ({ wear, seed }: Surface) => ({ settings: wear, seed });
const followsWear = (target: Coat["target"]) =>
  target.kind === "zones" && target.zones.some((zone) => zone === "worn" || zone === "unworn");

/** Where a coat goes on its surface. Pattern targets on a surface without a pattern go nowhere. */
export function marksOf(job: Job, surface: Surface, form: SurfaceForm, coat: Coat): Marks {
  if (coat.target.kind === "zones") {
    return { kind: "field", hollowsOnly: false, place: { ...coat.target, wear: wearOf(surface) } };
  }
  if (surface.pattern) return families[surface.pattern.id].marks({ job, surface, form }, coat.target);
  if (coat.target.kind === "everywhere" || coat.target.kind === "hollows") {
    return { kind: "field", hollowsOnly: coat.target.kind === "hollows" };
  }
  return { kind: "strokes", strokes: [] };
}

/** Dry film of one pass of a coat where it is laid evenly, µm. */
export function coatPassUm(coat: Coat): number {
  const share = isTechniqueId(coat.technique.id) ? techniques[coat.technique.id].filmShare : 1;
  return brushedPassUm(coat.water) * share;
}

/** Everything a coat's film depends on but the paint below it, as a text: equal texts, equal films. */
export function filmKey(job: Job, surface: Surface, coat: Coat, pitchMm: number): string {
  const { technique, water, passes, seed, target, overSeams } = coat;
  const cloth =
    surface.pattern && target.kind !== "everywhere" && target.kind !== "hollows" && target.kind !== "zones"
      ? {
          ...surface.pattern.params,
          colours: 0,
          crossings: 0,
          baseMixId: 0,
          guideMixId: 0,
          glazeMixId: 0,
          method: 0,
        }
      : null;
  return JSON.stringify([
    surface.form,
    surface.seed,
    surface.relief,
    followsWear(target) ? surface.wear : null,
    cloth,
    technique,
    water,
    passes,
    seed,
    target,
    overSeams,
    job.hand,
    job.figure.lamp,
    pitchMm,
  ]);
}

/** Buffers that can be used for one film after another of the same grid. */
export const createFilmBuffer = (cells: number): FilmBuffer => ({
  volumeUm: new Float32Array(cells),
  cover: new Float32Array(cells),
});

/** What lies on the panel before a coat. */
export interface Ground {
  readonly grid: SurfaceGrid;
  /** Films on top of the grid's relief, first to last. */
  readonly films: readonly FilmPlanes[];
  /** Film of the earlier coat that the coat's place names; null where it names none or it is not there. */
  readonly near: FilmPlanes | null;
}

/** Relief with films on it, mm. */
export function raisedBy(grid: SurfaceGrid, films: readonly FilmPlanes[]): Float32Array {
  if (films.length === 0) return grid.relief;
  const heights = buildUp(films, grid.inside.length);
  for (let at = 0; at < heights.length; at++) heights[at] = grid.relief[at]! + heights[at]! * 0.001;
  return heights;
}

/** The film one coat leaves. @throws RangeError for a technique that is not known */
export function layCoat(
  marks: Marks,
  coat: Coat,
  hand: Hand,
  ground: Ground,
  buffer: FilmBuffer,
  insideSum: number,
): FilmPlanes {
  const { id, params } = coat.technique;
  if (!isTechniqueId(id))
    throw new RangeError(`"${id}" is no technique; known are ${Object.keys(techniques).join(", ")}`);
  const technique = techniques[id];
  const { grid, near } = ground;
  buffer.volumeUm.fill(0);
  buffer.cover.fill(0);
  let heights: Float32Array | null = null;
  const context = {
    grid,
    marks,
    passUm: coatPassUm(coat),
    passes: coat.passes,
    water: coat.water,
    hand,
    heightMm: () => (heights ??= raisedBy(grid, ground.films)),
    nearCover: near ? Float32Array.from(near.cover, (share) => share / 255) : null,
    overSeams: coat.overSeams,
  };
  technique.lay(buffer, context, completeParams(technique.params, params), createRandom(coat.seed));
  return packFilm(buffer, insideSum);
}
