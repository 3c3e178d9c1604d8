import { describe, expect, it } from "vitest";
import { inZones, type ZonePlace } from "../job";
import { completeParams } from "../params";
import { forms } from "./forms";
import { buildGrid, type SurfaceGrid } from "./grid";
import { downhill, weightsOfPlace } from "./places";
import { zoneWeights } from "./zones";

const panel = forms.panel.build({ lengthMm: 10, widthMm: 8, dents: 0 }, 1);
const grid = buildGrid(panel, 0.05);
const everywhere: ZonePlace = inZones([], 0);
const xOf = (on: SurfaceGrid, at: number) => (on.turnDeg[at]! / on.form.turnDeg) * 10;

/** Share of the place at a spot of the panel, mm from its left end and from its hem. */
function shareAt(weights: Float32Array, xMm: number, upMm: number): number {
  let [best, nearest] = [0, Infinity];
  for (let at = 0; at < weights.length; at++) {
    const off = Math.hypot(xOf(grid, at) - xMm, grid.heightMm[at]! - upMm);
    if (off < nearest) [best, nearest] = [at, off];
  }
  return weights[best]!;
}

const mean = (weights: Float32Array) =>
  weights.reduce((sum, weight, at) => sum + weight * grid.inside[at]!, 0) /
  grid.inside.reduce((sum, share) => sum + share, 0);

describe("a stretch of the form", () => {
  it("is all inside, nothing outside, and half on its border", () => {
    const span = { along: "height", from: 0.25, to: 0.75, softMm: 0.6 } as const;
    const weights = weightsOfPlace(grid, { ...everywhere, span }, null);
    expect(shareAt(weights, 5, 4)).toBe(1);
    expect(shareAt(weights, 5, 0.5)).toBe(0);
    expect(shareAt(weights, 5, 7.5)).toBe(0);
    expect(Math.abs(shareAt(weights, 5, 2) - 0.5)).toBeLessThan(0.12);
    expect(mean(weights)).toBeCloseTo(0.5, 2);
  });

  it("has no border where it reaches the form's own end", () => {
    const span = { along: "length", from: 0, to: 0.4, softMm: 2 } as const;
    const weights = weightsOfPlace(grid, { ...everywhere, span }, null);
    expect(shareAt(weights, 0.1, 4)).toBe(1);
    expect(Math.abs(shareAt(weights, 4, 4) - 0.5)).toBeLessThan(0.06);
    expect(shareAt(weights, 5.2, 4)).toBe(0);
  });

  it("and the rest of the form share the surface between them", () => {
    const part = (from: number, to: number) =>
      weightsOfPlace(grid, { ...everywhere, span: { along: "height", from, to, softMm: 1.2 } }, null);
    const [low, high] = [part(0, 0.35), part(0.35, 1)];
    for (let at = 0; at < low.length; at += 13)
      if (grid.inside[at]! > 0) expect(low[at]! + high[at]!).toBeCloseTo(1, 5);
  });
});

