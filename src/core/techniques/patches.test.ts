import { describe, expect, it } from "vitest";
import type { Hand } from "../job";
import { completeParams } from "../params";
import { createRandom } from "../random";
import { forms } from "../surface/forms";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { techniques } from ".";
import { createFilmBuffer, type FilmBuffer } from "./technique";
import { onGround } from "./testing";

const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.6 };
const at = (id: "panel" | "plate", lengthMm: number, pitchMm: number): SurfaceGrid => {
  const form = forms[id];
  const sizes = { lengthMm, widthMm: lengthMm, heightMm: lengthMm };
  const known = Object.fromEntries(Object.entries(sizes).filter(([name]) => name in form.params));
  return buildGrid(form.build(completeParams(form.params, known), 3), pitchMm);
};
const smooth = at("panel", 20, 0.05);

function lay(
  id: "chip" | "stain",
  params: Record<string, number>,
  { on = smooth, seed = 7 }: { readonly on?: SurfaceGrid; readonly seed?: number } = {},
): FilmBuffer {
  const film = createFilmBuffer(on.inside.length);
  const marks = { kind: "field", hollowsOnly: false } as const;
  const context = onGround({ grid: on, marks, passUm: 5, passes: 1, water: 0.5, hand });
  const technique = techniques[id];
  technique.lay(film, context, completeParams(technique.params, params), createRandom(seed));
  return film;
}

/** Share of the piece that is covered, by its cells. */
function shareOf({ cover }: FilmBuffer, { inside }: SurfaceGrid): number {
  let [covered, all] = [0, 0];
  inside.forEach((share, cell) => {
    covered += cover[cell]!;
    all += share;
  });
  return covered / all;
}

/** Widths of what is covered, patch by patch, as circles of the same area, mm, widest first; each counted by its area. */
function widthsOf({ cover }: FilmBuffer, { width, pitchMm }: SurfaceGrid): number[] {
  const seen = new Uint8Array(cover.length);
  const widths: number[] = [];
  const isOn = (cell: number) => cell >= 0 && cell < cover.length && seen[cell] === 0 && cover[cell]! >= 0.5;
  for (let first = 0; first < cover.length; first++) {
    if (!isOn(first)) continue;
    let cells = 0;
    const open = [first];
    seen[first] = 1;
    while (open.length > 0) {
      const cell = open.pop()!;
      cells++;
      for (const next of [cell - 1, cell + 1, cell - width, cell + width]) {
        if (!isOn(next)) continue;
        seen[next] = 1;
        open.push(next);
      }
    }
    widths.push(2 * Math.sqrt((cells * pitchMm ** 2) / Math.PI));
  }
  return widths.sort((a, b) => b - a);
}

/** The width that half of the covered area lies in patches wider than, mm. */
function middleWidth(widths: readonly number[]): number {
  const area = widths.reduce((sum, mm) => sum + mm * mm, 0);
  let sum = 0;
  return widths.find((mm) => (sum += mm * mm) >= area / 2)!;
}

describe("chips lower than others at the same places", () => {
  it("are those chips moved down the piece by as much", () => {
    const plain = lay("chip", { coverage: 5, edges: 0, clusters: 0 });
    const lower = lay("chip", { coverage: 5, edges: 0, clusters: 0, lower: 0.5 });
    const down = Math.round(0.5 / smooth.pitchMm) * smooth.width;
    let [apart, all] = [0, 0];
    for (let cell = 0; cell + down < plain.cover.length; cell++) {
      apart += Math.abs(plain.cover[cell]! - lower.cover[cell + down]!);
      all += plain.cover[cell]!;
    }
    expect(all).toBeGreaterThan(1000);
    expect(apart / all).toBeLessThan(0.1);
  });
});

describe("chips and stains", () => {
  it.each([
    ["chip", 1],
    ["chip", 8.5],
    ["chip", 25],
    ["stain", 2.8],
    ["stain", 21],
    ["stain", 60],
  ] as const)(
    "%s cover the share that was asked for, %f in a hundred, within a hundredth of it",
    (id, coverage) => {
      for (const on of [smooth, at("plate", 20, 0.06)]) {
        const share = shareOf(lay(id, { coverage, soft: 0, grains: 0 }, { on }), on);
        expect(Math.abs(share / (coverage / 100) - 1)).toBeLessThan(0.01);
      }
    },
  );

  it("are as large as asked: twice the size is twice as wide", () => {
    const wide = (id: "chip" | "stain", size: number) =>
      middleWidth(
        widthsOf(lay(id, { size, coverage: 6, edges: 0, clusters: 0, soft: 0, grains: 0 }), smooth),
      );
    for (const id of ["chip", "stain"] as const) {
      const ratio = wide(id, 1) / wide(id, 0.5);
      expect(ratio).toBeGreaterThan(1.7);
      expect(ratio).toBeLessThan(2.4);
    }
  });

  it("vary in size the more the more is asked for", () => {
    const spread = (percent: number) => {
      const widths = widthsOf(lay("chip", { spread: percent, coverage: 6, edges: 0, clusters: 0 }), smooth);
      const mean = widths.reduce((sum, mm) => sum + mm, 0) / widths.length;
      return Math.sqrt(widths.reduce((sum, mm) => sum + (mm - mean) ** 2, 0) / widths.length) / mean;
    };
    expect(spread(100)).toBeGreaterThan(1.2 * spread(0));
  });

  it("lie within each other where one set of chances is cut at two shares", () => {
    const [rim, dark] = [lay("chip", { coverage: 8.5 }), lay("chip", { coverage: 6.2 })];
    let outside = 0;
    dark.cover.forEach((cover, cell) => {
      if (cover > rim.cover[cell]! + 1e-6) outside++;
    });
    expect(outside).toBe(0);
  });

  it("keep to edges as far as asked", () => {
    const on = at("plate", 20, 0.06);
    const onOpen = (edges: number) => {
      const film = lay("chip", { coverage: 6, edges }, { on });
      let [open, all] = [0, 0];
      for (let cell = 0; cell < film.cover.length; cell++) {
        const flat = Math.abs(on.relief[cell]! - on.relief[cell + 4]!) < 0.02;
        all += film.cover[cell]!;
        if (flat) open += film.cover[cell]!;
      }
      return open / all;
    };
    expect(onOpen(0) - onOpen(100)).toBeGreaterThan(0.2);
  });

  it("never repeat: the pattern is no more like itself moved aside than chance has it", () => {
    const on = at("panel", 30, 0.1);
    const { cover } = lay("chip", { size: 0.35, coverage: 10, edges: 0, clusters: 0 }, { on });
    const mean = cover.reduce((sum, share) => sum + share, 0) / cover.length;
    const likeness = (dx: number, dy: number) => {
      let [sum, square, count] = [0, 0, 0];
      for (let row = 0; row + dy < on.height; row++)
        for (let column = 0; column + dx < on.width; column++) {
          const here = cover[row * on.width + column]! - mean;
          sum += here * (cover[(row + dy) * on.width + column + dx]! - mean);
          square += here * here;
          count++;
        }
      return { like: sum / square, cells: count };
    };
    let most = 0;
    // Beyond a few chips' width, in steps that no repeat could slip through, up to half of the piece.
    for (let dy = 0; dy <= 150; dy += 3)
      for (let dx = 0; dx <= 150; dx += 3) {
        if (Math.hypot(dx, dy) < 25) continue;
        most = Math.max(most, likeness(dx, dy).like);
      }
    expect(most).toBeLessThan(0.12);
  });
});
