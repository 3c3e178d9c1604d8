import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { ciede2000 } from "../colour/difference";
import { tryAllMixes, labOfParts } from "../colour/search";
import { spectrumToLab, spectrumToLinear } from "../colour/spaces";
import type { Coat, Job } from "../job";
import type { SettParams } from "./sett/params";
import { settParams } from "./sett/testing";
import { deriveCoats } from "./derive";
import { halfToneMatch, solveOverpaint, wovenCrossing } from "./sett/crossing";

const demo = ferrySergeant();
const coatsOf = (job: Job) => job.surfaces[0]!.coats;
const roles = (job: Job) => coatsOf(job).map((coat) => coat.role);
const setCoats = (job: Job, change: (coats: readonly Coat[]) => readonly Coat[]): Job => ({
  ...job,
  surfaces: job.surfaces.map((surface) => ({ ...surface, coats: change(surface.coats) })),
});
const cloth = (job: Job, part: Partial<SettParams>): Job =>
  deriveCoats(
    {
      ...job,
      surfaces: job.surfaces.map((surface) => ({
        ...surface,
        pattern: { ...surface.pattern!, params: { ...settParams(surface), ...part } },
      })),
    },
    demoShelf,
    job,
  );

describe("coats that follow from the cloth", () => {
  it("come in a workable order: guides, boxes from light to dark, lines, dots, glaze", () => {
    expect(roles(demo)).toEqual([
      "base",
      "guides",
      "boxes:S:S",
      "boxes:D:S",
      "boxes:D:D",
      "lines:D",
      "lines:R",
      "dots:D",
      "dots:R",
      "glaze",
    ]);
  });

  it("keep what the painter set when the cloth changes, and follow where nothing was set", () => {
    const own = setCoats(demo, (coats) =>
      coats
        .map((coat) => (coat.role === "boxes:D:D" ? { ...coat, passes: 4, held: true } : coat))
        .toReversed(),
    );
    const next = cloth(own, { threadCount: "R/2 D20 S5 D2 S/6", glazeMixId: null });
    expect(roles(next)).toEqual(roles(own).filter((role) => role !== "glaze"));
    const solid = coatsOf(next).find((coat) => coat.role === "boxes:D:D")!;
    expect([solid.passes, solid.held]).toEqual([4, true]);
    const recoloured = cloth(demo, { colours: { ...settParams(demo.surfaces[0]!).colours, R: "straw" } });
    expect(coatsOf(recoloured).find((coat) => coat.role === "lines:R")).toMatchObject({
      mixId: "straw",
      name: "Straw lines",
    });
  });

  it("put new coats in their place and leave the painter's own alone", () => {
    const extra: Coat = { ...coatsOf(demo)[0]!, id: "own", role: null, name: "Second base" };
    const own = setCoats(demo, (coats) => [coats[0]!, extra, ...coats.slice(1)]);
    const next = cloth(own, { method: "bands" });
    expect(roles(next)).toEqual([
      "base",
      null,
      "guides",
      "rows:S",
      "rows:D",
      "columns:S",
      "columns:D",
      "lines:D",
      "lines:R",
      "dots:D",
      "dots:R",
      "glaze",
    ]);
    expect(coatsOf(next)[1]!.name).toBe("Second base");
  });

  it("come back as they were set when the cloth asks for them again", () => {
    const own = setCoats(demo, (coats) =>
      coats.map((coat) => (coat.role === "lines:R" ? { ...coat, water: 0.5, passes: 5, seed: 77 } : coat)),
    );
    const without = cloth(own, { threadCount: "D12 S5 D2 S6" });
    expect(roles(without)).not.toContain("lines:R");
    const again = cloth(without, { threadCount: "R/2 D12 S5 D2 S/6" });
    expect(coatsOf(again).find((coat) => coat.role === "lines:R")).toMatchObject({
      water: 0.5,
      passes: 5,
      seed: 77,
    });
    expect(again.surfaces[0]!.parked.map((coat) => coat.role)).not.toContain("lines:R");
  });

  it("wait while a thread count cannot be read", () => {
    const next = cloth(demo, { threadCount: "D24 24" });
    expect(coatsOf(next)).toEqual(coatsOf(demo));
  });

  it("change nothing when nothing changed", () => {
    expect(deriveCoats(demo, demoShelf, demo)).toEqual(demo);
  });
});

describe("the woven crossing", () => {
  it("is the average of both threads' light", () => {
    const [one, other] = ["straw", "deep-tarn"].map((id) =>
      spectrumToLinear(wovenCrossing(demo, demoShelf, id, id)),
    );
    const both = spectrumToLinear(wovenCrossing(demo, demoShelf, "straw", "deep-tarn"));
    both.forEach((value, channel) => expect(value).toBeCloseTo((one![channel]! + other![channel]!) / 2, 9));
  });

  it("is matched by the half-tone mix the job was given, with the difference told", () => {
    const primed = { mixes: demo.mixes, primer: demo.figures[0]!.primer };
    const match = halfToneMatch(
      primed,
      demoShelf,
      ["straw", "deep-tarn"],
      settParams(demo.surfaces[0]!).crossings["D+S"],
    );
    expect(match.difference).toBeLessThan(4);
    const worse = halfToneMatch(primed, demoShelf, ["straw", "deep-tarn"], "straw");
    expect(worse.difference).toBeGreaterThan(match.difference + 5);
  });

  it("is met by overpainting at a thinning that beats both extremes", () => {
    const best = solveOverpaint(demo, demoShelf, "straw", "deep-tarn");
    expect(best.water).toBeGreaterThanOrEqual(1);
    expect(best.difference).toBeLessThan(15);
  });
});

describe("finding mixes", () => {
  const goal = labOfParts(
    [
      { paintId: "paint-tarn-blue", parts: 2 },
      { paintId: "paint-straw", parts: 3 },
    ],
    demoShelf,
  );

  it("finds a mix that is there, exactly", () => {
    const usable = demoShelf.filter((paint) => paint.kind === "paint");
    const [first] = tryAllMixes(usable, goal, { mostParts: 4, pots: 2, keep: 5 });
    expect(first?.difference).toBeLessThan(0.05);
  });

  it("is complete: the same as trying every pair by the plain way", () => {
    const few = demoShelf.slice(0, 6);
    const target = spectrumToLab(wovenCrossing(demo, demoShelf, "rust", "deep-tarn"));
    let least = Infinity;
    for (const a of few) {
      least = Math.min(least, ciede2000(labOfParts([{ paintId: a.id, parts: 1 }], few), target));
      for (const b of few) {
        if (a === b) continue;
        for (let x = 1; x <= 5; x++) {
          for (let y = 1; y <= 5; y++) {
            least = Math.min(
              least,
              ciede2000(
                labOfParts(
                  [
                    { paintId: a.id, parts: x },
                    { paintId: b.id, parts: y },
                  ],
                  few,
                ),
                target,
              ),
            );
          }
        }
      }
    }
    const [best] = tryAllMixes(few, target, { mostParts: 5, pots: 2, keep: 40 }).toSorted(
      (a, b) => a.difference - b.difference,
    );
    expect(best?.difference).toBeCloseTo(least, 9);
  });
});
