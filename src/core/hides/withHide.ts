import type { HideUse, Surface } from "../job";
import type { SurfaceGrowth } from "../surface/growthField";
import type { SurfaceGrid } from "../surface/grid";
import { lieField, withGrowth } from "../surface/growthOn";
import { hideInUse } from "./inUse";

/** What a surface's hide adds to the key of whatever depends on its ground; null for a smooth one. */
export const hideKey = ({ hide }: { readonly hide?: HideUse | null }, growth: SurfaceGrowth): object | null =>
  hide ? { hide, growth: growth.key } : null;

/**
 * A panel with what is sculpted over its form, along its growth; the same panel for a smooth surface.
 * @throws InputError for sizes that cannot be, or a hide that is not known
 */
export function withHide(
  grid: SurfaceGrid,
  { hide, seed }: Pick<Surface, "hide" | "seed">,
  growth: SurfaceGrowth,
): SurfaceGrid {
  if (!hide) return grid;
  const { definition, values } = hideInUse(hide);
  const standing = withGrowth(grid, growth);
  const sculpted = definition.sculpt({ grid: standing, lie: lieField(standing), seed }, values);
  const relief = grid.relief.map((mm, at) => mm + sculpted.upMm[at]!);
  return { ...grid, relief, inside: sculpted.inside, hide: sculpted };
}
