import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import { coatMixed } from "./testing";
import type { Growth, Job, Surface } from "../job";
import { placeShare } from "../plan/placeShare";
import { glanceAt } from "../simulate/glance";
import { sampledSurface } from "../simulate/sampled";
import { inZones } from "../job";
import { buildForm } from "../surface/forms/buildForm";
import { covered } from "./testing";

const growing = (angleDeg: number): Growth => ({
  ...{ pull: 0, sway: 0 },
  handles: [{ id: "one", x: 0.5, y: 0.5, angleDeg, lengthPct: 100, liftDeg: 0 }],
});

describe("paint on a hide", () => {
  const base = covered("locks", "panel", { of: { lengthMm: 12, widthMm: 9 } });
  const piece = coatMixed(base, inZones(["raised"], 0), demoShelf);
  const changed = (change: Partial<Surface>): { job: Job; surface: Surface } => {
    const surface = { ...piece.surface, ...change };
    return { job: { ...piece.job, surfaces: [surface] }, surface };
  };
  const others: readonly (readonly [string, Partial<Surface>])[] = [
    ["none", { hide: null }],
    ["other sizes", { hide: { id: "locks", version: 1, params: { length: 4, width: 0.8 } } }],
    ["another kind", { hide: { id: "scales", version: 1, params: {} } }],
    ["another growth", { growth: growing(70) }],
  ];

  it.each(others)("is laid anew, counted anew and judged anew on %s", (_, change) => {
    const other = changed(change);
    const [a, b] = [piece, other].map(({ job, surface }) => glanceAt(job, surface).coats[0]!.film);
    expect(b!.cover).not.toEqual(a!.cover);
    const shareOf = ({ job, surface }: typeof piece) =>
      placeShare(job, surface, buildForm(surface), surface.coats[0]!);
    expect(shareOf(other)).not.toBe(shareOf(piece));
    const seen = ({ job, surface }: typeof piece) => sampledSurface(job, surface, demoShelf).final;
    expect(seen(other)).not.toEqual(seen(piece));
  });
});
