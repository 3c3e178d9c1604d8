import { useEffect } from "react";
import { create } from "zustand";
import { growthOf } from "../../../../core/growth/growthOf";
import type { Surface } from "../../../../core/job";
import type { GrowthField } from "../../../../core/surface/growthField";
import { simulationWorker } from "../../../../worker/client";
import { useJobStore } from "../../jobStore";

interface Known {
  readonly surfaceId: string | null;
  readonly key: string;
  readonly field: GrowthField | null;
}

/** The last answer: the lines on the picture and the settings below it show the same, whichever of them asked. */
const useKnown = create<Known>()(() => ({ surfaceId: null, key: "", field: null }));

/** Which way things grow on a surface, from the worker; while that works the former answer for it stays. */
export function useGrowthField(surface: Surface): GrowthField | null {
  const { id } = surface;
  const key = useJobStore(({ job }) => (job ? growthOf(job, surface).key : ""));
  const known = useKnown();
  useEffect(() => {
    const { job } = useJobStore.getState();
    const last = useKnown.getState();
    if (!job || key === "" || (last.key === key && last.surfaceId === id)) return;
    simulationWorker().ask(
      "growth",
      { job, surfaceId: id },
      { answer: ({ field }) => useKnown.setState({ surfaceId: id, key, field }) },
    );
  }, [key, id]);
  return key !== "" && known.surfaceId === id ? known.field : null;
}
