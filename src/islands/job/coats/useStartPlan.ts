import { useCallback, useEffect, useState } from "react";
import type { Job, Paint } from "../../../core/job";
import type { SchemeId } from "../../../core/schemes";
import type { SchemeAnswers } from "../../../core/schemes/scheme";
import type { StartPlan, StartProgress } from "../../../core/schemes/start";
import { taskWorker } from "../../../worker/client";

export type Planned =
  | ({ readonly kind: "busy" } & StartProgress)
  | { readonly kind: "ready"; readonly plan: StartPlan }
  | { readonly kind: "failed"; readonly message: string }
  | { readonly kind: "stopped" };

/** Answers in a row are waited for this long before they are worked out. */
const PAUSE_MS = 150;
const BEGUN: Planned = { kind: "busy", done: 0, total: 1 };

export interface AskedPlan {
  readonly planned: Promise<Planned>;
  /** Ends the search at its next tone; the promise then tells "stopped". */
  readonly stop: () => void;
}

/** Works a scheme out in the worker; a plan of a surface, or why there is none. */
export function askPlan(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  schemeId: SchemeId,
  answers: SchemeAnswers,
  onProgress: (progress: StartProgress) => void = () => undefined,
): AskedPlan {
  let id = 0;
  const planned = new Promise<Planned>((resolve) => {
    const input = { job, paints, surfaceId, schemeId, answers };
    id = taskWorker().ask("start", input, {
      answer: (plan) => resolve({ kind: "ready", plan }),
      failed: (message) => resolve({ kind: "failed", message }),
      dropped: () => resolve({ kind: "stopped" }),
      progress: (done, total) => onProgress({ done, total }),
    });
  });
  return { planned, stop: () => taskWorker().cancel(id) };
}

export interface KeptPlan {
  readonly planned: Planned;
  /** The last plan there was: stays to be looked at until a newer one is there. */
  readonly last: StartPlan | null;
  readonly stop: () => void;
  readonly again: () => void;
}

/** Keeps a scheme worked out for a surface while its answers change; a changed answer stops the search before. */
export function useStartPlan(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  schemeId: SchemeId,
  answers: SchemeAnswers,
): KeptPlan {
  const [planned, setPlanned] = useState<Planned>(BEGUN);
  const [last, setLast] = useState<StartPlan | null>(null);
  const [round, setRound] = useState(0);
  const [running, setRunning] = useState<AskedPlan | null>(null);
  const { age, look, colour } = answers;
  useEffect(() => {
    let asked: AskedPlan | null = null;
    const timer = setTimeout(() => {
      setPlanned(BEGUN);
      asked = askPlan(job, paints, surfaceId, schemeId, { age, look, colour }, (progress) => {
        if (asked) setPlanned({ kind: "busy", ...progress });
      });
      setRunning(asked);
      const own = asked;
      void own.planned.then((made) => {
        if (asked !== own) return;
        setPlanned(made);
        if (made.kind === "ready") setLast(made.plan);
      });
    }, PAUSE_MS);
    return () => {
      asked?.stop();
      asked = null;
      clearTimeout(timer);
    };
  }, [job, paints, surfaceId, schemeId, age, look, colour, round]);
  const stop = useCallback(() => running?.stop(), [running]);
  const again = useCallback(() => setRound((now) => now + 1), []);
  return { planned, last, stop, again };
}
