import { describe, expect, it } from "vitest";
import { fieldsOf, HOLLOW_SCALES_MM, rimMm, seamMm } from "./fields";
import { completeParams } from "../params";
import { bendOf } from "./bend";
import { forms } from "./forms";
import { zoneWeights } from "./zones";
import { buildGrid, withRelief, type SurfaceGrid } from "./grid";

const PITCH = 0.04;

/** A level panel of 8 × 6 mm with a relief of one's own over the flat place, mm. */
function panel(relief: (xMm: number, yMm: number) => number): SurfaceGrid {
  const params = Object.fromEntries(
    Object.entries(forms.panel.params).map(([name, spec]) => [name, spec.default]),
  );
  const form = forms.panel.build({ ...params, lengthMm: 8, widthMm: 6 }, 1);
  const grid = buildGrid(form, PITCH);
  const heights = grid.relief.map((_, at) => relief(xOf(grid, at), grid.heightMm[at]!));
  return withRelief(grid, heights);
}

const xOf = (grid: SurfaceGrid, at: number) => (grid.turnDeg[at]! / grid.form.turnDeg) * 8;

/** The cell at a place of the panel, mm from its left end and from its hem. */
function cell(grid: SurfaceGrid, xMm: number, upMm: number): number {
  let [best, nearest] = [-1, Infinity];
  for (let at = 0; at < grid.inside.length; at++) {
    const off = Math.hypot(xOf(grid, at) - xMm, grid.heightMm[at]! - upMm);
    if (off < nearest) [best, nearest] = [at, off];
  }
  return best;
}

const bump = (off: number, wide: number) => Math.exp(-((off / wide) ** 2));

describe("hollows", () => {
  it("are above 0 in a groove, below on a ridge, and 0 on level ground, at every scale", () => {
    const grid = panel((x) => 0.2 * bump(x - 6, 0.3) - 0.2 * bump(x - 2, 0.3));
    const [groove, ridge, level] = [cell(grid, 2, 3), cell(grid, 6, 3), cell(grid, 4, 3)];
    for (const scale of [0, 1, 2] as const) {
      const hollow = fieldsOf(grid).hollow(scale);
      expect(hollow[groove]!).toBeGreaterThan(0);
      expect(hollow[ridge]!).toBeLessThan(0);
      // A groove and a ridge of one shape are each other's mirror.
      expect(hollow[groove]! + hollow[ridge]!).toBeCloseTo(0, 3);
      expect(Math.abs(hollow[level]!)).toBeLessThan(0.1 * hollow[groove]!);
    }
  });

  it("are told in the units they say: mean height around less height, over the scale", () => {
    // A sine of one wavelength keeps its shape under a Gaussian and loses exp(−2π²σ²/λ²) of its height.
    const wave = 2;
    const grid = panel((x) => 0.1 * Math.cos((2 * Math.PI * x) / wave));
    const trough = cell(grid, 3, 3);
    for (const scale of [0, 1] as const) {
      const sigma = HOLLOW_SCALES_MM[scale];
      const kept = Math.exp((-2 * Math.PI ** 2 * sigma ** 2) / wave ** 2);
      const told = fieldsOf(grid).hollow(scale)[trough]! / ((0.1 * (1 - kept)) / sigma);
      expect(told).toBeGreaterThan(0.97);
      expect(told).toBeLessThan(1.03);
    }
  });
});

describe("edges", () => {
  it("are sharp on a narrow ridge, weaker on a wide one, none in a groove or on level ground", () => {
    const grid = panel((x) => 0.12 * bump(x - 6, 0.12) + 0.12 * bump(x - 4, 0.5) - 0.12 * bump(x - 2, 0.12));
    const { edge } = fieldsOf(grid);
    const [narrow, wide, groove, level] = [6, 4, 2, 5].map((x) => edge[cell(grid, x, 3)]!);
    expect(narrow!).toBeGreaterThan(0.8);
    expect(wide!).toBeLessThan(narrow! / 3);
    expect(groove!).toBe(0);
    expect(level!).toBeLessThan(0.05);
  });

  it("run along the panel's own rim and fall off within a fraction of a millimetre", () => {
    const grid = panel(() => 0);
    const { edge } = fieldsOf(grid);
    const at = (mm: number) => edge[cell(grid, 4, mm)]!;
    expect(at(0.04)).toBeGreaterThan(0.85);
    // The nearest cell lies up to half a cell off.
    expect(at(0.15)).toBeGreaterThan(Math.exp(-((0.17 / 0.15) ** 2)));
    expect(at(0.15)).toBeLessThan(Math.exp(-((0.13 / 0.15) ** 2)));
    expect(at(1)).toBeLessThan(1e-6);
  });
});

