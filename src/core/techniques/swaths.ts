import type { IndexedStrokes } from "../bristles/kernel";
import type { Random } from "../random";
import { bristleKernel } from "./bristleKernel";

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
  /** How far a stroke is turned where it lies, radians; none where left out. */
  readonly turnAt?: ((x: number, y: number) => number) | undefined;
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
      const [x, y] = [u * cos - v * sin, u * sin + v * cos];
      const turn = style.angle + 0.09 * random.normal() + (style.turnAt?.(x, y) ?? 0);
      swaths.push({
        x,
        y,
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
const fieldsOf = (one: Swath): readonly number[] => [
  ...[one.x, one.y, one.cos, one.sin, 1 / one.halfLength, 1 / one.halfWidth],
  ...[one.load, one.bend, one.offset],
];

/** How far along and up from its middle a stroke can lie, mm. */
function reachOf({ cos, sin, halfLength, halfWidth, bend }: Swath): readonly [number, number] {
  const [along, aside] = [halfLength, halfWidth + Math.abs(bend) * halfLength ** 2];
  return [Math.abs(cos) * along + Math.abs(sin) * aside, Math.abs(sin) * along + Math.abs(cos) * aside];
}

/**
 * Strokes in one flat list, and which two of them count most at each place: asked twice for every cell of a surface,
 * objects would cost more than what is computed from them.
 */
export class SwathIndex implements IndexedStrokes {
  readonly list: Float32Array;
  readonly reaches: Float32Array;
  readonly minX: number;
  readonly minY: number;
  readonly columns: number;
  readonly rows: number;

  constructor(
    swaths: readonly Swath[],
    { minX, maxX, minY, maxY }: SwathGround,
    readonly cellMm: number,
  ) {
    this.list = Float32Array.from(swaths.flatMap(fieldsOf));
    this.reaches = Float32Array.from(swaths.flatMap(reachOf));
    this.minX = minX;
    this.minY = minY;
    this.columns = Math.max(1, Math.ceil((maxX - minX) / cellMm) + 1);
    this.rows = Math.max(1, Math.ceil((maxY - minY) / cellMm) + 1);
  }

  /** Place in the index of a spot on the ground. */
  at(x: number, y: number): number {
    const row = Math.floor((y - this.minY) / this.cellMm + 0.5);
    return row * this.columns + Math.floor((x - this.minX) / this.cellMm + 0.5);
  }

  /** The stroke that counts most there; below 0 for none. */
  strongest(at: number): number {
    return bristleKernel().strongest(this, at)[0];
  }

  /** How fully a stroke lies on a place, 0…about 1.5: set down at once, emptying along its way, thinner at its sides. */
  weight(index: number, x: number, y: number): number {
    return bristleKernel().weight(this, index, x, y);
  }
}
