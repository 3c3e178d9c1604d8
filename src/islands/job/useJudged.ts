import { useEffect } from "react";
import { create } from "zustand";
import type { Job, Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { taskWorker } from "../../worker/client";
import type { Judgement } from "../../worker/questions/judge";
import { useDesign, usePainter, usePaints } from "./jobStore";

interface Judged extends Judgement {
  /** Job these are of; null before the first answer. */
  readonly jobId: string | null;
  /** Whether they are of the newest edit: else they are being thought over. */
  readonly settled: boolean;
  /** Why they could not be worked out. */
  readonly failure: string | null;
}

const NOTHING: Judged = { jobId: null, findings: [], cards: [], facts: {}, settled: false, failure: null };

/** Findings, cards and numbers of patterns, as the worker last told them. */
export const useJudged = create<Judged>()(() => NOTHING);

let asked = 0;

/** Asks for the judgement of a job; it replaces the one asked for before. */
export function askJudgement(job: Job, paints: readonly Paint[], painter: Painter): void {
  const { setState, getState } = useJudged;
  const worker = taskWorker();
  if (asked > 0) {
    worker.cancel(asked);
    worker.forget(asked);
  }
  if (getState().jobId === job.id) setState({ settled: false });
  else setState({ ...NOTHING });
  const started = performance.now();
  asked = worker.ask(
    "judge",
    { job, paints, painter },
    {
      answer: (judgement) => {
        performance.mark("crenna-judged", { detail: performance.now() - started });
        setState({ ...judgement, jobId: job.id, settled: true, failure: null });
      },
      failed: (failure) => setState({ failure, settled: true }),
    },
  );
}

/** Keeps the judgement in step with the job. Used once, by the job's frame. */
export function useKeepJudged(): void {
  const design = useDesign();
  const paints = usePaints();
  const painter = usePainter();
  useEffect(() => askJudgement(design, paints, painter), [design, paints, painter]);
}
