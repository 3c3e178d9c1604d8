import { useEffect, useMemo, useState } from "react";
import type { Figure } from "../../../core/job";
import { paintedCards } from "../../../core/checks/painted";
import type { Remedy } from "../../../core/checks/finding";
import type { FigureJudgement } from "../../../core/figure/judge";
import type { Fault } from "../../../core/figure/judge/faults";
import { taskWorker } from "../../../worker/client";
import type { FigureJudgedInput } from "../../../worker/figurePictured";
import type { FigureMended } from "../../../worker/questions/figureJudged";
import { useHistory } from "../historyStore";
import { useJob, usePaints } from "../jobStore";
import { useJudgedStance } from "./figureLook";
import { useFigureAnswer } from "./useFigureAnswer";

/** Longest side of the picture that is judged, pixels: as much as an eye has of a figure at arm's length. */
const JUDGED_PX = 340;

/** A fault of a figure, with what was tried and mends it. */
export interface MendedFault extends Fault {
  readonly remedies: readonly Remedy[];
}

/** What is known of a figure as one. */
export interface FigureJudgedState {
  /** The newest judgement; the one before until the next is there. */
  readonly answer: FigureJudgement | null;
  /** Its faults, each with the remedies that were found so far. */
  readonly faults: readonly MendedFault[];
  /** Whether it is still being judged, and whether remedies are still being tried. */
  readonly busy: boolean;
  readonly trying: boolean;
  readonly failed: string | null;
}

interface Mended {
  readonly of: FigureJudgement | null;
  readonly remedies: FigureMended;
  readonly done: boolean;
}

/** Remedies of a judgement's faults, tried by another worker. */
function useMended(judged: FigureJudgedInput, answer: FigureJudgement | null): Mended {
  const { log } = useHistory();
  const asked = useMemo(() => ({ ...judged, painted: paintedCards(log) }), [judged, log]);
  const [mended, setMended] = useState<Mended>({ of: null, remedies: [], done: true });
  useEffect(() => {
    if (!answer || answer.faults.length === 0) return;
    const worker = taskWorker();
    const told = (done: boolean) => (remedies: FigureMended) => setMended({ of: answer, remedies, done });
    const id = worker.ask("figureMended", asked, {
      part: told(false),
      answer: told(true),
      failed: () => setMended({ of: answer, remedies: [], done: true }),
    });
    return () => {
      worker.forget(id);
      worker.cancel(id);
    };
  }, [asked, answer]);
  return mended;
}

/** The figure judged as one from the side that was chosen, at its viewing distance. @param wanted whether anybody looks */
export function useFigureJudged(figure: Figure, wanted: boolean): FigureJudgedState {
  const job = useJob();
  const paints = usePaints();
  const { turnDeg, tiltDeg } = useJudgedStance();
  const asked = useMemo(
    (): FigureJudgedInput => ({
      ...{ job, paints, figureId: figure.id },
      view: {
        ...{ turnDeg, tiltDeg, viewMm: figure.viewingDistanceMm },
        ...{ pxPerMm: 60, mostPx: JUDGED_PX },
      },
    }),
    [job, paints, figure.id, figure.viewingDistanceMm, turnDeg, tiltDeg],
  );
  const { answer, failed, done } = useFigureAnswer("figureJudged", asked, wanted);
  const current = wanted && done === asked ? answer : null;
  const mended = useMended(asked, current);
  const isOf = mended.of === answer;
  const faults = (answer?.faults ?? []).map((fault, at) => ({
    ...fault,
    remedies: (isOf && mended.remedies[at]) || [],
  }));
  return {
    ...{ answer: figure.body ? answer : null, faults: figure.body ? faults : [], failed },
    busy: wanted && done !== asked,
    trying: faults.length > 0 && !(isOf && mended.done),
  };
}
