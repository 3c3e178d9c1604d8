import { bodies, type BodyId } from "../../core/figure/bodies";
import { seatFor } from "../../core/newJob";
import { FIRST_FIGURE, onSeat, type FormUse, type Job, type SeatUse, type Surface } from "../../core/job";
import { schemes, type SchemeId } from "../../core/schemes";
import type { SchemeAnswers } from "../../core/schemes/scheme";
import { planStart, startSurface } from "../../core/schemes/start";
import { forms, type FormId } from "../../core/surface/forms";
import { USUAL_VOLUMES } from "../../core/surface/volumes/materials";
import { USUAL_WEAR } from "../../core/surface/wear";
import { demoShelf } from "./shelf";

/** A piece of a demo figure, and the scheme it is started from. */
export interface Piece {
  readonly id: string;
  readonly name: string;
  readonly form: FormId;
  readonly sizes: Readonly<Record<string, number>>;
  readonly scheme: SchemeId;
  readonly answers: SchemeAnswers;
  readonly seed: number;
  /** One of two alike, left and right. */
  readonly both?: true;
  /** Moved on its seat. */
  readonly moved?: Partial<SeatUse>;
}

/** A trouser leg, bent a little at the knee, with a narrow hem. */
export const TROUSER_LEG = {
  ...{ topMm: 17, jointMm: 15.5, hemMm: 14, lengthMm: 12, jointAt: 55, bendDeg: 15 },
  ...{ creases: 4, creaseMm: 0.4, cuffMm: 0.8, turnedMm: 0, proudMm: 0.1 },
} as const;

/** A surface without paint. */
export const bare = ({
  id,
  name,
  form,
  sizes,
  seed,
}: Pick<Piece, "id" | "name" | "form" | "sizes" | "seed">): Surface => ({
  id,
  name,
  figureId: FIRST_FIGURE,
  form: { id: form, version: forms[form].version, params: sizes },
  seat: null,
  pattern: null,
  coats: [],
  parked: [],
  variants: [],
  relief: null,
  wear: USUAL_WEAR,
  volumes: USUAL_VOLUMES,
  growth: null,
  hide: null,
  groundwork: null,
  effort: null,
  seed,
});

/** A body in its newest shape, with its pose. */
export const bodyUse = (id: BodyId, params: Readonly<Record<string, number>>): FormUse => ({
  id,
  version: bodies[id].version,
  params,
});

/** Where a piece is worn, on both sides if it is one of two. */
export function seatOf(
  job: Job,
  plain: Surface,
  { both, moved }: Pick<Piece, "both" | "moved">,
): Surface["seat"] {
  const seat = moved?.id === undefined ? seatFor(job, plain) : onSeat(moved.id);
  return seat && { ...seat, both: both === true, ...moved };
}

/** A job with pieces more, each started from its scheme. */
export function withPieces(job: Job, pieces: readonly Piece[]): Job {
  return pieces.reduce<Job>((current, piece) => {
    const plain = bare(piece);
    const surface = { ...plain, seat: seatOf(current, plain, piece) };
    const grown = { ...current, surfaces: [...current.surfaces, surface] };
    return startSurface(
      grown,
      piece.id,
      planStart(grown, surface, schemes[piece.scheme], piece.answers, demoShelf),
    );
  }, job);
}

/** Made once: looking for mixes takes a second or two. */
export function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
