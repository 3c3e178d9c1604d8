import { activeCoats, figureOf, type Job } from "../src/core/job";
import { FilmLayer } from "../src/core/simulate/filmLayer";
import { GridShelf } from "../src/core/simulate/gridShelf";
import type { Line } from "./measure";
import { middleAtPace } from "./pace";

const CELLS = 1_000_000;

/** Every coat of a piece laid by itself on a megapixel, with all that follows from its ground known. */
export async function coatsAtPace(name: string, job: Job, id: string, budget: number): Promise<Line[]> {
  const surface = job.surfaces.find((one) => one.id === id)!;
  const { grid } = new GridShelf().of(job, surface, { preview: false, mostCells: CELLS });
  const megapixels = grid.inside.length / 1e6;
  const lay = (): number[] => {
    const laying = new FilmLayer(1e9).lay(job, surface, grid);
    const times: number[] = [];
    for (let start = performance.now(); !laying.next().done; start = performance.now())
      times.push(performance.now() - start);
    return times;
  };
  // The first time light, hollows and layout are worked out; they are kept.
  lay();
  let times: number[] = [];
  const { pace } = await middleAtPace(1, () => (times = lay()));
  const slowest = activeCoats(surface)[times.indexOf(Math.max(...times))]!;
  const told = `${name}, ${times.length} coats for the ${figureOf(job, surface).standard}, of a megapixel each`;
  return [
    { name: told, ms: times.reduce((sum, ms) => sum + ms, 0) / times.length / megapixels, pace, budget },
    {
      name: `  the slowest, ${slowest.name} (${slowest.technique.id})`,
      ms: Math.max(...times) / megapixels,
      pace,
      budget,
    },
  ];
}
