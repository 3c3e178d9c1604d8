import { useEffect, useState } from "react";
import { growthOf } from "../../../../core/growth/growthOf";
import type { Surface } from "../../../../core/job";
import type { GrowthField } from "../../../../core/surface/growthField";
import { simulationWorker } from "../../../../worker/client";
import { useJobStore } from "../../jobStore";

interface Known {
  readonly surfaceId: string;
  readonly key: string;
  readonly field: GrowthField | null;
}
let last: Known | null = null;

/** Which way things grow on a surface, from the worker; while that works the former answer for it stays. */
export function useGrowthField(surface: Surface): GrowthField | null {
  const { id } = surface;
  const key = useJobStore(({ job }) => (job ? growthOf(job, surface).key : ""));
  const [known, setKnown] = useState(last);
  useEffect(() => {
    const { job } = useJobStore.getState();
    if (!job || key === "" || (last?.key === key && last.surfaceId === id)) return;
    let gone = false;
    simulationWorker().ask(
      "growth",
      { job, surfaceId: id },
      {
        answer({ field }) {
          last = { surfaceId: id, key, field };
          if (!gone) setKnown(last);
        },
      },
    );
    return () => {
      gone = true;
    };
  }, [key, id]);
  if (key === "") return null;
  const newest = last?.surfaceId === id ? last : known;
  return newest?.surfaceId === id ? newest.field : null;
}
