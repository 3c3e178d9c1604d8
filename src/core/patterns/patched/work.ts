import { counted, formatNumber } from "../../units";
import type { PlaceWork } from "../family";
import { placeOfKey } from "./keys";
import type { PatchedLayout } from "./layout";

/** Smaller blocks than this are not counted: they go under hairs, mm². */
export const LEAST_BLOCK_MM2 = 0.05;

/** Blocks of one colour; null for hairs, which are counted by their area. */
export function patchedWork(layout: PatchedLayout, key: string): PlaceWork | null {
  const place = placeOfKey(key);
  if (place?.kind !== "block") return null;
  const k = layout.params.colours.findIndex(({ id }) => id === place.id);
  if (k < 1) return { areaMm2: 0, count: 0, name: "block", rate: "box" };
  const { blocks, reached, panel } = layout.laid();
  const count = blocks.filter(({ colour, areaMm2 }) => colour === k && areaMm2 >= LEAST_BLOCK_MM2).length;
  const areaMm2 = reached[k]! * panel.cells.length * panel.pitchMm ** 2;
  return { areaMm2, count: Math.max(1, count), name: "block", rate: "box" };
}

/** What to look at after a coat of the pattern. */
export function patchedLookAt({ params }: PatchedLayout, key: string, count: number): string[] {
  const place = placeOfKey(key);
  const colour = place && place.kind !== "sheen" && params.colours.find(({ id }) => id === place.id);
  if (!place || !colour) return [];
  if (place.kind === "block")
    return [
      `${counted(count, "block")}, outlines ragged: no need to be neat, hairs will break every border.`,
    ];
  return [
    `Hairs run ${formatNumber(params.reachMm, 1)} mm over the border both ways, closer there; one here and there strays into the next colour.`,
  ];
}
