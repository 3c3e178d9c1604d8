import { useEffect, useMemo, useState } from "react";
import type { Job, Paint } from "../core/job";
import type { PiecePicture, PieceView } from "../core/piece/still";
import type { Specimen } from "../core/simulate/simulator";
import { deskWorker } from "./deskWorker";

/** Thumbnails are made one after another by one worker, newest asked first would drop the others. */
let queue: Promise<void> = Promise.resolve();

function inTurn<T>(make: () => Promise<T>): Promise<T> {
  const made = queue.then(make);
  queue = made.then(() => undefined);
  return made;
}

interface Looked {
  readonly viewMm?: number | null;
  /** After so many painted coats; null for all. */
  readonly upTo?: number | null;
}

const requestOf = (
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  { viewMm = null, upTo = null }: Looked = {},
) => ({ job, paints, surfaceId, upTo, lit: true, viewMm });

const simulate = (request: ReturnType<typeof requestOf>): Promise<Specimen | null> =>
  new Promise((resolve) => {
    deskWorker().ask(
      "specimen",
      { request, full: false },
      {
        part: ({ specimen }) => resolve(specimen),
        failed: () => resolve(null),
        dropped: () => resolve(null),
      },
    );
  });

const stand = (request: ReturnType<typeof requestOf>, view: PieceView): Promise<PiecePicture | null> =>
  new Promise((resolve) => {
    deskWorker().ask(
      "piece",
      { request, view, full: false },
      {
        answer: ({ picture }) => resolve(picture),
        failed: () => resolve(null),
        dropped: () => resolve(null),
      },
    );
  });

const standWhole = (
  job: Job,
  paints: readonly Paint[],
  figureId: string,
  mostPx: number,
): Promise<PiecePicture | null> =>
  new Promise((resolve) => {
    const view = { turnDeg: 15, tiltDeg: null, pxPerMm: 60, mostPx, viewMm: null };
    deskWorker().ask(
      "figure",
      { ...{ job, paints, figureId, view }, as: "paint", step: null, full: false, helpers: 0 },
      {
        answer: ({ picture }) => resolve(picture),
        failed: () => resolve(null),
        dropped: () => resolve(null),
      },
    );
  });

/** What comes of something that is made in turn: undefined while it is made, null where it cannot be. */
function useMade<T>(make: () => Promise<T | null>): T | null | undefined {
  const [made, setMade] = useState<T | null | undefined>(undefined);
  useEffect(() => {
    let gone = false;
    // What nobody waits for any more is not made when its turn comes.
    void inTurn(() => (gone ? Promise.resolve(null) : make())).then((one) => {
      if (!gone) setMade(one);
    });
    return () => {
      gone = true;
    };
  }, [make]);
  return made;
}

/** A small simulated picture of a surface, as seen from a distance or (null) every mark; undefined while it is made, null where it cannot be. */
export function useThumbnail(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  viewMm: number | null = null,
): Specimen | null | undefined {
  return useMade(
    useMemo(
      () => () => simulate(requestOf(job, paints, surfaceId, { viewMm })),
      [job, paints, surfaceId, viewMm],
    ),
  );
}

/**
 * A still picture of a surface on its form, as such a piece is usually held; undefined while it is made, null where it
 * cannot be.
 */
export function usePiece(
  job: Job,
  paints: readonly Paint[],
  surfaceId: string,
  { pxPerMm, mostPx, upTo = null }: Pick<PieceView, "pxPerMm" | "mostPx"> & Pick<Looked, "upTo">,
): PiecePicture | null | undefined {
  return useMade(
    useMemo(
      () => () =>
        stand(requestOf(job, paints, surfaceId, { upTo }), { turnDeg: 0, tiltDeg: null, pxPerMm, mostPx }),
      [job, paints, surfaceId, pxPerMm, mostPx, upTo],
    ),
  );
}

/** A small picture of a whole figure; undefined while it is made, null where it cannot be. */
export function useFigurePicture(
  job: Job,
  paints: readonly Paint[],
  figureId: string,
  mostPx: number,
): PiecePicture | null | undefined {
  return useMade(
    useMemo(() => () => standWhole(job, paints, figureId, mostPx), [job, paints, figureId, mostPx]),
  );
}
