import { freeId } from "./edits/surfaces";
import { hashText } from "./random";
import { techniques, isTechniqueId } from "./techniques";
import type { Coat, CoatTarget, Job } from "./job";

/** Most coats of a surface. */
export const MOST_COATS = 60;

/** A place that means something on the other surface: pattern targets stay behind, earlier coats by their copies. */
function targetOn(target: CoatTarget, copies: ReadonlyMap<string, string>, coat: Coat): CoatTarget | null {
  const field = isTechniqueId(coat.technique.id) && techniques[coat.technique.id].lays.includes("field");
  if (target.kind !== "zones") {
    if (target.kind === "everywhere" || target.kind === "hollows") return target;
    return field ? { kind: "everywhere" } : null;
  }
  const nearId = target.near ? copies.get(target.near.coatId) : undefined;
  return { ...target, near: target.near && nearId !== undefined ? { ...target.near, coatId: nearId } : null };
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
      const target = targetOn(coat.target, copies, coat);
      if (!target || grown.coats.length >= MOST_COATS) continue;
      const id = freeId(`${grown.id}-own`, grown.coats);
      copies.set(coat.id, id);
      const seed = hashText(`${id}/${coat.seed}`) % 100000;
      grown = { ...grown, coats: [...grown.coats, { ...coat, id, target, role: null, seed }] };
    }
    return grown;
  });
  return { ...job, surfaces };
}
