import { hash01 } from "../random";
import type { SurfaceGrid } from "./grid";

/** Where a cell is taken to lie on its form. */
export interface Rooted {
  readonly turnDeg: (at: number) => number;
  readonly heightMm: (at: number) => number;
}

/** A border between places strays from thing to thing by up to this share of their length to either side. */
const STRAYS = 0.35;

/** How far the root of a thing is moved by chance, −1…1: two numbers that are the same wherever they are asked for. */
const strays = (thing: number, way: number): number => 2 * hash01(way, thing, 77) - 1;

/**
 * Where cells are taken to lie for measured places: where they do, or, of a hide, all of one lock or scale where its
 * root is, so that a border runs thing by thing and never through one.
 */
export function rooted(grid: SurfaceGrid): Rooted {
  const { hide, form, turnDeg, heightMm } = grid;
  if (!hide) return { turnDeg: (at) => turnDeg[at]!, heightMm: (at) => heightMm[at]! };
  const turns = new Float32Array(hide.things.length);
  const heights = new Float32Array(hide.things.length);
  hide.things.forEach((thing, number) => {
    const strayMm = STRAYS * thing.lengthMm;
    const mmPerDeg = Math.max(1, form.lengthAt(thing.heightMm)) / form.turnDeg;
    const turn = thing.turnDeg + (strayMm * strays(number, 1)) / mmPerDeg;
    turns[number] = Math.min(form.turnDeg, Math.max(0, turn));
    heights[number] = thing.heightMm + strayMm * strays(number, 2);
  });
  const of = (things: Float32Array, cells: Float32Array) => (at: number) => {
    const number = hide.thing[at]!;
    return number < 0 ? cells[at]! : things[number]!;
  };
  return { turnDeg: of(turns, turnDeg), heightMm: of(heights, heightMm) };
}
