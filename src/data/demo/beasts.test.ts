import { describe, expect, it } from "vitest";
import "../../core/figure/rooms";
import { seatIn } from "../../core/figure/seated";
import { standingFigure } from "../../core/figure/standingFigure";
import type { Job } from "../../core/job";
import { GridShelf } from "../../core/simulate/gridShelf";
import { minus, cross, unit } from "../../core/surface/vector";
import { drownedDeckhand } from "./drownedDeckhand";
import { mudDrake } from "./mudDrake";
import { tideHound } from "./tideHound";

/** How far up a piece looks where a condition holds, mean over its cells: 1 straight up, −1 straight down. */
function looksUp(job: Job, id: string, where: "belly" | "else"): number {
  const surface = job.surfaces.find((one) => one.id === id)!;
  const { grid } = new GridShelf().of(job, surface, { preview: true, previewCells: 9000 });
  const { seating } = standingFigure(job, job.figures[0]!)!.pieces.find((one) => one.surface.id === id)!;
  const at = (turnDeg: number, heightMm: number) => seating(grid.form.inSpace({ turnDeg, heightMm }));
  let [sum, all] = [0, 0];
  grid.hide!.things.forEach((thing) => {
    if ((thing.onBelly === true) !== (where === "belly")) return;
    const { turnDeg, heightMm } = thing;
    const low = Math.max(0.1, Math.min(grid.form.slantMm - 0.2, heightMm));
    const here = at(turnDeg, low);
    const out = unit(cross(minus(at(turnDeg, low - 0.05), here), minus(at(turnDeg + 1, low), here)));
    sum += out[1];
    all++;
  });
  expect(all).toBeGreaterThan(5);
  return sum / all;
}

describe("the demo's beasts and its drowned", () => {
  it("have every piece on a seat of their body", () => {
    for (const job of [tideHound(), mudDrake(), drownedDeckhand()]) {
      for (const surface of job.surfaces) expect(seatIn(job, surface), surface.id).not.toBeNull();
      const worn = standingFigure(job, job.figures[0]!)!.pieces.map(({ surface }) => surface.id);
      for (const { id } of job.surfaces) expect(worn).toContain(id);
    }
  });

  it("carry belly plates below, from throat to tail", () => {
    for (const id of ["head", "neck", "body", "tail"]) {
      expect(looksUp(mudDrake(), id, "belly"), id).toBeLessThan(-0.6);
      expect(looksUp(mudDrake(), id, "else"), id).toBeGreaterThan(0);
    }
  });
});
