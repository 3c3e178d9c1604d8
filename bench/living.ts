import "../src/core/figure/rooms";
import { growthOf } from "../src/core/growth/growthOf";
import { withHide } from "../src/core/hides/withHide";
import { activeCoats, figureOf, type Job } from "../src/core/job";
import { lightOf } from "../src/core/figure/light";
import { FilmLayer } from "../src/core/simulate/filmLayer";
import { GridShelf } from "../src/core/simulate/gridShelf";
import { buildForm } from "../src/core/surface/forms/buildForm";
import { buildGrid } from "../src/core/surface/grid";
import { drownedDeckhand } from "../src/data/demo/drownedDeckhand";
import { mudDrake } from "../src/data/demo/mudDrake";
import { tideHound } from "../src/data/demo/tideHound";
import { print, type Line } from "./measure";
import { middleAtPace, takePace } from "./pace";

const CELLS = 1_000_000;
const surfaceIn = (job: Job, id: string) => job.surfaces.find((one) => one.id === id)!;

/** What is sculpted over a piece, on a megapixel. */
async function sculpted(name: string, job: Job, id: string): Promise<Line> {
  const surface = surfaceIn(job, id);
  const form = buildForm(surface);
  const smooth = buildGrid(form, Math.sqrt(form.areaMm2 / CELLS), lightOf(job, surface));
  const growth = growthOf(job, surface);
  const made = await middleAtPace(3, () => withHide(smooth, surface, growth));
  return { name: `${name}, 1 megapixel`, ...made, budget: 1500 };
}

/** Every coat of a piece laid by itself on a megapixel, with all that follows from its ground known. */
async function coats(name: string, job: Job, id: string, budget: number): Promise<Line[]> {
  const surface = surfaceIn(job, id);
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

/** Hair, patched coats, hides and skin: what is painted stroke by stroke along a body. */
export async function benchLiving(): Promise<void> {
  console.log("\nLiving surfaces, in Node");
  const [hound, drake, deckhand] = [tideHound(), mudDrake(), drownedDeckhand()];
  const lines = [
    await sculpted("Locks of a mane sculpted", hound, "neck"),
    await sculpted("Scales of a body sculpted", drake, "body"),
    ...(await coats("Patched hair", hound, "body", 300)),
    ...(await coats("Thinned coats on locks", hound, "neck", 250)),
    ...(await coats("Scale by scale", drake, "body", 250)),
    ...(await coats("Dead skin", deckhand, "torso", 250)),
  ];
  print(lines, await takePace());
}
