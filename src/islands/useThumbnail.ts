import { useEffect, useState } from "react";
import type { Job, Paint } from "../core/job";
import type { Specimen } from "../core/simulate/simulator";
import { deskWorker } from "./deskWorker";

/** Thumbnails are made one after another by one worker, newest asked first would drop the others. */
let queue: Promise<void> = Promise.resolve();

function simulate(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  viewMm: number | null,
): Promise<Specimen | null> {
  const client = deskWorker();
  const made = queue.then(
    () =>
      new Promise<Specimen | null>((resolve) => {
        const request = { job, paints, surfaceId, upTo: null, lit: true, viewMm };
        client.ask(
          "specimen",
          { request, full: false },
          {
            part: ({ specimen }) => resolve(specimen),
            failed: () => resolve(null),
            dropped: () => resolve(null),
          },
        );
      }),
  );
  queue = made.then(() => undefined);
  return made;
}

/** A small simulated picture of a surface, as seen from a distance or (null) every mark; undefined while it is made, null where it cannot be. */
export function useThumbnail(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  viewMm: number | null = null,
): Specimen | null | undefined {
  const [specimen, setSpecimen] = useState<Specimen | null | undefined>(undefined);
  useEffect(() => {
    let gone = false;
    void simulate(job, paints, surfaceId, viewMm).then((made) => {
      if (!gone) setSpecimen(made);
    });
    return () => {
      gone = true;
    };
  }, [job, paints, surfaceId, viewMm]);
  return specimen;
}
