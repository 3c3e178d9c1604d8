import { WorkerClient } from "./workerClient";

/** A worker more, with who asks it. */
export const newWorker = (): WorkerClient =>
  new WorkerClient(new Worker(new URL("./simulator.worker.ts", import.meta.url), { type: "module" }));

let simulation: WorkerClient | null = null;
let tasks: WorkerClient | null = null;

/** The worker that keeps the surface being looked at. */
export const simulationWorker = (): WorkerClient => (simulation ??= newWorker());
/** A second one for judgements, searches and printing, so that they never hold up the picture. */
export const taskWorker = (): WorkerClient => (tasks ??= newWorker());

/** Workers of a pool, the simulation's own among them, at most. */
const MOST_POOL = 6;

/** How many workers may help the simulation's: one core less than there are, as the page needs one, and itself. */
export const spareWorkers = (): number =>
  Math.max(0, Math.min(MOST_POOL, (navigator.hardwareConcurrency || 2) - 1) - 1);
