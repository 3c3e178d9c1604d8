import "../src/core/figure/rooms";
import { changeFigure } from "../src/core/edits/figures";
import { drawFigure } from "../src/core/figure/figureStill";
import { judgeFigure } from "../src/core/figure/judge";
import { standingFigure } from "../src/core/figure/standingFigure";
import type { Job } from "../src/core/job";
import type { PieceSkin } from "../src/core/piece/skin";
import { startKernel } from "../src/core/simulate/compositor";
import { Simulator } from "../src/core/simulate/simulator";
import { wholeSergeant } from "../src/data/demo/company";
import { demoShelf } from "../src/data/demo/shelf";
import { middle, type Line } from "./measure";

const always = () => Promise.resolve(true);

/** The demo's figure of four surfaces, whole: as it comes first, and in full; then its lamp turned. */
export async function figureLines(): Promise<Line[]> {
  const kernel = await startKernel();
  const job = wholeSergeant();
  const view = { turnDeg: 0, tiltDeg: null, pxPerMm: 60, mostPx: 300, viewMm: null };
  const seen = async (of: Job, simulator: Simulator, full: boolean) => {
    const skins = new Map<string, PieceSkin>();
    for (const { id } of of.surfaces) {
      const request = {
        job: of,
        paints: demoShelf,
        surfaceId: id,
        upTo: null,
        lit: true,
        mostCells: 400_000,
        previewCells: 14_000,
      };
      const laid = (await simulator.lay(request, !full, always))!;
      skins.set(id, simulator.skin(request, laid));
    }
    const figure = of.figures[0]!;
    const standing = standingFigure(of, figure)!;
    return drawFigure(
      standing,
      figure,
      skins,
      { ...view, mostPx: full ? 720 : 300 },
      undefined,
      full ? "fine" : "quick",
    );
  };
  // Another height is another figure: nothing of its stand is remembered.
  let eyes = 32;
  const another = (): Job => changeFigure(job, job.figures[0]!.id, { eyeHeightMm: (eyes += 0.01) });
  const quick = await middle(3, () => seen(another(), new Simulator(kernel), false));
  const full = await middle(3, () => seen(another(), new Simulator(kernel), true));
  const simulator = new Simulator(kernel);
  let fromDeg = 130;
  await seen(job, simulator, false);
  const lamp = await middle(3, () =>
    seen(
      changeFigure(job, job.figures[0]!.id, { lamp: { fromDeg: (fromDeg += 3), heightDeg: 45 } }),
      simulator,
      false,
    ),
  );
  const figure = job.figures[0]!;
  const still = await seen(job, simulator, false);
  const parts = job.surfaces.map(({ id, name, volumes }) => ({ id, name, importance: volumes.importance }));
  const judged = await middle(5, () => judgeFigure(still, parts));
  return [
    { name: `${figure.name} judged as one, ${still.picture.height} pixels high`, ms: judged, budget: 500 },
    { name: "Figure of 4 surfaces and 56 coats, first picture, nothing remembered", ms: quick, budget: 1500 },
    { name: "The same in full, 720 pixels", ms: full, budget: 8000 },
    { name: "Its lamp turned, first picture", ms: lamp },
  ];
}
