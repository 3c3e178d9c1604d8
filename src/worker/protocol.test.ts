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
    const plan = { job, paints: demoShelf, painter: defaultPainter };
    const messages = [
      { kind: "specimen", id: 1, input: { request, full: true } },
      { kind: "section", id: 2, input: { line: { ax: 0, ay: 0, bx: 3, by: 0 }, samples: 100 } },
      { kind: "mixes", id: 3, input: { paints: demoShelf, goal: [50, 0, 0] } },
      {
        kind: "glazes",
        id: 6,
        input: { paints: demoShelf, tones: [{ ground: uniformSpectrum(0.5), goal: [50, 0, 0] }] },
      },
      { kind: "picture", id: 7, input: { file: new Blob(["x"]) } },
      { kind: "mainColours", id: 8, input: { picture: new Blob(["x"]), count: 6, neutral: null } },
      { kind: "benchPdf", id: 4, input: plan },
      { kind: "judge", id: 9, input: plan },
      { kind: "cards", id: 10, input: plan },
      { kind: "cancel", id: 5 },
    ];
    for (const message of messages) expect(parseRequest(message)).toBe(message);
  });

  it("are refused with what is wrong in them", () => {
    expect(() => parseRequest({ kind: "other", id: 1 })).toThrow(/kind/);
    expect(() => parseRequest({ kind: "constructor", id: 1 })).toThrow(/kind/);
    expect(() => parseRequest({ kind: "section", input: {} })).toThrow(/id/);
    expect(() => parseRequest(null)).toThrow();
    const refused = (kind: string, input: unknown) => expect(() => parseRequest({ kind, id: 1, input }));
    refused("section", { line: { ax: 0, ay: 0, bx: NaN, by: 0 }, samples: 100 }).toThrow(/bx/);
    refused("specimen", { request: { ...request, upTo: -1 }, full: true }).toThrow(/upTo/);
    refused("specimen", { request: { ...request, job: { ...job, hand: {} } }, full: true }).toThrow(/hand/);
    refused("specimen", { request: { ...request, job: {} }, full: true }).toThrow(/job|version/);
    refused("mixes", { paints: [{}], goal: [50, 0, 0] }).toThrow();
    refused("picture", { file: "x" }).toThrow(/file/);
    refused("judge", { job, paints: demoShelf }).toThrow(/painter/);
    refused("glazes", { paints: [], tones: [{ ground: [1], goal: [50, 0, 0] }] }).toThrow(/ground/);
  });

  it("are looked at part by part: a damaged part is found among parts that were right before", () => {
    const plan = (changed: unknown) => ({
      kind: "judge",
      id: 1,
      input: { job: changed, paints: demoShelf, painter: defaultPainter },
    });
    parseRequest(plan(job));
    const surface = job.surfaces[0]!;
    const damage = (part: object) => ({ ...job, surfaces: [{ ...surface, ...part }] });
    expect(() => parseRequest(plan(damage({ coats: [{ ...surface.coats[0]!, passes: 99 }] })))).toThrow(
      /passes/,
    );
    expect(() => parseRequest(plan(damage({ colour: "red" })))).toThrow(/unknown/);
    expect(() => parseRequest(plan({ ...job, mixes: [{ ...job.mixes[0]!, water: -1 }] }))).toThrow(/water/);
    expect(() => parseRequest(plan({ ...job, surfaces: [surface, surface] }))).toThrow(/different ids/);
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
