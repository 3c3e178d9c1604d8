import { describe, expect, it } from "vitest";
import { inZones, type Hand } from "../job";
import { completeParams } from "../params";
import { createRandom } from "../random";
import { createFilmBuffer } from "./technique";
import { formIds, forms } from "../surface/forms";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { techniques } from ".";
import { strokeOver, SwathIndex } from "./swaths";
import { onGround } from "./testing";

const ground = { minX: -12, maxX: 9, minY: 2, maxY: 14 };
const style = { widthMm: 1.7, lengthMm: 4.6, angle: Math.PI / 2 };
const strokes = strokeOver(ground, style, createRandom(3));
const index = new SwathIndex(strokes, ground, 0.2);

describe("strokes of a wiped brush", () => {
  it("are set down unlike each other, about the direction asked for", () => {
    const turns = strokes.map((one) => Math.atan2(one.sin, one.cos));
    const mean = turns.reduce((sum, turn) => sum + turn, 0) / turns.length;
    expect(Math.abs(mean - Math.PI / 2)).toBeLessThan(0.03);
    expect(Math.max(...turns) - Math.min(...turns)).toBeGreaterThan(0.2);
    for (const key of ["halfLength", "halfWidth", "load"] as const)
      expect(new Set(strokes.map((one) => one[key].toFixed(4))).size).toBeGreaterThan(0.8 * strokes.length);
  });

  it("leave hardly a place out, and lie unevenly", () => {
    let [met, sum, square, count] = [0, 0, 0, 0];
    for (let x = ground.minX; x <= ground.maxX; x += 0.31) {
      for (let y = ground.minY; y <= ground.maxY; y += 0.29) {
        const swath = index.strongest(index.at(x, y));
        const weight = swath < 0 ? 0 : index.weight(swath, x, y);
        met += weight > 0.1 ? 1 : 0;
        sum += weight;
        square += weight * weight;
        count++;
      }
    }
    expect(met / count).toBeGreaterThan(0.97);
    const mean = sum / count;
    expect(Math.sqrt(square / count - mean * mean) / mean).toBeGreaterThan(0.15);
  });

  it("lie fullest near where they were set down, and not beside themselves", () => {
    const one = strokes[10]!;
    const at = (t: number, aside = 0) => {
      const along = (t - 0.5) * 2 * one.halfLength;
      const off = aside * one.halfWidth + one.bend * along * along;
      const x = one.x + along * one.cos - off * one.sin;
      const y = one.y + along * one.sin + off * one.cos;
      return index.weight(10, x, y);
    };
    expect(at(0.2)).toBeGreaterThan(at(0.6));
    expect(at(0.6)).toBeGreaterThan(at(0.9));
    expect(at(0.4)).toBeGreaterThan(at(0.4, 0.9));
    for (const outside of [at(-0.05), at(1.05), at(0.5, 1.1), at(0.5, -1.1)]) expect(outside).toBe(0);
  });

  it("are no more than memory holds, on the largest piece", () => {
    const huge = { minX: 0, maxX: 300, minY: 0, maxY: 200 };
    const many = strokeOver(huge, { ...style, widthMm: 1 }, createRandom(1));
    expect(many.length).toBeLessThan(8000);
    const all = new SwathIndex(many, huge, 0.5);
    expect(all.strongest(all.at(150, 100))).toBeGreaterThanOrEqual(0);
    // Beside the ground there is none.
    expect(all.strongest(all.at(150, 10_000))).toBe(-1);
  });
});

describe("a dry brush", () => {
  const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.7 };
  const lay = (grid: SurfaceGrid, params: Record<string, number> = {}) => {
    const film = createFilmBuffer(grid.inside.length);
    const marks = { kind: "field", hollowsOnly: false, place: inZones([], 0) } as const;
    techniques["dry-brush"].lay(
      film,
      onGround({ grid, marks, passUm: 1.4, passes: 1, water: 0, hand }),
      completeParams(techniques["dry-brush"].params, params),
      createRandom(8),
    );
    return film;
  };
  const shareOf = (grid: SurfaceGrid, cover: Float32Array) =>
    cover.reduce((sum, value) => sum + value, 0) / grid.inside.reduce((sum, value) => sum + value, 0);

  it("meets every form, and has the same strokes on a coarse and on a fine grid", () => {
    for (const id of formIds) {
      const params = Object.fromEntries(
        Object.entries(forms[id].params).map(([name, spec]) => [name, spec.default]),
      );
      const form = forms[id].build(params, 3);
      const [coarse, fine] = [buildGrid(form, 0.24), buildGrid(form, 0.12)];
      const [a, b] = [lay(coarse).cover, lay(fine).cover];
      expect(a.every(Number.isFinite), id).toBe(true);
      expect(shareOf(coarse, a), id).toBeGreaterThan(0.02);
      // Squares of 1.5 mm hold about as much paint in both.
      const sums = (grid: SurfaceGrid, cover: Float32Array) => {
        const held = new Map<string, number>();
        cover.forEach((value, at) => {
          const x = grid.originX + (at % grid.width) * grid.pitchMm;
          const y = grid.originY + Math.floor(at / grid.width) * grid.pitchMm;
          const key = `${Math.floor(x / 1.5)},${Math.floor(y / 1.5)}`;
          held.set(key, (held.get(key) ?? 0) + value * grid.pitchMm ** 2);
        });
        return held;
      };
      const [one, other] = [sums(coarse, a), sums(fine, b)];
      const keys = [...one.keys()].filter((key) => other.has(key));
      const mean = (held: Map<string, number>) =>
        keys.reduce((sum, key) => sum + held.get(key)!, 0) / keys.length;
      const [m, n] = [mean(one), mean(other)];
      let [top, left, right] = [0, 0, 0];
      for (const key of keys) {
        const [p, q] = [one.get(key)! - m, other.get(key)! - n];
        top += p * q;
        left += p * p;
        right += q * q;
      }
      expect(top / Math.sqrt(left * right), id).toBeGreaterThan(0.7);
    }
  });

  it("leaves more the more was left on it, and streaks along the direction it is moved in", () => {
    const form = forms.panel.build({ lengthMm: 14, widthMm: 10, dents: 0 }, 3);
    const grid = buildGrid(form, 0.05);
    const shares = [20, 50, 90].map((load) => shareOf(grid, lay(grid, { load }).cover));
    expect(shares[1]!).toBeGreaterThan(1.3 * shares[0]!);
    expect(shares[2]!).toBeGreaterThan(1.3 * shares[1]!);
    const changes = (across: number) => {
      const { cover } = lay(grid, { across, load: 60 });
      let [sideways, downwards] = [0, 0];
      for (let at = grid.width; at < cover.length - grid.width; at++) {
        sideways += Math.abs(cover[at + 1]! - cover[at]!);
        downwards += Math.abs(cover[at + grid.width]! - cover[at]!);
      }
      return sideways / downwards;
    };
    expect(changes(90)).toBeGreaterThan(1.5);
    expect(changes(0)).toBeLessThan(1 / 1.5);
  });
});
