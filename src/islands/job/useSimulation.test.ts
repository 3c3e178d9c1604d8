import { beforeEach, describe, expect, it, vi } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import type { Hearing } from "../../worker/workerClient";
import type { SpecimenInput } from "../../worker/questions/specimen";

const worker = vi.hoisted(() => {
  const asked: { input: unknown; hearing: unknown; id: number }[] = [];
  const cancelled: number[] = [];
  return {
    asked,
    cancelled,
    client: {
      ask: (_kind: string, input: unknown, hearing: unknown) => {
        const id = asked.length + 1;
        asked.push({ input, hearing, id });
        return id;
      },
      cancel: (id: number) => cancelled.push(id),
      forget: () => undefined,
    },
  };
});
vi.mock("../../worker/client", () => ({
  simulationWorker: () => worker.client,
  taskWorker: () => worker.client,
}));

const { askSpecimen, drawAgain, stopDrawing, turnStill, useSimulation } = await import("./useSimulation");

const job = ferrySergeant();
const shown = {
  upTo: null,
  light: "colour",
  distanceMm: null,
  mostCells: 60_000,
  standing: false,
  still: null,
  veilCoatId: null,
} as const;
const ask = (surfaceId = "coat-skirt") => {
  askSpecimen(job, demoShelf, surfaceId, shown);
  return worker.asked.at(-1)!;
};
const specimen = (width: number) => ({ width, height: 1, rgba: new Uint8ClampedArray(4) });
type Question = (typeof worker.asked)[number];
/** Brings an answer to who asked, as the client does. */
function tell(question: Question, kind: string, value: Record<string, unknown> = {}): void {
  const hearing = question.hearing as Hearing<"specimen">;
  const { id } = question;
  switch (kind) {
    case "preview":
    case "full":
      return hearing.part?.({ kind, ...value } as never, id);
    case "steps":
      return hearing.answer?.(value as never, id);
    case "progress":
      return hearing.progress?.(value.done as number, value.total as number, id);
    case "failed":
      return hearing.failed?.(value.message as string, id);
    default:
      return hearing.dropped?.(id);
  }
}
const now = () => useSimulation.getState();

beforeEach(() => {
  worker.cancelled.length = 0;
  useSimulation.setState(useSimulation.getInitialState(), true);
});

describe("a still picture from elsewhere", () => {
  const view = { turnDeg: 9, tiltDeg: null, pxPerMm: 200, mostPx: 260 };
  const turn = () => {
    turnStill({ view, lit: true });
    return worker.asked.at(-1)!;
  };

  it("is asked for as the newest picture is painted, and shown", () => {
    ask();
    const question = turn();
    expect(question.input).toMatchObject({ view, request: { surfaceId: "coat-skirt", lit: true } });
    tell(question, "steps", { view });
    expect(now().still).toMatchObject({ view });
  });

  it("is not shown once another surface or another edit was asked for", () => {
    ask();
    const question = turn();
    ask("satchel");
    tell(question, "steps", { view });
    expect(now().still).toBeNull();
  });
});

describe("the picture of the newest edit", () => {
  it("comes small, then full, then with what each coat did", () => {
    const question = ask();
    expect((question.input as SpecimenInput).request).toMatchObject({
      surfaceId: "coat-skirt",
      lit: false,
      map: null,
    });
    tell(question, "preview", { specimen: specimen(10) });
    expect(now()).toMatchObject({ fine: false, settled: false, specimen: { width: 10 } });
    tell(question, "full", { specimen: specimen(40), mostUm: 55 });
    expect(now()).toMatchObject({ fine: true, settled: false, mostUm: 55, specimen: { width: 40 } });
    tell(question, "steps", { surfaceId: "coat-skirt" });
    expect(now()).toMatchObject({ fine: true, settled: true });
  });

  it("is not taken from an older one that comes late; that one only bridges the wait", () => {
    const older = ask();
    const newer = ask();
    tell(older, "full", { specimen: specimen(40), mostUm: 1 });
    expect(now()).toMatchObject({ fine: false, specimen: { width: 40 }, mostUm: null });
    tell(newer, "preview", { specimen: specimen(11) });
    tell(older, "steps", { surfaceId: "coat-skirt" });
    expect(now()).toMatchObject({ fine: false, settled: false, steps: null });
    tell(newer, "full", { specimen: specimen(41), mostUm: 2 });
    expect(now()).toMatchObject({ fine: true, specimen: { width: 41 }, mostUm: 2 });
  });

  it("is never one of another surface", () => {
    const skirt = ask();
    ask("satchel");
    tell(skirt, "full", { specimen: specimen(40), mostUm: 1 });
    expect(now().specimen).toBeNull();
  });

  it("keeps the last picture and says why where it could not be made", () => {
    const first = ask();
    tell(first, "full", { specimen: specimen(40), mostUm: 1 });
    const second = ask();
    tell(first, "failed", { message: "an old failure" });
    expect(now().failure).toBeNull();
    tell(second, "failed", { message: "The hem must be 3 mm or more." });
    expect(now()).toMatchObject({ failure: "The hem must be 3 mm or more.", specimen: { width: 40 } });
    tell(ask(), "preview", { specimen: specimen(12) });
    expect(now().failure).toBeNull();
  });
});

describe("long work", () => {
  it("shows how far it is only after a while, and never once the picture is there", () => {
    vi.useFakeTimers({ toFake: ["performance"] });
    const question = ask();
    tell(question, "progress", { done: 1, total: 10 });
    expect(now().progress).toBeNull();
    vi.advanceTimersByTime(600);
    tell(question, "progress", { done: 4, total: 10 });
    expect(now().progress).toEqual({ done: 4, total: 10 });
    tell(question, "full", { specimen: specimen(40), mostUm: 1 });
    expect(now().progress).toBeNull();
    tell(question, "progress", { done: 0, total: 10 });
    expect(now().progress).toBeNull();
    vi.useRealTimers();
  });

  it("can be stopped, says so, and is taken up again", () => {
    const question = ask();
    tell(question, "preview", { specimen: specimen(10) });
    stopDrawing();
    expect(worker.cancelled).toEqual([question.id]);
    tell(question, "dropped");
    expect(now()).toMatchObject({ stopped: true, fine: false, specimen: { width: 10 } });
    drawAgain();
    const again = worker.asked.at(-1)!;
    expect(again.input).toEqual(question.input);
    expect(now().stopped).toBe(false);
    tell(again, "full", { specimen: specimen(40), mostUm: 1 });
    expect(now()).toMatchObject({ stopped: false, fine: true });
  });

  it("that a newer edit ended is not told as stopped", () => {
    const older = ask();
    ask();
    tell(older, "dropped");
    expect(now().stopped).toBe(false);
  });
});
