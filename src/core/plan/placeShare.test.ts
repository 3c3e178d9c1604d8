import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { inZones, type Coat, type Place } from "../job";
import { newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import { buildForm } from "../surface/forms/buildForm";
import { demoShelf } from "../../data/demo/shelf";
import { referenceCompositor } from "../simulate/compositor";
import { Simulator } from "../simulate/simulator";
import { placeShare } from "./placeShare";
import { coatWork } from "./work";

const job = ferrySergeant();
const panel = newPlainSurface("panel", "Panel", "panel", job.mixes);
const form = buildForm(panel);
const on = (place: Place, more: Partial<Coat> = {}): Coat => ({ ...panel.coats[0]!, place, ...more });
const share = (place: Place) => placeShare(job, panel, form, on(place));

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
    const work = (place: Place) => coatWork(job, panel, form, on(place, stipple), defaultPainter);
    const whole = work({ kind: "everywhere" });
    expect(whole.strokes).toBe(Math.round(4 * form.areaMm2));
    const hem = work(inZones([], 0, { span: { along: "height", from: 0, to: 0.25, softMm: 0 } }));
    expect(hem.strokes / whole.strokes).toBeCloseTo(0.25, 1);
    expect(hem.areaMm2 / whole.areaMm2).toBeCloseTo(0.25, 1);
    expect(hem.handMinutes / whole.handMinutes).toBeCloseTo(0.25, 1);
  });

  it("by an earlier coat's marks is what those cover: laid, not guessed", async () => {
    const dots = (density: number): Coat =>
      on(inZones([], 0), {
        ...{ id: "dots", passes: 1 },
        technique: { id: "stipple", version: 1, params: { density, size: 0.5, spread: 0, together: 1 } },
      });
    const by = (side: "inside" | "outside") =>
      on(inZones([], 0, { near: { coatId: "dots", side, reachMm: 0 } }), { id: "next" });
    for (const density of [0.5, 2, 6]) {
      const surface = { ...panel, coats: [panel.coats[0]!, dots(density), by("inside")] };
      const inside = placeShare(job, surface, form, by("inside"));
      // Dots at random overlap: 1 − exp(−λ π r²).
      expect(Math.abs(inside / (1 - Math.exp(-density * Math.PI * 0.25 ** 2)) - 1)).toBeLessThan(0.2);
      expect(inside + placeShare(job, surface, form, by("outside"))).toBeCloseTo(1, 2);
      // And the simulated coat covers as much.
      const simulator = new Simulator(referenceCompositor);
      const laid = await simulator.lay(
        {
          job: { ...job, surfaces: [surface] },
          ...{ paints: demoShelf, surfaceId: panel.id, upTo: null, lit: false, mostCells: 60_000 },
        },
        false,
        () => Promise.resolve(true),
      );
      expect(Math.abs(laid!.coats[2]!.film.coveredShare - inside)).toBeLessThan(0.05);
    }
  });

  it("is nothing by a coat that is held back or gone", () => {
    const next = on(inZones([], 0, { near: { coatId: "dots", side: "inside", reachMm: 0.2 } }), {
      id: "next",
    });
    expect(placeShare(job, { ...panel, coats: [next] }, form, next)).toBe(0);
  });
});
