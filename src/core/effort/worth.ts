import { lightOf } from "../figure/light";
import type { Effort, Job, Lamp, Surface } from "../job";
import { eachLight } from "../surface/roomLight";
import type { SurfaceGrid } from "../surface/grid";
import { valuePlan } from "../surface/volumes/valuePlan";

/** From where a figure is looked at, and how much each counts: the front and the player's side a little from above, from above, from both sides. */
const LOOKED: readonly (readonly [from: Lamp, counts: number])[] = [
  [{ fromDeg: 90, heightDeg: 70 }, 1],
  [{ fromDeg: 90, heightDeg: -50 }, 1],
  [{ fromDeg: 90, heightDeg: 0 }, 0.9],
  [{ fromDeg: 0, heightDeg: 0 }, 0.75],
  [{ fromDeg: 180, heightDeg: 0 }, 0.75],
];
/** Ground seen at so much of a slant or less is seen as well as any. */
const FULLY = 0.55;
/** What nobody sees at all still counts for this much: a figure is picked up. */
const LEAST = 0.02;

const from = (job: Job, lamp: Lamp): Job => ({
  ...job,
  figures: job.figures.map((figure) => ({ ...figure, lamp })),
});

/**
 * How well each cell is seen from where figures are looked at, 0…1, as its piece stands among the others; 1 everywhere for a
 * piece that lies aside.
 */
export function seenWell(job: Job, surface: Surface, grid: SurfaceGrid): Float32Array {
  const best = new Float32Array(grid.inside.length);
  for (const [way, counts] of LOOKED) {
    const room = lightOf(from(job, way), surface).room();
    if (!room) return best.fill(1);
    eachLight(room, grid, 1, (at, _x, _y, z, free) => {
      const seen = counts * Math.min(1, Math.max(0, z * free) / FULLY);
      if (seen > best[at]!) best[at] = seen;
    });
  }
  return best;
}

/** What a mark is worth at each cell, 0…1: by how well it is seen and how much light falls there, as far as each is asked for. */
export function worthOf(job: Job, surface: Surface, effort: Effort, grid: SurfaceGrid): Float32Array {
  const plan = valuePlan(grid, surface.volumes);
  const seen = effort.seen > 0 ? seenWell(job, surface, grid) : null;
  const [bySeen, byLit] = [effort.seen / 100, effort.lit / 100];
  return plan.map((value, at) => {
    const looked = 1 - bySeen * (1 - (seen?.[at] ?? 1));
    const lit = 1 - byLit * (1 - value);
    return Math.max(LEAST, looked * lit);
  });
}
