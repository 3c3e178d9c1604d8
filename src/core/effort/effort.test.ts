import { describe, expect, it } from "vitest";
import { tideHound } from "../../data/demo/tideHound";
import { demoShelf } from "../../data/demo/shelf";
import type { Coat, Effort, Job, Surface } from "../job";
import { defaultPainter } from "../painter";
import { completeParams } from "../params";
import { cardsOf } from "../plan/cards";
import { coatWork, strokeMinutes } from "../plan/work";
import { createRandom } from "../random";
import { fewCells } from "../simulate/fewCells";
import { filmKey, marksOf } from "../simulate/layCoat";
import { buildForm } from "../surface/forms/buildForm";
import { valuePlan } from "../surface/volumes/valuePlan";
import { hair, hairsOf } from "../techniques/hair/hair";
import { onGround } from "../techniques/testing";
import { effortOf, isOfMarks, shareEffort, USUAL_EFFORT } from "./effortOf";
import { seenWell, worthOf } from "./worth";

const hound = tideHound();
const bodyIn = (job: Job) => job.surfaces.find(({ id }) => id === "body")!;
const withEffort = (effort: Effort | null, job: Job = hound): Job => ({
  ...job,
  surfaces: job.surfaces.map((one) => (one.id === "body" ? { ...one, effort } : one)),
});
const shareIn = (effort: Effort) => {
  const job = withEffort(effort);
  return shareEffort(job, bodyIn(job), effort);
};
const full = shareIn({ marks: 1_000_000, ...USUAL_EFFORT }).full;
const half = Math.round(full / 2);

/** Marks the plan counts on a surface, all passes, a stroke as one. */
function planned(job: Job, surface: Surface): { marks: number; minutes: number } {
  const form = buildForm(surface);
  const work = surface.coats
    .filter((coat) => !coat.held && isOfMarks(coat))
    .map((coat) => ({ coat, work: coatWork(job, surface, form, coat, defaultPainter) }));
  return {
    marks: work.reduce((sum, one) => sum + one.work.strokes * one.coat.passes, 0),
    minutes: work.reduce((sum, one) => sum + one.work.handMinutes * one.coat.passes, 0),
  };
}

