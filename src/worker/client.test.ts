import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { WorkerClient } from "./client";
import type { WorkerAnswer, WorkerRequest } from "./protocol";

/** A worker that only keeps what it was sent, and answers when the test says so. */
class StillWorker {
  static made: StillWorker[] = [];
  readonly sent: WorkerRequest[] = [];
  onmessage: ((event: MessageEvent<WorkerAnswer>) => void) | null = null;
  onerror: ((event: ErrorEvent) => void) | null = null;
  constructor() {
    StillWorker.made.push(this);
  }
  postMessage(message: WorkerRequest) {
    this.sent.push(message);
  }
  answer(answer: { kind: WorkerAnswer["kind"]; id: number }) {
    this.onmessage?.({ data: answer } as unknown as MessageEvent<WorkerAnswer>);
  }
}

beforeEach(() => {
  StillWorker.made = [];
  vi.stubGlobal("Worker", StillWorker);
});
afterEach(() => vi.unstubAllGlobals());

const section = { kind: "section" as const, line: { ax: 0, ay: 0, bx: 1, by: 1 }, samples: 10 };

function start() {
  const client = new WorkerClient();
  return { client, worker: StillWorker.made[0]! };
}

describe("a worker's client", () => {
  it("gives every question its own number and brings each answer to who asked", () => {
    const { client, worker } = start();
    const heard: string[] = [];
    const first = client.ask(section, (answer) => heard.push(`first ${answer.kind}`));
    const second = client.ask(section, (answer) => heard.push(`second ${answer.kind}`));
    expect(first).not.toBe(second);
    expect(worker.sent.map((message) => message.id)).toEqual([first, second]);
    worker.answer({ kind: "section", id: second });
    worker.answer({ kind: "dropped", id: first });
    expect(heard).toEqual(["second section", "first dropped"]);
  });

  it("listens through progress, the small and the full picture, until the steps", () => {
    const { client, worker } = start();
    const heard: string[] = [];
    const id = client.ask(section, (answer) => heard.push(answer.kind));
    for (const kind of ["progress", "preview", "progress", "full", "steps"] as const)
      worker.answer({ kind, id });
    expect(heard).toEqual(["progress", "preview", "progress", "full", "steps"]);
    // The question has ended: nothing more is heard of it.
    worker.answer({ kind: "full", id });
    expect(heard).toHaveLength(5);
  });

  it("ends a question that failed or was dropped", () => {
    const { client, worker } = start();
    for (const kind of ["failed", "dropped"] as const) {
      const heard: string[] = [];
      const id = client.ask(section, (answer) => heard.push(answer.kind));
      worker.answer({ kind, id });
      worker.answer({ kind: "full", id });
      expect(heard).toEqual([kind]);
    }
  });

  it("sends a wish to stop, and forgets without stopping", () => {
    const { client, worker } = start();
    const heard: string[] = [];
    const id = client.ask(section, (answer) => heard.push(answer.kind));
    client.cancel(id);
    expect(worker.sent.at(-1)).toEqual({ kind: "cancel", id });
    client.forget(id);
    worker.answer({ kind: "section", id });
    expect(heard).toEqual([]);
  });

  it("tells everybody who waits where the worker breaks", () => {
    const { client, worker } = start();
    const heard: string[] = [];
    for (let k = 0; k < 2; k++)
      client.ask(section, (answer) => answer.kind === "failed" && heard.push(answer.message));
    worker.onerror?.({ message: "out of memory" } as ErrorEvent);
    expect(heard).toEqual(["out of memory", "out of memory"]);
    client.ask(section, (answer) => answer.kind === "failed" && heard.push(answer.message));
    worker.onerror?.({ message: "" } as ErrorEvent);
    expect(heard.at(-1)).toBe("The simulation could not start.");
  });
});
