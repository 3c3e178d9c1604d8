import { useEffect, useState } from "react";
import { simulationWorker } from "../../../worker/client";
import type { FigureJudgedInput } from "../../../worker/figurePictured";
import type { QuestionAnswer } from "../../../worker/protocol";

/** What is asked of a figure as one. */
type FigureQuestion = "figureJudged" | "figureOtherwise";

/** What is known of an answer. */
export interface FigureAnswer<A> {
  /** The newest there is; the one before until the next has come. */
  readonly answer: A | null;
  readonly failed: string | null;
  /** The question whose last word has come. */
  readonly done: FigureJudgedInput | null;
}

/** Asks the worker that paints the figure, as its pieces are there already; stops it once nobody looks. */
export function useFigureAnswer<K extends FigureQuestion>(
  kind: K,
  asked: FigureJudgedInput,
  wanted = true,
): FigureAnswer<QuestionAnswer<K>> {
  const [seen, setSeen] = useState<FigureAnswer<QuestionAnswer<K>>>({
    answer: null,
    failed: null,
    done: null,
  });
  useEffect(() => {
    if (!wanted) return;
    const worker = simulationWorker();
    const id = worker.ask(kind, asked, {
      answer: (answer) => setSeen({ answer, failed: null, done: asked }),
      dropped: () => setSeen((now) => ({ ...now, done: asked })),
      failed: (failed) => setSeen({ answer: null, failed, done: asked }),
    });
    return () => {
      worker.forget(id);
      worker.cancel(id);
    };
  }, [kind, asked, wanted]);
  return seen;
}
