import { describe, expect, it } from "vitest";
import { coneBand } from "./forms/coneBand";
import { blur } from "./blur";
import { fieldsOf } from "./fields";
import { buildGrid, choosePitch, MAX_PIXELS } from "./grid";

const sizes = {
  waistMm: 34,
  hemMm: 58,
  slantMm: 11,
  gapDeg: 0,
  pleats: 8,
  pleatDepthMm: 0.6,
  seams: 1,
  tight: 0,
  borderMm: 0,
};

describe("the grid of a surface", () => {
  it("covers the area of the form", () => {
    const form = coneBand.build(sizes, 1);
    const grid = buildGrid(form, 0.05);
    const area = grid.inside.reduce((sum, share) => sum + share, 0) * 0.05 * 0.05;
    expect(Math.abs(area - form.areaMm2) / form.areaMm2).toBeLessThan(0.002);
  });

  it("gives the finest mark three cells, and says when memory forbids it", () => {
    const small = choosePitch(coneBand.build(sizes, 1), 0.12);
    expect(small).toEqual({ pitchMm: 0.04, reduced: false });
    const large = coneBand.build({ ...sizes, waistMm: 200, hemMm: 300, slantMm: 60 }, 1);
    const { pitchMm, reduced } = choosePitch(large, 0.06);
    expect(reduced).toBe(true);
    const grid = buildGrid(large, pitchMm);
    expect(grid.width * grid.height).toBeLessThan(MAX_PIXELS * 1.01);
  });

  it("knows ridges from valleys, and is level where there are no folds", () => {
    const folded = buildGrid(coneBand.build(sizes, 1), 0.1);
    let [deepest, highest] = [0, 0];
    folded.relief.forEach((value, at) => {
      if (folded.inside[at]! < 1 || folded.heightMm[at]! > 3) return;
      if (value < 0.02) deepest = Math.max(deepest, fieldsOf(folded).low[at]!);
      if (value > 0.5) highest = Math.max(highest, fieldsOf(folded).low[at]!);
    });
    expect(deepest).toBeGreaterThan(0.4);
    expect(highest).toBe(0);
    const level = buildGrid(coneBand.build({ ...sizes, pleats: 0 }, 1), 0.1);
    expect(Math.max(...fieldsOf(level).low)).toBe(0);
    for (const light of fieldsOf(level).light.slice(0, 500)) expect(light).toBeCloseTo(1, 5);
  });

  it("measures along the band from its middle", () => {
    const grid = buildGrid(coneBand.build({ ...sizes, waistMm: 40, hemMm: 40 }, 1), 0.1);
    const row = Math.floor(grid.height / 2) * grid.width;
    const distance = fieldsOf(grid).along[row + 100]! - fieldsOf(grid).along[row + 90]!;
    expect(distance).toBeCloseTo(1, 3);
  });
});

describe("blurring", () => {
  it("keeps the sum, a constant, and comes near a Gaussian", () => {
    const size = 81;
    const spot = new Float32Array(size * size);
    spot[40 * size + 40] = 1;
    // Three means over eleven cells have a variance of 3 (11² − 1) / 12 = 30.
    const out = blur(spot, size, size, Math.sqrt(30));
    expect(out.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 4);
    const variance = out.reduce((sum, value, at) => sum + value * ((at % size) - 40) ** 2, 0);
    expect(variance).toBeCloseTo(30, 2);
    const peak = 1 / (2 * Math.PI * 30);
    expect(Math.abs(out[40 * size + 40]! - peak) / peak).toBeLessThan(0.15);
    const flat = blur(new Float32Array(size * size).fill(0.7), size, size, 9);
    for (const value of flat) expect(value).toBeCloseTo(0.7, 5);
  });
});
