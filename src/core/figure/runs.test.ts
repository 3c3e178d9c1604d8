import { describe, expect, it } from "vitest";
import "./rooms";
import { wholeSergeant } from "../../data/demo/company";
import { withSeat } from "../edits/seats";
import { onSeat, type Coat, type Job } from "../job";
import { FilmLayer } from "../simulate/filmLayer";
import { GridShelf } from "../simulate/gridShelf";
import { runsTo } from "../surface/places";
import { techniques } from "../techniques";
import { standingFigure } from "./standingFigure";

const job = wholeSergeant();
const satchel = job.surfaces.find(({ id }) => id === "satchel")!;
const runs: Coat = {
  ...satchel.coats[0]!,
  technique: { id: "streak", version: techniques.streak.version, params: { density: 0.1, length: 3 } },
  place: { kind: "everywhere" },
};

/** The satchel leaning so far on its seat, with nothing on it but runs. */
const leaning = (leanDeg: number): Job => {
  const seated = withSeat(job, "satchel", { ...onSeat("left-hip"), leanDeg });
  const surfaces = seated.surfaces.map((one) => (one.id === "satchel" ? { ...one, coats: [runs] } : one));
  return { ...seated, surfaces };
};

/** How much deeper in its room water is a step further on, cell by cell, mm for each mm; and the film of its runs. */
function runsOn(of: Job) {
  const surface = of.surfaces.find(({ id }) => id === "satchel")!;
  const { grid } = new GridShelf().of(of, surface, { preview: true, previewCells: 20_000 });
  const piece = standingFigure(of, of.figures[0]!)!.pieces.find(({ surface: { id } }) => id === "satchel")!;
  const { form, width, pitchMm, originX, originY } = grid;
  const heightAt = (x: number, y: number) => piece.seating(form.inSpace(form.place([x, y])))[1];
  const step = 0.3;
  const falls: number[] = [];
  for (let at = 0; at < grid.inside.length; at += 37) {
    if (grid.inside[at]! < 1) continue;
    const [x, y] = [originX + (at % width) * pitchMm, originY + Math.floor(at / width) * pitchMm];
    const [dx, dy] = runsTo(grid, at);
    falls.push((heightAt(x, y) - heightAt(x + step * dx, y + step * dy)) / step);
  }
  const laying = new FilmLayer(10_000_000).lay(of, surface, grid);
  let laid = laying.next();
  while (!laid.done) laid = laying.next();
  return { falls, cover: laid.value[0]!.film.cover };
}

describe("runs", () => {
  const upright = runsOn(leaning(0)).cover;

  it.each([0, 45, 90, 135, 180, 225, 270, 315])(
    "go down in the room with the piece leaning by %i°",
    (lean) => {
      const { falls, cover } = runsOn(leaning(lean));
      const down = falls.filter((fall) => fall > 0);
      // Where the flap lies level water has no way to go.
      expect(falls.length).toBeGreaterThan(200);
      expect(down.length / falls.length).toBeGreaterThan(0.97);
      expect(falls.reduce((sum, fall) => sum + fall, 0) / falls.length).toBeGreaterThan(0.75);
      if (lean > 0) expect(cover).not.toEqual(upright);
    },
  );
});
