import { freeId } from "./edits/surfaces";
import type { Surface, Variant } from "./job";

/** Most variants kept of one surface. */
export const MOST_VARIANTS = 8;

/** Keeps the surface's coats as they are now beside it. The same surface where it has no room for another. */
export function keepVariant(surface: Surface, name: string): Surface {
  if (surface.variants.length >= MOST_VARIANTS) return surface;
  const kept: Variant = {
    id: freeId(`${surface.id}-variant`, surface.variants),
    name,
    pattern: surface.pattern,
    coats: surface.coats,
  };
  return { ...surface, variants: [...surface.variants, kept] };
}

/** Paints a variant instead; what was painted takes its place among the variants. */
export function paintVariant(surface: Surface, id: string): Surface {
  const chosen = surface.variants.find((one) => one.id === id);
  if (!chosen) return surface;
  const before: Variant = {
    ...chosen,
    name: "Painted before",
    pattern: surface.pattern,
    coats: surface.coats,
  };
  return {
    ...surface,
    pattern: chosen.pattern,
    coats: chosen.coats,
    variants: surface.variants.map((one) => (one.id === id ? before : one)),
  };
}

/** The surface without one of its variants. */
export const removeVariant = (surface: Surface, id: string): Surface => ({
  ...surface,
  variants: surface.variants.filter((one) => one.id !== id),
});
