import { useEffect, useMemo } from "react";
import { create } from "zustand";
import { paintedCards, type PaintedCard } from "../../core/checks/painted";
import type { Job, Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { taskWorker } from "../../worker/client";
import type { Judgement } from "../../worker/questions/judge";
import { useHistory } from "./historyStore";
import { useDesign, usePainter, usePaints } from "./jobStore";
import { useSimulation } from "./useSimulation";

interface Judged extends Judgement {
  /** Job these are of; null before the first answer. */
  readonly jobId: string | null;
  /** Job whose cards and findings are there already, while remedies are still being tried. */
  readonly counted: string | null;
  /** Whether remedies are still being tried. */
  readonly trying: boolean;
  /** Whether they are of the newest edit: else they are being thought over. */
  readonly settled: boolean;
  /** Why they could not be worked out. */
  readonly failure: string | null;
}

const NOTHING: Judged = {
  ...{ jobId: null, counted: null, findings: [], cards: [], facts: {} },
  ...{ trying: false, settled: false, failure: null },
};

/** Findings, cards and numbers of patterns, as the worker last told them. */
export const useJudged = create<Judged>()(() => NOTHING);

let asked = 0;

/** What a judgement is asked of. */
export interface Judging {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly painter: Painter;
  readonly painted: readonly PaintedCard[];
}

function ask(judging: Judging): void {
  const { setState } = useJudged;
  const started = performance.now();
  asked = taskWorker().ask("judge", judging, {
    part: (first) => setState({ ...first, counted: judging.job.id, trying: true }),
    answer: (judgement) => {
      performance.mark("crenna-judged", { detail: performance.now() - started });
      const jobId = judging.job.id;
      setState({ ...judgement, jobId, counted: jobId, trying: false, settled: true, failure: null });
    },
    failed: (failure) => setState({ failure, trying: false, settled: true }),
  });
}

/** What is asked for once the newest edit can be seen; what it replaces is not asked at all. */
let stopWaiting: (() => void) | null = null;

/** The longest a judgement waits for the picture of its edit, ms. */
const LONGEST_WAIT_MS = 400;

/** Calls back when the newest edit can be seen: the picture comes first, and both think on the same few cores. */
function onceSeen(then: () => void): void {
  if (useSimulation.getState().seen) {
    then();
    return;
  }
  const go = () => {
    stopWaiting?.();
    then();
  };
  const off = useSimulation.subscribe(({ seen }) => seen && go());
  const timer = setTimeout(go, LONGEST_WAIT_MS);
  stopWaiting = () => {
    off();
    clearTimeout(timer);
    stopWaiting = null;
  };
}

/** Asks for the judgement of a job, after its picture; it replaces the one asked for before. */
export function askJudgement(judging: Judging): void {
  const { setState, getState } = useJudged;
  stopWaiting?.();
  if (asked > 0) {
    taskWorker().cancel(asked);
    taskWorker().forget(asked);
  }
  if (getState().jobId === judging.job.id) setState({ settled: false });
  else setState({ ...NOTHING });
  onceSeen(() => ask(judging));
}

/** Keeps the judgement in step with the job. Used once, by the job's frame, after the picture is asked for. */
export function useKeepJudged(): void {
  const design = useDesign();
  const paints = usePaints();
  const painter = usePainter();
  const { log } = useHistory();
  const painted = useMemo(() => paintedCards(log), [log]);
  useEffect(
    () => askJudgement({ job: design, paints, painter, painted }),
    [design, paints, painter, painted],
  );
}
