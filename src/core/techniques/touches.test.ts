import { beforeAll, describe, expect, it } from "vitest";
import type { Hand } from "../job";
import { completeParams } from "../params";
import { createRandom } from "../random";
import { forms } from "../surface/forms";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { createFilmBuffer, type FilmBuffer, type LayContext } from "./technique";
import { onGround } from "./testing";
import { tipPrints } from "./tips";
import { touch, touchesOf } from "./touch/touch";

const PITCH = 0.02;
const [LONG_MM, WIDE_MM] = [16, 10];
const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.7 };
const flat = forms.panel.build({ lengthMm: LONG_MM, widthMm: WIDE_MM, dents: 0 }, 3);
const usual = completeParams(touch.params, {});

let grid: SurfaceGrid;
let context: LayContext;
beforeAll(() => {
  grid = buildGrid(flat, PITCH);
  context = onGround({
    ...{ grid, passUm: 6, passes: 1, water: 0.5, hand },
    marks: { kind: "field", hollowsOnly: false },
  });
});

function lay(params: Record<string, number>, passes = 1): FilmBuffer {
  const film = createFilmBuffer(grid.inside.length);
  touch.lay(film, { ...context, passes }, { ...usual, ...params }, createRandom(9));
  return film;
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Touches so far apart that each lies alone: what one is like is measured in the film, by its moments. */
function alone(params: Record<string, number>) {
  const { cover, volumeUm } = lay({ density: 0.5, spread: 0, ...params });
  const seen = new Uint8Array(cover.length);
  const { width } = grid;
  const found: { long: number; wide: number; angle: number; hides: number; um: number }[] = [];
  for (let start = 0; start < cover.length; start++) {
    if (seen[start] || cover[start] === 0) continue;
    const cells: number[] = [];
    const queue = [start];
    seen[start] = 1;
    for (let at = queue.pop(); at !== undefined; at = queue.pop()) {
      cells.push(at);
      // Hairs that part leave bits of their own: they belong to it across a few bare cells.
      for (let dy = -4; dy <= 4; dy++)
        for (let dx = -4; dx <= 4; dx++) {
          const next = at + dy * width + dx;
          if (next < 0 || next >= cover.length || seen[next] || cover[next] === 0) continue;
          seen[next] = 1;
          queue.push(next);
        }
    }
    if (cells.some((at) => grid.inside[at]! < 1)) continue;
    const share = cells.reduce((sum, at) => sum + cover[at]!, 0);
    const at = (of: (cell: number) => number) =>
      cells.reduce((sum, cell) => sum + cover[cell]! * of(cell), 0) / share;
    const [x, y] = [
      (cell: number) => (cell % width) * PITCH,
      (cell: number) => Math.floor(cell / width) * PITCH,
    ];
    const [midX, midY] = [at(x), at(y)];
    const xx = at((cell) => (x(cell) - midX) ** 2);
    const yy = at((cell) => (y(cell) - midY) ** 2);
    const xy = at((cell) => (x(cell) - midX) * (y(cell) - midY));
    const apart = Math.hypot((xx - yy) / 2, xy);
    found.push({
      long: 4 * Math.sqrt((xx + yy) / 2 + apart),
      wide: 4 * Math.sqrt(Math.max(0, (xx + yy) / 2 - apart)),
      angle: 0.5 * Math.atan2(2 * xy, xx - yy),
      hides: at((cell) => cover[cell]!),
      um: cells.reduce((sum, cell) => sum + volumeUm[cell]!, 0) / share,
    });
  }
  return found;
}

describe("touches of the tip", () => {
  it.each([2, 20, 46])("are as many as asked for, %d on a square millimetre, within 7 %%", (density) => {
    const count = touchesOf(context, { ...usual, density }, createRandom(4)).length;
    expect(Math.abs(count / (density * LONG_MM * WIDE_MM) - 1)).toBeLessThan(0.07);
  });

  it.each([
    [0.3, 150],
    [0.3, 300],
    [0.2, 200],
  ])("are %d mm wide and %d in a hundred as long, measured in the film", (width, long) => {
    const found = alone({ width, long, angleSpread: 20 });
    expect(found.length).toBeGreaterThan(30);
    expect(Math.abs(mean(found.map((one) => one.wide)) / width - 1)).toBeLessThan(0.1);
    expect(Math.abs(mean(found.map((one) => one.long)) / ((width * long) / 100) - 1)).toBeLessThan(0.1);
  });

  it("lie along the fall, or as far from it as asked, straying as far as asked", () => {
    // A panel's fall is down the flat; the axis of a touch is told without its point, by doubled angles.
    const axis = (params: Record<string, number>) => {
      const angles = alone({ width: 0.3, long: 400, ...params }).map((one) => 2 * (one.angle - Math.PI / 2));
      const [c, s] = [mean(angles.map(Math.cos)), mean(angles.map(Math.sin))];
      return { turnedDeg: (Math.atan2(s, c) * 90) / Math.PI, length: Math.hypot(c, s) };
    };
    const along = axis({ angleSpread: 10 });
    const turned = axis({ angleSpread: 10, angle: 45 });
    const loose = axis({ angleSpread: 50 });
    expect(Math.abs(along.turnedDeg)).toBeLessThan(4);
    expect(Math.abs(turned.turnedDeg - 45)).toBeLessThan(4);
    expect(along.length).toBeGreaterThan(0.9);
    expect(loose.length).toBeLessThan(0.6);
  });

  it("hide what lies below as far as asked, one filling of the brush more than another", () => {
    for (const hides of [30, 60]) {
      const found = alone({ width: 0.4, hides }).map((one) => one.hides);
      // Its hairs leave gaps and its rim thins out.
      expect(mean(found) / (hides / 100)).toBeGreaterThan(0.72);
      expect(mean(found) / (hides / 100)).toBeLessThan(1.02);
      expect(Math.max(...found) / Math.min(...found)).toBeGreaterThan(1.25);
    }
    const thick = alone({ width: 0.4 }).map((one) => one.um);
    expect(Math.abs(mean(thick) / 6 - 1)).toBeLessThan(0.08);
    expect(Math.max(...thick) / Math.min(...thick)).toBeGreaterThan(1.5);
  });

  it("overlap: cover joins as chances do, and the film adds up", () => {
    const [one, many] = [{ density: 1 }, { density: 30 }].map((params) => lay({ ...params, width: 0.2 }));
    const cells = grid.inside.reduce((sum, share) => sum + share, 0);
    const share = (plane: Float32Array) => plane.reduce((sum, value) => sum + value, 0) / cells;
    // Thirty times the touches hold thirty times the paint, and leave bare what chance leaves bare.
    expect(share(many!.volumeUm) / share(one!.volumeUm)).toBeGreaterThan(27);
    expect(share(many!.volumeUm) / share(one!.volumeUm)).toBeLessThan(33);
    const bare = 1 - share(many!.cover);
    const byChance = Math.exp(-30 * share(one!.cover));
    expect(bare).toBeLessThan(1.15 * byChance);
    expect(bare).toBeGreaterThan(0.5 * byChance);
  });

  it("are no two alike", () => {
    const prints = tipPrints();
    for (let one = 0; one < prints.length; one++)
      for (let other = one + 1; other < prints.length; other++) {
        const apart = prints[one]!.cover.reduce(
          (sum, value, at) => sum + Math.abs(value - prints[other]!.cover[at]!),
          0,
        );
        expect(apart).toBeGreaterThan(60);
      }
  });

  it("leave no holes larger than chance would, and no rows", () => {
    const touches = touchesOf(context, { ...usual, density: 20 }, createRandom(11));
    // Counts in squares of 1 mm²: strays less than a Poisson process, whose variance is its mean.
    const counts = new Map<string, number>();
    for (const { xMm, yMm } of touches) {
      if (Math.abs(xMm) > LONG_MM / 2 - 1 || yMm > -1 || yMm < 1 - WIDE_MM) continue;
      const key = `${Math.floor(xMm)}/${Math.floor(yMm)}`;
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
    const all = [...counts.values()];
    const middle = mean(all);
    const variance = mean(all.map((count) => (count - middle) ** 2));
    expect(variance).toBeLessThan(0.7 * middle);
    expect(variance).toBeGreaterThan(0.05 * middle);
  });
});
