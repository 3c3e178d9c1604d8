import type { Job, Surface } from "../job";
import { growthOf } from "../growth/growthOf";
import { hideKey, withHide } from "../hides/withHide";
import { buildForm } from "../surface/forms/buildForm";
import { lightOf } from "../figure/light";
import { buildGrid, choosePitch, inLight, type SurfaceGrid } from "../surface/grid";
import { withGrowth } from "../surface/growthOn";
import { reliefKey } from "../surface/keptHeights";

/** Cells of the quick preview. */
export const PREVIEW_CELLS = 60_000;

/** A surface on cells. */
export interface Gridded {
  readonly grid: SurfaceGrid;
  /** The finest cells would have needed more memory than allowed. */
  readonly reduced: boolean;
}

interface Kept extends Gridded {
  readonly key: string;
}

/** Cells that are kept in all; a surface that was looked at lately needs no building when one comes back to it. */
const MOST_CELLS = 6_000_000;

/** Which cells are wanted. */
export interface GridWish {
  readonly preview: boolean;
  /** Most cells of the fine grid; as many as memory allows where left out. */
  readonly mostCells?: number | undefined;
  /** Cells of the preview; `PREVIEW_CELLS` where left out. */
  readonly previewCells?: number | undefined;
}

/** Lays surfaces on cells and keeps those that were asked for last. */
export class GridShelf {
  private kept: Kept[] = [];

  /** @throws InputError for impossible sizes */
  of(job: Job, surface: Surface, { preview, mostCells, previewCells = PREVIEW_CELLS }: GridWish): Gridded {
    const { finestLineMm } = job.hand;
    const [light, growth] = [lightOf(job, surface), growthOf(job, surface)];
    const standing = (bare: SurfaceGrid) => withGrowth(inLight(bare, light), growth);
    const wish = [
      surface.form,
      surface.seed,
      reliefKey(surface),
      hideKey(surface, growth),
      finestLineMm,
      preview && previewCells,
      mostCells,
    ];
    const key = JSON.stringify(wish);
    const known = this.kept.find((one) => one.key === key);
    if (known) {
      this.kept = [known, ...this.kept.filter((one) => one !== known)];
      return { grid: standing(known.grid), reduced: known.reduced };
    }
    const form = buildForm(surface);
    const { pitchMm, reduced } = choosePitch(form, finestLineMm, mostCells);
    const { minX, maxX, minY, maxY } = form.bounds;
    const coarse = Math.sqrt(((maxX - minX + 1.2) * (maxY - minY + 1.2)) / previewCells);
    const smooth = buildGrid(form, preview ? Math.max(pitchMm, coarse) : pitchMm);
    const grid = withHide(smooth, surface, growth);
    const made = { key, grid, reduced };
    this.keep(made);
    return { grid: standing(grid), reduced };
  }

  private keep(made: Kept): void {
    let cells = 0;
    this.kept = [made, ...this.kept].filter((one, at) => {
      cells += one.grid.inside.length;
      return at === 0 || cells <= MOST_CELLS;
    });
  }
}
