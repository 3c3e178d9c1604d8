import type { LaidPiece } from "../job";
import type { PieceKind } from "./kinds";
import { groundPieces } from "./pieces";

/** A piece of a kind in its usual size, in the middle of the base. */
export const pieceOf = (id: string, kind: PieceKind, seed: number): LaidPiece => ({
  ...{ id, kind, xMm: 0, yMm: 0, turnDeg: 0 },
  ...groundPieces[kind].start,
  ...{ bedding: "rests", tiltDeg: 0, tiltToDeg: 90, sunkMm: 0.2, seed },
});
