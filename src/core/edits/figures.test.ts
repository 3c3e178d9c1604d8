import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { parseJob } from "../formats/job-json/jobSchema";
import { figureOf } from "../job";
import { defaultPainter } from "../painter";
import { cardsOf } from "../plan/cards";
import { changeFigure, figuresDiffer, surfacesOf, withFigure, withoutFigure } from "./figures";
import { withSurface } from "./surfaces";

const job = ferrySergeant();

describe("figures of a job", () => {
  it("come under free ids, in the same light as the first, and are changed one by one", () => {
    const two = withFigure(job, "Tide hound");
    expect(two.figures.map(({ id, name }) => [id, name])).toEqual([
      ["figure-1", "Ferry sergeant"],
      ["figure-2", "Tide hound"],
    ]);
    expect(two.figures[1]).toMatchObject({
      lamp: job.figures[0]!.lamp,
      eyeHeightMm: 32,
      count: 1,
      notes: "",
    });
    const small = changeFigure(two, "figure-2", { eyeHeightMm: 12 });
    expect(small.figures.map(({ eyeHeightMm }) => eyeHeightMm)).toEqual([32, 12]);
    expect(parseJob(small)).toEqual(small);
  });

  it("go when nothing is a part of them, but never the last", () => {
    const two = withFigure(job, "Tide hound");
    expect(withoutFigure(two, "figure-2").figures).toEqual(job.figures);
    expect(withoutFigure(two, "figure-1")).toBe(two);
    expect(withoutFigure(job, "figure-1")).toBe(job);
  });

  it("count for the surfaces that are a part of them, and for no others", () => {
    const two = changeFigure(withFigure(job, "Watch"), "figure-2", { count: 5 });
    const moved = withSurface(two, "coat-skirt", (surface) => ({ ...surface, figureId: "figure-2" }));
    expect(figureOf(moved, moved.surfaces[0]).count).toBe(5);
    expect(surfacesOf(moved, "figure-2")).toHaveLength(1);
    expect(figuresDiffer(moved)).toBe(false);
    const [one, five] = [two, moved].map((which) => cardsOf(which, demoShelf, defaultPainter)[0]!);
    expect(five!.batch!.neededUl).toBeGreaterThan(3 * one!.batch!.neededUl);
  });

  it("of no such surface are the first", () => {
    expect(figureOf(job, null)).toBe(job.figures[0]);
    expect(figureOf(job, { figureId: "gone" })).toBe(job.figures[0]);
  });
});
