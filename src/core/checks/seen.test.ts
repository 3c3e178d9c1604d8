import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { hexToLab, type Triple } from "../colour/spaces";
import { inZones, type Coat, type Job } from "../job";
import { startKernel } from "../simulate/compositor";
import { Simulator } from "../simulate/simulator";
import { takeSteps } from "../../worker/steps";
import { applyRemedy } from "./applyRemedy";
import { baseHueOf, hueOf, seenFindings } from "./seen";

const kernel = startKernel();
const demo = wholeSergeant();

async function judged(job: Job) {
  const simulator = new Simulator(await kernel);
  const request = { job, paints: demoShelf, surfaceId: "satchel", upTo: null, lit: false };
  const laid = (await simulator.lay(request, true, () => Promise.resolve(true)))!;
  const steps = takeSteps(simulator, request, laid);
  const surface = job.surfaces.find((one) => one.id === "satchel")!;
  return { steps, findings: seenFindings(surface, steps.effects, steps.baseHue) };
}

const withSatchel = (change: (coats: readonly Coat[]) => readonly Coat[]): Job => ({
  ...demo,
  surfaces: demo.surfaces.map((one) => (one.id === "satchel" ? { ...one, coats: change(one.coats) } : one)),
});

describe("verdicts on a simulated surface", () => {
  it("leave the demo's leather alone, and its base still reads", async () => {
    const { steps, findings } = await judged(demo);
    expect(findings.filter((one) => one.id.includes("/base-hue/"))).toEqual([]);
    expect(steps.baseHue!.share).toBeGreaterThan(0.6);
    expect(Math.abs(steps.baseHue!.meanDeg - steps.baseHue!.baseDeg)).toBeLessThan(20);
  });

  it("name a coat in the tone of its ground, and holding it back mends that", async () => {
    const job = withSatchel((coats) =>
      coats.map((coat) => {
        if (coat.id === "satchel-first-stipple") return { ...coat, mixId: coats[0]!.mixId };
        // Over shade and lights it would be seen.
        return /^satchel-(depth|light-)/.test(coat.id) ? { ...coat, held: true } : coat;
      }),
    );
    const { findings } = await judged(job);
    const found = findings.find((one) => one.id === "satchel/unseen/satchel-first-stipple")!;
    expect(found.sentence).toMatch(/no eye sees/);
    const mended = applyRemedy(
      job,
      found.remedies.find((one) => one.label === "Hold it back")!,
    );
    expect((await judged(mended)).findings.map((one) => one.id)).not.toContain(found.id);
  });

  it("name a coat that a later one buries, and which", async () => {
    const job = withSatchel((coats) => [
      ...coats.map((coat, at) => ({ ...coat, held: at > 0 && coat.id !== "satchel-second-stipple" })),
      { ...coats[0]!, id: "over", name: "Base over it", passes: 6, water: 0 },
    ]);
    const { findings } = await judged(job);
    const found = findings.find((one) => one.id === "satchel/buried/satchel-second-stipple")!;
    expect(found.reason).toContain("Base over it");
  });

  it("are one where one coat buries many, and say what to do about that one", async () => {
    const job = withSatchel((coats) => [
      ...coats,
      { ...coats[0]!, id: "over", name: "Base over it", passes: 6, water: 0 },
    ]);
    const { findings } = await judged(job);
    const told = findings.filter((one) => one.id.includes("/buried/"));
    expect(told.map(({ id }) => id)).toEqual(["satchel/buried/over"]);
    expect(told[0]!.sentence).toMatch(/^Base over it buries \d+ coats: /);
    const mended = applyRemedy(job, told[0]!.remedies[0]!);
    expect((await judged(mended)).findings.filter((one) => one.id.includes("/buried/"))).toEqual([]);
  });

  it("leave an undercoat alone: it is there to be covered, and the base over it is the base", async () => {
    const job = withSatchel((coats) => [
      { ...coats[0]!, id: "under", name: "Undercoat", mixId: "deep-tarn", passes: 1 },
      { ...coats[0]!, passes: 6, water: 0 },
      ...coats.slice(1),
    ]);
    const { findings } = await judged(job);
    expect(findings.filter(({ coatId }) => coatId === "under")).toEqual([]);
    expect(findings.filter((one) => one.id.includes("/base-hue/"))).toEqual([]);
  });

  it("say where a base's hue is lost", async () => {
    const blue = demo.mixes.find((mix) => mix.id === "deep-tarn")!.id;
    const job = withSatchel((coats) => [
      ...coats,
      {
        ...coats[0]!,
        id: "over",
        name: "Blue",
        mixId: blue,
        passes: 3,
        water: 1,
        place: { kind: "everywhere" },
      },
    ]);
    const { findings } = await judged(job);
    expect(findings.find((one) => one.id.includes("/base-hue/"))!.sentence).toMatch(/reads on \d/);
    // A body in two colours has a second base, and is not meant to read as the first all over.
    const belly: Coat = {
      ...{ ...job.surfaces.find(({ id }) => id === "satchel")!.coats.at(-1)!, id: "belly", passes: 2 },
      technique: { id: "layer", version: 1, params: {} },
      place: inZones(["belly"], 0),
    };
    const hueOfBase = async (coat: Coat) =>
      (await judged(withSatchel(() => [...job.surfaces[1]!.coats, coat]))).findings.filter((one) =>
        one.id.includes("/base-hue/"),
      );
    expect(await hueOfBase(belly)).toEqual([]);
    expect(await hueOfBase({ ...belly, passes: 1 })).toHaveLength(1);
    expect(await hueOfBase({ ...belly, place: inZones(["raised"], 0) })).toHaveLength(1);
  });
});

describe("how a base's hue reads", () => {
  it("is told by share and mean hue", () => {
    const brown = hexToLab("#7a4a28");
    const cells = (labs: readonly Triple[]) => labs.map((lab) => [lab, 1] as const);
    const half = baseHueOf(brown, cells([brown, brown, hexToLab("#1f4e66"), hexToLab("#1f4e66")]));
    expect(half.share).toBeCloseTo(0.5, 6);
    expect(half.baseDeg).toBeCloseTo(hueOf(brown), 6);
    const whole = baseHueOf(brown, cells([brown, hexToLab("#8f5c38")]));
    expect(whole.share).toBe(1);
    expect(Math.abs(whole.meanDeg - whole.baseDeg)).toBeLessThan(8);
    // Angles on both sides of 0 have their mean at 0, not at 180.
    const red: Triple = [50, 40, 5];
    expect(baseHueOf(red, cells([red, [50, 40, -5]])).share).toBe(1);
    expect(baseHueOf([50, 1, 1], cells([[40, 2, 0]])).share).toBe(1);
  });
});
