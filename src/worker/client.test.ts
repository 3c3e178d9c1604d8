import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { newWorker, spareWorkers } from "./client";
import type { Hearing } from "./workerClient";
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
  answer(answer: { kind: WorkerAnswer["kind"]; id: number } & Record<string, unknown>) {
    this.onmessage?.({ data: answer } as unknown as MessageEvent<WorkerAnswer>);
  }
}

beforeEach(() => {
  StillWorker.made = [];
  vi.stubGlobal("Worker", StillWorker);
});
afterEach(() => vi.unstubAllGlobals());

const cut = { line: { ax: 0, ay: 0, bx: 1, by: 1 }, samples: 10 };

function start() {
  const client = newWorker();
  return { client, worker: StillWorker.made[0]! };
}

/** Writes down everything that is heard, by kind. */
function hears(heard: string[], name = ""): Hearing<"section"> {
  const note = (kind: string) => heard.push(`${name}${kind}`);
  return {
    answer: (value) => note(`answer ${JSON.stringify(value)}`),
    part: () => note("part"),
    progress: (done, total) => note(`progress ${done}/${total}`),
    dropped: () => note("dropped"),
    failed: (message) => note(`failed ${message}`),
  };
}

describe("a worker's client", () => {
  it("gives every question its own number and brings each answer to who asked", () => {
    const { client, worker } = start();
    const heard: string[] = [];
    const first = client.ask("section", cut, hears(heard, "first "));
    const second = client.ask("section", cut, hears(heard, "second "));
    expect(first).not.toBe(second);
    expect(worker.sent).toEqual([
      { kind: "section", id: first, input: cut },
      { kind: "section", id: second, input: cut },
    ]);
    worker.answer({ kind: "answer", id: second, value: 7 });
    worker.answer({ kind: "dropped", id: first });
    expect(heard).toEqual(["second answer 7", "first dropped"]);
  });

  it("listens through progress and parts until the answer", () => {
    const { client, worker } = start();
    const heard: string[] = [];
    const id = client.ask("section", cut, hears(heard));
    worker.answer({ kind: "progress", id, done: 1, total: 3 });
    worker.answer({ kind: "part", id, value: {} });
    worker.answer({ kind: "part", id, value: {} });
    worker.answer({ kind: "answer", id, value: null });
    expect(heard).toEqual(["progress 1/3", "part", "part", "answer null"]);
    // The question has ended: nothing more is heard of it.
    worker.answer({ kind: "part", id, value: {} });
    expect(heard).toHaveLength(4);
  });

  it("ends a question that failed or was dropped", () => {
    const { client, worker } = start();
    for (const kind of ["failed", "dropped"] as const) {
      const heard: string[] = [];
      const id = client.ask("section", cut, hears(heard));
      worker.answer({ kind, id, message: "why" });
      worker.answer({ kind: "part", id, value: {} });
      expect(heard).toEqual([kind === "failed" ? "failed why" : "dropped"]);
    }
  });

  it("tells nothing to who did not want to hear of it", () => {
    const { client, worker } = start();
    const id = client.ask("section", cut, {});
    for (const kind of ["progress", "part", "failed"] as const)
      expect(() => worker.answer({ kind, id, message: "", value: 0 })).not.toThrow();
  });

  it("sends a wish to stop, and forgets without stopping", () => {
    const { client, worker } = start();
    const heard: string[] = [];
    const id = client.ask("section", cut, hears(heard));
    client.cancel(id);
    expect(worker.sent.at(-1)).toEqual({ kind: "cancel", id });
    client.forget(id);
    worker.answer({ kind: "answer", id, value: 1 });
    expect(heard).toEqual([]);
  });

  it("tells everybody who waits where the worker breaks", () => {
    const { client, worker } = start();
    const heard: string[] = [];
    for (let k = 0; k < 2; k++) client.ask("section", cut, hears(heard));
    worker.onerror?.({ message: "out of memory" } as ErrorEvent);
    expect(heard).toEqual(["failed out of memory", "failed out of memory"]);
    client.ask("section", cut, hears(heard));
    worker.onerror?.({ message: "" } as ErrorEvent);
    expect(heard.at(-1)).toBe("failed The simulation could not start.");
  });
});

describe("how many workers may help", () => {
  it.each([
    [1, 0],
    [2, 0],
    [4, 2],
    [7, 5],
    [64, 5],
  ])("with %d cores: %d", (cores, helpers) => {
    vi.stubGlobal("navigator", { hardwareConcurrency: cores });
    expect(spareWorkers()).toBe(helpers);
  });
});
