import { useEffect, useMemo, useState } from "react";
import type { Told } from "../../../../core/mishaps/mishap";
import type { Mending } from "../../../../core/mishaps/mend";
import type { FilmState } from "../../../../core/plan/clocks";
import { messageOf } from "../../../../ui/api";
import { taskWorker } from "../../../../worker/client";
import { useDesign, usePainter, usePaints } from "../../jobStore";

/** Answers in a row are waited for this long before they are worked out, ms. */
const PAUSE_MS = 200;

/** What is known of the ways on. */
export interface AskedMending {
  /** The last that was worked out; it stays until a newer one is there. */
  readonly mending: Mending | null;
  /** How many ways are painted, while it is being worked out anew; null when nothing is. */
  readonly tried: number | null;
  readonly problem: string | null;
}

/** Asks the worker for the ways on from a mishap, whenever what is told of it changes. */
export function useMending(
  surfaceId: string,
  told: Told | null,
  painted: readonly string[],
  state: FilmState,
): AskedMending {
  const job = useDesign();
  const paints = usePaints();
  const painter = usePainter();
  const [asked, setAsked] = useState<AskedMending>({ mending: null, tried: 0, problem: null });
  const input = useMemo(
    () => told && { job, paints, painter, surfaceId, told, painted, state },
    [job, paints, painter, surfaceId, told, painted, state],
  );
  useEffect(() => {
    if (!input) return;
    const worker = taskWorker();
    let id: number | null = null;
    const timer = setTimeout(() => {
      setAsked((now) => ({ ...now, tried: 0, problem: null }));
      id = worker.ask("mending", input, {
        progress: (tried) => setAsked((now) => ({ ...now, tried })),
        answer: (mending) => setAsked({ mending, tried: null, problem: null }),
        failed: (problem) => setAsked((now) => ({ ...now, tried: null, problem: messageOf(problem) })),
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
