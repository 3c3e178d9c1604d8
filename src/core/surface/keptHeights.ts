import type { ReliefUse } from "../job";
import type { HeightMap } from "./reliefPicture";

/**
 * Heights of relief pictures, by the name of the picture. A name is the SHA-256 of the picture's bytes, so that what it
 * stands for never changes: whoever builds a surface may use what is here, and does without what is not.
 */
const kept = new Map<string, HeightMap>();

/** Keeps the heights of a picture for whoever builds a surface with it. */
export const keepHeights = (pictureId: string, map: HeightMap): void => void kept.set(pictureId, map);

/** Heights that a surface's relief picture has; null where it has none, or it was not brought yet. */
export const keptHeights = (relief: ReliefUse | null | undefined): HeightMap | null =>
  relief ? (kept.get(relief.pictureId) ?? null) : null;

/** What a surface's relief picture adds to the key of something that was worked out with it; null for nothing. */
export const reliefKey = ({ relief }: { readonly relief?: ReliefUse | null }): ReliefUse | null =>
  keptHeights(relief) ? (relief ?? null) : null;
