/** From and to of each box within the repeat; the boxes tile it. */
export interface AxisCells {
  readonly from: Float64Array;
  readonly to: Float64Array;
}

/** Which box of the repeat a coordinate lies in, and its distance to either edge, in repeats. */
export interface BoxSpot {
  index: number;
  /** Number of the box from the start of the band. */
  number: number;
  before: number;
  after: number;
}

/** A place to write a found box to, so that none is made for every cell. */
export const noSpot = (): BoxSpot => ({ index: 0, number: 0, before: 0, after: 0 });

const BINS = 256;

/**
 * The boxes of one axis in the order they lie within a repeat, with a first guess for every 256th of it: asked for every
 * cell of the grid, a search through all boxes would be most of the work.
 */
export class BoxAxis {
  private readonly count: number;
  /** Box by place in the repeat; where each starts, 0…1, then 1; whole repeats its own start lies off that. */
  private readonly order: Int32Array;
  private readonly starts: Float64Array;
  private readonly turns: Int32Array;
  private readonly firstOf: Int32Array;
  private readonly length: Float64Array;

  /** @throws RangeError where no box has a width */
  constructor(axis: AxisCells) {
    const { from, to } = axis;
    this.count = from.length;
    const boxes = Array.from(from, (start, index) => ({
      index,
      turn: Math.floor(start),
      length: to[index]! - start,
    }))
      .filter((box) => box.length > 0)
      .map((box) => ({ ...box, start: from[box.index]! - box.turn }))
      .sort((a, b) => a.start - b.start || a.index - b.index);
    if (boxes.length === 0) throw new RangeError("a repeat must have a box that is wider than 0");
    this.order = Int32Array.from(boxes, (box) => box.index);
    this.starts = Float64Array.from([...boxes.map((box) => box.start), 1]);
    this.turns = Int32Array.from(boxes, (box) => box.turn);
    this.length = Float64Array.from(boxes, (box) => box.length);
    this.firstOf = new Int32Array(BINS);
    for (let bin = 0, at = -1; bin < BINS; bin++) {
      while (at + 1 < boxes.length && this.starts[at + 1]! <= bin / BINS) at++;
      this.firstOf[bin] = at;
    }
  }

  /** @param coordinate repeats from the start of the band */
  locate(coordinate: number, spot: BoxSpot): void {
    const { starts, order } = this;
    const repeat = Math.floor(coordinate);
    const share = coordinate - repeat;
    let at = this.firstOf[Math.min(BINS - 1, (share * BINS) | 0)]!;
    while (at + 1 < order.length && starts[at + 1]! <= share) at++;
    // Before the first start lies the last box of the repeat before.
    const wraps = at < 0 ? 1 : 0;
    if (wraps) at = order.length - 1;
    const index = order[at]!;
    spot.index = index;
    // Kept a whole number for the machine too: the remainders taken of it are many times quicker.
    spot.number = ((repeat - wraps - this.turns[at]!) * this.count + index) | 0;
    spot.before = share + wraps - starts[at]!;
    spot.after = Math.max(0, this.length[at]! - spot.before);
  }
}
