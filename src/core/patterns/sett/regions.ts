import type { SurfaceGrid } from "../../surface/grid";
import type { Regions } from "../../techniques/technique";
import { modulo } from "../../units";
import { BoxAxis, noSpot } from "./boxAxis";
import { columnCoordinate, columnPeriodMm, rowCoordinate, type Axis, type SettLayout } from "./layout";

/** How far outside a box a hand may still stray into its neighbour, mm: farther off, cells belong to no box. */
const REACH_MM = 0.5;
const FAR_MM = 1e6;

/** Boxes of one coat: which of the repeat are filled. */
export interface BoxChoice {
  readonly layout: SettLayout;
  /** Whether the box where these two codes cross is filled. */
  readonly fill: (column: string, row: string) => boolean;
}

const axisOf = (axis: Axis) =>
  new BoxAxis({
    from: Float64Array.from(axis.boxes, (box) => box.from),
    to: Float64Array.from(axis.boxes, (box) => box.to),
  });

/** Finds, cell by cell, the box of one coat that a place lies in or next to. */
class BoxFinder {
  readonly column = noSpot();
  readonly row = noSpot();
  private readonly columnAxis: BoxAxis;
  private readonly rowAxis: BoxAxis;
  private readonly columns: number;
  private readonly rows: number;
  private readonly chosen: Uint8Array;
  /** 1 where a box or one beside it is filled; all others need no second look. */
  private readonly nearby: Uint8Array;
  /** Boxes once round a band that closes; null where it is open. */
  private readonly around: number | null;

  constructor({ layout, fill }: BoxChoice) {
    const { columns, rows, params, form } = layout;
    this.columns = columns.boxes.length;
    this.rows = rows.boxes.length;
    this.columnAxis = axisOf(columns);
    this.rowAxis = axisOf(rows);
    this.chosen = Uint8Array.from({ length: this.columns * this.rows }, (_, at) => {
      const [column, row] = [columns.boxes[Math.floor(at / this.rows)]!, rows.boxes[at % this.rows]!];
      return fill(column.code, row.code) ? 1 : 0;
    });
    this.nearby = this.chosen.map((_, at) => {
      const [c, r] = [Math.floor(at / this.rows), at % this.rows];
      const any =
        this.filled(c, r) ||
        this.filled(c - 1, r) ||
        this.filled(c + 1, r) ||
        this.filled(c, r - 1) ||
        this.filled(c, r + 1);
      return any ? 1 : 0;
    });
    const whole = Number.isInteger(params.periods) && params.spread === "fan" && form.closed;
    this.around = whole ? params.periods * this.columns : null;
  }

  /** Finds the box a place lies in. @returns false where nothing is filled in it or beside it */
  find(column: number, row: number): boolean {
    this.columnAxis.locate(column, this.column);
    this.rowAxis.locate(row, this.row);
    return this.nearby[this.column.index * this.rows + this.row.index] === 1;
  }

  filled(columnNumber: number, rowNumber: number): boolean {
    let column = (columnNumber | 0) % this.columns;
    let row = (rowNumber | 0) % this.rows;
    if (column < 0) column += this.columns;
    if (row < 0) row += this.rows;
    return this.chosen[column * this.rows + row] === 1;
  }

  /** The same number for the same box, from 0; the last box of a closed band joins the first. */
  numberOf(columnNumber: number, rowNumber: number): number {
    const column = this.around === null ? columnNumber + 4096 : modulo(columnNumber, this.around);
    return column * 8192 + (rowNumber + 4096);
  }

  /** Depth within a box, mm; edges to a box of the same coat do not count. */
  depth(c: number, r: number, left: number, right: number, below: number, above: number): number {
    let depth = FAR_MM;
    if (left < depth && !this.filled(c - 1, r)) depth = left;
    if (right < depth && !this.filled(c + 1, r)) depth = right;
    if (below < depth && !this.filled(c, r - 1)) depth = below;
    if (above < depth && !this.filled(c, r + 1)) depth = above;
    return depth;
  }
}

/** Boxes or bands of a cloth as numbered pieces with the distance to their borders. */
export function boxRegions(choice: BoxChoice, grid: SurfaceGrid): Regions {
  const { layout } = choice;
  const cells = grid.inside.length;
  const number = new Int32Array(cells).fill(-1);
  const depthMm = new Float32Array(cells).fill(-FAR_MM);
  const finder = new BoxFinder(choice);
  const { column, row } = finder;
  const rowPeriod = layout.rows.periodMm;
  let best = 0;
  let bestNumber: number;
  const offer = (c: number, r: number, left: number, right: number, below: number, above: number) => {
    if (!finder.filled(c, r)) return;
    const depth = finder.depth(c, r, left, right, below, above);
    if (depth > best) [best, bestNumber] = [depth, finder.numberOf(c, r)];
  };
  for (let at = 0; at < cells; at++) {
    if (grid.inside[at] === 0) continue;
    const [turn, height] = [grid.turnDeg[at]!, grid.heightMm[at]!];
    if (!finder.find(columnCoordinate(layout, turn, height), rowCoordinate(layout, height))) continue;
    const period = columnPeriodMm(layout, height);
    const [c, r] = [column.number, row.number];
    const [left, right] = [column.before * period, column.after * period];
    const [below, above] = [row.before * rowPeriod, row.after * rowPeriod];
    best = -REACH_MM;
    bestNumber = -1;
    if (finder.filled(c, r)) offer(c, r, left, right, below, above);
    else {
      if (left < REACH_MM) offer(c - 1, r, FAR_MM, -left, below, above);
      if (right < REACH_MM) offer(c + 1, r, -right, FAR_MM, below, above);
      if (below < REACH_MM) offer(c, r - 1, left, right, FAR_MM, -below);
      if (above < REACH_MM) offer(c, r + 1, left, right, -above, FAR_MM);
    }
    if (bestNumber < 0) continue;
    number[at] = bestNumber;
    depthMm[at] = best;
  }
  return { number, depthMm };
}
