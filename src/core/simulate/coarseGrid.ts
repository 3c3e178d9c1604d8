import { lightOf } from "../figure/light";
import { growthOf } from "../growth/growthOf";
import { hideKey, withHide } from "../hides/withHide";
import type { Job, Surface } from "../job";
import { buildForm } from "../surface/forms/buildForm";
import { buildGrid, inLight, type SurfaceGrid } from "../surface/grid";
import type { SurfaceGrowth } from "../surface/growthField";
import { withGrowth } from "../surface/growthOn";
import { reliefKey } from "../surface/keptHeights";

/** Cells a verdict needs: hollows and edges are still told apart, and a grid takes some milliseconds. */
const CELLS = 24_000;
const MOST_KEPT = 24;
const kept = new Map<string, SurfaceGrid>();

function bareGrid(surface: Surface, growth: SurfaceGrowth): SurfaceGrid {
  const key = JSON.stringify([surface.form, surface.seed, reliefKey(surface), hideKey(surface, growth)]);
  const known = kept.get(key);
  if (known) {
    kept.delete(key);
    kept.set(key, known);
    return known;
  }
  const form = buildForm(surface);
  const { minX, maxX, minY, maxY } = form.bounds;
  const pitchMm = Math.max(0.05, Math.sqrt(((maxX - minX) * (maxY - minY)) / CELLS));
  const grid = withHide(buildGrid(form, pitchMm), surface, growth);
  kept.set(key, grid);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return grid;
}

/**
 * A surface's panel as it stands, on few cells, for verdicts and counts that need to know where it bends; the last ones
 * asked for are kept.
 * @throws InputError where the sizes are impossible
 */
export function coarseGrid(job: Job, surface: Surface): SurfaceGrid {
  const growth = growthOf(job, surface);
  return withGrowth(inLight(bareGrid(surface, growth), lightOf(job, surface)), growth);
}
