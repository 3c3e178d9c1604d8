import { describe, expect, it } from "vitest";
import type { PaintedLight } from "../job";
import type { PieceMesh } from "../piece/mesh";
import { Obstacles } from "../rays/obstacles";
import { forms } from "../surface/forms";
import type { SpacePoint } from "../surface/forms/form";
import { buildGrid, withRelief, type SurfaceGrid } from "../surface/grid";
import { shedOf, shedOn, shedOver, shedShare } from "../surface/shedLight";
import type { InTheWay } from "./roomLightOf";
import { lightInRoom, shedLight } from "./shedOf";

const panel = forms.panel.build({ lengthMm: 24, widthMm: 18, dents: 0 }, 1);
const grid = buildGrid(panel, 0.06);
const aside = (point: SpacePoint): SpacePoint => point;
const lamp: PaintedLight = {
  ...{ id: "lamp", name: "Lamp", surfaceId: "panel", along: 0.5, up: 0.5 },
  ...{ outMm: 2, widthMm: 0.4, reachMm: 3, sheds: "around" },
  ...{ colour: "#e0432c", glass: "none", strength: "plain", ground: "as-it-is" },
};

const shedBy = (light: PaintedLight, on: SurfaceGrid = grid, way: InTheWay | null = null) =>
  shedOn(on, shedLight({ form: panel, seating: aside, way, own: light }, lightInRoom(panel, aside, light)));

/** Where a cell lies from the panel's middle, mm: right and down. */
function fromMiddle(at: number): readonly [number, number] {
  const { width, pitchMm, originX, originY } = grid;
  const [x0, y0] = panel.flatten({ turnDeg: 0.5 * panel.turnDeg, heightMm: 0.5 * panel.slantMm });
  return [originX + (at % width) * pitchMm - x0, originY + Math.floor(at / width) * pitchMm - y0];
}

const deepInside = (at: number) => {
  const [x, y] = fromMiddle(at);
  return Math.abs(x) < 11.5 && Math.abs(y) < 8.5;
};

/** Cells whose light is off the wanted one by more than 2 % of it, or by more than a hundredth of a whole light. */
function offBy(shed: Float32Array, wanted: (x: number, y: number) => number): number {
  let off = 0;
  for (let at = 0; at < shed.length; at += 7) {
    const goal = wanted(...fromMiddle(at));
    if (deepInside(at) && goal > 0.02 && Math.abs(shed[at]! - goal) > 0.02 * goal) off++;
  }
  return off;
}

