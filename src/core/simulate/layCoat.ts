import { lightsLaidOn, type Coat, type Hand, type Job, type Surface, type Place } from "../job";
import { effortOf, isOfMarks } from "../effort/effortOf";
import { growthOf } from "../growth/growthOf";
import { lightOf } from "../figure/light";
import type { Zone } from "../surface/zoneNames";
import { completeParams } from "../params";
import { familyOf } from "../patterns";
import { createRandom } from "../random";
import type { SurfaceForm } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import { isTechniqueId, techniques } from "../techniques";
import { coatPassUm } from "../techniques/passUm";
import type { FilmBuffer, Marks, TechniqueDefinition } from "../techniques/technique";
import { patternKeyOf, whereLaid } from "./whereLaid";
import { buildUp, packFilm, type FilmPlanes } from "./planes";

const followsWear = (place: Coat["place"]) =>
  place.kind === "zones" && place.zones.some((zone) => zone === "worn" || zone === "unworn");

/**
 * Where a coat goes on its surface, kept to the surface's budget of marks. Places of a pattern that the surface does not
 * have lie nowhere.
 * @param grid the panel's cells, for places that are laid cell by cell
 */
export function marksOf(
  job: Job,
  surface: Surface,
  form: SurfaceForm,
  coat: Coat,
  grid: () => SurfaceGrid,
): Marks {
  const marks = whereLaid(job, surface, form, coat, grid);
  if (marks.kind !== "field") return marks;
  const effort = isOfMarks(coat) ? effortOf(job, surface) : null;
  return effort ? { ...marks, effort: effort.weights } : marks;
}

/** Places that follow the light, or how the piece stands in its room. */
const OF_ROOM: readonly Zone[] = [
  "lit",
  "shaded",
  "sheltered",
  "back",
  "crest",
  "front",
  "flank",
  "belly",
  "off-belly",
];

/** Whether a place changes with the light the surface stands in. */
function placeFollowsLight({ pattern }: Surface, place: Place): boolean {
  if (place.kind === "zones")
    return place.values !== null || place.zones.some((zone) => OF_ROOM.includes(zone));
  if (place.kind !== "pattern" || !pattern) return false;
  return familyOf(pattern).followsLight?.(place.key) ?? false;
}

/** Whether a coat ends up elsewhere in another light. */
export const followsLight = (surface: Surface, { place, technique: { id } }: Coat): boolean =>
  placeFollowsLight(surface, place) ||
  (isTechniqueId(id) && (techniqueOf(id).followsLamp === true || techniqueOf(id).runsDown === true));

/** Whether a coat ends up elsewhere where things grow another way. */
const followsGrowth = ({ technique: { id } }: Coat): boolean =>
  isTechniqueId(id) && techniqueOf(id).followsGrowth === true;

const techniqueOf = (id: keyof typeof techniques): TechniqueDefinition => techniques[id];

/** Whether a place is told by light and shade as the surface's material has them. */
const followsVolumes = (surface: Surface, place: Place): boolean =>
  place.kind === "zones" ? place.values !== null : placeFollowsLight(surface, place);

/** What a painted light's share of a surface depends on: itself, and the earlier ones that are laid there, which it lies over. */
function shedKey(job: Job, surface: Surface, lightId: string): readonly string[] | null {
  const { sheds } = lightOf(job, surface);
  const at = sheds.findIndex(({ id }) => id === lightId);
  const laid = lightsLaidOn(surface);
  return at < 0
    ? null
    : sheds.filter(({ id }, of) => of === at || (of < at && laid.includes(id))).map(({ key }) => key);
}

/** Everything a coat's film depends on but the paint below it, as a text: equal texts, equal films. */
export function filmKey(job: Job, surface: Surface, coat: Coat, pitchMm: number): string {
  const { technique, water, passes, seed, place, overSeams } = coat;
  const pattern = patternKeyOf(job, surface, place);
  return JSON.stringify([
    surface.form,
    surface.seed,
    surface.relief,
    followsWear(place) ? surface.wear : null,
    followsVolumes(surface, place) ? surface.volumes : null,
    pattern,
    technique,
    water,
    passes,
    seed,
    place,
    overSeams,
    job.hand,
    followsLight(surface, coat) ? lightOf(job, surface).roomKey : null,
    place.kind === "zones" && place.shed ? shedKey(job, surface, place.shed.lightId) : null,
    followsGrowth(coat) ? growthOf(job, surface).key : null,
    isOfMarks(coat) ? (effortOf(job, surface)?.key ?? null) : null,
    pitchMm,
  ]);
}

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
  const builtUm = buildUp(films, grid.inside.length);
  const heights = new Float32Array(builtUm.length);
  for (let at = 0; at < heights.length; at++) heights[at] = grid.relief[at]! + builtUm[at]! * 0.001;
  return heights;
}

const shares = new WeakMap<FilmPlanes, Float32Array>();

/** Covered share of a film, 0…1 per cell; the same array whenever it is asked for. */
export function shareOf(film: FilmPlanes): Float32Array {
  let share = shares.get(film);
  if (!share) {
    share = new Float32Array(film.cover.length);
    for (let at = 0; at < share.length; at++) share[at] = film.cover[at]! / 255;
    shares.set(film, share);
  }
  return share;
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
    nearCover: near && shareOf(near),
    overSeams: coat.overSeams,
  };
  technique.lay(buffer, context, completeParams(technique.params, params), createRandom(coat.seed));
  return packFilm(buffer, insideSum, techniqueOf(id).raises === true);
}
