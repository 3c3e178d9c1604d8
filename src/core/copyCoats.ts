import { freeId } from "./edits/surfaces";
import { hashText } from "./random";
import { techniques, isTechniqueId } from "./techniques";
import type { Coat, Place, Job } from "./job";

/** Most coats of a surface. */
export const MOST_COATS = 60;

/** A place that means something on the other surface: pattern places stay behind, earlier coats by their copies. */
function placeOn(place: Place, copies: ReadonlyMap<string, string>, coat: Coat): Place | null {
  const field = isTechniqueId(coat.technique.id) && techniques[coat.technique.id].lays.includes("field");
  if (place.kind !== "zones") {
    if (place.kind === "everywhere" || place.kind === "hollows") return place;
    return field ? { kind: "everywhere" } : null;
  }
  const nearId = place.near ? copies.get(place.near.coatId) : undefined;
  return { ...place, near: place.near && nearId !== undefined ? { ...place.near, coatId: nearId } : null };
}

/**
 * Copies coats to the end of a surface of the same job, with seeds of their own, so that marks fall elsewhere. Coats
 * that need another surface's pattern are left out; none go beyond the most a surface can have.
 */
export function copyCoats(job: Job, coats: readonly Coat[], toId: string): Job {
  const surfaces = job.surfaces.map((surface) => {
    if (surface.id !== toId) return surface;
    let grown = surface;
    const copies = new Map(surface.coats.map((coat) => [coat.id, coat.id]));
    for (const coat of coats) {
      const place = placeOn(coat.place, copies, coat);
      if (!place || grown.coats.length >= MOST_COATS) continue;
      const id = freeId(`${grown.id}-own`, grown.coats);
      copies.set(coat.id, id);
      const seed = hashText(`${id}/${coat.seed}`) % 100000;
      grown = { ...grown, coats: [...grown.coats, { ...coat, id, place, role: null, seed }] };
    }
    return grown;
  });
  return { ...job, surfaces };
}
