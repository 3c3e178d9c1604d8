import type { Groundwork } from "../job";
import type { SurfaceForm } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import type { Sculpted, SculptedThing } from "../surface/sculpted";
import { rollsOff, settle, type HeightAt, type Settled } from "./settle";

/** A form's own ground, told from its middle. */
export function groundOf(form: SurfaceForm): HeightAt {
  const { minX, maxX, minY, maxY } = form.bounds;
  const [midX, midY] = [(minX + maxX) / 2, (minY + maxY) / 2];
  return (x, y) => form.relief(form.place([midX + x, midY - y]));
}

/** Whether pieces can be built on a form: it lies on the table with its face up. */
export const canBuildOn = (form: Pick<SurfaceForm, "upright">): boolean => form.upright !== undefined;

const settledOf = new Map<string, Settled>();
const MOST_KEPT = 12;

/** What is built on a form; the last ones asked for are kept. @param key of the form and its seed */
export function settledOn(form: SurfaceForm, key: string, work: Groundwork): Settled {
  const own = JSON.stringify([key, work.pieces]);
  const known = settledOf.get(own);
  if (known) return known;
  const made = settle(groundOf(form), work);
  settledOf.set(own, made);
  if (settledOf.size > MOST_KEPT) settledOf.delete(settledOf.keys().next().value!);
  return made;
}

const RAD = Math.PI / 180;

/** A place told from the middle of the base, on the flat. */
function flatOf({ bounds: { minX, maxX, minY, maxY } }: SurfaceForm, xMm: number, yMm: number) {
  return { xMm: (minX + maxX) / 2 + xMm, yMm: (minY + maxY) / 2 - yMm };
}

function thingOf(form: SurfaceForm, { piece }: Settled["pieces"][number]): SculptedThing {
  const { xMm, yMm } = flatOf(form, piece.xMm, piece.yMm);
  const place = form.place([xMm, yMm]);
  return {
    ...{ xMm, yMm, turnDeg: place.turnDeg, heightMm: place.heightMm },
    ...{ lengthMm: piece.acrossMm, widthMm: piece.deepMm },
    ...{ wayX: Math.cos(piece.turnDeg * RAD), wayY: -Math.sin(piece.turnDeg * RAD) },
  };
}

/** Pairs of pieces that are seen side by side. */
function neighboursOf({ width, height }: SurfaceGrid, thing: Int32Array, count: number): number[][] {
  const beside = Array.from({ length: count }, () => new Set<number>());
  const meet = (one: number, other: number) => {
    if (one < 0 || other < 0 || one === other) return;
    beside[one]!.add(other);
    beside[other]!.add(one);
  };
  for (let row = 0; row < height - 1; row++)
    for (let at = row * width; at < (row + 1) * width - 1; at++) {
      meet(thing[at]!, thing[at + 1]!);
      meet(thing[at]!, thing[at + width]!);
    }
  return beside.map((own) => [...own].sort((a, b) => a - b));
}

/** What a panel is, where pieces are drawn on it. */
interface Drawn {
  readonly grid: SurfaceGrid;
  readonly heightMm: Float32Array;
  readonly built: Int32Array;
}

/** Draws one piece: it is seen where it stands higher than what is there. */
function drawPiece({ grid, heightMm, built }: Drawn, pieces: Settled["pieces"], number: number): void {
  const set = pieces[number]!;
  const { width, height, originX, originY, pitchMm, inside } = grid;
  const { minX, maxX, minY, maxY } = grid.form.bounds;
  const [midX, midY] = [(minX + maxX) / 2, (minY + maxY) / 2];
  const { xMm, yMm } = set.piece;
  const reach = set.shape.reachMm + pitchMm;
  const column = (mm: number) => Math.round((mm - originX) / pitchMm);
  const row = (mm: number) => Math.round((mm - originY) / pitchMm);
  const [fromX, toX] = [column(midX + xMm - reach), column(midX + xMm + reach)];
  const [fromY, toY] = [row(midY - yMm - reach), row(midY - yMm + reach)];
  for (let j = Math.max(0, fromY); j <= Math.min(height - 1, toY); j++)
    for (let i = Math.max(0, fromX); i <= Math.min(width - 1, toX); i++) {
      const at = j * width + i;
      if (inside[at] === 0 || rollsOff(pieces, number, built[at]!)) continue;
      const top = set.topAt(originX + i * pitchMm - midX, midY - originY - j * pitchMm, heightMm[at]!);
      if (top <= heightMm[at]!) continue;
      heightMm[at] = top;
      built[at] = number;
    }
}

/** What stands on a panel, cell by cell; what was sculpted over the form stays where nothing stands. */
export function builtOn(grid: SurfaceGrid, settled: Settled, feet: Groundwork["feet"] = []): Sculpted {
  const { form, hide, relief } = grid;
  const first = hide?.things.length ?? 0;
  const built = new Int32Array(relief.length).fill(-1);
  const heightMm = relief.slice();
  settled.pieces.forEach((_, number) => drawPiece({ grid, heightMm, built }, settled.pieces, number));
  const thing = built.map((piece, at) => (piece >= 0 ? first + piece : (hide?.thing[at] ?? -1)));
  const upMm = relief.map((mm, at) => heightMm[at]! - mm + (hide ? hide.upMm[at]! : 0));
  return {
    ...{ upMm, thing, built, inside: grid.inside },
    feet: feet.map(({ xMm, yMm, acrossMm }) => ({ ...flatOf(form, xMm, yMm), radiusMm: acrossMm / 2 })),
    along: Uint8Array.from(built, (piece, at) => (piece >= 0 ? 128 : (hide?.along[at] ?? 0))),
    across: Int8Array.from(built, (piece, at) => (piece >= 0 ? 0 : (hide?.across[at] ?? 0))),
    things: [...(hide?.things ?? []), ...settled.pieces.map((one) => thingOf(form, one))],
    neighbours: neighboursOf(grid, thing, first + settled.pieces.length),
  };
}
