import { describe, expect, it } from "vitest";
import { reedScout, wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { takePatternOff, withParams } from "../edits/patterns";
import { parseJob } from "../formats/job-json/jobSchema";
import { opticsOfMix } from "../colour/appearance";
import { masstone } from "../colour/film";
import { spectrumToLab } from "../colour/spaces";
import { figureOf, isLightOf, isOver, mixById, type Job } from "../job";
import { deriveCoats, mergeCoats } from "../patterns/derive";
import { startKernel } from "../simulate/compositor";
import { Simulator } from "../simulate/simulator";
import { stepCount, valuePlan } from "../surface/volumes/valuePlan";
import { layOver, planLightOver, takeOverOff } from "./lightOver";
import { LOOKS, type Look } from "./scheme";
import { lightness } from "./testing";

const kernel = startKernel();

/** A patterned surface of the demo, alone in its job, facing its painter. */
function alone(job: Job, id: string): Job {
  const surface = job.surfaces.find((one) => one.id === id)!;
  return { ...job, surfaces: [{ ...surface, seat: null }], touching: [] };
}

const scout = reedScout();
const camouflaged = alone(scout, scout.surfaces.find((one) => one.pattern !== null)!.id);

/** The same without the lights that its pattern lays itself. */
function withoutLights(job: Job): Job {
  const bare = {
    ...job,
    surfaces: job.surfaces.map((one) =>
      withParams(one, (params) => ({ ...(params as object), shading: "none", lights: [] })),
    ),
  };
  return deriveCoats(bare, demoShelf, job);
}

const CASES = [
  ["check cloth", alone(wholeSergeant(), "coat-skirt")],
  ["camouflage", withoutLights(camouflaged)],
] as const;

const planOf = (job: Job, look: Look) => planLightOver(job, job.surfaces[0]!.id, look, demoShelf);

/** L* of the steps of light, from the deepest on, each with the area it has. */
async function steps(job: Job): Promise<{ light: number; area: number }[][]> {
  const surface = job.surfaces[0]!;
  const request = { job, paints: demoShelf, surfaceId: surface.id, upTo: null, lit: false };
  const simulator = new Simulator(await kernel);
  const laid = (await simulator.lay(request, true, () => Promise.resolve(true)))!;
  const { rgba } = simulator.picture(request, laid);
  const count = stepCount(surface.volumes, figureOf(job, surface).standard);
  const plan = valuePlan(laid.grid, surface.volumes);
  const found = Array.from({ length: count }, (): { light: number; area: number }[] => []);
  for (let at = 0; at < plan.length; at++)
    if (laid.grid.inside[at]! > 0)
      found[Math.min(count - 1, Math.floor(plan[at]! * count))]!.push({
        light: lightness(rgba, at),
        area: laid.grid.inside[at]!,
      });
  return found;
}

const meanOf = (cells: readonly { light: number; area: number }[]): number =>
  cells.reduce((sum, { light, area }) => sum + light * area, 0) /
  cells.reduce((sum, { area }) => sum + area, 0);

/** Mean L* of each step. */
const tones = async (job: Job): Promise<number[]> => (await steps(job)).map(meanOf);

/** How far L* spreads within each step, standard deviations: the pattern. */
const spreads = async (job: Job): Promise<number[]> =>
  (await steps(job)).map((cells) => {
    const mean = meanOf(cells);
    return Math.sqrt(meanOf(cells.map(({ light, area }) => ({ light: (light - mean) ** 2, area }))));
  });

describe.each(CASES)("light and shade over %s", (_name, job) => {
  const id = job.surfaces[0]!.id;

  it("gives it a light and a dark side, step by step, where the look is plain", async () => {
    const before = await tones(job);
    const after = await tones(layOver(job, id, planOf(job, "plain")));
    const moved = after.map((light, step) => light - before[step]!);
    for (let step = 1; step < moved.length; step++) expect(moved[step]).toBeGreaterThan(moved[step - 1]!);
    expect(moved[0]).toBeLessThan(-4);
    expect(moved.at(-1)).toBeGreaterThan(4);
    expect(after.at(-1)! - after[0]!).toBeGreaterThan(20);
  });

  it("lays each light right after its colour and the shade last, leaves the rest as it is, and can be stored", () => {
    const over = layOver(job, id, planOf(job, "plain"));
    const [was, is] = [job.surfaces[0]!, over.surfaces[0]!];
    expect(is.coats.filter((coat) => !isOver(id, coat.id))).toEqual(was.coats);
    expect({ ...is, coats: [] }).toEqual({ ...was, coats: [] });
    const own = is.coats.filter((coat) => isOver(id, coat.id));
    expect(own.length).toBeGreaterThanOrEqual(5);
    for (const { passes } of own) {
      expect(passes).toBeGreaterThanOrEqual(1);
      expect(passes).toBeLessThanOrEqual(6);
    }
    expect(is.coats.slice(-2)).toEqual(own.slice(-2));
    // Glazed in a pass or two: where no clear pot is dark enough, paint that covers is thinned.
    for (const { technique, passes } of own.slice(-2)) {
      expect(technique.id).toBe("glaze");
      expect(passes).toBeLessThanOrEqual(3);
    }
    for (const light of own.slice(0, -2)) {
      const below = is.coats[is.coats.indexOf(light) - 1]!;
      expect(light.id).toBe(`${id}-over-${below.id}`);
      const toneOf = (mixId: string) =>
        spectrumToLab(masstone(opticsOfMix(mixById(over, mixId), demoShelf)))[0];
      expect(toneOf(light.mixId)).toBeGreaterThan(toneOf(below.mixId) + 5);
      if (below.place.kind === "pattern" && light.place.kind === "zones")
        expect(light.place.near).toMatchObject({ coatId: below.id, side: "inside" });
    }
    expect(parseJob(over)).toEqual(over);
  });

  it("keeps the pattern: what was unlike before is hardly less so on the light side", async () => {
    const [before, after] = [await spreads(job), await spreads(layOver(job, id, planOf(job, "plain")))];
    expect(after.at(-1)!).toBeGreaterThan(0.75 * before.at(-1)!);
  });

  it("takes its own place when laid again, mixes nothing twice, and can be taken off", () => {
    const once = layOver(job, id, planOf(job, "plain"));
    expect(layOver(once, id, planOf(job, "plain"))).toEqual(once);
    expect(layOver(once, id, planOf(job, "quiet")).surfaces[0]!.coats).toHaveLength(
      once.surfaces[0]!.coats.length,
    );
    expect(takeOverOff(once, id).surfaces).toEqual(job.surfaces);
  });

  it("goes with the pattern when that is taken off, and the pattern comes back as it was", () => {
    const [surface] = layOver(job, id, planOf(job, "plain")).surfaces;
    expect(takePatternOff(surface!)).toEqual(takePatternOff(job.surfaces[0]!));
  });

  it("loses the light of a colour with the colour, and no other", () => {
    const over = layOver(job, id, planOf(job, "plain"));
    const surface = over.surfaces[0]!;
    const lit = surface.coats.findLast((coat) =>
      surface.coats.some((one) => coat.role !== null && isLightOf(id, one.id, coat.id)),
    )!;
    const planned = surface.coats.flatMap(({ role, ...coat }) =>
      role === null || role === lit.role ? [] : [{ ...coat, role }],
    );
    const gone = surface.coats.filter(
      (coat) => !mergeCoats(surface, planned, planned).coats.some((one) => one.id === coat.id),
    );
    expect(gone.map((coat) => coat.id).sort()).toEqual([lit.id, `${id}-over-${lit.id}`].sort());
  });

  it("moves more the more it is to be looked at", () => {
    const moves = LOOKS.map((look) => {
      const { tones: found } = planOf(job, look);
      return found.reduce((sum, { tone }) => sum + Math.abs(tone.lighter), 0);
    });
    expect(moves[0]).toBeLessThan(moves[1]!);
    expect(moves[1]).toBeLessThan(moves[2]!);
  });
});

describe("a shelf whose clear pot hardly tints", () => {
  it("gets its shade of thinned paint: a weak glaze in one pass would be none", () => {
    const weak = demoShelf.map((paint) =>
      ["clear", "ink", "wash"].includes(paint.kind) ? { ...paint, kind: "medium" as const } : paint,
    );
    const pale = { ...demoShelf.find(({ kind }) => kind === "wash")!, thick: "#e8e4dc", thin: "#f6f4f0" };
    const shelf = [...weak, { ...pale, id: "pale-clear", kind: "clear" as const }];
    const job = CASES[0][1];
    const { tones: found } = planLightOver(job, job.surfaces[0]!.id, "plain", shelf);
    const shade = found.find(({ tone }) => tone.clear)!;
    expect(shade.parts.map(({ paintId }) => paintId)).not.toContain("pale-clear");
    expect(spectrumToLab(masstone(opticsOfMix({ parts: shade.parts }, shelf)))[0]).toBeLessThan(45);
  });
});

describe("a pattern that lays lights of its own", () => {
  it("gets the shade alone", () => {
    const { tones: found, coats } = planOf(camouflaged, "plain");
    expect(coats.map(({ technique }) => technique)).toEqual(["glaze", "glaze"]);
    expect(found.every(({ tone }) => tone.clear)).toBe(true);
  });
});
