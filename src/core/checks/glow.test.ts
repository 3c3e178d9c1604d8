import { describe, expect, it } from "vitest";
import "../figure/rooms";
import { demoShelf } from "../../data/demo/shelf";
import { changeLight, newLight, withLight } from "../edits/paintedLights";
import type { Coat, Job, Mix } from "../job";
import { newJob, newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import { layGlow, planGlow } from "../schemes/glow";
import { applyRemedy } from "./applyRemedy";
import type { Finding } from "./finding";
import { checkSurface } from ".";

/** A mix of one pot of the demo, by its name. */
function mixOf(id: string, name: RegExp): Mix {
  const pot = demoShelf.find((paint) => name.test(paint.name) && paint.kind === "paint")!;
  return { id, name: pot.name, parts: [{ paintId: pot.id, parts: 1 }], water: 1, goal: null };
}
const DARK = mixOf("dark", /Lamp Black/);
const PALE = mixOf("pale", /Bone Ash/);

/** A plate in one colour with a red lamp painted on it. */
function lit(ground: Mix, change: (coats: readonly Coat[]) => readonly Coat[] = (coats) => coats): Job {
  const plain = newPlainSurface("piece", "Housing", "plate", []);
  const base: Coat = {
    ...{ id: "base", name: "Base", mixId: ground.id, water: 0.5, passes: 3, held: false, seed: 1 },
    technique: { id: "base-coat", version: 1, params: {} },
    ...{ place: { kind: "everywhere" }, event: null, role: null, overSeams: false },
  };
  const job: Job = {
    ...newJob("job", "Job", defaultPainter, demoShelf),
    ...{ mixes: [DARK, PALE], surfaces: [{ ...plain, coats: [base] }] },
  };
  const lamp = { ...newLight(job, job.surfaces[0]!, "Lamp"), along: 0.75, up: 0.25, outMm: 2 };
  const placed = withLight(job, "figure-1", { ...lamp, strength: "strong" });
  const laid = layGlow(placed, planGlow(placed, lamp.id, demoShelf));
  return { ...laid, surfaces: laid.surfaces.map((one) => ({ ...one, coats: [...change(one.coats)] })) };
}

const told = (job: Job, check: string): Finding[] => checkSurface(job, job.surfaces[0]!, demoShelf, check);

describe("a painted light", () => {
  it("shows on dark ground, and nothing is said of it", () => {
    expect(told(lit(DARK), "glow-shows").filter(({ gravity }) => gravity === "must")).toEqual([]);
  });

  it("cannot show on bright ground, which is named with how dark it must be, and every remedy cures it", () => {
    const job = lit(PALE);
    const found = told(job, "glow-shows").filter(({ sentence }) => sentence.includes("cannot show here"));
    expect(found.map(({ coatId }) => coatId)).toContain("piece-shed-light-1-soft");
    const [first] = found;
    expect(first!.sentence).toMatch(/its ground is L\* [5-9]\d/);
    expect(first!.reason).toMatch(/may be L\* [123]\d at most/);
    expect(first!.remedies.map(({ label }) => label).join()).toContain(
      "Darken its ground first with Lamp Black",
    );
    for (const remedy of first!.remedies) {
      const left = told(applyRemedy(job, remedy), "glow-shows");
      expect(left.map(({ id }) => id)).not.toContain(first!.id);
    }
  });

  it("that is gone, or does not reach so strongly, is told of by the coats that follow it", () => {
    const job = lit(DARK);
    const gone = { ...job, figures: job.figures.map((figure) => ({ ...figure, lights: [] })) };
    expect(told(gone, "glow-shows").every(({ sentence }) => sentence.includes("not on this figure"))).toBe(
      true,
    );
    expect(told(gone, "glow-shows").length).toBeGreaterThan(3);
    const weak = changeLight(job, "light-1", { reachMm: 0.2, outMm: 6 });
    expect(
      told(weak, "glow-shows")
        .map(({ sentence }) => sentence)
        .join(),
    ).toContain("does not reach this surface");
  });

  it("in the hue of the paint below is told from a highlight by lightness alone", () => {
    const job = lit(DARK);
    const [piece] = job.surfaces;
    const soft = piece!.coats.find(({ id }) => id.endsWith("-soft"))!;
    // The very paint of the light, a little darker.
    const { parts } = job.mixes.find(({ id }) => id === soft.mixId)!;
    const few = parts.map((part) => ({ ...part, parts: part.parts * 3 }));
    const deep: Mix = { ...DARK, id: "deep", parts: [...few, ...DARK.parts] };
    const ground: Coat = { ...piece!.coats[0]!, id: "ground", mixId: deep.id };
    const surfaces = [{ ...piece!, coats: [piece!.coats[0]!, ground, ...piece!.coats.slice(1)] }];
    const found = told({ ...job, mixes: [...job.mixes, deep], surfaces }, "glow-shows");
    expect(found.map(({ sentence }) => sentence).join()).toContain("has the hue of the paint below it");
  });

  it("that is outshone by the rest of the surface is told, and not where all is darker", () => {
    expect(
      told(lit(PALE), "glow-outshone")
        .map(({ sentence }) => sentence)
        .join(),
    ).toContain("brighter than its glow");
    expect(told(lit(DARK), "glow-outshone")).toEqual([]);
  });
});
