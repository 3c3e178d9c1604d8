import { describe, expect, it } from "vitest";
import type { WearSettings } from "../job";
import { forms } from "./forms";
import { buildGrid } from "./grid";
import { USUAL_WEAR, wearMap, WEAR_SOURCES } from "./wear";

const strap = forms.strap.build(
  { lengthMm: 16, widthMm: 5, thicknessMm: 0.6, strands: 1, bends: 3, stitchMm: 0, holes: 0 },
  2,
);
const grid = buildGrid(strap, 0.06);
const NONE: WearSettings = { edges: 0, hems: 0, folds: 0, seams: 0, heights: 0, patches: 0 };
const mean = (map: Float32Array, wanted: (at: number) => boolean = () => true) => {
  let [sum, count] = [0, 0];
  map.forEach((value, at) => {
    if (grid.inside[at]! < 1 || !wanted(at)) return;
    sum += value;
    count++;
  });
  return sum / count;
};

describe("the wear map", () => {
  it("is nothing without a cause, and stays between nothing and all", () => {
    expect(mean(wearMap(grid, NONE, 1))).toBe(0);
    const all = Object.fromEntries(
      Object.keys(WEAR_SOURCES).map((key) => [key, 100]),
    ) as unknown as WearSettings;
    for (const settings of [USUAL_WEAR, all])
      expect(wearMap(grid, settings, 1).every((value) => value >= 0 && value <= 1)).toBe(true);
  });

  it("grows with every cause but patches, which leave whole stretches untouched", () => {
    for (const key of ["edges", "hems", "folds", "heights"] as const)
      expect(mean(wearMap(grid, { ...NONE, [key]: 90 }, 1)), key).toBeGreaterThan(0);
    const even = wearMap(grid, { ...NONE, hems: 60, edges: 60 }, 1);
    const patchy = wearMap(grid, { ...NONE, hems: 60, edges: 60, patches: 100 }, 1);
    const onHem = (at: number) => grid.heightMm[at]! < 0.4;
    const spread = (map: Float32Array) => {
      const middle = mean(map, onHem);
      return Math.sqrt(
        mean(
          map.map((value) => (value - middle) ** 2),
          onHem,
        ),
      );
    };
    expect(spread(patchy)).toBeGreaterThan(1.5 * spread(even));
  });

  it("wears the edges of a strap more than its middle", () => {
    const map = wearMap(grid, USUAL_WEAR, 1);
    expect(mean(map, (at) => grid.heightMm[at]! < 0.4)).toBeGreaterThan(
      2 * mean(map, (at) => Math.abs(grid.heightMm[at]! - 2.5) < 0.6),
    );
  });

  it("is the same for its seed, and another for another", () => {
    const again = wearMap(buildGrid(strap, 0.06), USUAL_WEAR, 7);
    expect(Buffer.from(again.buffer).equals(Buffer.from(wearMap(grid, USUAL_WEAR, 7).buffer))).toBe(true);
    expect(Buffer.from(again.buffer).equals(Buffer.from(wearMap(grid, USUAL_WEAR, 8).buffer))).toBe(false);
  });
});
