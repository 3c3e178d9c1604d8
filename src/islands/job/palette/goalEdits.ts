import type { Job, Reference, Goal } from "../../../core/job";

const MOST_GOALS = 200;

/** The job with goals more, under free ids. */
export function withGoals(job: Job, added: readonly Omit<Goal, "id">[]): Job {
  const taken = new Set(job.goals.map((goal) => goal.id));
  let number = 1;
  const goals = added.slice(0, MOST_GOALS - job.goals.length).map((goal): Goal => {
    while (taken.has(`goal-${number}`)) number++;
    taken.add(`goal-${number}`);
    return { id: `goal-${number}`, ...goal };
  });
  return { ...job, goals: [...job.goals, ...goals] };
}

export const changeGoal = (job: Job, id: string, change: Partial<Omit<Goal, "id">>): Job => ({
  ...job,
  goals: job.goals.map((goal) => (goal.id === id ? { ...goal, ...change } : goal)),
});

export const withoutGoal = (job: Job, id: string): Job => ({
  ...job,
  goals: job.goals.filter((goal) => goal.id !== id),
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

/** The job without a picture; the goals taken from it stay. */
export const withoutReference = (job: Job, id: string): Job => ({
  ...job,
  references: job.references.filter((one) => one.id !== id),
  goals: job.goals.map((goal) => (goal.referenceId === id ? { ...goal, referenceId: null } : goal)),
});