describe("an outlined place", () => {
  const triangle = { points: [0.2, 0.25, 0.8, 0.25, 0.5, 0.75], softMm: 0.1 };

  it("has the area that was drawn, as shares of length and height", () => {
    const weights = weightsOfPlace(grid, { ...everywhere, outline: triangle }, null);
    // Half of base times height, as shares of the panel.
    expect(mean(weights)).toBeCloseTo((0.6 * 0.5) / 2, 2);
    expect(shareAt(weights, 5, 3)).toBeCloseTo(1, 2);
    expect(shareAt(weights, 2, 5)).toBeCloseTo(0, 2);
  });

  it("is the same whichever way round it was drawn, and keeps out of a hole drawn into it", () => {
    const { points } = triangle;
    const reversed = [points[4]!, points[5]!, points[2]!, points[3]!, points[0]!, points[1]!];
    const one = weightsOfPlace(grid, { ...everywhere, outline: triangle }, null);
    const other = weightsOfPlace(grid, { ...everywhere, outline: { ...triangle, points: reversed } }, null);
    // A line drawn the other way may take or leave the cells right on it.
    const off = one.reduce((sum, weight, at) => sum + Math.abs(weight - other[at]!), 0);
    expect(off / one.length).toBeLessThan(0.002);
    // A line that crosses itself: even-odd, so the overlap is left out.
    const bow = { points: [0.2, 0.2, 0.8, 0.8, 0.8, 0.2, 0.2, 0.8], softMm: 0.1 };
    const crossed = weightsOfPlace(grid, { ...everywhere, outline: bow }, null);
    expect(shareAt(crossed, 7.6, 4)).toBeCloseTo(1, 1);
    expect(shareAt(crossed, 5, 6.6)).toBeCloseTo(0, 1);
  });

  it("fades over the width asked for", () => {
    const soft = weightsOfPlace(grid, { ...everywhere, outline: { ...triangle, softMm: 1.5 } }, null);
    const hard = weightsOfPlace(grid, { ...everywhere, outline: triangle }, null);
    expect(shareAt(soft, 5, 2.3)).toBeLessThan(shareAt(hard, 5, 2.3));
    expect(shareAt(soft, 5, 1.6)).toBeGreaterThan(0.1);
    expect(shareAt(hard, 5, 1.6)).toBe(0);
  });
});

describe("a place by an earlier coat", () => {
  /** That coat covers the left half. */
  const cover = grid.inside.map((share, at) => (xOf(grid, at) < 5 ? share : 0));
  const near = (side: "inside" | "outside" | "border" | "around", reachMm = 0) =>
    weightsOfPlace(grid, { ...everywhere, near: { coatId: "other", side, reachMm } }, cover);

  it("is on its marks or beside them, and the two make the whole", () => {
    const [on, beside] = [near("inside"), near("outside")];
    expect(shareAt(on, 2, 4)).toBe(1);
    expect(shareAt(on, 8, 4)).toBe(0);
    for (let at = 0; at < on.length; at += 7)
      if (grid.inside[at] === 1) expect(on[at]! + beside[at]!).toBeCloseTo(1, 5);
  });

  it("lies close around them, half of it at its reach, and nothing on them or far off", () => {
    const around = near("around", 0.5);
    expect(shareAt(around, 5.2, 4)).toBeGreaterThan(0.95);
    expect(shareAt(around, 5.5, 4)).toBeGreaterThan(0.35);
    expect(shareAt(around, 5.5, 4)).toBeLessThan(0.65);
    expect(shareAt(around, 6.2, 4)).toBeLessThan(0.02);
    expect(shareAt(around, 4.5, 4)).toBeLessThan(0.02);
  });

  it("runs along their border where that is asked for, as wide as its reach", () => {
    const border = near("border", 0.8);
    expect(shareAt(border, 5, 4)).toBeGreaterThan(0.9);
    expect(shareAt(border, 3, 4)).toBeLessThan(0.02);
    expect(shareAt(border, 7, 4)).toBeLessThan(0.02);
    expect(mean(near("border", 1.6))).toBeGreaterThan(1.5 * mean(border));
  });

  it("is nowhere where that coat is not there", () => {
    const gone = weightsOfPlace(
      grid,
      { ...everywhere, near: { coatId: "gone", side: "inside", reachMm: 0.2 } },
      null,
    );
    expect(Math.max(...gone)).toBe(0);
  });
});

