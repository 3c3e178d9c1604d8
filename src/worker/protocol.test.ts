import { describe, expect, it } from "vitest";
import { defaultPainter } from "../core/painter";
import { ferrySergeant } from "../data/demo/ferrySergeant";
import { demoShelf } from "../data/demo/shelf";
import { uniformSpectrum } from "../core/colour/spectrum";
import { Simulator } from "../core/simulate/simulator";
import { startKernel } from "../core/simulate/compositor";
import { parseRequest } from "./protocol";
import { takeSteps } from "./steps";

const job = ferrySergeant();
const request = { job, paints: demoShelf, surfaceId: "coat-skirt", upTo: null, lit: false };

describe("messages to the worker", () => {
  it("pass as they are when they are right", () => {
    const messages = [
      { kind: "specimen", id: 1, request, full: true },
      { kind: "section", id: 2, line: { ax: 0, ay: 0, bx: 3, by: 0 }, samples: 100 },
      { kind: "mixes", id: 3, paints: demoShelf, goal: [50, 0, 0] },
      {
        kind: "glazes",
        id: 6,
        paints: demoShelf,
        tones: [{ ground: uniformSpectrum(0.5), goal: [50, 0, 0] }],
      },
      { kind: "picture", id: 7, file: new Blob(["x"]) },
      { kind: "main-colours", id: 8, picture: new Blob(["x"]), count: 6, neutral: null },
      { kind: "bench-pdf", id: 4, job, paints: demoShelf, painter: defaultPainter },
      { kind: "cancel", id: 5 },
    ];
    for (const message of messages) expect(parseRequest(message)).toBe(message);
  });

  it("are refused with what is wrong in them", () => {
    expect(() => parseRequest({ kind: "other", id: 1 })).toThrow(/kind/);
    expect(() => parseRequest(null)).toThrow();
    expect(() =>
      parseRequest({ kind: "section", id: 1, line: { ax: 0, ay: 0, bx: NaN, by: 0 }, samples: 100 }),
    ).toThrow(/bx/);
    expect(() =>
      parseRequest({ kind: "specimen", id: 1, request: { ...request, upTo: -1 }, full: true }),
    ).toThrow(/upTo/);
    expect(() =>
      parseRequest({
        kind: "specimen",
        id: 1,
        request: { ...request, job: { ...job, hand: {} } },
        full: true,
      }),
    ).toThrow(/hand/);
    expect(() => parseRequest({ kind: "mixes", id: 1, paints: [{}], goal: [50, 0, 0] })).toThrow();
    expect(() => parseRequest({ kind: "picture", id: 1, file: "x" })).toThrow(/file/);
    expect(() =>
      parseRequest({ kind: "glazes", id: 1, paints: [], tones: [{ ground: [1], goal: [50, 0, 0] }] }),
    ).toThrow(/ground/);
  });
});

describe("the steps", () => {
  it("show the surface before the first and after each coat, with what each did", async () => {
    const simulator = new Simulator(await startKernel());
    const laid = (await simulator.lay(request, true, () => Promise.resolve(true)))!;
    const steps = takeSteps(simulator, request, laid);
    expect(steps.pictures).toHaveLength(laid.coats.length + 1);
    const whole = simulator.picture(request, laid).rgba;
    expect(Buffer.from(steps.pictures.at(-1)!.buffer).equals(Buffer.from(whole.buffer))).toBe(true);
    const dark = steps.effects.find((effect) => effect.coatId.includes("boxes-d-d"))!;
    expect(dark.before[0]).toBeGreaterThan(dark.after[0] + 15);
    const base = steps.effects[0]!;
    expect(base.coveredShare).toBeCloseTo(1, 2);
    expect(base.meanUm).toBeGreaterThan(15);
  });
});
