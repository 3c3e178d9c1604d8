import { InputError } from "../errors";
import { figureOf, type Figure, type Job, type SeatId, type Surface } from "../job";
import { meshOf, type PieceMesh } from "../piece/mesh";
import { buildForm } from "../surface/forms/buildForm";
import type { SurfaceForm } from "../surface/forms/form";
import { buildGrid } from "../surface/grid";
import { reliefKey } from "../surface/keptHeights";
import { bodyOf } from "./bodies";
import { comesThrough, dressed, reachOut, sleeveOf, type Sleeve } from "./dress";
import { withPairs } from "./pairs";
import { seatIn, seatingOf, seatMesh, type Rest, type Seated, type Seating } from "./seated";
import { solidMesh, type Solid } from "./solids";

/** A piece on its figure. */
export interface SeatedPiece {
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly seating: Seating;
  /** Its outside, coarse, in the figure's room: what throws shade, and what lies in another's way. */
  readonly mesh: PieceMesh;
}

/** A figure as it stands: its body inside what it wears. */
export interface StandingFigure {
  readonly pieces: readonly SeatedPiece[];
  readonly body: readonly PieceMesh[];
}

/** Cells of a piece's coarse outside: folds of a millimetre are still told apart on most. */
const COARSE_CELLS = 3600;

/** Pieces that the body goes through come first: what lies on the body lies on them too. */
const isRound = ({ worn }: Seated): boolean => worn.how === "round";

const coarse = new WeakMap<SurfaceForm, PieceMesh>();

/** A form's outside, coarse, in its own space. */
function coarseOf(form: SurfaceForm): PieceMesh {
  const known = coarse.get(form);
  if (known) return known;
  const { minX, maxX, minY, maxY } = form.bounds;
  const pitchMm = Math.sqrt(((maxX - minX + 1.2) * (maxY - minY + 1.2)) / COARSE_CELLS);
  const grid = buildGrid(form, pitchMm);
  const mesh = meshOf(grid, grid.relief, COARSE_CELLS);
  coarse.set(form, mesh);
  return mesh;
}

interface Worn {
  readonly pieces: SeatedPiece[];
  readonly sleeves: { readonly seated: Seated; readonly sleeve: Sleeve }[];
}

/** Arms move: what is worn elsewhere does not lie on them. */
const isArm = (seat: SeatId): boolean => /-(arm|hand)$/.test(seat);

/** How a piece lies that is worn on the body's outside: over what is worn there already, and along it. */
function restOf(seated: Seated, form: SurfaceForm, worn: readonly SeatedPiece[]): Rest {
  const { seat, use } = seated;
  const below = isArm(seat.id)
    ? worn
    : worn.filter(({ surface }) => !surface.seat || !isArm(surface.seat.id));
  const { minX, maxX, minY, maxY } = form.bounds;
  const [half, tall] = [(maxX - minX) / 2, maxY - minY];
  const [bent, meshes] = [seated.worn.how === "bent", below.map(({ mesh }) => mesh)];
  const foot = { top: -1, middle: -0.5, foot: 0 }[seated.worn.by] * tall + use.upMm;
  // A strap is bent: it lies on what is nearest to it all the way round.
  const halfMm = 0.7 * (bent ? Math.min(half, seat.outMm) : half);
  const reach = (from: number, to: number) =>
    reachOut(seat.at, seat.outMm, meshes, { halfMm, lowMm: foot + from * tall, highMm: foot + to * tall });
  if (bent || form.round) return { outMm: reach(0, 1), tiltDeg: 0 };
  const [low, high] = [reach(0, 0.4), reach(0.6, 1)];
  const slope = (low - high) / (0.6 * tall);
  const at = { top: 1, middle: 0.5, foot: 0 }[seated.worn.by];
  return {
    outMm: high + (low - high) * (1 - at),
    tiltDeg: (-Math.atan(slope) * 180) / Math.PI,
  };
}

