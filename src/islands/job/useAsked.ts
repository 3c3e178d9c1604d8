import { useEffect, useState } from "react";
import { messageOf } from "../../ui/api";
import { taskWorker } from "../../worker/client";
import type { QuestionAnswer, QuestionInput } from "../../worker/protocol";
import type { QuestionId } from "../../worker/questions";

/** Changes in a row are waited for this long before the worker is asked, ms. */
const PAUSE_MS = 250;

/** What is known of a question to the worker. */
export interface Asked<K extends QuestionId> {
  /** The last that was worked out; it stays until a newer one is there. */
  readonly answer: QuestionAnswer<K> | null;
  /** How many steps are done while it is worked out anew; null when nothing is. */
  readonly tried: number | null;
  readonly problem: string | null;
}

/** Asks the worker whenever what is asked changes. @param input kept the same while nothing changes; null asks nothing */
export function useAsked<K extends QuestionId>(kind: K, input: QuestionInput<K> | null): Asked<K> {
  const [asked, setAsked] = useState<Asked<K>>({ answer: null, tried: 0, problem: null });
  useEffect(() => {
    if (!input) return;
    const worker = taskWorker();
    let id: number | null = null;
    const timer = setTimeout(() => {
      setAsked((now) => ({ ...now, tried: 0, problem: null }));
      id = worker.ask(kind, input, {
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
  }, [kind, input]);
  return asked;
}
