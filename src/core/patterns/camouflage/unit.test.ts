import { describe, expect, it } from "vitest";
import { demoShelf } from "../../../data/demo/shelf";
import { checkSurface } from "../../checks";
import { applyRemedy } from "../../checks/applyRemedy";
import { asFigure } from "../../edits/figures";
import { baseTones, unitSideBySide } from "../../edits/sideBySide";
import type { Job } from "../../job";
import { defaultPainter } from "../../painter";
import { cardsOf } from "../../plan/cards";
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

  it("has cards that say which figures get a coat, and in which mix", () => {
    const params = started(1);
    const own = (id: string, part: object) => ({
      id,
      seed: 5,
      plain: false,
      noDots: false,
      baseMixId: null,
      ...part,
    });
    const alike = five(params);
    const other = alike.mixes.find((mix) => mix.id !== paramsOf(alike).baseMixId)!;
    const job = five({
      ...params,
      figures: [own("f2", { plain: true }), own("f3", { noDots: true }), own("f4", { baseMixId: other.id })],
    });
    const cards = (of: Job) => cardsOf(of, demoShelf, defaultPainter);
    const card = (of: Job, role: string) => cards(of).find(({ coat }) => coat.role === role)!;
    const [dots, base] = [card(job, "layer:pale"), card(job, "base")];
    expect(dots.lookAt).toContain("Figures 2 and 3 without this coat.");
    expect(base.lookAt).toContain(`Figure 4 in ${other.name} instead: mix it for 1 figure.`);
    // Three of five get the dots; four of five take paint of the base's own mix, all five the brush.
    expect(dots.batch!.onFigureUl / card(alike, "layer:pale").batch!.onFigureUl).toBeCloseTo(3 / 5);
    expect(dots.strokes / card(alike, "layer:pale").strokes).toBeCloseTo(3 / 5);
    expect(base.batch!.onFigureUl / card(alike, "base").batch!.onFigureUl).toBeCloseTo(4 / 5);
    expect(base.handMinutes).toBeCloseTo(card(alike, "base").handMinutes);
    expect(card(job, "layer:green").lookAt).toContain("Figure 2 without this coat.");
    expect(
      cards(alike)
        .flatMap(({ lookAt }) => lookAt)
        .filter((says) => /^Figure/.test(says)),
    ).toEqual([]);
  });

  it("lies side by side, figure by figure and in other base tones", () => {
    const job = five(started(0));
    const surface = job.surfaces[0]!;
    const beside = unitSideBySide(job, demoShelf, surface);
    expect(beside.map(({ title }) => title)).toEqual([1, 2, 3, 4, 5].map((number) => `Figure ${number}`));
    expect(new Set(beside.map(({ job: one }) => paramsOf(one).seed)).size).toBe(5);
    const own = paramsOf(job).baseMixId;
    const [now, dark, ...more] = baseTones(job, demoShelf, surface, ["dark", own, "gone"]);
    expect(more).toEqual([]);
    expect(now!.job).toBe(job);
    expect(paramsOf(dark!.job).baseMixId).toBe("dark");
    expect(dark!.job.surfaces[0]!.coats[0]!.mixId).toBe("dark");
    // Its light is that of the new base, and the layers keep their own.
    const light = (of: Job, id: string) => paramsOf(of).lights.find((one) => one.id === id)?.mixId;
    expect(light(dark!.job, "base")).not.toBe(light(job, "base"));
    expect(paramsOf(dark!.job).layers).toEqual(paramsOf(job).layers);
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
