import { opticsOfMix } from "../colour/appearance";
import { masstone } from "../colour/film";
import { spectrumToLab } from "../colour/spaces";
import {
  activeCoats,
  inZones,
  mixById,
  type Coat,
  type Job,
  type Mix,
  type Paint,
  type Surface,
} from "../job";
import { hashText } from "../random";
import { isTechniqueId, techniques } from "../techniques";
import type { TechniqueDefinition } from "../techniques/technique";

const TOGETHER = "together";
const coatId = (surfaceId: string): string => `${surfaceId}-${TOGETHER}`;

/** Whether a coat is the dry brush that brings all parts of its figure together. */
export const isTogether = (surfaceId: string, id: string): boolean => id === coatId(surfaceId);

/** The dry brush is so much lighter than the figure's paints are on the whole, L*, and as dull as its paints allow. */
const [LIGHTER, CHROMA_WEIGHS] = [24, 0.5] as const;
/** Techniques whose mixes say nothing of how light a figure is. */
const isSeen = ({ technique: { id } }: Coat): boolean => {
  if (!isTechniqueId(id)) return false;
  const definition: TechniqueDefinition = techniques[id];
  return !definition.unseen && !definition.potKinds;
};

const labOf = (mix: Mix, paints: readonly Paint[]) => spectrumToLab(masstone(opticsOfMix(mix, paints)));

const mixesOf = (job: Job, surfaces: readonly Surface[]): Mix[] => [
  ...new Set(
    surfaces
      .flatMap((surface) => activeCoats(surface).filter(isSeen))
      .map(({ mixId }) => mixById(job, mixId))
      .filter((mix) => mix !== undefined),
  ),
];

/**
 * The mix that brings a figure's parts together: of those it is painted in the one that is lighter than all of them on
 * the whole by as much as a last light is, the duller of two; null where it has none.
 */
export function togetherMix(job: Job, figureId: string, paints: readonly Paint[]): Mix | null {
  const surfaces = job.surfaces.filter((surface) => surface.figureId === figureId);
  const told = mixesOf(job, surfaces).map((mix) => ({ mix, lab: labOf(mix, paints) }));
  if (told.length === 0) return null;
  const goal = told.reduce((sum, { lab }) => sum + lab[0], 0) / told.length + LIGHTER;
  const off = ([l, a, b]: readonly [number, number, number]) =>
    Math.abs(l - goal) + CHROMA_WEIGHS * Math.hypot(a, b);
  return told.reduce((best, one) => (off(one.lab) < off(best.lab) ? one : best)).mix;
}

/** A figure without the dry brush over all of it. */
export const apartAgain = (job: Job, figureId: string): Job => ({
  ...job,
  surfaces: job.surfaces.map((one) =>
    one.figureId === figureId
      ? { ...one, coats: one.coats.filter(({ id }) => !isTogether(one.id, id)) }
      : one,
  ),
});

/** Before varnish and what is glued on last. */
function placeOf(coats: readonly Coat[]): number {
  const after = coats.findLastIndex(({ technique: { id } }) => {
    const definition: TechniqueDefinition | null = isTechniqueId(id) ? techniques[id] : null;
    return definition === null || (!definition.unseen && !definition.comesLast);
  });
  return after + 1;
}

/**
 * One more light dry brush over all parts of a figure in one mix, after they are put together, so that their light is one;
 * before varnish and tufts. The same job where the figure has no paint yet.
 */
export function broughtTogether(given: Job, figureId: string, paints: readonly Paint[]): Job {
  const job = apartAgain(given, figureId);
  const mix = togetherMix(job, figureId, paints);
  if (!mix) return given;
  const brushed = (surface: Surface): Surface => {
    if (surface.figureId !== figureId || activeCoats(surface).length === 0) return surface;
    const coat: Coat = {
      ...{ id: coatId(surface.id), name: "Brought together, all parts at once", mixId: mix.id },
      technique: {
        id: "dry-brush",
        version: techniques["dry-brush"].version,
        params: { reach: 35, load: 22 },
      },
      ...{ water: 0, passes: 1, held: false, event: null, role: null, overSeams: true },
      // From the same side on all of it, and least in its shade.
      place: inZones([], 0, { values: { from: 0.45, to: 1, fade: 0.4 } }),
      seed: hashText(coatId(surface.id)) % 1_000_000,
    };
    const at = placeOf(surface.coats);
    return { ...surface, coats: [...surface.coats.slice(0, at), coat, ...surface.coats.slice(at)] };
  };
  return { ...job, surfaces: job.surfaces.map(brushed) };
}
