import { useCallback, useEffect, useState } from "react";
import type { Told } from "../../../core/ageing/told";
import type { Job, Paint } from "../../../core/job";
import type { SchemeId } from "../../../core/schemes";
import type { Look, SchemeAnswers } from "../../../core/schemes/scheme";
import type { GlowPlan } from "../../../core/schemes/glow";
import type { StartPlan, StartProgress } from "../../../core/schemes/start";
import { taskWorker } from "../../../worker/client";

export type Planned<P extends StartPlan = StartPlan> =
  | ({ readonly kind: "busy" } & StartProgress)
  | { readonly kind: "ready"; readonly plan: P }
  | { readonly kind: "failed"; readonly message: string }
  | { readonly kind: "stopped" };

/** Answers in a row are waited for this long before they are worked out. */
const PAUSE_MS = 150;
const BEGUN = { kind: "busy", done: 0, total: 1 } as const;

export interface AskedPlan<P extends StartPlan = StartPlan> {
  readonly planned: Promise<Planned<P>>;
  /** Ends the search at its next tone; the promise then tells "stopped". */
  readonly stop: () => void;
}

/** Hears of a plan that a worker was asked for. */
interface PlanHearing<P extends StartPlan> {
  readonly answer: (plan: P) => void;
  readonly failed: (message: string) => void;
  readonly dropped: () => void;
  readonly progress: (done: number, total: number) => void;
}

/** A plan that the worker is asked for, or why there is none. @param ask gives the question's number */
function asked<P extends StartPlan>(
  ask: (hearing: PlanHearing<P>) => number,
  onProgress: (progress: StartProgress) => void,
): AskedPlan<P> {
  let id = 0;
  const planned = new Promise<Planned<P>>((resolve) => {
    id = ask({
      answer: (plan) => resolve({ kind: "ready", plan }),
      failed: (message) => resolve({ kind: "failed", message }),
      dropped: () => resolve({ kind: "stopped" }),
      progress: (done, total) => onProgress({ done, total }),
    });
  });
  return { planned, stop: () => taskWorker().cancel(id) };
}

type AskPlan<P extends StartPlan = StartPlan> = (
  onProgress: (progress: StartProgress) => void,
) => AskedPlan<P>;

/** Works a scheme out in the worker. */
export function askPlan(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  schemeId: SchemeId,
  answers: SchemeAnswers,
  onProgress: (progress: StartProgress) => void = () => undefined,
): AskedPlan {
  const input = { job, paints, surfaceId, schemeId, answers };
  return asked((hearing) => taskWorker().ask("start", input, hearing), onProgress);
}

export interface KeptPlan<P extends StartPlan = StartPlan> {
  readonly planned: Planned<P>;
  /** The last plan there was: stays to be looked at until a newer one is there. */
  readonly last: P | null;
  readonly stop: () => void;
  readonly again: () => void;
}

/** Keeps what is asked worked out; another question stops the search before. @param ask the same while nothing changes */
function useKept<P extends StartPlan>(ask: AskPlan<P>): KeptPlan<P> {
  // An answer is one to its own question: once that has changed it is no plan that could be laid.
  const [answered, setAnswered] = useState<{ readonly to: AskPlan<P>; readonly planned: Planned<P> } | null>(
    null,
  );
  const [last, setLast] = useState<P | null>(null);
  const [round, setRound] = useState(0);
  const [running, setRunning] = useState<AskedPlan<P> | null>(null);
  useEffect(() => {
    let current: AskedPlan<P> | null = null;
    const setPlanned = (planned: Planned<P>) => setAnswered({ to: ask, planned });
    const timer = setTimeout(() => {
      setPlanned(BEGUN);
      current = ask((progress) => {
        if (current) setPlanned({ kind: "busy", ...progress });
      });
      setRunning(current);
      const own = current;
      void own.planned.then((made) => {
        if (current !== own) return;
        setPlanned(made);
        if (made.kind === "ready") setLast(made.plan);
      });
    }, PAUSE_MS);
    return () => {
      current?.stop();
      current = null;
      clearTimeout(timer);
    };
  }, [ask, round]);
  const stop = useCallback(() => running?.stop(), [running]);
  const again = useCallback(() => setRound((now) => now + 1), []);
  return { planned: answered?.to === ask ? answered.planned : BEGUN, last, stop, again };
}

/** Keeps a scheme worked out for a surface while its answers change. */
export function useStartPlan(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  schemeId: SchemeId,
  { age, look, colour }: SchemeAnswers,
): KeptPlan {
  return useKept(
    useCallback<AskPlan>(
      (onProgress) => askPlan(job, paints, surfaceId, schemeId, { age, look, colour }, onProgress),
      [job, paints, surfaceId, schemeId, age, look, colour],
    ),
  );
}

/** Keeps light and shade over a surface worked out. */
export function useLightOver(job: Job, paints: readonly Paint[], surfaceId: string, look: Look): KeptPlan {
  return useKept(
    useCallback<AskPlan>(
      (onProgress) =>
        asked(
          (hearing) => taskWorker().ask("lightOver", { job, paints, surfaceId, look }, hearing),
          onProgress,
        ),
      [job, paints, surfaceId, look],
    ),
  );
}

/** Keeps the told history of a surface worked out. */
export function useHistoryPlan(job: Job, paints: readonly Paint[], surfaceId: string, told: Told): KeptPlan {
  const { stuff, made, handled, weather, ground, chippedBy, dust } = told;
  return useKept(
    useCallback<AskPlan>(
      (onProgress) => {
        const input = {
          job,
          paints,
          surfaceId,
          told: { stuff, made, handled, weather, ground, chippedBy, dust },
        };
        return asked((hearing) => taskWorker().ask("history", input, hearing), onProgress);
      },
      [job, paints, surfaceId, stuff, made, handled, weather, ground, chippedBy, dust],
    ),
  );
}

/** Keeps a painted light worked out for its figure. @param job with the light as it is to be */
export function useGlowPlan(job: Job, paints: readonly Paint[], lightId: string): KeptPlan<GlowPlan> {
  return useKept(
    useCallback<AskPlan<GlowPlan>>(
      (onProgress) =>
        asked((hearing) => taskWorker().ask("glow", { job, paints, lightId }, hearing), onProgress),
      [job, paints, lightId],
    ),
  );
}
