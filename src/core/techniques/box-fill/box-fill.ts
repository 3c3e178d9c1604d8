import { hash01 } from "../../random";
import { modulo } from "../../units";
import { fieldsOf } from "../../surface/fields";
import { addFilm, defineTechnique, edgeSoftMm, wobbleMm, type CellPlan, type LayContext } from "../technique";
import { cloud, stray, streak } from "../texture";
import { BoxAxis, noSpot } from "./boxAxis";

const FAR = 1e6;
/** Farthest an edge strays, in wobbles: its own drift and its offset. */
const MOST_STRAY = 1.65;

/** Everything about one cell of the grid that filling needs. */
class Filler {
  readonly column = noSpot();
  readonly row = noSpot();
  readonly columnAxis: BoxAxis;
  readonly rowAxis: BoxAxis;
  /** By box of the repeat: 1 where it or a box beside it is to be filled; all others need no second look. */
  readonly paints: Uint8Array;
  readonly columns: number;
  readonly rows: number;
  readonly around: number | null;
  readonly cells: CellPlan;
  readonly wobble: number;
  readonly insetMm: number;
  readonly seed: number;
  /** Nearer than this to an edge, mm, the hand's wobble is computed; farther off it cannot matter. */
  readonly nearMm: number;
  constructor(cells: CellPlan, wobble: number, insetMm: number, softMm: number, seed: number) {
    this.cells = cells;
    this.nearMm = MOST_STRAY * wobble + Math.abs(insetMm) + softMm;
    this.wobble = wobble;
    this.insetMm = insetMm;
    this.seed = seed;
    this.columns = cells.column.from.length;
    this.rows = cells.row.from.length;
    this.around = cells.closesAfter === null ? null : cells.closesAfter * this.columns;
    this.columnAxis = new BoxAxis(cells.column);
    this.rowAxis = new BoxAxis(cells.row);
    this.paints = cells.selected.map((_, at) => {
      const [c, r] = [Math.floor(at / this.rows), at % this.rows];
      const near =
        this.selected(c, r) ||
        this.selected(c - 1, r) ||
        this.selected(c + 1, r) ||
        this.selected(c, r - 1) ||
        this.selected(c, r + 1);
      return near ? 1 : 0;
    });
  }

  /** Finds the box a place lies in. @returns false where nothing is painted in it or beside it */
  find(column: number, row: number): boolean {
    this.columnAxis.locate(column, this.column);
    this.rowAxis.locate(row, this.row);
    return this.paints[this.column.index * this.rows + this.row.index] === 1;
  }

  selected(columnNumber: number, rowNumber: number): boolean {
    let column = (columnNumber | 0) % this.columns;
    let row = (rowNumber | 0) % this.rows;
    if (column < 0) column += this.columns;
    if (row < 0) row += this.rows;
    return this.cells.selected[column * this.rows + row] === 1;
  }

  /** Identity of one edge of one box, for its own wobble. */
  private edgeSeed(columnNumber: number, rowNumber: number, side: number): number {
    const wrapped = this.around === null ? columnNumber : modulo(columnNumber, this.around);
    return Math.floor(hash01(this.seed + side, wrapped, rowNumber) * 0x7fffffff);
  }

  /** How deep a point lies in a box of the plan, mm; negative outside. Edges to a box of the same coat do not count. */
  depth(
    columnNumber: number,
    rowNumber: number,
    left: number,
    right: number,
    below: number,
    above: number,
    alongX: number,
    alongY: number,
  ): number {
    let depth = FAR;
    for (let side = 0; side < 4; side++) {
      const distance = side === 0 ? left : side === 1 ? right : side === 2 ? below : above;
      const dc = side === 0 ? -1 : side === 1 ? 1 : 0;
      const dr = side === 2 ? -1 : side === 3 ? 1 : 0;
      if (this.selected(columnNumber + dc, rowNumber + dr)) continue;
      let here = distance - this.insetMm;
      if (Math.abs(distance) < this.nearMm) {
        const seed = this.edgeSeed(columnNumber, rowNumber, side);
        here += this.wobble * (1.2 * stray(seed, side < 2 ? alongY : alongX) + 0.9 * (hash01(seed, 3) - 0.5));
      }
      if (here < depth) depth = here;
    }
    return depth;
  }
}

