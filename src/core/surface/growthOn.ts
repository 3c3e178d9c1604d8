import type { SurfaceGrid } from "./grid";
import type { SurfaceForm } from "./forms/form";
import { growthAt, PER_GROWTH, type GrowthField, type Lie, type SurfaceGrowth } from "./growthField";
import { downhill, fallAt } from "./places";

/** Unit vector on the flat along which hair lies at a cell, y downwards: as it grows, or down the piece where nobody has said. */
export function lieOn(grid: SurfaceGrid, at: number): readonly [x: number, y: number] {
  const field = grid.growth();
  if (!field) return downhill(grid, at);
  const { width, pitchMm, originX, originY } = grid;
  growthAt(field, originX + (at % width) * pitchMm, originY + Math.floor(at / width) * pitchMm, here);
  return [here.x, here.y];
}
const here: Lie = { x: 0, y: 1, length: 1, lift: 0 };

/** Points of the lattice on which the way down a piece is kept. */
const POINTS = 1800;
const falls = new WeakMap<SurfaceForm, GrowthField>();

/** The way down a piece, as if things grew so: on a lattice, as followed stroke by stroke it would be asked for too often. */
function fallField(form: SurfaceForm): GrowthField {
  const known = falls.get(form);
  if (known) return known;
  const { minX, maxX, minY, maxY } = form.bounds;
  const pitchMm = Math.sqrt(((maxX - minX) * (maxY - minY)) / POINTS);
  const points = (mm: number) => Math.max(1, Math.ceil(mm / pitchMm)) + 1;
  const [columns, rows] = [points(maxX - minX), points(maxY - minY)];
  const values = new Float32Array(columns * rows * PER_GROWTH);
  for (let at = 0; at < columns * rows; at++) {
    const flat = [minX + (at % columns) * pitchMm, minY + Math.floor(at / columns) * pitchMm] as const;
    values.set([...fallAt(form, form.place(flat)), 1, 0], at * PER_GROWTH);
  }
  const made = { columns, rows, pitchMm, originX: minX, originY: minY, values };
  falls.set(form, made);
  return made;
}

/** The lie all over a piece: as it grows, or down the piece where nobody has said. */
export const lieField = (grid: SurfaceGrid): GrowthField => grid.growth() ?? fallField(grid.form);

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
