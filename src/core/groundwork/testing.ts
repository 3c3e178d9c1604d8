import type { LaidPiece } from "../job";
import { pieceOf } from "./newPiece";

/** A piece with some of its settings, for tests and pictures. */
export const newPiece = (id: string, some: Partial<LaidPiece>): LaidPiece => ({
  ...pieceOf(id, some.kind ?? "slab", some.seed ?? 7),
  ...some,
});
