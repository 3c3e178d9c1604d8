import { useRef, useState } from "react";
import { saveFile } from "../../../ui/api";
import { taskWorker } from "../../../worker/client";
import { useJobStore } from "../jobStore";
import { formatMinutes } from "../../../core/units";
import type { BenchPdfInput } from "../../../worker/questions/benchPdf";
import { dateText, partText, timeOf } from "./planWords";
import type { Plan } from "./usePlan";

export interface PdfState {
  readonly busy: boolean;
  readonly done: number;
  readonly total: number;
  readonly problem: string | null;
}

const IDLE: PdfState = { busy: false, done: 0, total: 1, problem: null };

/** The plan as it is printed: what is left of it, under its sittings where it has some. */
function printed({ items, turns: { sittings, given }, beganAt }: Plan): BenchPdfInput["plan"] {
  const left = items.filter(({ done }) => !done);
  return {
    turns: left.map((item) => ({
      ...{ cardIds: item.turn.cardIds, part: partText(item), sitting: item.turn.sitting },
      ...{ setUpAt: item.turn.setUpAt, minutes: item.turn.end - item.turn.setUpAt },
    })),
    sittings:
      given === 0 || beganAt === null
        ? []
        : sittings.map(({ start, end }, at) => ({
            title: `Sitting ${at + 1}${at >= given ? ", supposed" : ""}`,
            note: `${dateText(timeOf(beganAt, start))}, ${formatMinutes(end - start)}`,
          })),
  };
}

/** Makes the PDF of list, cards and gauge strips, or of the list alone, in a worker; it can be stopped. */
export function useBenchPdf(plan: Plan) {
  const [state, setState] = useState(IDLE);
  const asked = useRef(0);
  const make = (what: BenchPdfInput["what"]) => {
    const { job, paints, painter } = useJobStore.getState();
    if (!job || !painter) return;
    setState({ ...IDLE, busy: true });
    asked.current = taskWorker().ask(
      "benchPdf",
      { job, paints, painter, plan: printed(plan), what },
      {
        progress: (done, total) => setState((now) => ({ ...now, done, total })),
        answer: (pdf) => {
          saveFile(`${job.id}-${what === "list" ? "list" : "bench"}.pdf`, pdf, "application/pdf");
          setState(IDLE);
        },
        failed: (problem) => setState({ ...IDLE, problem }),
        dropped: () => setState(IDLE),
      },
    );
  };
  return { state, make, stop: () => taskWorker().cancel(asked.current) };
}
