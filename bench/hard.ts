import "../src/core/figure/rooms";
import { growthOf } from "../src/core/growth/growthOf";
import { lightOf } from "../src/core/figure/light";
import { builtOn, groundOf } from "../src/core/groundwork/onGrid";
import { settle } from "../src/core/groundwork/settle";
import { withHide } from "../src/core/hides/withHide";
import { GridShelf } from "../src/core/simulate/gridShelf";
import { buildForm } from "../src/core/surface/forms/buildForm";
import { buildGrid } from "../src/core/surface/grid";
import { shedOn } from "../src/core/surface/shedLight";
import { landingWall } from "../src/data/demo/landingWall";
import { mudflatBases } from "../src/data/demo/mudflatBases";
import { winchEngine } from "../src/data/demo/winchEngine";
import { coatsAtPace } from "./coats";
import { print, type Line } from "./measure";
import { middleAtPace, takePace } from "./pace";

const CELLS = 1_000_000;

/** Blocks sculpted over a wall, on a megapixel. */
async function blocks(): Promise<Line> {
  const job = landingWall();
  const surface = job.surfaces.find(({ id }) => id === "wall")!;
  const form = buildForm(surface);
  const smooth = buildGrid(form, Math.sqrt(form.areaMm2 / CELLS), lightOf(job, surface));
  const growth = growthOf(job, surface);
  const made = await middleAtPace(3, () => withHide(smooth, surface, growth));
  return { name: "Stones of a wall sculpted, 1 megapixel", ...made, budget: 2000 };
}

/** What is built on a base, settled and drawn on a megapixel. */
async function ground(): Promise<Line> {
  const [surface] = mudflatBases().surfaces;
  const form = buildForm(surface!);
  const smooth = buildGrid(form, Math.sqrt(form.areaMm2 / CELLS));
  const { pieces, feet } = surface!.groundwork!;
  const made = await middleAtPace(3, () => builtOn(smooth, settle(groundOf(form), { pieces }), feet));
  return { name: "Rocks of a base come to rest, 1 megapixel", ...made, budget: 2000 };
}

/** A painted light on the cells of the piece it sits on, its shade marched over the relief. */
async function shed(): Promise<Line> {
  const job = winchEngine();
  const surface = job.surfaces.find(({ id }) => id === "front")!;
  const { grid } = new GridShelf().of(job, surface, { preview: false, mostCells: CELLS });
  const light = grid.sheds[0]!.of()!;
  const made = await middleAtPace(3, () => shedOn(grid, light));
  const megapixels = grid.inside.length / 1e6;
  return {
    name: "A painted light on a housing, of a megapixel",
    ...made,
    ms: made.ms / megapixels,
    budget: 250,
  };
}

/** Weathered metal, painted light and masonry. */
export async function benchHard(): Promise<void> {
  console.log("\nHard surfaces, in Node");
  const [engine, wall] = [winchEngine(), landingWall()];
  const lines = [
    await blocks(),
    await ground(),
    await shed(),
    ...(await coatsAtPace("Weathered housing with its lamp", engine, "front", 400)),
    ...(await coatsAtPace("Stones, single ones tinted", wall, "wall", 400)),
    ...(await coatsAtPace("A mudflat base", mudflatBases(), "base", 250)),
    ...(await coatsAtPace("Slates, single ones tinted", wall, "roof", 250)),
  ];
  print(lines, await takePace());
}
