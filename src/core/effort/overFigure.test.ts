import { describe, expect, it } from "vitest";
import { tideHound } from "../../data/demo/tideHound";
import type { Job, Surface } from "../job";
import { defaultPainter } from "../painter";
import { piecesOf } from "../figure/pairs";
import { coatWork, strokeMinutes } from "../plan/work";
import { buildForm } from "../surface/forms/buildForm";
import { isOfMarks, shareEffort } from "./effortOf";
import { shareOverFigure, type FigureShare } from "./overFigure";

const hound = tideHound();
const figureId = hound.figures[0]!.id;

const withShares = (job: Job, shares: readonly FigureShare[]): Job => ({
  ...job,
  surfaces: job.surfaces.map((one) => {
    const own = shares.find(({ surfaceId }) => surfaceId === one.id);
    return own ? { ...one, effort: own.effort } : one;
  }),
});

/** Minutes that the plan counts for the marks of a figure, both pieces of a pair. */
function minutesOf(job: Job): number {
  return job.surfaces.reduce((sum, surface) => {
    const form = buildForm(surface);
    const own = surface.coats
      .filter((coat) => !coat.held && isOfMarks(coat))
      .map((coat) => coatWork(job, surface, form, coat, defaultPainter).handMinutes * coat.passes);
    return sum + piecesOf(surface) * own.reduce((a, b) => a + b, 0);
  }, 0);
}

const looked = (job: Job, id: string, importance: Surface["volumes"]["importance"]): Job => ({
  ...job,
  surfaces: job.surfaces.map((one) =>
    one.id === id ? { ...one, volumes: { ...one.volumes, importance } } : one,
  ),
});
const keptBy = (shares: readonly FigureShare[], id: string) =>
  shares.find(({ surfaceId }) => surfaceId === id)!.kept;

describe("a budget for a whole figure", () => {
  it("is kept within 3 %, in the plan's minutes over all pieces", () => {
    for (const minutes of [60, 150]) {
      const shares = shareOverFigure(hound, figureId, minutes / strokeMinutes(defaultPainter));
      expect(shares.map(({ surfaceId }) => surfaceId)).toEqual(
        hound.surfaces
          .map(({ id }) => id)
          .filter((id) => hound.surfaces.find((one) => one.id === id)!.coats.some(isOfMarks)),
      );
      const planned = minutesOf(withShares(hound, shares));
      expect(planned / minutes).toBeGreaterThan(0.97);
      expect(planned / minutes).toBeLessThan(1.03);
    }
  });

  it("keeps marks of one worth alike on all pieces, more of them where a piece is to be looked at", () => {
    const plain = shareOverFigure(hound, figureId, 4000);
    // Each surface by itself comes to the same border between what is painted and what is not.
    const scales = plain.map(({ surfaceId, effort }) => {
      const surface = hound.surfaces.find(({ id }) => id === surfaceId)!;
      return shareEffort(hound, surface, effort).scale;
    });
    expect(Math.max(...scales) / Math.min(...scales)).toBeLessThan(1.03);
    const head = shareOverFigure(looked(hound, "head", "looked-at"), figureId, 4000);
    expect(keptBy(head, "head")).toBeGreaterThan(1.2 * keptBy(plain, "head"));
    expect(keptBy(head, "body")).toBeLessThan(keptBy(plain, "body"));
    const quiet = shareOverFigure(looked(hound, "tail", "quiet"), figureId, 4000);
    expect(keptBy(quiet, "tail")).toBeLessThan(0.8 * keptBy(plain, "tail"));
    for (const shares of [plain, head, quiet])
      expect(shares.reduce((sum, { kept }) => sum + kept, 0)).toBeCloseTo(4000, 0);
  });

  it("is no more than there is to paint, and nothing for a figure without marks", () => {
    const all = shareOverFigure(hound, figureId, 10_000_000);
    for (const { kept, full } of all) expect(kept).toBeCloseTo(full, 3);
    const bare = {
      ...hound,
      surfaces: hound.surfaces.map((one) => ({ ...one, coats: one.coats.slice(0, 1) })),
    };
    expect(shareOverFigure(bare, figureId, 1000)).toEqual([]);
    expect(shareOverFigure(hound, "nobody", 1000)).toEqual([]);
  });
});
