import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { completeParams } from "../../params";
import { createRandom } from "../../random";
import { forms } from "../../surface/forms";
import { buildGrid } from "../../surface/grid";
import { createFilmBuffer } from "../technique";
import { onGround } from "../testing";
import { distanceTo, lettering, SIGN_NAMES, SIGNS } from "./signs";
import { stencil } from "./stencil";

const panel = forms.panel.build({ lengthMm: 24, widthMm: 14, dents: 0 }, 1);
const grid = buildGrid(panel, 0.08);
const number = (name: string) => SIGN_NAMES.indexOf(name);

function laid(params: Record<string, number>, on = grid) {
  const film = createFilmBuffer(on.inside.length);
  const context = onGround({
    ...{ grid: on, marks: { kind: "field", hollowsOnly: false }, passUm: 10, passes: 1, water: 0.5 },
    ...{ hand: { finestLineMm: 0.1, steadiness01: 0.8 }, nearCover: null, overSeams: false },
  });
  stencil.lay(film, context, completeParams(stencil.params, params), createRandom(4));
  return film;
}
const areaOf = (params: Record<string, number>, on = grid) =>
  laid({ creep: 0, bridge: 0, ...params }, on).cover.reduce((sum, share) => sum + share, 0) * on.pitchMm ** 2;

/** The area that rings go round, those within others taken off, by the shoelace formula. */
function ringArea(rings: readonly (readonly number[])[]): number {
  return Math.abs(
    rings.reduce((sum, ring) => {
      let twice = 0;
      for (let at = 0, before = ring.length - 2; at < ring.length; before = at, at += 2)
        twice += ring[before]! * ring[at + 1]! - ring[at]! * ring[before + 1]!;
      return sum + twice / 2;
    }, 0),
  );
}

describe("a stencil", () => {
  it("paints shapes and letters of the area that they are cut to, at any height and turn", () => {
    const letters = ["H", "7", "L", "T", "0", "A"];
    fc.assert(
      fc.property(
        fc.constantFrom(...letters),
        fc.double({ min: 2, max: 9, noNaN: true }),
        fc.integer({ min: -180, max: 180 }),
        (letter, height, turn) => {
          const wanted = (ringArea(SIGNS[number(letter)]!.rings) * height ** 2) / 1e4;
          const painted = areaOf({ first: number(letter), height, turn });
          expect(Math.abs(painted / wanted - 1)).toBeLessThan(0.03 + 0.06 / height);
        },
      ),
      { numRuns: 16, seed: 3 },
    );
    expect(areaOf({ first: number("disc"), height: 6 })).toBeCloseTo(Math.PI * 9, 0);
    expect(areaOf({ first: number("square"), height: 5 })).toBeCloseTo(25, 0);
  });

  it("is the same on every grid", () => {
    const params = { first: number("R"), second: number("4"), height: 5 };
    const coarse = areaOf(params, buildGrid(panel, 0.12));
    expect(Math.abs(coarse / areaOf(params) - 1)).toBeLessThan(0.02);
  });

  it("leaves bridges through what would fall out of the mask, and through nothing else", () => {
    const lost = (name: string) =>
      1 - areaOf({ first: number(name), height: 6, bridge: 12 }) / areaOf({ first: number(name), height: 6 });
    expect(lost("0")).toBeGreaterThan(0.05);
    expect(lost("ring")).toBeGreaterThan(0.05);
    expect(lost("T")).toBe(0);
    expect(lost("disc")).toBe(0);
    expect(lettering([number("B"), number("I")]).islands).toHaveLength(1);
  });

  it("lets paint creep under its edge, no farther than told", () => {
    const params = { first: number("square"), height: 5 };
    const tight = areaOf(params);
    const crept = areaOf({ ...params, creep: 0.3 });
    expect(crept).toBeGreaterThan(tight + 0.5);
    expect(crept).toBeLessThan(5.6 ** 2);
  });

  it("measures the distance to an outline, below 0 inside", () => {
    const square = [[0, 0, 10, 0, 10, 10, 0, 10]];
    expect(distanceTo(square, 5, 5)).toBe(-5);
    expect(distanceTo(square, 13, 14)).toBe(5);
    expect(distanceTo([...square, [4, 4, 6, 4, 6, 6, 4, 6]], 5, 5)).toBe(1);
  });
});
