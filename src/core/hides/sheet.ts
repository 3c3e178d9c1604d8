import { rimMm } from "../surface/fields";
import { depthInside } from "../surface/forms/depth";
import type { FlatPoint, SurfaceForm } from "../surface/forms/form";
import { growthAt, type GrowthField, type Lie } from "../surface/growthField";
import type { SurfaceGrid } from "../surface/grid";
import type { Sculpted, SculptedThing } from "../surface/sculpted";

/** A hide while it is drawn, cell by cell: the highest thing is seen. */
export interface Sheet {
  readonly grid: SurfaceGrid;
  /** mm above the ground; far below where nothing was drawn yet. */
  readonly upMm: Float32Array;
  readonly thing: Int32Array;
  readonly along: Uint8Array;
  readonly across: Int8Array;
}

/** A sheet on which nothing is drawn yet. @param floorMm what is drawn begins no lower: roots are set into the ground, below 0 */
export function blankSheet(grid: SurfaceGrid, floorMm: number): Sheet {
  const cells = grid.inside.length;
  return {
    grid,
    upMm: new Float32Array(cells).fill(floorMm),
    thing: new Int32Array(cells).fill(-1),
    along: new Uint8Array(cells),
    across: new Int8Array(cells),
  };
}

/** Between cells and their neighbours, so that steps of single cells are not taken for edges. */
function softened({ width, height }: SurfaceGrid, upMm: Float32Array): Float32Array {
  const out = upMm.slice();
  for (let row = 1; row < height - 1; row++)
    for (let at = row * width + 1; at < (row + 1) * width - 1; at++) {
      const sides = upMm[at - 1]! + upMm[at + 1]! + upMm[at - width]! + upMm[at + width]!;
      out[at] = 0.5 * upMm[at]! + 0.125 * sides;
    }
  return out;
}

/** How much of a cell things cover, by its neighbours. */
function coveredAround({ grid: { width, height }, thing }: Sheet, at: number): number {
  const [column, row] = [at % width, Math.floor(at / width)];
  let covered = 0;
  for (let y = Math.max(0, row - 1); y <= Math.min(height - 1, row + 1); y++)
    for (let x = Math.max(0, column - 1); x <= Math.min(width - 1, column + 1); x++)
      covered += thing[y * width + x]! >= 0 ? 1 : 0;
  return covered / 9;
}

/** Steps in which the way out over a rim is looked for. */
const STEPS = 6;
const lie: Lie = { x: 0, y: 1, length: 1, lift: 0 };

/** Whether things that grow here would hang out over the rim within a length, mm of a thing where growth asks for no other. */
function hangsOut(grid: SurfaceGrid, field: GrowthField, at: number, lengthMm: number): boolean {
  const { width, pitchMm, originX, originY } = grid;
  let x = originX + (at % width) * pitchMm;
  let y = originY + Math.floor(at / width) * pitchMm;
  for (let step = 0; step < STEPS; step++) {
    growthAt(field, x, y, lie);
    x += (lie.x * lie.length * lengthMm) / STEPS;
    y += (lie.y * lie.length * lengthMm) / STEPS;
    if (beyondRim(grid.form, [x, y]) > 0) return true;
  }
  return false;
}

/** An end that is no wider than this, mm, is closed: nothing hangs over it. */
const CLOSED_MM = 0.6;

/** How far a flat place lies beyond a rim that things can hang over, mm; below 0 within. */
export function beyondRim(form: SurfaceForm, flat: FlatPoint): number {
  const place = form.place(flat);
  if (!form.closed || form.rim) return -depthInside(form, place);
  const { heightMm } = place;
  const low = form.lengthAt(0) > CLOSED_MM ? -heightMm : -Infinity;
  const high = form.lengthAt(form.slantMm) > CLOSED_MM ? heightMm - form.slantMm : -Infinity;
  return Math.max(low, high);
}

/** How what was drawn lies on its form. */
export interface Hanging {
  /** Which way things grow. */
  readonly lie: GrowthField;
  /** How long a thing is where growth asks for no other, mm; 0 where nothing hangs over a rim. */
  readonly hangMm: number;
  /** Where nothing was drawn the ground lies so far below the form, mm. */
  readonly bareMm: number;
}

/** What was drawn, as a hide. Where things hang out over a rim they are the outline: the ground behind them is cut back. */
export function sculptedFrom(
  sheet: Sheet,
  things: readonly SculptedThing[],
  { lie: field, hangMm, bareMm }: Hanging,
): Sculpted {
  const { grid, thing, along, across } = sheet;
  const inside = grid.inside.slice();
  for (let at = 0; at < inside.length; at++) {
    if (thing[at]! < 0) sheet.upMm[at] = bareMm;
    if (hangMm === 0 || inside[at] === 0 || rimMm(grid, at) > 2.5 * hangMm) continue;
    const covered = coveredAround(sheet, at);
    if (covered < 1 && hangsOut(grid, field, at, hangMm)) inside[at]! *= covered;
  }
  return { upMm: softened(grid, softened(grid, sheet.upMm)), inside, thing, along, across, things };
}
