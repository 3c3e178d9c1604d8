import type { SurfaceGrid } from "./grid";
import { growthAt, type Lie, type SurfaceGrowth } from "./growthField";
import { downhill } from "./places";

/** Unit vector on the flat along which hair lies at a cell, y downwards: as it grows, or down the piece where nobody has said. */
export function lieOn(grid: SurfaceGrid, at: number): readonly [x: number, y: number] {
  const field = grid.growth();
  if (!field) return downhill(grid, at);
  const { width, pitchMm, originX, originY } = grid;
  growthAt(field, originX + (at % width) * pitchMm, originY + Math.floor(at / width) * pitchMm, here);
  return [here.x, here.y];
}
const here: Lie = { x: 0, y: 1, length: 1, lift: 0 };

const grown = new WeakMap<SurfaceGrid, { readonly key: string; readonly grid: SurfaceGrid }>();

/** The same panel with what grows on it; what follows from its relief and light alone is not worked out again. */
export function withGrowth(grid: SurfaceGrid, growth: SurfaceGrowth): SurfaceGrid {
  if (growth.key === "") return grid;
  const known = grown.get(grid);
  if (known?.key === growth.key) return known.grid;
  const made = { ...grid, growth: growth.field };
  grown.set(grid, { key: growth.key, grid: made });
  return made;
}
