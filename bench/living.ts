import "../src/core/figure/rooms";
import { growthOf } from "../src/core/growth/growthOf";
import { withHide } from "../src/core/hides/withHide";
import type { Job } from "../src/core/job";
import { lightOf } from "../src/core/figure/light";
import { buildForm } from "../src/core/surface/forms/buildForm";
import { buildGrid } from "../src/core/surface/grid";
import { drownedDeckhand } from "../src/data/demo/drownedDeckhand";
import { mudDrake } from "../src/data/demo/mudDrake";
import { tideHound } from "../src/data/demo/tideHound";
import { coatsAtPace } from "./coats";
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

/** Hair, patched coats, hides and skin: what is painted stroke by stroke along a body. */
export async function benchLiving(): Promise<void> {
  console.log("\nLiving surfaces, in Node");
  const [hound, drake, deckhand] = [tideHound(), mudDrake(), drownedDeckhand()];
  const lines = [
    await sculpted("Locks of a mane sculpted", hound, "neck"),
    await sculpted("Scales of a body sculpted", drake, "body"),
    ...(await coatsAtPace("Patched hair", hound, "body", 300)),
    ...(await coatsAtPace("Thinned coats on locks", hound, "neck", 250)),
    ...(await coatsAtPace("Scale by scale", drake, "body", 250)),
    ...(await coatsAtPace("Dead skin", deckhand, "torso", 250)),
  ];
  print(lines, await takePace());
}
