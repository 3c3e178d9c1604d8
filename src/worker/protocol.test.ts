import { USUAL_TOLD } from "../core/ageing/told";
import { describe, expect, it } from "vitest";
import { defaultPainter } from "../core/painter";
import { checkJob } from "../core/checks";
import { withParams } from "../core/edits/patterns";
import { withSurface } from "../core/edits/surfaces";
import type { Job } from "../core/job";
import { cardsOf } from "../core/plan/cards";
import { ferryWatch } from "../data/demo/company";
import { ferrySergeant } from "../data/demo/ferrySergeant";
import { demoShelf } from "../data/demo/shelf";
import { uniformSpectrum } from "../core/colour/spectrum";
import { Simulator } from "../core/simulate/simulator";
import { startKernel } from "../core/simulate/compositor";
import { parseRequest } from "./protocol";
import { questions } from "./questions";
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
      {
        kind: "placedColours",
        id: 15,
        input: { picture: new Blob(["x"]), most: 3, neutral: null, shown: "all-over" },
      },
      { kind: "reliefPicture", id: 13, input: { file: new Blob(["x"]) } },
      { kind: "heights", id: 14, input: { pictureId: "0".repeat(64) } },
      {
        kind: "benchPdf",
        id: 4,
        input: { ...plan, plan: { turns: [], sittings: [] }, what: "all" },
      },
      { kind: "judge", id: 9, input: plan },
      { kind: "cards", id: 10, input: plan },
      { kind: "guides", id: 11, input: { job, surfaceId: "coat-skirt" } },
      {
        kind: "wellAdditions",
        id: 12,
        input: {
          well: { id: "w", name: "W", mixId: null, added: [], content: [], waterUl: 0 },
          ...{ goal: [50, 0, 0], pots: demoShelf, paints: demoShelf, waterDropUl: 40, mostUl: 2000 },
        },
      },
      { kind: "figureEffort", id: 16, input: { job, figureId: job.figures[0]!.id, marks: 900 } },
      { kind: "adding", id: 17, input: { job, paints: demoShelf } },
      {
        kind: "history",
        id: 18,
        input: { job, paints: demoShelf, surfaceId: "coat-skirt", told: USUAL_TOLD },
      },
      { kind: "glow", id: 19, input: { job, paints: demoShelf, lightId: "light-1" } },
      { kind: "ground", id: 20, input: { job, surfaceId: "coat-skirt" } },
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
    refused("reliefPicture", { file: "x" }).toThrow(/file/);
    const placed = { picture: new Blob(["x"]), most: 3, neutral: null, shown: "all-over" };
    refused("placedColours", { ...placed, shown: "elsewhere" }).toThrow(/shown/);
    refused("placedColours", { ...placed, most: 0 }).toThrow(/most/);
    refused("heights", { pictureId: "../0" }).toThrow(/pictureId/);
    const told = { ...USUAL_TOLD, dust: "brown" };
    refused("history", { job, paints: demoShelf, surfaceId: "coat-skirt", told }).toThrow(/dust/);
    refused("glow", { job, paints: demoShelf, lightId: 1 }).toThrow(/lightId/);
    refused("ground", { job, surfaceId: null }).toThrow(/surfaceId/);
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

describe("what is thought about a job", () => {
  const tools = { wanted: () => Promise.resolve(true), part: () => undefined };

  it("is findings, cards and facts of its patterns, as the core has them", async () => {
    const own = ferryWatch();
    const judged = (await questions.judge.run(
      { job: own, paints: demoShelf, painter: defaultPainter, painted: [] },
      tools,
    ))!;
    expect(judged.findings).toEqual(checkJob(own, demoShelf));
    expect(judged.cards).toEqual(cardsOf(own, demoShelf, defaultPainter));
    expect(Object.keys(judged.facts).sort()).toEqual(["coat", "trousers"]);
    // It travels to the page.
    expect(structuredClone(judged)).toEqual(judged);
  });

  it("is dropped where a newer edit came", async () => {
    const input = { job, paints: demoShelf, painter: defaultPainter, painted: [] };
    expect(await questions.judge.run(input, { ...tools, wanted: () => Promise.resolve(false) })).toBeNull();
  });

  it("has guides for surfaces with a pattern that can be laid out, and for no others", async () => {
    const guides = (of: Job, surfaceId: string) => questions.guides.run({ job: of, surfaceId }, tools);
    expect((await guides(job, "coat-skirt"))!.tables.map(({ name }) => name)).toEqual([
      "Row guides",
      "Column guides",
    ]);
    const bare = { ...job, surfaces: [{ ...job.surfaces[0]!, pattern: null }] };
    expect(await guides(bare, "coat-skirt")).toBeNull();
    const broken = withSurface(job, "coat-skirt", (surface) =>
      withParams(surface, (params) => ({ ...(params as object), threadCount: "D24 24" })),
    );
    expect(await guides(broken, "coat-skirt")).toBeNull();
    expect(() => guides(job, "nowhere")).toThrow(RangeError);
  });
});
