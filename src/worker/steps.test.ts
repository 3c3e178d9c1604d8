import { describe, expect, it } from "vitest";
import { demoShelf } from "../data/demo/shelf";
import type { Job } from "../core/job";
import { newJob, newPlainSurface } from "../core/newJob";
import { defaultPainter } from "../core/painter";
import { schemes } from "../core/schemes";
import { planStart, startSurface } from "../core/schemes/start";
import { sampledSurface } from "../core/simulate/sampled";
import { startKernel } from "../core/simulate/compositor";
import { Simulator } from "../core/simulate/simulator";
import { isToShade } from "../core/techniques/toShade";
import { takeSteps } from "./steps";

/** A trunk in hair, with the glaze that ties it. */
function hairs(): Job {
  const plain = newPlainSurface("piece", "Piece", "trunk", []);
  const job: Job = { ...newJob("job", "Job", defaultPainter, demoShelf), mixes: [], surfaces: [plain] };
  const scheme = schemes["hair-overlapped"];
  const answers = { age: "used", look: "plain", colour: scheme.startColour } as const;
  return startSurface(job, "piece", planStart(job, plain, scheme, answers, demoShelf));
}

describe("what a glaze takes from earlier coats", () => {
  it("is told of glazes alone, and within 1 L* of what spectra say", async () => {
    const job = hairs();
    const surface = job.surfaces[0]!;
    const simulator = new Simulator(await startKernel());
    const request = { job, paints: demoShelf, surfaceId: "piece", upTo: null, lit: false };
    const laid = (await simulator.lay(request, true, () => Promise.resolve(true)))!;
    const { effects } = takeSteps(simulator, request, laid);
    const sampled = sampledSurface(job, surface, demoShelf).coats;
    let compared = 0;
    effects.forEach(({ earlier }, at) => {
      const shades = isToShade(surface.coats[at]!);
      for (const { coatId, lightness } of earlier) {
        expect(lightness !== null).toBe(shades);
        const below = sampled.find(({ coat }) => coat.id === coatId)!;
        if (!lightness || below.coat.technique.id !== "hair") continue;
        const fall = below.lightness[at - 1]! - below.lightness[at]!;
        expect(Math.abs(lightness[0] - lightness[1] - fall), coatId).toBeLessThan(1);
        compared++;
      }
    });
    expect(compared).toBeGreaterThan(2);
  });
});
