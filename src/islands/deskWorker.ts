import { WorkerClient } from "../worker/client";

let worker: WorkerClient | null = null;

/** The worker of pages that show many jobs: small pictures and cards, one after another. */
export const deskWorker = (): WorkerClient => (worker ??= new WorkerClient());
