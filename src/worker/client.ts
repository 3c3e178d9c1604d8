import type { WorkerAnswer, WorkerRequest } from "./protocol";

type Listener = (answer: WorkerAnswer) => void;
type WithoutId<T> = T extends unknown ? Omit<T, "id"> : never;

/** One worker and the questions it has been asked. */
export class WorkerClient {
  private readonly worker: Worker;
  private readonly listeners = new Map<number, Listener>();
  private next = 1;

  constructor() {
    this.worker = new Worker(new URL("./simulator.worker.ts", import.meta.url), { type: "module" });
    this.worker.onmessage = (event: MessageEvent<WorkerAnswer>) => {
      this.listeners.get(event.data.id)?.(event.data);
      if (isLast(event.data)) this.listeners.delete(event.data.id);
    };
    this.worker.onerror = (event) => {
      const message = event.message === "" ? "The simulation could not start." : event.message;
      for (const [id, listener] of this.listeners) listener({ kind: "failed", id, message });
      this.listeners.clear();
    };
  }

  /** Asks; every answer comes to the listener. @returns the id, for `cancel` */
  ask(request: WithoutId<WorkerRequest>, listener: Listener): number {
    const id = this.next++;
    this.listeners.set(id, listener);
    this.worker.postMessage({ ...request, id });
    return id;
  }

  cancel(id: number): void {
    this.worker.postMessage({ kind: "cancel", id });
  }

  /** Stops listening without stopping the work. */
  forget(id: number): void {
    this.listeners.delete(id);
  }
}

/** After the full picture come the steps; every other answer but the small picture ends its question. */
const isLast = (answer: WorkerAnswer) =>
  answer.kind !== "progress" && answer.kind !== "preview" && answer.kind !== "full";

let simulation: WorkerClient | null = null;
let tasks: WorkerClient | null = null;

/** The worker that keeps the surface being looked at. */
export const simulationWorker = (): WorkerClient => (simulation ??= new WorkerClient());
/** A second one for searches and printing, so that they never hold up the picture. */
export const taskWorker = (): WorkerClient => (tasks ??= new WorkerClient());
