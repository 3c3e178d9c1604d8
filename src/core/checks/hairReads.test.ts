import { describe, expect, it } from "vitest";
import { demoJobs } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { tideHound } from "../../data/demo/tideHound";
import type { Coat, Job, Surface } from "../job";
import { techniques } from "../techniques";
import { applyRemedy } from "./applyRemedy";
import { checksOf, checkSurface } from ".";
import { hairReads } from "./hairReads";

const hound = tideHound();
const tailOf = (job: Job): Surface => job.surfaces.find(({ id }) => id === "tail")!;
const found = (job: Job) => checkSurface(job, tailOf(job), demoShelf, hairReads.id);
const told = (job: Job, key: string) => found(job).filter(({ id }) => id.endsWith(`/${key}`));

/** The hound with the tail's coats changed. */
const withTail = (change: (coats: readonly Coat[]) => readonly Coat[], more: Partial<Surface> = {}): Job => ({
  ...hound,
  surfaces: hound.surfaces.map((one) =>
    one.id === "tail" ? { ...one, ...more, coats: change(one.coats) } : one,
  ),
});
const withHair = (change: (coat: Coat) => Coat): Job =>
  withTail((coats) => coats.map((coat) => (coat.technique.id === "hair" ? change(coat) : coat)));
const withParams = (coat: Coat, params: Record<string, number>): Coat => ({
  ...coat,
  technique: { ...coat.technique, params: { ...coat.technique.params, ...params } },
});

/** Every remedy that is offered does away with its finding. */
function allCure(job: Job, key: string): void {
  const [finding] = told(job, key);
  expect(finding!.remedies.length, key).toBeGreaterThan(0);
  for (const remedy of finding!.remedies)
    expect(
      found(applyRemedy(job, remedy)).map(({ id }) => id),
      remedy.label,
    ).not.toContain(finding!.id);
}

describe("strokes that are to read as hair", () => {
  it("are looked at where hair grows or is painted, and nowhere else", () => {
    const looked = (surface: Surface) => checksOf(surface).map(({ id }) => id);
    for (const surface of hound.surfaces) expect(looked(surface)).toContain(hairReads.id);
    const [sergeant] = demoJobs();
    for (const surface of sergeant!.surfaces) expect(looked(surface)).not.toContain(hairReads.id);
  });

  it("are in order on the demo's hound", () => {
    for (const surface of hound.surfaces)
      expect(checkSurface(hound, surface, demoShelf, hairReads.id), surface.name).toEqual([]);
  });

  it("are a glaze where their paint is too thin, and less water cures it", () => {
    const thinned = withHair((coat) => ({ ...coat, water: 6 }));
    expect(told(thinned, "thin").length).toBeGreaterThan(0);
    expect(told(thinned, "thin")[0]!.sentence).toMatch(/hides \d+ % of what lies below: a glaze, no hair/);
    allCure(thinned, "thin");
    // What hides little by intent is told by its number.
    expect(
      told(
        withHair((coat) => withParams(coat, { hides: 20 })),
        "thin",
      ).length,
    ).toBeGreaterThan(0);
  });

  it("are too long for a small piece, by the length the growth map gives them too", () => {
    const long = withHair((coat) => withParams(coat, { length: 4 }));
    expect(told(long, "long")[0]!.sentence).toMatch(/grow 4\.00.mm long: hair of 20 cm at this scale/);
    allCure(long, "long");
    const { growth } = tailOf(hound);
    const grown = withTail((coats) => coats, {
      growth: { ...growth!, handles: growth!.handles.map((handle) => ({ ...handle, lengthPct: 300 })) },
    });
    expect(told(grown, "long").length).toBeGreaterThan(0);
    allCure(grown, "long");
  });

  it("are work for nothing where two sets after each other are of one tone", () => {
    const inRole = (role: string) => tailOf(hound).coats.find((coat) => coat.role === role)!;
    const [first, second, other] = ["hairs:rust:1", "hairs:rust:2", "hairs:dark:2"].map(inRole);
    const inMix = (at: Coat, mixId: string) =>
      withTail((coats) => coats.map((coat) => (coat.id === at.id ? { ...coat, mixId } : coat)));
    const same = inMix(second!, first!.mixId);
    // Hairs of two blocks lie beside each other: those may be of one tone.
    expect(told(inMix(other!, first!.mixId), "alike")).toEqual([]);
    expect(told(same, "alike")).toHaveLength(1);
    expect(told(same, "alike")[0]!.sentence).toContain("differ by 0.0 only");
    allCure(same, "alike");
  });

  it("lie across the growth where hatching is turned off it", () => {
    const hatched = (angle: number) =>
      withTail((coats) =>
        coats.map((coat, at) =>
          at === 6
            ? { ...coat, technique: { id: "hatch", version: techniques.hatch.version, params: { angle } } }
            : coat,
        ),
      );
    expect(told(hatched(90), "across")[0]!.sentence).toMatch(/lies 90° off the way hair grows/);
    allCure(hatched(90), "across");
    expect(told(hatched(20), "across")).toEqual([]);
  });
});
