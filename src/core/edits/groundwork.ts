import { MOST_FEET, MOST_PIECES, type PieceKind } from "../groundwork/kinds";
import { pieceOf } from "../groundwork/newPiece";
import type { FootPlace, Groundwork, LaidPiece, Surface } from "../job";
import { hashText } from "../random";
import { freeId } from "./surfaces";

/** Nothing stands there. */
export const BARE_GROUND: Groundwork = { pieces: [], feet: [] };

/** What stands on a surface. */
export const groundworkOf = ({ groundwork }: Pick<Surface, "groundwork">): Groundwork =>
  groundwork ?? BARE_GROUND;

/** A surface with what stands on it changed; nothing is kept where nothing stands. */
export function withGroundwork(surface: Surface, change: (work: Groundwork) => Groundwork): Surface {
  const next = change(groundworkOf(surface));
  const empty = next.pieces.length === 0 && next.feet.length === 0;
  return { ...surface, groundwork: empty ? null : next };
}

/** Puts a new piece on what is there, in the middle; the same where there are as many as can be. */
export function addPiece(work: Groundwork, kind: PieceKind): Groundwork {
  if (work.pieces.length >= MOST_PIECES) return work;
  const id = freeId("piece", work.pieces);
  return { ...work, pieces: [...work.pieces, pieceOf(id, kind, hashText(`${kind}/${id}`) % 100000)] };
}

/** Changes one piece. */
export const changePiece = (
  work: Groundwork,
  id: string,
  change: Partial<Omit<LaidPiece, "id">>,
): Groundwork => ({
  ...work,
  pieces: work.pieces.map((piece) => (piece.id === id ? { ...piece, ...change } : piece)),
});

/** Lays a piece sooner (−1) or later (1) than its neighbour in the order: what is laid later lies on top. */
export function movePiece(work: Groundwork, id: string, by: -1 | 1): Groundwork {
  const from = work.pieces.findIndex((piece) => piece.id === id);
  const to = from + by;
  if (from < 0 || to < 0 || to >= work.pieces.length) return work;
  const pieces = [...work.pieces];
  [pieces[from], pieces[to]] = [pieces[to]!, pieces[from]!];
  return { ...work, pieces };
}

/** Takes one piece or one foot away. */
export const withoutThing = (work: Groundwork, id: string): Groundwork => ({
  pieces: work.pieces.filter((piece) => piece.id !== id),
  feet: work.feet.filter((foot) => foot.id !== id),
});

/** How large a foot is on a figure of 28 mm to the eyes, mm. */
const FOOT_MM = 4;

/** Keeps a place for one more foot or peg, beside the middle; the same where there are as many as can be. */
export function addFoot(work: Groundwork): Groundwork {
  if (work.feet.length >= MOST_FEET) return work;
  const id = freeId("foot", work.feet);
  const aside = work.feet.length % 2 === 0 ? -1 : 1;
  const foot: FootPlace = { id, xMm: aside * 3, yMm: 0, acrossMm: FOOT_MM };
  return { ...work, feet: [...work.feet, foot] };
}

/** Changes the place of one foot. */
export const changeFoot = (
  work: Groundwork,
  id: string,
  change: Partial<Omit<FootPlace, "id">>,
): Groundwork => ({
  ...work,
  feet: work.feet.map((foot) => (foot.id === id ? { ...foot, ...change } : foot)),
});

/** Moves a piece or a foot, held where the job can keep it; to a hundredth of a mm. */
export function moveThing(work: Groundwork, id: string, xMm: number, yMm: number): Groundwork {
  const held = (mm: number) => Math.round(100 * Math.min(120, Math.max(-120, mm))) / 100;
  const to = { xMm: held(xMm), yMm: held(yMm) };
  return changeFoot(changePiece(work, id, to), id, to);
}