describe("distances", () => {
  it("to the rim are those of a ruler", () => {
    const grid = panel(() => 0);
    for (const [x, up, expected] of [
      [4, 0.5, 0.5],
      [4, 5.6, 0.4],
      [0.7, 3, 0.7],
      [7.8, 3, 0.2],
    ] as const)
      expect(Math.abs(rimMm(grid, cell(grid, x, up)) - expected)).toBeLessThan(PITCH);
  });

  it("to a seam go both ways round a closed band", () => {
    const params = Object.fromEntries(
      Object.entries(forms["cone-band"].params).map(([name, spec]) => [name, spec.default]),
    );
    const sizes = {
      ...params,
      waistMm: 30,
      hemMm: 30.001,
      slantMm: 6,
      gapDeg: 0,
      seams: 1,
      pleats: 0,
      pleatDepthMm: 0,
    };
    const grid = buildGrid(forms["cone-band"].build(sizes, 1), 0.1);
    for (let at = 0; at < grid.inside.length; at += 97) {
      if (grid.inside[at]! < 1) continue;
      const round = (grid.turnDeg[at]! / 360) * 30;
      expect(seamMm(grid, at)).toBeCloseTo(Math.min(round, 30 - round), 2);
    }
  });
});

describe("light", () => {
  const grid = panel((x) => 0.6 * bump(x - 4, 0.7));

  it("falls on the side that faces the lamp, and leaves the lee darker", () => {
    const fields = fieldsOf(grid);
    const flat = Math.cos(Math.PI / 5);
    const fromRight = fields.litFrom([flat, 0, Math.sin(Math.PI / 5)]);
    const fromLeft = fields.litFrom([-flat, 0, Math.sin(Math.PI / 5)]);
    const [left, right] = [cell(grid, 3.4, 3), cell(grid, 4.6, 3)];
    expect(fromRight[right]!).toBeGreaterThan(fromRight[left]! + 0.3);
    expect(fromLeft[left]!).toBeGreaterThan(fromLeft[right]! + 0.3);
    // Mirrored relief, mirrored lamp: the same light.
    expect(fromRight[right]!).toBeCloseTo(fromLeft[left]!, 1);
  });

  it("of the open sky is whole on level ground and less at the bottom of a groove, the deeper the less", () => {
    const sky = (deep: number) => {
      const cut = panel((x) => -deep * bump(x - 4, 0.3));
      return [fieldsOf(cut).sky[cell(cut, 4, 3)]!, fieldsOf(cut).sky[cell(cut, 7, 3)]!] as const;
    };
    const [shallow, level] = sky(0.1);
    const [deeper] = sky(0.4);
    expect(level).toBeGreaterThan(0.97);
    expect(shallow).toBeLessThan(level);
    expect(deeper).toBeLessThan(shallow - 0.1);
    expect(deeper).toBeGreaterThan(0);
  });
});

describe("hollows have one meaning", () => {
  it("none on level ground, all of a deep groove, and the zones take them as they are", () => {
    const grid = panel((x) => -0.15 * bump(x - 2, 0.3) + 0.15 * bump(x - 6, 0.3));
    const { low, high } = fieldsOf(grid);
    const [groove, ridge, level] = [cell(grid, 2, 3), cell(grid, 6, 3), cell(grid, 4, 3)];
    expect([low[groove], high[groove]]).toEqual([1, 0]);
    expect([low[ridge], high[ridge]]).toEqual([0, 1]);
    expect(low[level]! + high[level]!).toBeLessThan(0.05);
    const [hollow, raised, between] = (["hollow", "raised", "level"] as const).map((zone) =>
      zoneWeights(grid, [zone], 0),
    ) as [Float32Array, Float32Array, Float32Array];
    for (let at = 0; at < low.length; at += 11) {
      if (grid.inside[at] === 0) continue;
      expect(hollow[at]).toBeCloseTo(low[at]!, 6);
      expect(hollow[at]! + raised[at]! + between[at]!).toBeCloseTo(1, 5);
    }
  });

  it("does not depend on what else the panel has", () => {
    const alone = panel((x) => -0.08 * bump(x - 2, 0.3));
    const beside = panel((x) => -0.08 * bump(x - 2, 0.3) - 0.6 * bump(x - 6.5, 0.3));
    const at = cell(alone, 2, 3);
    expect(fieldsOf(alone).low[at]).toBeCloseTo(fieldsOf(beside).low[at]!, 3);
  });
});

