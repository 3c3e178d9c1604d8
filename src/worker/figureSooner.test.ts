import { describe, expect, it } from "vitest";
import type { FigureStill } from "../core/figure/figureStill";
import { wholeSergeant } from "../data/demo/company";
import { demoShelf } from "../data/demo/shelf";
import { figure } from "./questions/figure";

const job = wholeSergeant();
const own = job.figures[0]!;
const whole = { ...job, surfaces: job.surfaces.filter(({ figureId }) => figureId === own.id).slice(0, 2) };

/** How long the longer side of each picture is that comes for a figure, the answer last; its surfaces too. */
async function sidesOf(full: boolean): Promise<{ sides: number[]; seen: (readonly string[])[] }> {
  const sent: FigureStill[] = [];
  const view = { turnDeg: 20, tiltDeg: null, viewMm: null, pxPerMm: 60, mostPx: 400 };
  const asked = {
    job: whole,
    paints: demoShelf,
    figureId: own.id,
    as: "paint",
    step: null,
    helpers: 0,
  } as const;
  const answer = await figure.run(
    { ...asked, view, full, mostCells: 20_000 },
    { wanted: () => Promise.resolve(true), part: (still) => void sent.push(still) },
  );
  const all = [...sent, answer!];
  return {
    // To tens: a figure is not as high as its frame to the pixel.
    sides: all.map(({ picture: { width, height } }) => 10 * Math.round(Math.max(width, height) / 10)),
    seen: all.map(({ surfaceIds }) => surfaceIds),
  };
}

describe("a figure's picture", () => {
  it("is sent quickly and then finer; a worker that has drawn none yet sends a rougher one before both", async () => {
    // What is small and wanted alone comes as it is: nothing finer follows that a rough one would bridge.
    expect((await sidesOf(false)).sides).toEqual([300]);
    const first = await sidesOf(true);
    expect(first.sides).toEqual([200, 300, 400]);
    expect(new Set(first.seen.map((ids) => ids.join())).size).toBe(1);
    expect((await sidesOf(true)).sides).toEqual([300, 400]);
  });
});
