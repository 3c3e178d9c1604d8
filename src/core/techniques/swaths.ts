import type { Random } from "../random";

/** One stroke of a wiped brush, in mm along and up the piece. */
export interface Swath {
  readonly x: number;
  readonly y: number;
  /** Unit vector it runs along. */
  readonly cos: number;
  readonly sin: number;
  readonly halfLength: number;
  readonly halfWidth: number;
  /** How full the brush was, about 1. */
  readonly load: number;
  /** How far it curves aside, per mm. */
  readonly bend: number;
  /** Which bristles it has: an offset into the texture of threads, mm. */
  readonly offset: number;
}

/** Broad strokes that lie side by side: their size and direction. */
export interface SwathStyle {
  readonly widthMm: number;
  readonly lengthMm: number;
  /** Radians from the length of the piece. */
  readonly angle: number;
}

/** Part of the piece the strokes are to cover, mm along and up. */
export interface SwathGround {
  readonly minX: number;
  readonly maxX: number;
  readonly minY: number;
  readonly maxY: number;
}

/** Strokes lie this far apart, against their width and length: every place is met by two or three. */
const APART = 0.62;
/** A larger piece is brushed with a larger brush. */
const MOST_SWATHS = 4000;

/** Strokes side by side over the whole ground, each set down by hand: unlike in place, length, turn and load. */
export function strokeOver(ground: SwathGround, style: SwathStyle, random: Random): Swath[] {
  const [cos, sin] = [Math.cos(style.angle), Math.sin(style.angle)];
  const area = (ground.maxX - ground.minX) * (ground.maxY - ground.minY);
  const wanted = area / (APART ** 2 * style.widthMm * style.lengthMm);
  const grow = Math.sqrt(Math.max(1, wanted / MOST_SWATHS));
  const [width, length] = [style.widthMm * grow, style.lengthMm * grow];
  const corners = [ground.minX, ground.maxX].flatMap((x) =>
    [ground.minY, ground.maxY].map((y) => [x * cos + y * sin, y * cos - x * sin] as const),
  );
  const [us, vs] = [corners.map(([u]) => u), corners.map(([, v]) => v)];
  const [fromU, toU, fromV, toV] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)];
  const swaths: Swath[] = [];
  for (let row = fromV; row < toV + width / 2; row += width * APART) {
    for (let at = fromU - length * random.next(); at < toU + length / 2; at += length * APART) {
      const u = at + random.range(-0.2, 0.2) * length;
      const v = row + random.range(-0.3, 0.3) * width;
      const turn = style.angle + 0.09 * random.normal();
      swaths.push({
        x: u * cos - v * sin,
        y: u * sin + v * cos,
        cos: Math.cos(turn),
        sin: Math.sin(turn),
        halfLength: (length / 2) * random.range(0.7, 1.25),
        halfWidth: (width / 2) * random.range(0.75, 1.2),
        load: Math.max(0.35, 1 + 0.28 * random.normal()),
        bend: (0.12 * random.normal()) / length,
        offset: random.range(0, 15),
      });
    }
  }
  return swaths;
}

/** Numbers a stroke has in the flat list: x, y, cos, sin, 1/half length, 1/half width, load, bend, offset. */
const FIELDS = 9;
const NONE = -1;
/** A second stroke that lies thinner than this is not seen beside the first. */
const LEAST_SECOND = 0.2;

/**
 * Strokes in one flat list, and which two of them count most at each place: asked twice for every cell of a surface,
 * objects would cost more than what is computed from them.
 */
export class SwathIndex {
  private readonly list: Float64Array;
  private readonly first: Int16Array;
  private readonly second: Int16Array;
  private readonly columns: number;
  private readonly rows: number;
  private readonly perMm: number;
  /** Where the place last asked for lies along the stroke and aside of it, mm, moved to the stroke's own bristles. */
  readonly spot = new Float64Array(2);