describe("crests and upper edges", () => {
  const step = (mm: number) => 0.5 + 0.5 * Math.tanh(mm / 0.08);
  /** A plate that stands out between 2 and 4 mm up the panel. */
  const plate = panel((_, up) => 0.2 * step(up - 2) * step(4 - up));

  it("run along the upper rim of a plate, not along its lower one", () => {
    const { edge, upperEdge } = fieldsOf(plate);
    const most = (field: Float32Array, from: number, to: number) => {
      let best = 0;
      for (let up = from; up < to; up += 0.04) best = Math.max(best, field[cell(plate, 4, up)]!);
      return best;
    };
    expect(most(edge, 1.8, 2.4)).toBeGreaterThan(0.5);
    expect(most(upperEdge, 1.8, 2.4)).toBeLessThan(0.02);
    expect(most(upperEdge, 3.6, 4.2)).toBeGreaterThan(0.5);
  });

  it("are found on blunt edges too, and not on level ground", () => {
    const grid = panel((x) => 0.1 * bump(x - 3, 0.35));
    const { edge, crest } = fieldsOf(grid);
    const top = cell(grid, 3, 3);
    expect(edge[top]!).toBeLessThan(0.6);
    expect(crest[top]!).toBeGreaterThan(0.9);
    expect(crest[cell(grid, 3.4, 3)]!).toBeLessThan(0.5);
    expect(crest[cell(grid, 6, 3)]!).toBe(0);
  });
});

describe("a form's own bend", () => {
  const smooth = {
    "cone-band": { pleats: 0 },
    limb: { creases: 0 },
    dome: { ridges: 0, collarMm: 0 },
  } as const;

  it.each(Object.keys(smooth) as (keyof typeof smooth)[])("gives a smooth %s a lit and a dark side", (id) => {
    const form = forms[id].build(completeParams(forms[id].params, smooth[id]), 2);
    const grid = buildGrid(form, 0.12);
    const share = (zone: "lit" | "shaded", on = grid) => {
      const weights = zoneWeights(on, [zone], 0);
      const whole = on.inside.reduce((sum, inside) => sum + inside, 0);
      return weights.reduce((sum, weight, at) => sum + weight * on.inside[at]!, 0) / whole;
    };
    expect(share("lit")).toBeGreaterThan(0.1);
    expect(share("lit")).toBeLessThan(0.6);
    expect(share("shaded")).toBeGreaterThan(0.3);
    // The lamp moved to the other side lights what was dark.
    const other = buildGrid(form, 0.12, { fromDeg: 15, heightDeg: 40 });
    const [here, there] = [grid, other].map((on) => zoneWeights(on, ["lit"], 0)) as [
      Float32Array,
      Float32Array,
    ];
    const both = here.reduce((sum, weight, at) => sum + Math.min(weight, there[at]!) * grid.inside[at]!, 0);
    const one = here.reduce((sum, weight, at) => sum + weight * grid.inside[at]!, 0);
    expect(both / one).toBeLessThan(0.7);
  });

  it("lights a cylinder by the cosine", () => {
    const form = forms.limb.build(completeParams(forms.limb.params, { creases: 0, roundMm: 20 }), 2);
    const grid = buildGrid(form, 0.1, { fromDeg: 90, heightDeg: 89 });
    const bend = bendOf(grid, grid.lamp)!;
    for (const [turn, cosine] of [
      [180, 1],
      [240, Math.cos(Math.PI / 3)],
      [120, Math.cos(Math.PI / 3)],
      [330, 0],
    ] as const) {
      let nearest = 0;
      for (let at = 0; at < bend.length; at++)
        if (
          grid.inside[at] === 1 &&
          Math.abs(grid.turnDeg[at]! - turn) < Math.abs(grid.turnDeg[nearest]! - turn)
        )
          nearest = at;
      expect(Math.abs(bend[nearest]! - (0.12 + 0.88 * cosine))).toBeLessThan(0.02);
    }
  });
});
