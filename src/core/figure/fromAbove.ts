import { primerLevel } from "../colour/appearance";
import { encodeSrgb } from "../colour/spaces";
import type { Job, Lamp, Surface } from "../job";
import type { SurfaceGrid } from "../surface/grid";
import { roomLit } from "../surface/roomLit";
import { lampInRoom, lightOf } from "./light";

/**
 * Where the can stands when a figure primed black is sprayed white from above: straight over it, and halfway down on
 * four sides, as it is turned.
 */
export const WAYS: readonly Lamp[] = [
  { fromDeg: 90, heightDeg: 0 },
  { fromDeg: 45, heightDeg: 0 },
  { fromDeg: 135, heightDeg: 0 },
  { fromDeg: 90, heightDeg: 45 },
  { fromDeg: 90, heightDeg: -45 },
];
/** What of each way open level ground takes, and of all of them together. */
const LEVEL = WAYS.map((way) => lampInRoom({ lamp: way })[1]);
export const ALL_WAYS = LEVEL.reduce((sum, one) => sum + one);
/** Droplets on open level ground, as the area of all of them against the ground's: they fall over each other. */
const DROPLETS = 1.6;

/** White that lies after a spray: droplets that fall where they will leave e^−n of the ground bare. @param taken against open level ground */
const coverOf = (taken: number): number => 1 - Math.exp(-DROPLETS * taken);

const [BLACK, WHITE] = [primerLevel("black"), primerLevel("white")];
const BYTES = Uint8Array.from({ length: 1025 }, (_, step) =>
  Math.round(255 * encodeSrgb(BLACK + (WHITE - BLACK) * coverOf(step / 1024))),
);

/** sRGB byte of primer that took so much of the spray, 0…1 of what open level ground takes. */
export const sprayedByte = (taken: number): number =>
  BYTES[Math.round(Math.min(1, Math.max(0, taken)) * 1024)]!;

/** The job with its figures under another lamp. */
const under = (job: Job, lamp: Lamp): Job => ({
  ...job,
  figures: job.figures.map((figure) => ({ ...figure, lamp })),
});

/**
 * White sprayed from above on a surface as it sits on its figure: what faces up gets most, what lies under an edge, a
 * fold or another piece little.
 * @returns to each cell, 0…1 of what open level ground takes; null for a surface that lies aside
 */
export function sprayOn(job: Job, surface: Surface, grid: SurfaceGrid): Float32Array | null {
  const sum = new Float32Array(grid.inside.length);
  for (const way of WAYS) {
    const room = lightOf(under(job, way), surface).room();
    if (!room) return null;
    const lit = roomLit(grid, room);
    for (let at = 0; at < sum.length; at++) sum[at]! += lit[at]! / ALL_WAYS;
  }
  return sum;
}
