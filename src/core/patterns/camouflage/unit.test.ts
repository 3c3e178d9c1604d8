import { describe, expect, it } from "vitest";
import { demoShelf } from "../../../data/demo/shelf";
import { checkSurface } from "../../checks";
import { applyRemedy } from "../../checks/applyRemedy";
import { asFigure } from "../../edits/figures";
import type { Job } from "../../job";
import { type CamouflageParams } from "./params";
import { jobWith, lay, started } from "./testing";

describe("a unit", () => {
  const five = (params: CamouflageParams): Job => {
    const job = jobWith(demoShelf, params);
    return { ...job, figures: [{ ...job.figures[0]!, count: 5 }] };
  };
  const paramsOf = (job: Job) => job.surfaces[0]!.pattern!.params as CamouflageParams;
  const found = (job: Job) =>
    checkSurface(job, job.surfaces[0]!, demoShelf).filter(({ id }) => id.includes("pattern-unit"));

  it("has a pattern of its own for every figure, of the same character", () => {
    const job = five(started(0));
    const marks = [1, 2, 3, 4, 5].map((number) => {
      const own = asFigure(job, demoShelf, number);
      expect(own.mixes).toEqual(job.mixes);
      expect(own.surfaces[0]!.coats.map((coat) => coat.role)).toEqual(
        job.surfaces[0]!.coats.map((coat) => coat.role),
      );
      const laid = lay(paramsOf(own));
      laid.layers.forEach((layer) => expect(layer.reached).toBeCloseTo(layer.asked!, 2));
      return JSON.stringify(laid.layers.map((layer) => layer.marks));
    });
    expect(new Set(marks).size).toBe(5);
    expect(found(job)).toEqual([]);
    expect(asFigure({ ...job, figures: [{ ...job.figures[0]!, count: 1 }] }, demoShelf, 3).surfaces).toEqual(
      job.surfaces,
    );
  });

  it("can leave a figure plain, leave its dots out, or give it another base", () => {
    const params = { ...started(1) };
    const changed = {
      ...params,
      figures: [
        { id: "f2", seed: 5, plain: true, noDots: false, baseMixId: null },
        { id: "f3", seed: 6, plain: false, noDots: true, baseMixId: "dark" },
      ],
    };
    const job = five(changed);
    const roles = (number: number) =>
      asFigure(job, demoShelf, number).surfaces[0]!.coats.map((coat) => coat.role);
    expect(roles(1)).toContain("layer:pale");
    expect(roles(2).some((role) => role?.startsWith("layer:"))).toBe(false);
    expect(roles(3)).toContain("layer:green");
    expect(roles(3)).not.toContain("layer:pale");
    expect(asFigure(job, demoShelf, 3).surfaces[0]!.coats[0]!.mixId).toBe("dark");
  });

  it("that repeats a pattern is told which, and mended at one click", () => {
    const params = started(0);
    const job = five({
      ...params,
      figures: [{ id: "f4", seed: params.seed, plain: false, noDots: false, baseMixId: null }],
    });
    const [finding, ...more] = found(job);
    expect(more).toEqual([]);
    expect(finding!.sentence).toMatch(/Figures 1 and 4/);
    expect(found(applyRemedy(job, finding!.remedies[0]!))).toEqual([]);
  });
});
