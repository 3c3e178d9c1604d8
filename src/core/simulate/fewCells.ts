import { lightOf } from "../figure/light";
import { growthOf } from "../growth/growthOf";
import { hideKey, withHide } from "../hides/withHide";
import type { Job, Surface } from "../job";
import type { SurfaceForm } from "../surface/forms/form";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { withGrowth } from "../surface/growthOn";
import { reliefKey } from "../surface/keptHeights";

const MOST_GRIDS = 64;
const grids = new Map<string, SurfaceGrid>();

/** A surface as it stands, on so many cells: enough to count by. The last ones asked for are kept. */
export function fewCells(job: Job, surface: Surface, form: SurfaceForm, cells: number): SurfaceGrid {
  const [light, growth] = [lightOf(job, surface), growthOf(job, surface)];
  const hide = hideKey(surface, growth);
  const key = JSON.stringify([
    surface.form,
    surface.seed,
    reliefKey(surface),
    hide,
    light.key,
    growth.key,
    cells,
  ]);
  const known = grids.get(key);
  if (known) return known;
  if (grids.size >= MOST_GRIDS) grids.clear();
  const smooth = buildGrid(form, Math.sqrt(form.areaMm2 / cells), light);
  const grid = withGrowth(withHide(smooth, surface, growth), growth);
  grids.set(key, grid);
  return grid;
}
