import { useState } from "react";
import type { Figure } from "../../../core/job";
import { saveFile } from "../../../ui/api";
import { taskWorker } from "../../../worker/client";
import { useJobStore } from "../jobStore";

/** Saves a whole figure as a textured form, made in a worker. */
export function useFigureFile(figure: Figure) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const make = () => {
    const { job, paints } = useJobStore.getState();
    if (!job) return;
    setBusy(true);
    setProblem(null);
    taskWorker().ask(
      "figureGltf",
      { job, paints, figureId: figure.id },
      {
        answer: (bytes) => {
          saveFile(`${job.id}-${figure.id}.glb`, bytes, "model/gltf-binary");
          setBusy(false);
        },
        failed: (message) => {
          setProblem(message);
          setBusy(false);
        },
        dropped: () => setBusy(false),
      },
    );
  };
  return { busy, problem, make };
}
