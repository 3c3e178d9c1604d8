import type { Surface } from "../job";
import { buildForm } from "./forms/buildForm";
import { buildGrid, inLight, type SurfaceGrid } from "./grid";
import { reliefKey } from "./keptHeights";
import type { SurfaceLight } from "./roomLight";

/** Cells a verdict needs: hollows and edges are still told apart, and a grid takes some milliseconds. */
const CELLS = 24_000;
const MOST_KEPT = 24;
const kept = new Map<string, SurfaceGrid>();

/**
 * A surface's panel on few cells, for verdicts and counts that need to know where it bends; the last ones asked for are
 * kept.
 * @throws InputError where the sizes are impossible
 */
export function coarseGrid(
  surface: Pick<Surface, "form" | "seed" | "relief">,
  light: SurfaceLight,
): SurfaceGrid {
  const key = JSON.stringify([surface.form, surface.seed, reliefKey(surface)]);
  const known = kept.get(key);
  if (known) {
    kept.delete(key);
    kept.set(key, known);
    return inLight(known, light);
  }
  const form = buildForm(surface);
  const { minX, maxX, minY, maxY } = form.bounds;
  const pitchMm = Math.max(0.05, Math.sqrt(((maxX - minX) * (maxY - minY)) / CELLS));
  const grid = buildGrid(form, pitchMm);
  kept.set(key, grid);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return inLight(grid, light);
}
