import { useEffect, useMemo, useState } from "react";
import { allAsItWas } from "../../../core/ageing/asItWas";
import type { Time } from "../../../core/ageing/events";
import type { FigureStill } from "../../../core/figure/figureStill";
import type { Figure } from "../../../core/job";
import type { FigureInput } from "../../../worker/questions/figure";
import { simulationWorker, spareWorkers } from "../../../worker/client";
import { MOST_CELLS, usePrefs } from "../../../ui/prefs";
import { useJob, usePaints } from "../jobStore";
import { useView } from "../viewStore";
import { useFigureLook } from "./figureLook";

/** Longest side of the picture, pixels. */
const MOST_PX = 720;

/** What is known of a figure's picture. */
export interface FigureSeen {
  /** The newest picture; the one before until the next is there. */
  readonly still: FigureStill | null;
  /** A finer one is on its way. */
  readonly busy: boolean;
  readonly failed: string | null;
}

interface Answered extends Pick<FigureSeen, "still" | "failed"> {
  /** The question whose last word has come. */
  readonly done: FigureInput | null;
}

/**
 * The whole figure as the painter looks at it, drawn by the worker.
 * @param step a surface that is shown after so many coats
 * @param time all of it as it was then; as it stands where null
 */
export function useFigureStill(
  figure: Figure,
  step: FigureInput["step"] = null,
  time: Time | null = null,
): FigureSeen {
  const stands = useJob();
  const job = useMemo(() => (time === null ? stands : allAsItWas(stands, time)), [stands, time]);
  const paints = usePaints();
  const { turnDeg, tiltDeg, as } = useFigureLook();
  const viewMm = useView((view) => view.distanceMm);
  const mostCells = usePrefs((prefs) => MOST_CELLS[prefs.fineness]);
  const stepText = JSON.stringify(step);
  const asked = useMemo(
    (): FigureInput => ({
      ...{ job, paints, as, mostCells, figureId: figure.id, full: true, helpers: spareWorkers() },
      view: { turnDeg, tiltDeg, viewMm, pxPerMm: 60, mostPx: MOST_PX },
      step: JSON.parse(stepText) as FigureInput["step"],
    }),
    [job, paints, figure.id, turnDeg, tiltDeg, viewMm, as, mostCells, stepText],
  );
  const [seen, setSeen] = useState<Answered>({ still: null, failed: null, done: null });
  useEffect(() => {
    const worker = simulationWorker();
    const id = worker.ask("figure", asked, {
      part: (still) => setSeen({ still, failed: null, done: null }),
      answer: (still) => setSeen({ still, failed: null, done: asked }),
      dropped: () => setSeen((now) => ({ ...now, done: asked })),
      failed: (failed) => setSeen({ still: null, failed, done: asked }),
    });
    return () => {
      worker.forget(id);
      worker.cancel(id);
    };
  }, [asked]);
  // A figure that lost its body is not seen any more: its last picture would be of what is gone.
  return { still: figure.body ? seen.still : null, failed: seen.failed, busy: seen.done !== asked };
}
