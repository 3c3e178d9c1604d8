import type { Job, Reference, Target } from "../../../core/job";

const MOST_TARGETS = 200;

/** The job with targets more, under free ids. */
export function withTargets(job: Job, added: readonly Omit<Target, "id">[]): Job {
  const taken = new Set(job.targets.map((target) => target.id));
  let number = 1;
  const targets = added.slice(0, MOST_TARGETS - job.targets.length).map((target): Target => {
    while (taken.has(`target-${number}`)) number++;
    taken.add(`target-${number}`);
    return { id: `target-${number}`, ...target };
  });
  return { ...job, targets: [...job.targets, ...targets] };
}

export const changeTarget = (job: Job, id: string, change: Partial<Omit<Target, "id">>): Job => ({
  ...job,
  targets: job.targets.map((target) => (target.id === id ? { ...target, ...change } : target)),
});

export const withoutTarget = (job: Job, id: string): Job => ({
  ...job,
  targets: job.targets.filter((target) => target.id !== id),
});

/** The job with a picture more, under a free id. */
export function withReference(job: Job, reference: Omit<Reference, "id">): Job {
  const taken = new Set(job.references.map((one) => one.id));
  let number = 1;
  while (taken.has(`picture-${number}`)) number++;
  return { ...job, references: [...job.references, { id: `picture-${number}`, ...reference }] };
}

export const changeReference = (job: Job, id: string, change: Partial<Omit<Reference, "id">>): Job => ({
  ...job,
  references: job.references.map((one) => (one.id === id ? { ...one, ...change } : one)),
});

/** The job without a picture; the targets taken from it stay. */
export const withoutReference = (job: Job, id: string): Job => ({
  ...job,
  references: job.references.filter((one) => one.id !== id),
  targets: job.targets.map((target) =>
    target.referenceId === id ? { ...target, referenceId: null } : target,
  ),
});
