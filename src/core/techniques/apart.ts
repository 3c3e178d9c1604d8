import type { Random } from "../random";
import { fieldsOf } from "../surface/fields";
import type { SurfaceGrid } from "../surface/grid";
import { growthAt, type Lie } from "../surface/growthField";
import { lieField } from "../surface/growthOn";
import { cellAt, type Spot } from "./scatter";

/** Tries to each mark that is wanted; where they are to stand far apart and many, room runs out before. */
const MOST_TRIES = 24;
/** Marks keep further apart across the lie than along it: so many times as far, at the same number of marks. */
const ACROSS = 1.4;
/** Of the distance that a dense packing of so many marks leaves, the most that chance still reaches. */
const REACHED = 0.78;

/** Marks set so far, found again by where they lie. */
class Neighbours {
  private readonly at = new Map<number, number[]>();
  private readonly places: number[] = [];

  constructor(private readonly cellMm: number) {}

  private keyOf = (column: number, row: number): number => column * 65_536 + row;

  add(x: number, y: number): void {
    const key = this.keyOf(Math.floor(x / this.cellMm), Math.floor(y / this.cellMm));
    const list = this.at.get(key);
    if (list) list.push(this.places.length);
    else this.at.set(key, [this.places.length]);
    this.places.push(x, y);
  }

  /** Whether one of them lies nearer than told: along a direction and across it, mm. */
  isNear(x: number, y: number, { x: dx, y: dy }: Lie, alongMm: number, acrossMm: number): boolean {
    const [left, right] = [
      Math.floor((x - acrossMm) / this.cellMm),
      Math.floor((x + acrossMm) / this.cellMm),
    ];
    const [top, bottom] = [
      Math.floor((y - acrossMm) / this.cellMm),
      Math.floor((y + acrossMm) / this.cellMm),
    ];
    for (let column = left; column <= right; column++)
      for (let row = top; row <= bottom; row++) {
        for (const place of this.at.get(this.keyOf(column, row)) ?? []) {
          const [ex, ey] = [this.places[place]! - x, this.places[place + 1]! - y];
          const along = (ex * dx + ey * dy) / alongMm;
          const across = (ex * dy - ey * dx) / acrossMm;
          if (along * along + across * across < 1) return true;
        }
      }
    return false;
  }
}

/** How marks are spread. */
export interface Scattering {
  /** Density where the weight is 1. */
  readonly perMm2: number;
  /** 0 anyhow, 1 as evenly as chance allows. */
  readonly apart01: number;
  /** How far they stand in tufts, 0…1, and where those are: 1 within, −1 between them, by place, mm. */
  readonly tufts01: number;
  readonly tuft: (xMm: number, yMm: number) => number;
}

/**
 * As many places as density and weights ask for, at random but kept apart: darts are thrown and those that land too near
 * an earlier one, across the lie more than along it, are taken out (Mitchell, "Generating antialiased images at low
 * sampling densities", 1987, with a distance that follows the weights).
 */
export function scatterApart(
  grid: SurfaceGrid,
  weights: Float32Array,
  { perMm2, apart01, tufts01, tuft }: Scattering,
  random: Random,
): Spot[] {
  const { inside, pitchMm } = grid;
  const { minX, maxX, minY, maxY } = grid.form.bounds;
  let whole = 0;
  for (let at = 0; at < weights.length; at++) whole += weights[at]! * inside[at]!;
  const count = Math.round(whole * perMm2 * pitchMm * pitchMm);
  const pieces = fieldsOf(grid).piece;
  // As many in all: where tufts have more, the places between them have fewer.
  const densest = perMm2 * (1 + tufts01);
  const evenMm = apart01 * REACHED * Math.sqrt(1 / densest);
  const near = new Neighbours(Math.max(0.05, evenMm * ACROSS));
  const field = lieField(grid);
  const lie: Lie = { x: 0, y: 1, length: 1, lift: 0 };
  const spots: Spot[] = [];
  const tries = Math.min(4e6, MOST_TRIES * densest * (maxX - minX) * (maxY - minY));
  for (let tried = 0; tried < tries && spots.length < count; tried++) {
    const xMm = minX + (maxX - minX) * random.next();
    const yMm = minY + (maxY - minY) * random.next();
    const keep = random.next();
    const at = cellAt(grid, xMm, yMm);
    if (at < 0 || inside[at]! <= 0.5 || keep >= weights[at]!) continue;
    const share = tufts01 > 0 ? (1 + tufts01 * tuft(xMm, yMm)) / (1 + tufts01) : 1;
    const wanted = weights[at]! * share;
    if (keep >= wanted) continue;
    if (evenMm > 0) {
      // Where marks are to be rarer they keep further apart, up to a bound that keeps the search short.
      const mm = Math.min(2.5 * evenMm, evenMm / Math.sqrt(wanted));
      growthAt(field, xMm, yMm, lie);
      if (near.isNear(xMm, yMm, lie, mm / ACROSS, mm * ACROSS)) continue;
      near.add(xMm, yMm);
    }
    spots.push({ xMm, yMm, at, piece: pieces ? pieces[at]! : null });
  }
  return spots;
}
