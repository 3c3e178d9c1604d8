import sharp from "sharp";
import { middle } from "./measure";

/** sharp's time for 16 pictures of 1024 x 1024 on the machine that the budgets were set on, ms. */
const BUDGET_MACHINE_MS = 144;

/** sharp laying so many pictures of one size over each other, on one core: the work that others are measured against. */
export function sharpLaying(size: number, count: number): () => Promise<Buffer> {
  sharp.concurrency(1);
  sharp.cache(false);
  const raw = { width: size, height: size, channels: 4 as const };
  const pictures = Array.from({ length: count }, (_, at) => Buffer.alloc(size * size * 4, 100 + at * 7));
  const composite = pictures.slice(1).map((input) => ({ input, raw }));
  return () => sharp(pictures[0], { raw }).composite(composite).raw().toBuffer();
}

/**
 * How many times slower this machine is now than the one the budgets were set on, by the anchor. Machines that are
 * shared change their pace within minutes, so every part of the run takes it anew.
 */
export async function takePace(): Promise<number> {
  const ms = await middle(5, sharpLaying(1024, 16));
  const pace = ms / BUDGET_MACHINE_MS;
  console.log(
    `(sharp now takes ${ms.toFixed(0)} ms for its 16 pictures, ${pace.toFixed(2)} times what the budgets were set with)`,
  );
  return pace;
}

let anchor: (() => Promise<Buffer>) | null = null;

async function anchorMs(): Promise<number> {
  anchor ??= sharpLaying(1024, 16);
  const start = performance.now();
  await anchor();
  return performance.now() - start;
}

/** Middle of several runs, ms, with the machine's pace right before and after them: on a shared machine it wanders. */
export async function middleAtPace(
  runs: number,
  work: () => unknown,
): Promise<{ readonly ms: number; readonly pace: number }> {
  const before = await anchorMs();
  const ms = await middle(runs, work);
  return { ms, pace: (before + (await anchorMs())) / 2 / BUDGET_MACHINE_MS };
}
