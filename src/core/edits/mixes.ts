import type { Coat, Job, Mix, MixPart, Paint, PatternUse, Surface } from "../job";
import { mixesIn } from "../patterns/mixes";

const namesMix = (pattern: PatternUse | null, mixId: string): boolean => mixesIn(pattern).includes(mixId);

/** Every coat a surface keeps: painted, held back, parked by its pattern, in variants. */
export const keptCoats = (surface: Surface): readonly Coat[] => [
  ...surface.coats,
  ...surface.parked,
  ...surface.variants.flatMap((variant) => variant.coats),
];

/** Whether anything that is painted or kept beside it names a mix; coats parked by a pattern get theirs anew. */
const wanted = (job: Job, mixId: string): boolean =>
  job.surfaces.some((surface) =>
    [surface, ...surface.variants].some(
      ({ pattern, coats }) => namesMix(pattern, mixId) || coats.some((coat) => coat.mixId === mixId),
    ),
  );

/**
 * The job without mixes that a pattern had made for itself (their ids begin with their surface's) and that an edit left
 * without use; the painter's own mixes stay.
 * @param kept mixes that are wanted for other reasons: a well was begun for them
 */
export function withoutSpareMixes(job: Job, previous: Job, kept: ReadonlySet<string> = new Set()): Job {
  const own = (id: string) => job.surfaces.some((surface) => id.startsWith(`${surface.id}-`));
  const spare = new Set(
    previous.surfaces.flatMap(({ id, pattern }) => {
      const now = job.surfaces.find((surface) => surface.id === id);
      if (!pattern || now?.pattern === pattern) return [];
      return mixesIn(pattern).filter((mixId) => own(mixId) && !kept.has(mixId) && !wanted(job, mixId));
    }),
  );
  return spare.size === 0 ? job : { ...job, mixes: job.mixes.filter((mix) => !spare.has(mix.id)) };
}

/** Whether anything of the job names a mix: a coat, painted or kept, a pattern, a variant. */
export const mixInUse = (job: Job, mixId: string): boolean =>
  job.surfaces.some(
    (surface) =>
      keptCoats(surface).some((coat) => coat.mixId === mixId) ||
      [surface, ...surface.variants].some(({ pattern }) => namesMix(pattern, mixId)),
  );

/** An id for a mix more. */
export function freeMixId({ mixes }: Pick<Job, "mixes">): string {
  let number = mixes.length + 1;
  while (mixes.some((mix) => mix.id === `mix-${number}`)) number++;
  return `mix-${number}`;
}

/** The job with a mix more. */
export const withNewMix = (
  job: Job,
  name: string,
  parts: readonly MixPart[],
  water: number,
  goal: string | null = null,
): Job => ({
  ...job,
  mixes: [...job.mixes, { id: freeMixId(job), name: name.slice(0, 80).trim(), parts, water, goal }],
});

/** The mix that is nothing but one part of a pot; undefined where the job has none. */
const mixOfPot = ({ mixes }: Pick<Job, "mixes">, paintId: string): Mix | undefined =>
  mixes.find(({ parts }) => parts.length === 1 && parts[0]!.paintId === paintId);

/** The job with a mix that is a pot as it comes, and that mix; the same job where it has one already. */
export function withPotMix(job: Job, paint: Paint): { readonly job: Job; readonly mixId: string } {
  const there = mixOfPot(job, paint.id);
  if (there) return { job, mixId: there.id };
  const mixId = freeMixId(job);
  return { job: withNewMix(job, paint.name, [{ paintId: paint.id, parts: 1 }], 1), mixId };
}