  constructor(
    swaths: readonly Swath[],
    private readonly ground: SwathGround,
    private readonly cellMm: number,
  ) {
    this.list = Float64Array.from(
      swaths.flatMap((one) => [
        ...[one.x, one.y, one.cos, one.sin, 1 / one.halfLength, 1 / one.halfWidth],
        ...[one.load, one.bend, one.offset],
      ]),
    );
    this.perMm = 1 / cellMm;
    this.columns = Math.max(1, Math.ceil((ground.maxX - ground.minX) / cellMm) + 1);
    this.rows = Math.max(1, Math.ceil((ground.maxY - ground.minY) / cellMm) + 1);
    const count = this.columns * this.rows;
    this.first = new Int16Array(count).fill(NONE);
    this.second = new Int16Array(count).fill(NONE);
    const best = [new Float32Array(count), new Float32Array(count)] as const;
    swaths.forEach((swath, index) => this.enter(swath, index, best));
  }

  private enter(swath: Swath, index: number, [most, next]: readonly [Float32Array, Float32Array]): void {
    const { ground, cellMm, columns, rows } = this;
    const reach = swath.halfLength + swath.halfWidth;
    const fromX = Math.max(0, Math.floor((swath.x - reach - ground.minX) / cellMm));
    const toX = Math.min(columns - 1, Math.ceil((swath.x + reach - ground.minX) / cellMm));
    const fromY = Math.max(0, Math.floor((swath.y - reach - ground.minY) / cellMm));
    const toY = Math.min(rows - 1, Math.ceil((swath.y + reach - ground.minY) / cellMm));
    for (let row = fromY; row <= toY; row++) {
      for (let column = fromX; column <= toX; column++) {
        const weight = this.weight(index, ground.minX + column * cellMm, ground.minY + row * cellMm);
        const at = row * columns + column;
        if (weight > most[at]!) {
          if (most[at]! > LEAST_SECOND) {
            next[at] = most[at]!;
            this.second[at] = this.first[at]!;
          }
          most[at] = weight;
          this.first[at] = index;
        } else if (weight > next[at]! && weight > LEAST_SECOND) {
          next[at] = weight;
          this.second[at] = index;
        }
      }
    }
  }

  /** Place in the index of a spot on the ground. */
  at(x: number, y: number): number {
    // Cut off to a whole number, which is quicker than rounding; nothing here is below 0.
    const column = ((x - this.ground.minX) * this.perMm + 0.5) | 0;
    return (((y - this.ground.minY) * this.perMm + 0.5) | 0) * this.columns + column;
  }

  /** The stroke that counts most there; below 0 for none. */
  strongest(at: number): number {
    return this.first[at] ?? NONE;
  }

  /** The one that counts next; all others lie so thin there that they are left out. */
  secondStrongest(at: number): number {
    return this.second[at] ?? NONE;
  }

  /**
   * How fully a stroke lies on a place, 0…about 1.5: set down at once, emptying along its way, thinner at its sides.
   * `spot` then tells where on the stroke that is.
   */
  weight(index: number, x: number, y: number): number {
    const { list } = this;
    const from = index * FIELDS;
    const dx = x - list[from]!;
    const dy = y - list[from + 1]!;
    const cos = list[from + 2]!;
    const sin = list[from + 3]!;
    const along = dx * cos + dy * sin;
    const t = 0.5 + 0.5 * along * list[from + 4]!;
    if (t <= 0 || t >= 1) return 0;
    const aside = dy * cos - dx * sin - list[from + 7]! * along * along;
    const across = aside * list[from + 5]!;
    if (across <= -1 || across >= 1) return 0;
    this.spot[0] = along + list[from + 8]!;
    this.spot[1] = aside + list[from + 8]!;
    let weight = list[from + 6]! * (1.15 - 0.6 * t);
    const sides = 1.9 * (1 - across * across);
    if (sides < 1) weight *= sides;
    if (t < 1 / 7) weight *= 7 * t;
    else if (t > 1 - 1 / 3.5) weight *= 3.5 * (1 - t);
    return weight;
  }
}
