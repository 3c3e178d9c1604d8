import { describe, expect, it } from "vitest";
import { newPlainSurface } from "../newJob";
import { SIGN_NAMES } from "../techniques/stencil/signs";
import { stencilPlan } from "./stencilPlan";

const plain = newPlainSurface("panel", "Panel", "panel", []);
const number = (name: string) => SIGN_NAMES.indexOf(name);

const withStencil = (params: Record<string, number>, held = false) => ({
  ...plain,
  coats: [{ ...plain.coats[0]!, name: "Number", held, technique: { id: "stencil", version: 1, params } }],
});

describe("masks of stencils", () => {
  it("are drawn at 1 : 1, the right way up, with bridges for what would fall out", () => {
    const [mask] = stencilPlan(withStencil({ first: number("L"), second: number("0"), height: 6 }))!.pieces;
    const points = mask!.areas[0]!.rings.flat();
    const ys = points.map(([, y]) => y);
    expect(Math.max(...ys) - Math.min(...ys)).toBeGreaterThan(5.9);
    expect(Math.max(...ys) - Math.min(...ys)).toBeLessThan(6.4);
    // The foot of an L is at its lower end, and y grows downwards on paper.
    const [letter] = mask!.areas[0]!.rings;
    const right = letter!.reduce((most, point) => (point[0] > most[0] ? point : most));
    expect(right[1]).toBeGreaterThan(mask!.heightMm / 2);
    expect(mask!.ticks).toHaveLength(2);
    const [one, other] = mask!.ticks;
    expect(other!.from[0] - one!.from[0]).toBeCloseTo(0.09 * 6, 6);
  });

  it("are none where no stencil is painted", () => {
    expect(stencilPlan(plain)).toBeNull();
    expect(stencilPlan(withStencil({}, true))).toBeNull();
  });
});
