import { useState } from "react";
import type { PhotoPoint } from "../../core/plate/marks";
import { messageOf, saveFile } from "../../ui/api";
import { taskWorker } from "../../worker/client";
import type { PlateAnswer } from "../../worker/questions/plate";

/** Where the photo comes from: a file, or the simulated camera with a hand of its own. */
type Source = { readonly photo: Blob | null; readonly seed: number };

interface State {
  readonly source: Source | null;
  readonly answer: PlateAnswer | null;
  readonly busy: "reading" | "printing" | null;
  readonly problem: string | null;
}

/** The test plate: printed, photographed, read. */
export function usePlate() {
  const [state, setState] = useState<State>({ source: null, answer: null, busy: null, problem: null });
  const failed = (problem: string) =>
    setState((now) => ({ ...now, busy: null, problem: messageOf(problem) }));
  const dropped = () => setState((now) => ({ ...now, busy: null }));
  const read = (source: Source, marks: readonly PhotoPoint[] | null) => {
    setState((now) => ({
      ...{ source, busy: "reading", problem: null },
      answer: source === now.source ? now.answer : null,
    }));
    taskWorker().ask(
      "plate",
      { ...source, marks },
      {
        answer: (answer) => setState({ source, answer, busy: null, problem: null }),
        failed,
        dropped,
      },
    );
  };
  return {
    ...state,
    simulated: state.source !== null && state.source.photo === null,
    readFile: (photo: Blob) => read({ photo, seed: 0 }, null),
    readSimulated: () => read({ photo: null, seed: (state.source?.seed ?? 0) + 1 }, null),
    readAgain: (marks: readonly PhotoPoint[]) => state.source && read(state.source, marks),
    print: () => {
      setState((now) => ({ ...now, busy: "printing", problem: null }));
      taskWorker().ask(
        "platePdf",
        {},
        {
          answer: (pdf) => {
            saveFile("test-plate.pdf", pdf, "application/pdf");
            dropped();
          },
          failed,
          dropped,
        },
      );
    },
  };
}
