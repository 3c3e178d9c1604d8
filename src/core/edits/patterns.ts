import { figureOf, type Job, type Paint, type Surface } from "../job";
import { familyOf } from "../patterns";
import { deriveCoats, mergeCoats } from "../patterns/derive";
import { withoutOver } from "../schemes/lightOver";
import { buildForm } from "../surface/forms/buildForm";
import { withSurface } from "./surfaces";

/** The one plain base coat that a new surface comes with. */
const isBareBase = ({ coats }: Surface): boolean =>
  coats.length === 1 &&
  coats[0]!.role === null &&
  coats[0]!.technique.id === "base-coat" &&
  coats[0]!.place.kind === "everywhere";

/**
 * Gives a surface a pattern. Coats that lie there stay below it; the plain base coat of a new surface makes way for
 * the pattern's own.
 * @param given settings to start from; as the family starts where left out
 * @throws InputError where the surface's sizes cannot be built
 */
export function putPattern(
  job: Job,
  surfaceId: string,
  familyId: string,
  paints: readonly Paint[],
  given?: unknown,
): Job {
  const surface = job.surfaces.find((one) => one.id === surfaceId);
  if (!surface) return job;
  const family = familyOf({ id: familyId });
  const { hand, mixes } = job;
  const figure = figureOf(job, surface);
  const params = given ?? family.start({ form: buildForm(surface), hand, figure, mixes, seed: surface.seed });
  const own = isBareBase(surface) ? [] : surface.coats;
  const started = withSurface(job, surfaceId, (now) => ({
    ...now,
    pattern: { id: family.id, version: family.version, params },
    volumes: family.material ? { ...now.volumes, material: family.material } : now.volumes,
    coats: [],
  }));
  const derived = deriveCoats(started, paints, null);
  return withSurface(derived, surfaceId, (now) => ({ ...now, coats: [...own, ...now.coats] }));
}

/**
 * Takes a surface's pattern off; its coats are parked and come back as they were with the same pattern. Light and shade
 * that was laid over it goes with it: it lies within marks that are not there any more.
 */
export function takePatternOff(surface: Surface): Surface {
  const bare = withoutOver(surface);
  return { ...bare, ...mergeCoats(bare, [], null), pattern: null };
}

/** The surface with its pattern's settings changed; the same surface where it has no pattern. */
export const withParams = (surface: Surface, change: (params: unknown) => unknown): Surface =>
  surface.pattern
    ? { ...surface, pattern: { ...surface.pattern, params: change(surface.pattern.params) } }
    : surface;
