import type { FormUse, Job, SeatId, SeatUse, Surface } from "../job";

/** What is added to a surface's id for the piece on the other side: no id that is told has such a sign. */
const OTHER = "~other";

/** The seat on the other side of the body; null where a seat has none. */
export function seatAcross(id: SeatId): SeatId | null {
  if (id.startsWith("left-")) return id.replace("left-", "right-") as SeatId;
  return id.startsWith("right-") ? (id.replace("right-", "left-") as SeatId) : null;
}

/** Whether a surface is one of two alike pieces, left and right. */
export const isPair = ({ seat }: Pick<Surface, "seat">): boolean =>
  seat !== null && seat.both && seatAcross(seat.id) !== null;

/** How many pieces of a surface each figure has: two where it is a pair. */
export const piecesOf = (surface: Pick<Surface, "seat">): 1 | 2 => (isPair(surface) ? 2 : 1);

/** The surface a piece on a figure is of, by the piece's id. */
export const surfaceIdOf = (pieceId: string): string =>
  pieceId.endsWith(OTHER) ? pieceId.slice(0, -OTHER.length) : pieceId;

/** Turned, leaning and moved as the other hand is, seen in a mirror. */
const across = (use: SeatUse, id: SeatId): SeatUse => ({
  ...use,
  ...{ id, both: false, turnDeg: -use.turnDeg, leanDeg: -use.leanDeg, asideMm: -use.asideMm },
});

const forms = new WeakMap<FormUse, FormUse>();

/** The same use of a form, mirrored; the same object for the same use, as forms are kept by it. */
function mirroredUse(form: FormUse): FormUse {
  const made = forms.get(form) ?? { ...form, mirrored: true as const };
  forms.set(form, made);
  return made;
}

const others = new WeakMap<Surface, Surface>();

/** The piece on the other side: its form mirrored, painted in the same coats, in its own light. */
function otherSide(surface: Surface, seat: SeatUse, id: SeatId): Surface {
  const made = others.get(surface) ?? {
    ...surface,
    ...{ id: `${surface.id}${OTHER}`, name: `${surface.name}, other side` },
    ...{ form: mirroredUse(surface.form), seat: across(seat, id) },
  };
  others.set(surface, made);
  return made;
}

const known = new WeakMap<Job, Job>();

function paired(job: Job): Job {
  if (!job.surfaces.some(isPair)) return job;
  const taken = new Set(job.surfaces.map(({ id }) => id));
  const surfaces = job.surfaces.flatMap((surface) => {
    const { seat } = surface;
    const id = seat?.both ? seatAcross(seat.id) : null;
    if (!seat || !id || taken.has(`${surface.id}${OTHER}`)) return [surface];
    return [surface, otherSide(surface, seat, id)];
  });
  return { ...job, surfaces };
}

/** A job with both pieces of every pair as surfaces of their own, as they stand on the figure; for looking at, never kept. */
export function withPairs(job: Job): Job {
  const made = known.get(job) ?? paired(job);
  known.set(job, made);
  return made;
}