function fillRow(
  filler: Filler,
  context: LayContext,
  row: number,
  put: (at: number, depth: number, box: number) => void,
): void {
  const { grid } = context;
  const { cells, column, row: rowSpot, nearMm: near } = filler;
  for (let x = 0; x < grid.width; x++) {
    const at = row * grid.width + x;
    if (grid.inside[at]! === 0) continue;
    const turn = grid.turnDeg[at]!;
    const height = grid.heightMm[at]!;
    if (!filler.find(cells.columnCoordinate(turn, height), cells.rowCoordinate(height))) continue;
    const period = cells.columnPeriodMm(height);
    const [c, r] = [column.number, rowSpot.number];
    const left = column.before * period;
    const right = column.after * period;
    const below = rowSpot.before * cells.rowPeriodMm;
    const above = rowSpot.after * cells.rowPeriodMm;
    const alongX = column.before * period + c * 0.37;
    let depth = -FAR;
    const least = Math.min(left, right, below, above);
    if (least > near) {
      if (!filler.selected(c, r)) continue;
      depth = least;
    } else if (filler.selected(c, r)) {
      depth = filler.depth(c, r, left, right, below, above, alongX, height);
    } else {
      // Overspill from the boxes next to this one.
      if (left < near && filler.selected(c - 1, r)) {
        depth = Math.max(depth, filler.depth(c - 1, r, FAR, -left, below, above, alongX, height));
      }
      if (right < near && filler.selected(c + 1, r)) {
        depth = Math.max(depth, filler.depth(c + 1, r, -right, FAR, below, above, alongX, height));
      }
      if (below < near && filler.selected(c, r - 1)) {
        depth = Math.max(depth, filler.depth(c, r - 1, left, right, FAR, -below, alongX, height));
      }
      if (above < near && filler.selected(c, r + 1)) {
        depth = Math.max(depth, filler.depth(c, r + 1, left, right, -above, FAR, alongX, height));
      }
    }
    if (depth > -near) put(at, depth, c * 7919 + r);
  }
}

/** Boxes of a check, each filled with a few dabs inside its edges. */
export const boxFill = defineTechnique({
  id: "box-fill",
  version: 1,
  label: "Fill boxes",
  about: "Fills box by box or band by band, edges by hand, the middle with a few dabs.",
  params: {
    inset: {
      label: "Kept off the edge",
      unit: "mm",
      range: [-0.1, 0.2],
      step: 0.01,
      default: 0,
      about: "Above 0 leaves a rim of what is below, under 0 laps over it.",
    },
    unevenness: {
      label: "Unevenness",
      unit: "%",
      range: [0, 60],
      step: 1,
      default: 16,
      about: "How much the film varies from dab to dab.",
    },
  },
  lays: ["cells"],
  filmShare: 1,
  caution: null,
  lay(film, context, params, random) {
    if (context.marks.kind !== "cells") return;
    const { grid } = context;
    const { along } = fieldsOf(grid);
    const soft = Math.max(edgeSoftMm(context.water), grid.pitchMm);
    const seed = Math.floor(random.next() * 0x7fffffff);
    const filler = new Filler(context.marks.cells, wobbleMm(context.hand), params.inset, soft, seed);
    const uneven = params.unevenness / 100 / Math.sqrt(context.passes);
    const um = context.passUm * context.passes;
    const shift = random.range(0, 15);
    for (let row = 0; row < grid.height; row++) {
      fillRow(filler, context, row, (at, depth, box) => {
        const cover = Math.min(1, Math.max(0, depth / soft + 0.5)) * grid.inside[at]!;
        if (cover === 0) return;
        const x = along[at]! + shift;
        const y = grid.heightMm[at]! + shift + hash01(seed, box) * 9;
        const dab =
          1 + uneven * (0.75 * streak(x, y) + 0.6 * cloud(x, y) + 1.6 * (hash01(seed, box, 5) - 0.5));
        // Paint draws up a little against the edge where a stroke ends.
        const rim = depth > 0.6 ? 1 : 1 + 0.22 * Math.exp(-Math.max(0, depth) / 0.06);
        addFilm(film, at, um * Math.max(0.12, dab) * rim, cover);
      });
    }
  },
});
