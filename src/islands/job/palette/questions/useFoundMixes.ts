import { useEffect, useRef, useState } from "react";
import type { SeenAs } from "../../../../core/colour/seenAs";
import type { Triple } from "../../../../core/colour/spaces";
import type { Paint } from "../../../../core/job";
import { taskWorker } from "../../../../worker/client";
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

/** Paints that can be mixed and are at hand. */
export const atHand = (paints: readonly Paint[]): Paint[] =>
  paints.filter(
    (paint) =>
      (paint.kind === "paint" || paint.kind === "clear" || paint.kind === "ink") &&
      (paint.state === "have" || paint.state === "low"),
  );

/** Searches whole-part mixes in a worker; a newer question takes the place of an older one. */
export function useFoundMixes() {
  const [found, setFound] = useState<Found>(null);
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
      if (asked.current !== null) taskWorker().cancel(asked.current);
    },
    [],
  );
  const ask = (paints: readonly Paint[], goal: Triple, seen?: SeenAs) => {
    cancel();
    setFound({ kind: "busy", done: 0, total: 1 });
    asked.current = taskWorker().ask(
      "mixes",
      { paints, goal, ...(seen ? { seen } : {}) },
      {
        progress: (done, total) => setFound({ kind: "busy", done, total }),
        answer: (answer) => setFound({ kind: "found", answer, goal }),
        failed: (message) => setFound({ kind: "failed", message }),
      },
    );
  };
  return { found, busy: found?.kind === "busy", ask, cancel };
}
