import { describe, expect, it } from "vitest";
import { inZones, type Volumes } from "../../job";
import { formIds, forms, type FormId } from "../forms";
import { buildGrid, inLight, type SurfaceGrid } from "../grid";
import { asideUnder } from "../roomLight";
import { weightsOfPlace } from "../places";
import { MATERIAL_IDS, materials, type MaterialId } from "./materials";
import { stepCount, stepLightness, stepShares, valuePlan } from "./valuePlan";

const of = (material: MaterialId, importance: Volumes["importance"] = "usual"): Volumes => ({
  material,
  importance,
});

function usual(id: FormId, sizes: Readonly<Record<string, number>> = {}, pitchMm = 0.12): SurfaceGrid {
  const defaults = Object.entries(forms[id].params).map(([name, spec]) => [name, spec.default] as const);
  return buildGrid(forms[id].build({ ...Object.fromEntries(defaults), ...sizes }, 3), pitchMm);
}

/** Share of the panel that each step has. */
function reached(grid: SurfaceGrid, volumes: Volumes, count: number): number[] {
  const plan = valuePlan(grid, volumes);
  const areas = new Array<number>(count).fill(0);
  let whole = 0;
  for (let at = 0; at < plan.length; at++) {
    whole += grid.inside[at]!;
    areas[Math.min(count - 1, Math.floor(plan[at]! * count))]! += grid.inside[at]!;
  }
  return areas.map((area) => area / whole);
}

describe("shares of a value plan", () => {
  it("add up to the whole, lights rarer than shadows, in three to five steps", () => {
    for (const standard of ["tabletop", "display"] as const) {
      for (const material of MATERIAL_IDS) {
        for (const importance of ["looked-at", "usual", "quiet"] as const) {
          const volumes = of(material, importance);
          const count = stepCount(volumes, standard);
          expect(count).toBeGreaterThanOrEqual(3);
          expect(count).toBeLessThanOrEqual(5);
          const shares = stepShares(volumes, count);
          expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
          expect(Math.min(...shares)).toBeGreaterThan(0);
          expect(shares.at(-1)).toBeLessThan(shares[0]!);
        }
      }
    }
  });

  it("give quiet parts fewer steps of a smaller span, and what is looked at more light", () => {
    const span = (importance: Volumes["importance"]) => {
      const steps = stepLightness(of("leather", importance), 4);
      return steps.at(-1)! - steps[0]!;
    };
    expect(stepCount(of("leather", "quiet"), "tabletop")).toBeLessThan(
      stepCount(of("leather", "looked-at"), "tabletop"),
    );
    expect(span("quiet")).toBeLessThan(span("usual"));
    expect(span("usual")).toBeLessThan(span("looked-at"));
    const light = (importance: Volumes["importance"]) => stepShares(of("leather", importance), 5)[4]!;
    expect(light("quiet")).toBeLessThan(light("usual"));
    expect(light("usual")).toBeLessThan(light("looked-at"));
  });

  it.each(formIds)("are reached within two hundredths on a %s, of wide lights and of tight ones", (id) => {
    const grid = usual(id);
    for (const material of ["dull-cloth", "leather", "pile-cloth"] as const) {
      for (const count of [3, 5]) {
        const wanted = stepShares(of(material), count);
        reached(grid, of(material), count).forEach((share, step) =>
          expect(Math.abs(share - wanted[step]!), `${material}, step ${step + 1} of ${count}`).toBeLessThan(
            0.02,
          ),
        );
      }
    }
  });

  it("are those of a coat that keeps to some steps", () => {
    const grid = usual("cone-band");
    const volumes = of("wool");
    const place = inZones([], 0, { values: { from: 0.6, to: 1, fade: 0 } });
    const weights = weightsOfPlace(grid, { ...place, volumes }, null);
    let [sum, whole] = [0, 0];
    for (let at = 0; at < weights.length; at++) {
      sum += weights[at]! * grid.inside[at]!;
      whole += grid.inside[at]!;
    }
    const [, , , fourth, fifth] = stepShares(volumes, 5);
    expect(Math.abs(sum / whole - fourth! - fifth!)).toBeLessThan(0.02);
  });
});

