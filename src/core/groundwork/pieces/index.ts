import type { PieceKind } from "../kinds";
import { bark } from "./bark";
import { boulder } from "./boulder";
import { cork } from "./cork";
import { pebbles } from "./pebbles";
import type { PieceDefinition } from "./piece";
import { planks } from "./planks";
import { slab } from "./slab";

/** What a base can be built of. */
export const groundPieces: Readonly<Record<PieceKind, PieceDefinition>> = {
  slab,
  boulder,
  pebbles,
  cork,
  bark,
  planks,
};