describe("a budget of marks", () => {
  it("is kept within 3 %, in the plan's strokes and minutes", () => {
    for (const share of [0.15, 0.5, 0.8]) {
      const job = withEffort({ marks: Math.round(share * full), ...USUAL_EFFORT });
      const { marks, minutes } = planned(job, bodyIn(job));
      expect(marks / (share * full)).toBeGreaterThan(0.97);
      expect(marks / (share * full)).toBeLessThan(1.03);
      expect(minutes / (share * full * strokeMinutes(defaultPainter))).toBeGreaterThan(0.97);
      expect(minutes / (share * full * strokeMinutes(defaultPainter))).toBeLessThan(1.03);
    }
  });

  it("is kept by the very strokes that are painted", () => {
    const job = withEffort({ marks: half, ...USUAL_EFFORT });
    const surface = bodyIn(job);
    const form = buildForm(surface);
    const grid = fewCells(job, surface, form, 60_000);
    const strokes = (coat: Coat) =>
      hairsOf(
        onGround({
          ...{ grid, passUm: 6, passes: 1, water: coat.water, hand: job.hand },
          marks: marksOf(job, surface, form, coat, () => grid),
        }),
        completeParams(hair.params, coat.technique.params),
        createRandom(coat.seed),
      ).length;
    const count = surface.coats
      .filter(({ technique: { id } }) => id === "hair")
      .reduce((sum, coat) => sum + coat.passes * strokes(coat), 0);
    expect(count / half).toBeGreaterThan(0.97);
    expect(count / half).toBeLessThan(1.03);
  });

  it("is no more than there is to paint", () => {
    const all = shareIn({ marks: 900_000, ...USUAL_EFFORT });
    expect(all.kept).toBeCloseTo(all.full, 3);
    const none = shareIn({ marks: 1, ...USUAL_EFFORT });
    expect(none.kept).toBeCloseTo(1, 2);
  });

  it("goes to what is seen and lit, and evenly where neither is asked for", () => {
    const even = shareIn({ marks: half, seen: 0, lit: 0 });
    const most = shareIn({ marks: half, seen: 90, lit: 80 });
    expect(even.scale).toBeCloseTo(0.5, 2);
    expect(most.thirds[0]).toBeGreaterThan(even.thirds[0] + 0.05);
    expect(most.thirds[2]).toBeLessThan(most.thirds[0]);
    for (const { thirds } of [even, most]) expect(thirds.reduce((a, b) => a + b)).toBeCloseTo(1, 6);
  });

  it("takes paint and minutes off the cards with the strokes", () => {
    const sumOf = (job: Job) => {
      const cards = cardsOf(job, demoShelf, defaultPainter).filter(
        ({ surface, coat }) => surface.id === "body" && coat.technique.id === "hair",
      );
      return cards.reduce((sum, { handMinutes }) => sum + handMinutes, 0);
    };
    const ratio = sumOf(withEffort({ marks: half, ...USUAL_EFFORT })) / sumOf(hound);
    expect(ratio).toBeGreaterThan(0.45);
    expect(ratio).toBeLessThan(0.62);
  });

  it("changes the films of marks alone, and of this surface alone", () => {
    const job = withEffort({ marks: half, ...USUAL_EFFORT });
    const changed = (surfaceId: string) => {
      const [before, after] = [hound, job].map((one) => one.surfaces.find(({ id }) => id === surfaceId)!);
      return before!.coats
        .filter(
          (coat, at) => filmKey(hound, before!, coat, 0.1) !== filmKey(job, after!, after!.coats[at]!, 0.1),
        )
        .map(({ technique: { id } }) => id);
    };
    expect(new Set(changed("body"))).toEqual(new Set(["hair"]));
    expect(changed("neck")).toEqual([]);
  });

  it("is shared out anew where a coat asks for more", () => {
    const job = withEffort({ marks: half, ...USUAL_EFFORT });
    const more = {
      ...job,
      surfaces: job.surfaces.map((one) => ({
        ...one,
        coats: one.coats.map((coat) =>
          coat.technique.id === "hair"
            ? {
                ...coat,
                technique: {
                  ...coat.technique,
                  params: { ...coat.technique.params, density: 1.5 * coat.technique.params.density! },
                },
              }
            : coat,
        ),
      })),
    };
    expect(effortOf(more, bodyIn(more))!.key).not.toBe(effortOf(job, bodyIn(job))!.key);
    const { kept } = shareEffort(more, bodyIn(more), bodyIn(more).effort!);
    expect(kept / half).toBeCloseTo(1, 3);
  });
});

describe("what a mark is worth", () => {
  const surface = bodyIn(hound);
  const grid = fewCells(hound, surface, buildForm(surface), 4000);

  it("is little under the belly, much on the back", () => {
    const seen = seenWell(hound, surface, grid);
    // The middle of the flat is the back of this beast, the seam its belly.
    const meanOf = (from: number, to: number) => {
      const on = seen.filter(
        (_, at) => grid.inside[at]! > 0 && grid.turnDeg[at]! / 360 >= from && grid.turnDeg[at]! / 360 <= to,
      );
      return on.reduce((sum, value) => sum + value, 0) / on.length;
    };
    expect(meanOf(0.4, 0.6)).toBeGreaterThan(0.7);
    expect(meanOf(0, 0.06)).toBeLessThan(0.35);
  });

  it("is the same everywhere on a piece that lies aside, but for its light", () => {
    const aside = { ...surface, seat: null };
    const flat = fewCells(hound, aside, buildForm(aside), 4000);
    expect(new Set(seenWell(hound, aside, flat))).toEqual(new Set([1]));
    const worth = worthOf(hound, aside, { marks: 10, seen: 100, lit: 100 }, flat);
    const plan = valuePlan(flat, aside.volumes);
    let off = 0;
    for (let at = 0; at < worth.length; at++)
      if (flat.inside[at]! > 0) off = Math.max(off, Math.abs(worth[at]! - Math.max(0.02, plan[at]!)));
    expect(off).toBeLessThan(1e-6);
  });
});
