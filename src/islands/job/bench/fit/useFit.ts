import { useEffect, useMemo, useState } from "react";
import { isDone } from "../../../../core/plan/progress";
import { messageOf } from "../../../../ui/api";
import { taskWorker } from "../../../../worker/client";
import type { FitAnswer } from "../../../../worker/questions/fit";
import { useHistory } from "../../historyStore";
import { useDesign, usePainter, usePaints } from "../../jobStore";
import { useCards } from "../../useStageStates";

/** Minutes typed in a row are waited for this long, ms. */
const PAUSE_MS = 300;

export interface AskedFit {
  readonly answer: FitAnswer | null;
  /** How many ways are painted while it is worked out; null when nothing is. */
  readonly tried: number | null;
  readonly problem: string | null;
}

/** Asks the worker what to leave out of a figure so that it takes no more than some minutes. */
export function useFit(figureId: string, minutes: number): AskedFit {
  const job = useDesign();
  const paints = usePaints();
  const painter = usePainter();
  const cards = useCards();
  const { log } = useHistory();
  const [asked, setAsked] = useState<AskedFit>({ answer: null, tried: 0, problem: null });
  const input = useMemo(
    () => ({
      ...{ job, paints, painter, figureId, minutes },
      painted: cards.filter((card) => isDone(card, log)).map(({ id }) => id),
    }),
    [job, paints, painter, figureId, minutes, cards, log],
  );
  useEffect(() => {
    const worker = taskWorker();
    let id: number | null = null;
    const timer = setTimeout(() => {
      setAsked((now) => ({ ...now, tried: 0, problem: null }));
      id = worker.ask("fit", input, {
        progress: (tried) => setAsked((now) => ({ ...now, tried })),
        answer: (answer) => setAsked({ answer, tried: null, problem: null }),
        failed: (problem) => setAsked({ answer: null, tried: null, problem: messageOf(problem) }),
      });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      if (id === null) return;
      worker.forget(id);
      worker.cancel(id);
    };
  }, [input]);
  return asked;
}