describe("parts of a place", () => {
  it("hold all at once: each more part leaves less", () => {
    const span = { along: "height", from: 0, to: 0.5, softMm: 0.2 } as const;
    const outline = { points: [0, 0, 0.5, 0, 0.5, 1, 0, 1], softMm: 0.1 };
    const both = weightsOfPlace(grid, { ...everywhere, span, outline }, null);
    expect(mean(both)).toBeCloseTo(0.25, 2);
    expect(shareAt(both, 2, 2)).toBeCloseTo(1, 2);
    expect(shareAt(both, 8, 2)).toBeCloseTo(0, 2);
    expect(shareAt(both, 2, 6)).toBeCloseTo(0, 2);
  });

  it("fall off faster or slower between all and nothing, and leave both ends alone", () => {
    const span = { along: "height", from: 0.5, to: 1, softMm: 4 } as const;
    const fall = (power: number) => weightsOfPlace(grid, { ...everywhere, span, fall: power }, null);
    const [slow, plain, fast] = [fall(0.5), fall(1), fall(3)];
    for (const [low, high] of [
      [fast, plain],
      [plain, slow],
    ] as const)
      expect(shareAt(low, 5, 4)).toBeLessThan(shareAt(high, 5, 4) - 0.1);
    for (const weights of [slow, plain, fast]) {
      expect(shareAt(weights, 5, 7.5)).toBe(1);
      expect(shareAt(weights, 5, 1)).toBe(0);
    }
    expect(shareAt(fast, 5, 4)).toBeCloseTo(shareAt(plain, 5, 4) ** 3, 4);
  });

  it("fade to everywhere: what lies outside gets the share that is left for it", () => {
    const span = { along: "height", from: 0, to: 0.5, softMm: 0.2 } as const;
    const weights = weightsOfPlace(grid, { ...everywhere, span, fade: 0.3 }, null);
    expect(shareAt(weights, 5, 7)).toBeCloseTo(0.3, 5);
    expect(shareAt(weights, 5, 1)).toBe(1);
  });
});

describe("the way down", () => {
  it("is straight down a panel, and away from the neck of a cloak", () => {
    const [x, y] = downhill(grid, Math.floor(grid.inside.length / 2));
    expect(x).toBeCloseTo(0, 6);
    expect(y).toBeCloseTo(1, 6);
    const params = Object.fromEntries(
      Object.entries(forms.cloak.params).map(([name, spec]) => [name, spec.default]),
    );
    const cloak = buildGrid(forms.cloak.build(params, 2), 0.2);
    for (let at = 0; at < cloak.inside.length; at += 301) {
      if (cloak.inside[at]! < 1) continue;
      const [dx, dy] = downhill(cloak, at);
      expect(Math.hypot(dx, dy)).toBeCloseTo(1, 6);
      // Half of a ring: down leads outwards on either side.
      const left = cloak.turnDeg[at]! < 180;
      expect(Math.sign(dx)).toBe(left ? -1 : 1);
    }
  });
});

describe("the front", () => {
  it("is what looks ahead: of a round piece a good quarter, none of it on the back", () => {
    const round = buildGrid(forms.trunk.build(completeParams(forms.trunk.params, {}), 1), 0.25);
    const [front, back] = (["front", "back"] as const).map((zone) => zoneWeights(round, [zone], 0));
    const sum = (weights: Float32Array) => weights.reduce((all, weight) => all + weight, 0);
    expect(sum(front!) / sum(zoneWeights(round, [], 0))).toBeGreaterThan(0.2);
    expect(sum(front!) / sum(zoneWeights(round, [], 0))).toBeLessThan(0.45);
    expect(front!.some((weight, at) => weight > 0.01 && back![at]! > 0.01)).toBe(false);
  });
});

describe("the crest", () => {
  it("is a strip along the middle of the back, and nothing of it lies elsewhere", () => {
    const body = forms.trunk.build(completeParams(forms.trunk.params, {}), 1);
    const round = buildGrid(body, 0.25);
    const [crest, back] = (["crest", "back"] as const).map((zone) => zoneWeights(round, [zone], 0));
    const sum = (weights: Float32Array) => weights.reduce((all, weight) => all + weight, 0);
    expect(crest!.some((weight, at) => weight > back![at]! + 1e-6)).toBe(false);
    expect(sum(crest!)).toBeGreaterThan(0.1 * sum(back!));
    expect(sum(crest!)).toBeLessThan(0.7 * sum(back!));
  });
});
