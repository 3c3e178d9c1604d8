import { figureOf, mixById, type Job, type Paint, type PatternUse, type Surface } from "../job";
import { familyIn } from "../patterns";
import { deriveCoats } from "../patterns/derive";
import { mixesIn, renamedMixes } from "../patterns/mixes";
import { asFigure } from "./figures";
import { withSurface } from "./surfaces";

/** A surface as it would look otherwise, to be laid beside itself. */
export interface Beside {
  readonly key: string;
  readonly title: string;
  /** The whole job in which the surface looks so. */
  readonly job: Job;
}

/** Most pictures laid side by side. */
export const MOST_BESIDE = 12;

/** Mix of the first coat that will be painted; null where there is none. */
export const baseMixOf = (surface: Surface): string | null =>
  surface.coats.find((coat) => !coat.held)?.mixId ?? null;

function rebased(pattern: PatternUse, mixId: string, swap: (id: string) => string): PatternUse {
  const family = familyIn({ pattern });
  return family?.withBase
    ? { ...pattern, params: family.withBase(pattern.params, mixId) }
    : renamedMixes(pattern, swap);
}

/** The job with one surface's base painted in another mix: coats in the old base's mix follow, as does its pattern. */
export function withBaseTone(job: Job, paints: readonly Paint[], surfaceId: string, mixId: string): Job {
  const surface = job.surfaces.find((one) => one.id === surfaceId);
  const before = surface ? baseMixOf(surface) : null;
  if (!surface || before === null || before === mixId) return job;
  const swap = (id: string) => (id === before ? mixId : id);
  // Coats of a pattern follow from it; a base of the painter's own stands for itself.
  const changed = withSurface(job, surfaceId, (now) =>
    now.pattern && mixesIn(now.pattern).includes(before)
      ? { ...now, pattern: rebased(now.pattern, mixId, swap) }
      : { ...now, coats: now.coats.map((coat) => ({ ...coat, mixId: swap(coat.mixId) })) },
  );
  return deriveCoats(changed, paints, job);
}

/** The surface in each of some base tones, the present one first. */
export function baseTones(
  job: Job,
  paints: readonly Paint[],
  surface: Surface,
  mixIds: readonly string[],
): Beside[] {
  const own = baseMixOf(surface);
  const all = [...new Set([...(own === null ? [] : [own]), ...mixIds])].slice(0, MOST_BESIDE);
  return all.flatMap((mixId) => {
    const mix = mixById(job, mixId);
    return mix ? [{ key: mixId, title: mix.name, job: withBaseTone(job, paints, surface.id, mixId) }] : [];
  });
}

/** The surface on each figure of its unit, up to a dozen. */
export function unitSideBySide(job: Job, paints: readonly Paint[], surface: Surface): Beside[] {
  const count = Math.min(MOST_BESIDE, figureOf(job, surface).count);
  return Array.from({ length: count }, (_, at) => ({
    key: `figure-${at + 1}`,
    title: `Figure ${at + 1}`,
    job: asFigure(job, paints, at + 1),
  }));
}
