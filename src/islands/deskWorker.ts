import { newWorker } from "../worker/client";
import type { WorkerClient } from "../worker/workerClient";

let worker: WorkerClient | null = null;

/** The worker of pages that show many jobs: small pictures and cards, one after another. */
export const deskWorker = (): WorkerClient => (worker ??= newWorker());