function wear(worn: Worn, surface: Surface, seated: Seated): void {
  const form = buildForm(surface);
  const rest = isRound(seated) ? { outMm: seated.seat.outMm, tiltDeg: 0 } : restOf(seated, form, worn.pieces);
  const seating = seatingOf(form, seated, rest);
  const mesh = seatMesh(coarseOf(form), seating);
  worn.pieces.push({ surface, form, seating, mesh });
  const filledAt = seated.worn.by === "foot" ? "low" : "high";
  if (isRound(seated)) worn.sleeves.push({ seated, sleeve: sleeveOf(mesh, seated.seat.at, filledAt) });
}

/** A solid in what is worn over it. */
function bodyMesh(solid: Solid, sleeves: Worn["sleeves"]): PieceMesh {
  const over = sleeves.filter(({ seated }) => solid.under.includes(seated.seat.id));
  return dressed(
    solidMesh(solid),
    // A part is told with the seat first whose pieces hang by it.
    over.map(({ seated, sleeve }) => ({ sleeve, fills: solid.under[0] === seated.seat.id })),
  );
}

const ARMS = ["left", "right"] as const;

/** Sides whose arm is under a cloak that has no room for it and wears nothing itself: it is held inside and not seen. */
function heldInside(solids: readonly Solid[], seated: readonly SeatId[], { sleeves }: Worn): SeatId[] {
  const cloaks = sleeves.filter(({ seated: { seat } }) => seat.id === "shoulders");
  return ARMS.flatMap((side): SeatId[] => {
    const own: SeatId[] = [`${side}-arm`, `${side}-hand`];
    if (own.some((seat) => seated.includes(seat))) return [];
    const upper = solids.filter(({ under }) => under[0] === own[0] && under.includes("shoulders"));
    const hidden = upper.some((solid) => cloaks.some(({ sleeve }) => comesThrough(solidMesh(solid), sleeve)));
    return hidden ? own : [];
  });
}

function stand(job: Job, figure: Figure): StandingFigure | null {
  const body = bodyOf(figure);
  if (!body) return null;
  const seated = withPairs(job).surfaces.flatMap((surface) => {
    const at = surface.figureId === figure.id ? seatIn(job, surface) : null;
    return at ? [{ surface, at }] : [];
  });
  const worn: Worn = { pieces: [], sleeves: [] };
  const inOrder = [...seated.filter(({ at }) => isRound(at)), ...seated.filter(({ at }) => !isRound(at))];
  for (const { surface, at } of inOrder) {
    try {
      wear(worn, surface, at);
    } catch (error) {
      // A piece that cannot be built is not there; its sizes are told of where they are typed.
      if (!(error instanceof InputError)) throw error;
    }
  }
  const taken = seated.map(({ at }) => at.seat.id);
  // A base that is painted takes the place of the plain disc, a hand or a boot that of the body's own.
  const replaced = seated.filter(({ at }) => at.seat.id === "base" || at.worn.replaces);
  const gone: SeatId[] = [...heldInside(body.solids, taken, worn), ...replaced.map(({ at }) => at.seat.id)];
  const solids = body.solids.filter(({ under }) => !gone.some((id) => id === under[0]));
  return {
    pieces: worn.pieces,
    body: solids.map((solid) => bodyMesh(solid, worn.sleeves)),
  };
}

let last: { readonly key: string; readonly made: StandingFigure | null }[] = [];
const MOST_KEPT = 3;

/** Whatever a figure's stand depends on, as text. */
export function figureKey(job: Job, figure: Figure): string {
  const worn = withPairs(job)
    .surfaces.filter(({ figureId }) => figureId === figure.id)
    .map((surface) => [surface.id, surface.form, surface.seed, surface.seat, reliefKey(surface)]);
  return JSON.stringify([figure.body, figure.eyeHeightMm, worn]);
}

/**
 * A figure with everything that is seated on it; kept while neither its pose nor a piece's form or seat changes.
 * @returns null where it has no body
 */
export function standingFigure(job: Job, figure: Figure): StandingFigure | null {
  const key = figureKey(job, figure);
  const known = last.find((one) => one.key === key);
  if (known) return known.made;
  const made = stand(job, figure);
  last = [{ key, made }, ...last].slice(0, MOST_KEPT);
  return made;
}

/** The figure a surface is on, standing. */
export const figureAround = (job: Job, surface: Surface): StandingFigure | null =>
  surface.seat ? standingFigure(job, figureOf(job, surface)) : null;
