import { describe, expect, it } from "vitest";
import "../../core/figure/rooms";
import { lampInRoom } from "../../core/figure/light";
import { standingFigure } from "../../core/figure/standingFigure";
import { figureOf, type Coat, type Job } from "../../core/job";
import { FilmLayer } from "../../core/simulate/filmLayer";
import { GridShelf } from "../../core/simulate/gridShelf";
import type { SpacePoint } from "../../core/surface/forms/form";
import { cross, dot, minus, unit } from "../../core/surface/vector";
import { mudDrake } from "./mudDrake";

const drake = mudDrake();
const coats = drake.surfaces.find(({ id }) => id === "body")!.coats;
const edges = coats.find(({ name }) => name === "Lit edge of every scale")!;
const lines = coats.find(({ name }) => name === "Dark edge of every scale")!;

/** The drake turned on its spot, with one coat on its body. */
function turned(turnDeg: number, coat: Coat): Job {
  const figures = drake.figures.map((figure) => ({
    ...figure,
    body: { ...figure.body!, params: { ...figure.body!.params, turnDeg } },
  }));
  const surfaces = drake.surfaces.map((one) => (one.id === "body" ? { ...one, coats: [coat] } : one));
  return { ...drake, figures, surfaces };
}

/** Of the scales that look to the lamp and have one side to it: how many have their painted edge on that side, in space. */
function onLampSide(job: Job): { readonly right: number; readonly all: number } {
  const surface = job.surfaces.find(({ id }) => id === "body")!;
  const { grid } = new GridShelf().of(job, surface, { preview: true, previewCells: 200_000 });
  const laying = new FilmLayer(10_000_000).lay(job, surface, grid);
  let step = laying.next();
  while (!step.done) step = laying.next();
  const { film } = step.value[0]!;
  const { thing, things, across } = grid.hide!;
  const sums = things.map(() => ({ cells: 0, across: 0, painted: 0, paintedAcross: 0 }));
  for (let at = 0; at < thing.length; at++) {
    if (thing[at]! < 0 || grid.inside[at]! < 0.99) continue;
    const [sum, cover] = [sums[thing[at]!]!, film.cover[at]! / 255];
    sum.cells++;
    sum.across += across[at]!;
    sum.painted += cover;
    sum.paintedAcross += cover * across[at]!;
  }
  const { seating } = standingFigure(job, job.figures[0]!)!.pieces.find(
    (piece) => piece.surface.id === "body",
  )!;
  const lamp = lampInRoom(figureOf(job, surface));
  const inRoom = (x: number, y: number): SpacePoint => seating(grid.form.inSpace(grid.form.place([x, y])));
  const sides = things.flatMap(({ xMm, yMm, wayX, wayY, lengthMm, onBelly }, number) => {
    const { cells, painted, ...sum } = sums[number]!;
    // Scales that are all but hidden, or have no edge to paint, tell nothing.
    if (onBelly || cells < 40 || painted < 2) return [];
    const [x, y] = [xMm + 0.6 * lengthMm * wayX, yMm + 0.6 * lengthMm * wayY];
    const here = inRoom(x, y);
    const ahead = unit(minus(inRoom(x + 0.05 * wayX, y + 0.05 * wayY), here));
    const aside = unit(minus(inRoom(x - 0.05 * wayY, y + 0.05 * wayX), here));
    const towards = dot(aside, lamp);
    if (Math.abs(towards) < 0.3 || dot(cross(aside, ahead), lamp) < 0.1) return [];
    return [towards * (sum.paintedAcross / painted - sum.across / cells) > 0];
  });
  return { right: sides.filter((isRight) => isRight).length, all: sides.length };
}

describe("edges of scales", () => {
  it.each([0, 45, 90, 135, 180, 225, 270, 315])(
    "are painted on the side towards the lamp, in space, with the beast turned by %i°",
    (turnDeg) => {
      const { right, all } = onLampSide(turned(turnDeg, edges));
      expect(all).toBeGreaterThan(40);
      expect(right / all).toBeGreaterThan(0.93);
    },
  );

  it.each([45, 270])("have their dark line on the other side, with the beast turned by %i°", (turnDeg) => {
    const { right, all } = onLampSide(turned(turnDeg, lines));
    expect(all).toBeGreaterThan(40);
    expect(right / all).toBeLessThan(0.07);
  });
});
