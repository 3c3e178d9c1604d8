import { useRef, useState } from "react";
import { saveFile } from "../../../ui/api";
import { taskWorker } from "../../../worker/client";
import { useJobStore } from "../jobStore";

export interface PdfState {
  readonly busy: boolean;
  readonly done: number;
  readonly total: number;
  readonly problem: string | null;
}

const IDLE: PdfState = { busy: false, done: 0, total: 1, problem: null };

/** Makes the PDF of cards and gauge strips in a worker; it can be stopped. */
export function useBenchPdf() {
  const [state, setState] = useState(IDLE);
  const asked = useRef(0);
  const make = () => {
    const { job, paints, painter } = useJobStore.getState();
    if (!job || !painter) return;
    setState({ ...IDLE, busy: true });
    asked.current = taskWorker().ask(
      "benchPdf",
      { job, paints, painter },
      {
        progress: (done, total) => setState((now) => ({ ...now, done, total })),
        answer: (pdf) => {
          saveFile(`${job.id}-bench.pdf`, pdf, "application/pdf");
          setState(IDLE);
        },
        failed: (problem) => setState({ ...IDLE, problem }),
        dropped: () => setState(IDLE),
      },
    );
  };
  return { state, make, stop: () => taskWorker().cancel(asked.current) };
}
