import { useRef, useState } from "react";
import { changeOf, type PlanChange } from "../../core/learning/changes";
import type { Learned } from "../../core/learning/learned";
import type { Job, Paint } from "../../core/job";
import type { LearntKey, Painter } from "../../core/painter";
import type { Card } from "../../core/plan/cards";
import { call, messageOf } from "../../ui/api";
import { deskWorker } from "../deskWorker";

/** What one number changes in one job. */
export interface JobChange extends PlanChange {
  readonly job: string;
}

/** Changes by number; jobs in which it changes nothing are left out. */
export type Changes = ReadonlyMap<LearntKey, readonly JobChange[]>;

const cardsOf = (job: Job, paints: readonly Paint[], painter: Painter): Promise<readonly Card[]> =>
  new Promise((resolve, reject) => {
    deskWorker().ask("cards", { job, paints, painter }, { answer: resolve, failed: reject });
  });

/** Looks through the plans of all jobs, one after another, on demand. */
export function usePlanChanges(learned: readonly Learned[]) {
  const [changes, setChanges] = useState<Changes | null>(null);
  const [left, setLeft] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** How often it was begun or stopped: a look goes on as long as it is the newest. */
  const round = useRef(0);
  const look = async () => {
    const own = ++round.current;
    setProblem(null);
    const found = new Map<LearntKey, JobChange[]>();
    try {
      const { jobs } = await call<{ jobs: { id: string }[] }>("/api/jobs");
      for (const [at, { id }] of jobs.entries()) {
        setLeft(jobs.length - at);
        const known = await call<{ job: Job; paints: Paint[]; painter: Painter }>(`/api/jobs/${id}`);
        const cards = await cardsOf(known.job, known.paints, known.painter);
        if (round.current !== own) return;
        for (const { key, own, value, state } of learned) {
          if (state !== "followed") continue;
          const change = changeOf(cards, key, own, value);
          if (change.cards > 0)
            found.set(key, [...(found.get(key) ?? []), { job: known.job.name, ...change }]);
        }
        setChanges(new Map(found));
      }
    } catch (error) {
      setProblem(messageOf(error));
    }
    setLeft(null);
  };
  const stop = () => {
    round.current++;
    setLeft(null);
  };
  return { changes, left, problem, look: () => void look(), stop };
}