describe("what a painted light sheds", () => {
  it("falls with distance and angle as its law says, within 2 %", () => {
    const shed = shedBy(lamp);
    const wanted = (x: number, y: number) => {
      const far = Math.hypot(x, y, 2);
      return shedShare(2 / far, far, 3);
    };
    expect(offBy(shed, wanted)).toBe(0);
    // The law itself: half at the reach, straight on; a quarter less a fifth aslant by 60°.
    expect(shedShare(1, 3, 3)).toBeCloseTo(0.5, 9);
    expect(shedShare(0.5, 6, 3)).toBeCloseTo(0.1, 9);
    expect(shedShare(-0.2, 1, 3)).toBe(0);
  });

  it("goes by the relief's own facing", () => {
    // Ground that rises to the right by a fifth.
    const sloped = withRelief(
      grid,
      grid.relief.map((_, at) => 0.2 * fromMiddle(at)[0]),
    );
    const wanted = (x: number, y: number) => {
      const [vx, vy, vz] = [-x, -y, 2 - 0.2 * x];
      const far = Math.hypot(vx, vy, vz);
      return shedShare((-0.2 * vx + vz) / Math.hypot(0.2, 1) / far, far, 3);
    };
    expect(offBy(shedBy(lamp, sloped), wanted)).toBe(0);
  });

  it("of a screen is less aslant, by its own cosine, and nothing behind it", () => {
    const wanted = (x: number, y: number) => {
      const far = Math.hypot(x, y, 2);
      return shedShare(2 / far, far, 3) * (2 / far);
    };
    const screen = lightInRoom(panel, aside, { ...lamp, sheds: "front" });
    const on = { form: panel, seating: aside, way: null, own: lamp };
    const turned = { ...screen, front: screen.front!.map((part) => -part) as unknown as SpacePoint };
    expect(offBy(shedOn(grid, shedLight(on, turned)), wanted)).toBe(0);
    expect(shedOn(grid, shedLight(on, screen)).every((share) => share === 0)).toBe(true);
  });

  it("is nothing in the shade of the relief, and whole before it", () => {
    // A wall 3 mm high between 2 and 2.4 mm to the right of the lamp: all behind it is in its shade up to the rim of the lamp.
    const walled = withRelief(
      grid,
      grid.relief.map((_, at) => {
        const [x] = fromMiddle(at);
        return x > 2 && x < 2.4 ? 3 : 0;
      }),
    );
    const [open, shed] = [shedBy(lamp), shedBy(lamp, walled)];
    let [leaks, lost] = [0, 0];
    for (let at = 0; at < shed.length; at++) {
      const [x] = fromMiddle(at);
      if (!deepInside(at)) continue;
      if (x > 2.7 && shed[at]! > 0) leaks++;
      if (x < 1.7 && Math.abs(shed[at]! - open[at]!) > 0.005) lost++;
    }
    expect([leaks, lost]).toEqual([0, 0]);
  });

  it("is nothing in the shade of another part, whatever stands beyond the lamp", () => {
    /** An upright sheet across the panel, to the right of its middle. */
    const sheet = (rightMm: number): PieceMesh => {
      const [x0] = panel.flatten({ turnDeg: 0.5 * panel.turnDeg, heightMm: 0 });
      const { point } = { point: panel.inSpace(panel.place([x0 + rightMm, -9])) };
      const [x, , z] = point;
      return {
        ...{ columns: 2, rows: 2, step: 1 },
        points: new Float32Array([x, 99, z + 9, x, 99, z - 1, x, -99, z + 9, x, -99, z - 1]),
        normals: new Float32Array(12),
        holds: Uint8Array.of(2, 0, 0, 0),
      };
    };
    const way = (rightMm: number): InTheWay => ({ obstacles: new Obstacles([sheet(rightMm)]), own: 9 });
    const [open, shed] = [shedBy(lamp), shedBy(lamp, grid, way(4))];
    let [leaks, lost] = [0, 0];
    for (let at = 0; at < shed.length; at++) {
      const [x] = fromMiddle(at);
      if (!deepInside(at)) continue;
      if (x > 5 && shed[at]! > 0) leaks++;
      if (x < 3 && Math.abs(shed[at]! - open[at]!) > 0.005) lost++;
    }
    expect([leaks, lost]).toEqual([0, 0]);
  });
});

describe("two painted lights on one piece", () => {
  const other: PaintedLight = { ...lamp, id: "other", along: 0.66 };
  const source = (light: PaintedLight) => {
    const shed = shedLight(
      { form: panel, seating: aside, way: null, own: light },
      lightInRoom(panel, aside, light),
    );
    return { id: light.id, key: light.id, of: () => shed };
  };
  const both = { ...grid, sheds: [source(lamp), source(other)] };

  it("run into each other: the later one is laid in its share of both, the earlier one whole", () => {
    const [first, second] = [shedOf(both, "lamp"), shedOf(both, "other")];
    expect(shedOver(both, "lamp")).toEqual(first);
    const laid = shedOver(both, "other");
    let [halves, wrong] = [0, 0];
    for (let at = 0; at < laid.length; at++) {
      const [p, q] = [second[at]!, first[at]!];
      if (Math.abs(laid[at]! - (p + q > 0 ? (p * p) / (p + q) : 0)) > 1e-6) wrong++;
      // Half way between equal lights half of the later one covers the earlier.
      if (p > 0.2 && Math.abs(p - q) < 0.02 && Math.abs(laid[at]! / p - 0.5) < 0.03) halves++;
    }
    expect(wrong).toBe(0);
    expect(halves).toBeGreaterThan(5);
  });

  it("take nothing from each other where the earlier one is not laid", () => {
    expect(shedOver(both, "other", ["other"])).toEqual(shedOf(both, "other"));
    expect(shedOver(both, "other", ["lamp", "other"])).toEqual(shedOver(both, "other"));
  });
});
