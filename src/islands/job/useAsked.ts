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

const NOTHING = { to: null, answer: null, tried: 0, problem: null };

/** Asks the worker whenever what is asked changes. @param input kept the same while nothing changes; null asks nothing */
export function useAsked<K extends QuestionId>(kind: K, input: QuestionInput<K> | null): Asked<K> {
  const [asked, setAsked] = useState<Asked<K> & { readonly to: QuestionInput<K> | null }>(NOTHING);
  useEffect(() => {
    if (!input) return;
    const worker = taskWorker();
    let id: number | null = null;
    const timer = setTimeout(() => {
      setAsked((now) => ({ ...now, to: input, tried: 0, problem: null }));
      id = worker.ask(kind, input, {
        progress: (tried) => setAsked((now) => ({ ...now, tried })),
        answer: (answer) => setAsked({ to: input, answer, tried: null, problem: null }),
        failed: (problem) => setAsked({ to: input, answer: null, tried: null, problem: messageOf(problem) }),
      });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      if (id === null) return;
      worker.forget(id);
      worker.cancel(id);
    };
  }, [kind, input]);
  const { to, ...known } = asked;
  // What is known is about the question before until this one is asked: it is not to be taken for its answer.
  return to === input ? known : { ...known, tried: 0, problem: null };
}
