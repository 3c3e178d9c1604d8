import { useEffect, useState } from "react";
import type { FigureStill } from "../../../core/figure/figureStill";
import type { Figure } from "../../../core/job";
import type { FigureInput } from "../../../worker/questions/figure";
import { simulationWorker } from "../../../worker/client";
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

/** The whole figure as the painter looks at it, drawn by the worker. @param step a surface that is shown after so many coats */
export function useFigureStill(figure: Figure, step: FigureInput["step"] = null): FigureSeen {
  const job = useJob();
  const paints = usePaints();
  const { turnDeg, tiltDeg, painted } = useFigureLook();
  const viewMm = useView((view) => view.distanceMm);
  const [seen, setSeen] = useState<FigureSeen>({ still: null, busy: true, failed: null });
  const stepText = JSON.stringify(step);
  useEffect(() => {
    const view = { turnDeg, tiltDeg, viewMm, pxPerMm: 60, mostPx: MOST_PX };
    const worker = simulationWorker();
    const asked = { ...{ job, paints, view, painted }, step: JSON.parse(stepText) as FigureInput["step"] };
    const id = worker.ask(
      "figure",
      { ...asked, figureId: figure.id, full: true },
      {
        part: (still) => setSeen({ still, busy: true, failed: null }),
        answer: (still) => setSeen({ still, busy: false, failed: null }),
        dropped: () => setSeen((now) => ({ ...now, busy: false })),
        failed: (failed) => setSeen({ still: null, busy: false, failed }),
      },
    );
    return () => {
      worker.forget(id);
      worker.cancel(id);
    };
  }, [job, paints, figure.id, turnDeg, tiltDeg, viewMm, painted, stepText]);
  return seen;
}
