import { useEffect, useRef, useState } from "react";
import type { SeenAs } from "../../../../core/colour/seenAs";
import type { Triple } from "../../../../core/colour/spaces";
import type { Job, Paint } from "../../../../core/job";
import { taskWorker } from "../../../../worker/client";
import { useJob } from "../../jobStore";
import type { MixAnswer } from "../../../../worker/paletteTasks";

export interface Busy {
  readonly kind: "busy";
  readonly done: number;
  readonly total: number;
}
export type Found =
  | Busy
  | { readonly kind: "found"; readonly answer: MixAnswer; readonly goal: Triple }
  | { readonly kind: "failed"; readonly message: string }
  | null;

/** What an answer depends on of the shelf. */
export const shelfKey = (paints: readonly Paint[]): string =>
  paints.map(({ id, state }) => `${id} ${state}`).join();

/** Paints that can be mixed and are at hand. */
export const atHand = (paints: readonly Paint[]): Paint[] =>
  paints.filter(
    (paint) =>
      (paint.kind === "paint" || paint.kind === "clear" || paint.kind === "ink") &&
      (paint.state === "have" || paint.state === "low"),
  );

const inUse = ({ mixes }: Pick<Job, "mixes">): string[] => [
  ...new Set(mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId))),
];

/**
 * Searches whole-part mixes in a worker; a newer question takes the place of an older one, and an answer goes as soon
 * as its question is another one.
 * @param question everything the answer depends on, as a text
 */
export function useFoundMixes(question: string) {
  const [state, setState] = useState<{ readonly of: string; readonly found: Found }>({ of: "", found: null });
  const setFound = (found: Found) => setState({ of: question, found });
  const found = state.of === question ? state.found : null;
  const asked = useRef<number | null>(null);
  const cancel = () => {
    if (asked.current !== null) {
      taskWorker().cancel(asked.current);
      taskWorker().forget(asked.current);
    }
    asked.current = null;
    setFound(null);
  };
  useEffect(
    () => () => {
      // Nobody waits any more for the answer to a question that was left or changed.
      if (asked.current === null) return;
      taskWorker().cancel(asked.current);
      taskWorker().forget(asked.current);
      asked.current = null;
    },
    [question],
  );
  const job = useJob();
  const ask = (paints: readonly Paint[], goal: Triple, seen?: SeenAs) => {
    cancel();
    setFound({ kind: "busy", done: 0, total: 1 });
    asked.current = taskWorker().ask(
      "mixes",
      { paints, goal, inUse: inUse(job), ...(seen ? { seen } : {}) },
      {
        progress: (done, total) => setFound({ kind: "busy", done, total }),
        answer: (answer) => setFound({ kind: "found", answer, goal }),
        failed: (message) => setFound({ kind: "failed", message }),
      },
    );
  };
  return { found, busy: found?.kind === "busy", ask, cancel };
}
