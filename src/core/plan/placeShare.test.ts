import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { inZones, type Coat, type CoatTarget } from "../job";
import { newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import { buildForm } from "../patterns/derive";
import { placeShare } from "./placeShare";
import { coatWork } from "./work";

const job = ferrySergeant();
const panel = newPlainSurface("panel", "Panel", "panel", job.mixes);
const form = buildForm(panel);
const on = (target: CoatTarget, more: Partial<Coat> = {}): Coat => ({ ...panel.coats[0]!, target, ...more });
const share = (target: CoatTarget) => placeShare(job, panel, form, on(target));

describe("how much of a surface belongs to a place", () => {
  it("is all of it everywhere, and what is measured on a stretch", () => {
    expect(share({ kind: "everywhere" })).toBe(1);
    const half = { along: "height" as const, from: 0, to: 0.5, softMm: 0 };
    expect(share(inZones([], 0, { span: half }))).toBeCloseTo(0.5, 1);
    expect(share(inZones([], 0.4, { span: half }))).toBeCloseTo(0.7, 1);
  });

  it("adds up to all of it over raised, level and hollow ground, and over lit and shaded", () => {
    const sum = (zones: readonly (readonly ["raised" | "level" | "hollow" | "lit" | "shaded"])[]) =>
      zones.reduce((all, one) => all + share(inZones(one, 0)), 0);
    expect(sum([["raised"], ["level"], ["hollow"]])).toBeCloseTo(1, 5);
    expect(sum([["lit"], ["shaded"]])).toBeCloseTo(1, 5);
  });

  it("is what marks, minutes and paint are counted by", () => {
    const stipple = { technique: { id: "stipple", version: 1, params: { density: 4, together: 1 } } };
    const work = (target: CoatTarget) => coatWork(job, panel, form, on(target, stipple), defaultPainter);
    const whole = work({ kind: "everywhere" });
    expect(whole.strokes).toBe(Math.round(4 * form.areaMm2));
    const hem = work(inZones([], 0, { span: { along: "height", from: 0, to: 0.25, softMm: 0 } }));
    expect(hem.strokes / whole.strokes).toBeCloseTo(0.25, 1);
    expect(hem.areaMm2 / whole.areaMm2).toBeCloseTo(0.25, 1);
    expect(hem.handMinutes / whole.handMinutes).toBeCloseTo(0.25, 1);
  });
});
