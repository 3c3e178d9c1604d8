import { groundKey } from "../groundwork/key";
import { builtOn, canBuildOn, settledOn } from "../groundwork/onGrid";
import type { Groundwork, HideUse, Surface } from "../job";
import type { SurfaceGrowth } from "../surface/growthField";
import type { SurfaceGrid } from "../surface/grid";
import { lieField, withGrowth } from "../surface/growthOn";
import { hideInUse } from "./inUse";

interface OverForm {
  readonly hide?: HideUse | null;
  readonly groundwork?: Groundwork | null;
}

const somethingIn = ({ pieces, feet }: Groundwork): boolean => pieces.length + feet.length > 0;

/** What a surface's hide and what is built on it add to the key of whatever depends on its ground; null for a smooth one. */
export function hideKey({ hide, groundwork }: OverForm, growth: SurfaceGrowth): object | null {
  const built = groundwork && somethingIn(groundwork) ? groundwork : null;
  if (!hide && !built) return null;
  return { ...(hide && { hide, growth: growth.key }), ...(built && { built }) };
}

type Over = Pick<Surface, "hide" | "seed"> & Partial<Pick<Surface, "groundwork" | "form" | "relief">>;

/**
 * A panel with what is sculpted over its form, along its growth, and what is built on it; the same panel for a smooth surface.
 * @throws InputError for sizes that cannot be, or a hide that is not known
 */
export function withHide(grid: SurfaceGrid, surface: Over, growth: SurfaceGrowth): SurfaceGrid {
  return withBuilt(withSculpted(grid, surface, growth), surface);
}

function withSculpted(grid: SurfaceGrid, { hide, seed }: Over, growth: SurfaceGrowth): SurfaceGrid {
  if (!hide) return grid;
  const { definition, values } = hideInUse(hide);
  const standing = withGrowth(grid, growth);
  const sculpted = definition.sculpt({ grid: standing, lie: lieField(standing), seed }, values);
  const relief = grid.relief.map((mm, at) => mm + sculpted.upMm[at]!);
  return { ...grid, relief, inside: sculpted.inside, hide: sculpted };
}

function withBuilt(grid: SurfaceGrid, surface: Over): SurfaceGrid {
  const { groundwork } = surface;
  if (!groundwork || !somethingIn(groundwork) || !canBuildOn(grid.form)) return grid;
  const settled = settledOn(grid.form, groundKey(surface), groundwork);
  const before = grid.hide?.upMm;
  const built = builtOn(grid, settled, groundwork.feet);
  const relief = grid.relief.map((mm, at) => mm + built.upMm[at]! - (before ? before[at]! : 0));
  return { ...grid, relief, hide: built };
}
