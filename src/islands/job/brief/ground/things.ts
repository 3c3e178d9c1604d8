import { groundPieces } from "../../../../core/groundwork/pieces";
import type { Groundwork, LaidPiece } from "../../../../core/job";

/** A piece or a foot, as it lies on the plan. */
export interface Thing {
  readonly id: string;
  readonly name: string;
  readonly xMm: number;
  readonly yMm: number;
  /** Null for a foot. */
  readonly piece: LaidPiece | null;
  readonly acrossMm: number;
}

/** Pieces in their order, then feet, each with a name that tells them apart. */
export function thingsOf({ pieces, feet }: Groundwork): Thing[] {
  return [
    ...pieces.map((piece, at): Thing => ({
      ...piece,
      piece,
      name: `${at + 1}, ${groundPieces[piece.kind].label}`,
    })),
    ...feet.map((foot, at): Thing => ({ ...foot, piece: null, name: `Foot ${at + 1}` })),
  ];
}

/** Whether a place of the base lies within a thing's outline. */
export function holds({ piece, xMm, yMm, acrossMm }: Thing, x: number, y: number): boolean {
  const turn = ((piece?.turnDeg ?? 0) * Math.PI) / 180;
  const along = (x - xMm) * Math.cos(turn) + (y - yMm) * Math.sin(turn);
  const across = (y - yMm) * Math.cos(turn) - (x - xMm) * Math.sin(turn);
  return Math.hypot((2 * along) / acrossMm, (2 * across) / (piece?.deepMm ?? acrossMm)) <= 1;
}
