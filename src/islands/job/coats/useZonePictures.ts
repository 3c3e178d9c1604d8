import { useEffect, useState } from "react";
import { lightOf } from "../../../core/figure/light";
import { growthOf } from "../../../core/growth/growthOf";
import type { Surface } from "../../../core/job";
import type { PiecePicture } from "../../../core/piece/still";
import type { Zone } from "../../../core/surface/zoneNames";
import { simulationWorker } from "../../../worker/client";
import { useJobStore } from "../jobStore";

type Pictures = Readonly<Record<Zone, PiecePicture>>;

/** Longest side of a picture, pixels: sharp on fine screens at half of it. */
const MOST_PX = 132;

/** The last pictures made: the next coat of the same piece has the same places. */
let last: { readonly key: string; readonly pictures: Pictures } | null = null;

/** Small pictures of a surface with each of its zones tinted; null until they are there. */
export function useZonePictures(surface: Surface): Pictures | null {
  const { id, form, seed, relief, hide, groundwork, wear } = surface;
  // Places of light follow the lamp, the pose and what else is seated.
  const light = useJobStore(({ job }) => job && lightOf(job, surface).key);
  const growth = useJobStore(({ job }) => job && hide && growthOf(job, surface).key);
  const key = JSON.stringify([id, form, seed, relief, hide, groundwork, growth, wear, light]);
  const [made, setMade] = useState(last);
  useEffect(() => {
    const { job, paints } = useJobStore.getState();
    if (!job || last?.key === key) return;
    let gone = false;
    const answer = (pictures: Pictures) => {
      last = { key, pictures };
      if (!gone) setMade(last);
    };
    simulationWorker().ask("zonePictures", { job, paints, surfaceId: id, mostPx: MOST_PX }, { answer });
    return () => {
      gone = true;
    };
  }, [key, id]);
  return made?.key === key ? made.pictures : null;
}
