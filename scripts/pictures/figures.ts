import { withPairs } from "../../src/core/figure/pairs";
import { drawFigure, FIGURE_TILT } from "../../src/core/figure/figureStill";
import { standingFigure } from "../../src/core/figure/standingFigure";
import type { Job, Paint } from "../../src/core/job";
import type { PieceSkin } from "../../src/core/piece/skin";
import { startKernel } from "../../src/core/simulate/compositor";
import { Simulator } from "../../src/core/simulate/simulator";
import { contained } from "./draw";

/** As in the hand, at arm's length and across the table, mm. */
const DISTANCES = [200, 600, 1200] as const;

async function skinsOf(job: Job, paints: readonly Paint[]): Promise<Map<string, PieceSkin>> {
  const sim = new Simulator(await startKernel());
  const skins = new Map<string, PieceSkin>();
  for (const { id: surfaceId } of withPairs(job).surfaces) {
    const request = { job, paints, surfaceId, upTo: null, lit: true, mostCells: 400_000 };
    const laid = await sim.lay(request, false, () => Promise.resolve(true));
    skins.set(surfaceId, sim.skin(request, laid!));
  }
  return skins;
}

/** The first figure of each job whose figure has a body, whole, from each distance. */
export async function figurePictures(
  jobs: readonly Job[],
  paints: readonly Paint[],
  size: { readonly width: number; readonly height: number },
): Promise<{ name: string; png: Buffer }[]> {
  const cells = [];
  for (const job of jobs.filter(({ figures }) => figures[0]!.body !== null)) {
    const figure = job.figures[0]!;
    const standing = standingFigure(job, figure)!;
    const skins = await skinsOf(job, paints);
    for (const viewMm of DISTANCES) {
      const view = { turnDeg: 12, tiltDeg: FIGURE_TILT, pxPerMm: 200, mostPx: size.height - 8, viewMm };
      const { picture } = drawFigure(standing, figure, skins, view);
      cells.push({ name: `${job.name}, from ${viewMm / 10} cm`, png: await contained(picture, size) });
    }
  }
  return cells;
}
