import type { Coat, Job, Surface } from "../job";
import { marksOf } from "../simulate/layCoat";
import type { SurfaceForm } from "../surface/forms/form";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { placeWeights } from "../techniques/technique";

/** Cells that are enough to tell how much of a surface belongs to a place. */
const CELLS = 1500;
const MOST_GRIDS = 64;
const grids = new Map<string, SurfaceGrid>();
/** Shares by all they depend on: most coats keep their place from one edit to the next. */
const MOST_SHARES = 2000;
const shares = new Map<string, number>();

function coarseGrid(job: Job, surface: Surface, form: SurfaceForm): SurfaceGrid {
  const key = JSON.stringify([surface.form, surface.seed, job.figure.lamp]);
  let grid = grids.get(key);
  if (!grid) {
    if (grids.size >= MOST_GRIDS) grids.clear();
    grid = buildGrid(form, Math.sqrt(form.areaMm2 / CELLS), job.figure.lamp);
    grids.set(key, grid);
  }
  return grid;
}

/** Where an earlier coat's marks lie is known only once it is laid; until then half of the place is taken. */
const NEAR_SHARE = 0.5;

/** Mean share of a surface that belongs to the place of a coat by area, 0…1: what it has of marks, paint and minutes. */
export function placeShare(job: Job, surface: Surface, form: SurfaceForm, coat: Coat): number {
  const { target } = coat;
  if (target.kind === "everywhere") return 1;
  if (target.kind !== "zones" && target.kind !== "hollows") return 1;
  const key = JSON.stringify([surface.form, surface.seed, surface.wear, job.figure.lamp, target]);
  const known = shares.get(key);
  if (known !== undefined) return known;
  if (shares.size >= MOST_SHARES) shares.clear();
  const share = measured(job, surface, form, coat);
  shares.set(key, share);
  return share;
}

function measured(job: Job, surface: Surface, form: SurfaceForm, coat: Coat): number {
  const { target } = coat;
  const near = target.kind === "zones" && target.near !== null;
  const plain = near ? { ...coat, target: { ...target, near: null } } : coat;
  const grid = coarseGrid(job, surface, form);
  const weights = placeWeights({ grid, marks: marksOf(job, surface, form, plain), nearCover: null });
  let [sum, all] = [0, 0];
  for (let at = 0; at < weights.length; at++) {
    sum += weights[at]! * grid.inside[at]!;
    all += grid.inside[at]!;
  }
  return (all > 0 ? sum / all : 0) * (near ? NEAR_SHARE : 1);
}
