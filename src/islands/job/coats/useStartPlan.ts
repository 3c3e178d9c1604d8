import { useEffect, useState } from "react";
import type { Job, Paint } from "../../../core/job";
import type { SchemeId } from "../../../core/schemes";
import type { SchemeAnswers } from "../../../core/schemes/scheme";
import type { StartPlan } from "../../../core/schemes/start";
import { taskWorker } from "../../../worker/client";

export type Planned =
  | { readonly kind: "busy" }
  | { readonly kind: "ready"; readonly plan: StartPlan }
  | { readonly kind: "failed"; readonly message: string };

/** Answers in a row are waited for this long before they are worked out. */
const PAUSE_MS = 150;

/** Works a scheme out in the worker; a plan of a surface, or why there is none. */
export const askPlan = (
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  schemeId: SchemeId,
  answers: SchemeAnswers,
): Promise<Planned> =>
  new Promise((resolve) => {
    taskWorker().ask(
      { kind: "start", job: { ...job, log: [] }, paints, surfaceId, schemeId, answers },
      (message) => {
        if (message.kind === "start") resolve({ kind: "ready", plan: message.plan });
        else if (message.kind === "failed") resolve({ kind: "failed", message: message.message });
      },
    );
  });

/** Keeps a scheme worked out for a surface while its answers change; the plan before stays until the new one is there. */
export function useStartPlan(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  schemeId: SchemeId,
  answers: SchemeAnswers,
): Planned {
  const [planned, setPlanned] = useState<Planned>({ kind: "busy" });
  const { age, look, colour } = answers;
  useEffect(() => {
    let gone = false;
    const timer = setTimeout(() => {
      void askPlan(job, paints, surfaceId, schemeId, { age, look, colour }).then((made) => {
        if (!gone) setPlanned(made);
      });
    }, PAUSE_MS);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [job, paints, surfaceId, schemeId, age, look, colour]);
  return planned;
}
