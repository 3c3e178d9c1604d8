import { hash01 } from "../random";
import { dot } from "./vector";
import { coarseSize, grow } from "./coarse";
import type { Place, SpacePoint, SurfaceForm } from "./forms/form";
import { softNoise } from "./forms/sheet";
import type { SurfaceGrid } from "./grid";

/** On a smooth piece it is asked for about every so many mm. */
const STEP_MM = 0.25;
/** How far a border strays on a smooth piece, and over about what, mm; on a hide from thing to thing. */
const [STRAYS, STRAY_MM, STRAYS_BY_THING] = [0.08, 1.6, 0.1] as const;
/** From here on nothing is belly. */
const NO_BELLY = 0.5;
/** A piece that lies aside has its back behind it. */
export const BEHIND: SpacePoint = [0, 0, -1];
/** And looks to you. */
const AHEAD: SpacePoint = [0, 0, 1];

/** From the belly, 0, to the back, 1: by which way a closed piece faces; up an open one. */
export function backAt(form: SurfaceForm, back: SpacePoint): (place: Place) => number {
  const { facing } = form;
  if (!form.closed || !facing) return ({ heightMm }) => heightMm / form.slantMm;
  return (place) => {
    const height = Math.min(form.slantMm, Math.max(0, place.heightMm));
    return 0.5 + 0.5 * dot(facing({ turnDeg: place.turnDeg, heightMm: height }), back);
  };
}

/** How near its figure's back every cell lies, 0 belly … 1 back; of a hide, thing by thing. */
export function backness(grid: SurfaceGrid): (at: number) => number {
  const { hide, turnDeg, heightMm } = grid;
  const of = backAt(grid.form, grid.room()?.backInForm ?? BEHIND);
  if (hide) {
    // Where a hide has a belly of its own, that is the belly, and nothing else is.
    const told = hide.things.some(({ onBelly }) => onBelly);
    const things = Float32Array.from(hide.things, (thing, number) => {
      if (thing.onBelly) return 0;
      const share = of(thing) + STRAYS_BY_THING * (2 * hash01(number, 5, 78) - 1);
      return told ? Math.max(NO_BELLY, share) : share;
    });
    return (at) => {
      const number = hide.thing[at]!;
      return number < 0 ? of({ turnDeg: turnDeg[at]!, heightMm: heightMm[at]! }) : things[number]!;
    };
  }
  return straying(grid, of);
}

/** How straight every cell looks to where its figure does, 0 the other way … 1; of a hide, thing by thing. */
export function frontness(grid: SurfaceGrid): (at: number) => number {
  const { hide, turnDeg, heightMm, form } = grid;
  const ahead = grid.room()?.aheadInForm ?? AHEAD;
  const facing = form.facing ?? (() => AHEAD);
  const of = ({ turnDeg: turn, heightMm: mm }: Place): number =>
    0.5 + 0.5 * dot(facing({ turnDeg: turn, heightMm: Math.min(form.slantMm, Math.max(0, mm)) }), ahead);
  if (!hide) return straying(grid, of);
  const things = Float32Array.from(
    hide.things,
    (thing, number) => of(thing) + STRAYS_BY_THING * (2 * hash01(number, 5, 79) - 1),
  );
  return (at) => {
    const number = hide.thing[at]!;
    return number < 0 ? of({ turnDeg: turnDeg[at]!, heightMm: heightMm[at]! }) : things[number]!;
  };
}

/** What places of a smooth piece are, cell by cell, with borders that stray. */
function straying(grid: SurfaceGrid, of: (place: Place) => number): (at: number) => number {
  const { turnDeg, heightMm } = grid;
  const step = Math.max(1, Math.round(STEP_MM / grid.pitchMm));
  const { width, height } = coarseSize(grid, step);
  const stray = softNoise(79, STRAY_MM, hash01);
  const coarse = new Float32Array(width * height);
  for (let row = 0, to = 0; row < height; row++)
    for (let column = 0; column < width; column++, to++) {
      const at = row * step * grid.width + column * step;
      const away = stray(column * step * grid.pitchMm, row * step * grid.pitchMm);
      coarse[to] = of({ turnDeg: turnDeg[at]!, heightMm: heightMm[at]! }) + STRAYS * away;
    }
  const grown = grow(coarse, grid, step);
  return (at) => grown[at]!;
}
