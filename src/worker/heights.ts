import type { Surface } from "../core/job";
import { keepHeights, keptHeights } from "../core/surface/keptHeights";
import type { HeightMap } from "../core/surface/reliefPicture";

const known = new Map<string, Promise<HeightMap>>();

async function load(pictureId: string): Promise<HeightMap> {
  const response = await fetch(`/api/pictures/${pictureId}`);
  if (!response.ok) throw new Error("The relief picture of this surface is not kept here any more.");
  // The reader is only needed where a surface has such a picture.
  const { readReliefPng } = await import("../core/formats/relief-png/reliefPng");
  return readReliefPng(new Uint8Array(await response.arrayBuffer()));
}

/** The heights of a kept relief picture; loaded once. @throws Error where it is not kept, InputError where it is none */
export function heightsOf(pictureId: string): Promise<HeightMap> {
  let heights = known.get(pictureId);
  if (!heights) {
    heights = load(pictureId);
    known.set(pictureId, heights);
    // What failed may be tried again.
    heights.catch(() => known.delete(pictureId));
  }
  return heights;
}

/** Brings the heights that some surfaces name to where surfaces are built. @throws Error where one is not kept */
export async function bringHeights(surfaces: readonly Surface[]): Promise<void> {
  for (const { relief } of surfaces)
    if (relief && !keptHeights(relief)) keepHeights(relief.pictureId, await heightsOf(relief.pictureId));
}

/** The same, leaving out those that cannot be brought: the picture of such a surface says what is wrong. */
export async function bringWhatIsKept(surfaces: readonly Surface[]): Promise<void> {
  await Promise.allSettled(surfaces.map((surface) => bringHeights([surface])));
}