describe("where the lights lie", () => {
  /** Cells of the highest light: how far they reach along and across the piece, of all it has, as a deviation. */
  function spreadOf(grid: SurfaceGrid, volumes: Volumes) {
    const plan = valuePlan(grid, volumes);
    const [across, up]: [number[], number[]] = [[], []];
    for (let at = 0; at < plan.length; at++) {
      if (grid.inside[at]! < 1 || plan[at]! < 0.8) continue;
      across.push(grid.turnDeg[at]! / grid.form.turnDeg);
      up.push(grid.heightMm[at]! / grid.form.slantMm);
    }
    const deviation = (values: number[]) => {
      const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
      return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length);
    };
    return { across: deviation(across), up: deviation(up) };
  }
  const limb = usual("limb", { creases: 0, creaseMm: 0 });

  it("is a line along a limb, the narrower the tighter its material throws light", () => {
    const inOrder = [...MATERIAL_IDS].sort((a, b) => materials[a].fall - materials[b].fall);
    const widths = inOrder.map((material) => spreadOf(limb, of(material)).across);
    for (let at = 1; at < widths.length; at++) expect(widths[at], inOrder[at]).toBeLessThan(widths[at - 1]!);
    expect(spreadOf(limb, of("shell")).up).toBeGreaterThan(0.2);
    expect(spreadOf(limb, of("shell")).across).toBeLessThan(0.05);
  });

  it("goes with the lamp", () => {
    const under = (fromDeg: number) =>
      valuePlan(inLight(limb, asideUnder({ fromDeg, heightDeg: 30 })), of("leather"));
    const [left, right] = [under(170), under(10)];
    const lightOf = (plan: Float32Array, side: 0 | 1) =>
      plan.reduce(
        (sum, place, at) =>
          limb.inside[at]! > 0 && (limb.turnDeg[at]! < limb.form.turnDeg / 2 ? 0 : 1) === side
            ? sum + place
            : sum,
        0,
      );
    expect(lightOf(left, 0) > lightOf(left, 1)).not.toBe(lightOf(right, 0) > lightOf(right, 1));
  });

  it("comes fold by fold on pile, also on the far side; of all else the lit side has it", () => {
    const grid = inLight(
      usual("cloak", { folds: 9, foldMm: 1.2 }),
      asideUnder({ fromDeg: 160, heightDeg: 40 }),
    );
    /** Share of the brightest tenth that lies on the half of the panel with less of it. */
    const lesser = (material: MaterialId) => {
      const plan = valuePlan(grid, of(material));
      const bright = [...plan].filter((_, at) => grid.inside[at] === 1).sort((a, b) => b - a);
      const from = bright[Math.floor(bright.length / 10)]!;
      const sides = [0, 0];
      for (let at = 0; at < plan.length; at++)
        if (grid.inside[at] === 1 && plan[at]! >= from)
          sides[grid.turnDeg[at]! * 2 < grid.form.turnDeg ? 0 : 1]!++;
      return Math.min(...sides) / (sides[0]! + sides[1]!);
    };
    expect(lesser("pile-cloth")).toBeGreaterThan(0.15);
    for (const id of MATERIAL_IDS.filter((one) => !materials[one].against))
      expect(lesser(id), id).toBeLessThan(0.05);
  });

  it("is faint on small folds beside large ones of the same steepness", () => {
    const panel = forms.panel.build(
      Object.fromEntries(Object.entries(forms.panel.params).map(([name, { default: by }]) => [name, by])),
      1,
    );
    const { minX, maxX } = panel.bounds;
    const fold = (x: number) => {
      const period = x < (minX + maxX) / 2 ? 0.5 : 3;
      return 0.12 * period * Math.sin((2 * Math.PI * x) / period);
    };
    const folded = {
      ...panel,
      relief: (place: Parameters<typeof panel.relief>[0]) => fold(panel.flatten(place)[0]),
    };
    const grid = buildGrid(folded, 0.05);
    const plan = valuePlan(grid, of("dull-cloth"));
    const spreadAt = (from: number, to: number) => {
      const seen: number[] = [];
      for (let at = 0; at < plan.length; at++) {
        const x = grid.originX + (at % grid.width) * grid.pitchMm;
        if (grid.inside[at]! === 1 && x > from && x < to) seen.push(plan[at]!);
      }
      const mean = seen.reduce((sum, value) => sum + value, 0) / seen.length;
      return Math.sqrt(seen.reduce((sum, value) => sum + (value - mean) ** 2, 0) / seen.length);
    };
    const middle = (minX + maxX) / 2;
    expect(spreadAt(minX + 1, middle - 1)).toBeLessThan(0.6 * spreadAt(middle + 1, maxX - 1));
  });
});
