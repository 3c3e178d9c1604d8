import { useEffect, useState } from "react";
import type { Job, Paint } from "../core/job";
import type { Specimen } from "../core/simulate/simulator";
import { WorkerClient } from "../worker/client";

/** Thumbnails are made one after another by one worker, newest asked first would drop the others. */
let worker: WorkerClient | null = null;
let queue: Promise<void> = Promise.resolve();

function simulate(job: Job, paints: readonly Paint[], surfaceId: string): Promise<Specimen | null> {
  worker ??= new WorkerClient();
  const client = worker;
  const made = queue.then(
    () =>
      new Promise<Specimen | null>((resolve) => {
        const request = { job: { ...job, log: [] }, paints, surfaceId, upTo: null, lit: true };
        client.ask({ kind: "specimen", request, full: false }, (answer) => {
          if (answer.kind === "preview") resolve(answer.specimen);
          else if (answer.kind === "failed" || answer.kind === "dropped") resolve(null);
        });
      }),
  );
  queue = made.then(() => undefined);
  return made;
}

/** A small simulated picture of a surface; undefined while it is made, null where it cannot be. */
export function useThumbnail(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
): Specimen | null | undefined {
  const [specimen, setSpecimen] = useState<Specimen | null | undefined>(undefined);
  useEffect(() => {
    let gone = false;
    void simulate(job, paints, surfaceId).then((made) => {
      if (!gone) setSpecimen(made);
    });
    return () => {
      gone = true;
    };
  }, [job, paints, surfaceId]);
  return specimen;
}
