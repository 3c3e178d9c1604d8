import { describe, expect, it } from "vitest";
import { completeParams } from "../../params";
import { createRandom } from "../../random";
import { forms } from "../../surface/forms";
import { buildGrid } from "../../surface/grid";
import { createFilmBuffer } from "../technique";
import { onGround } from "../testing";
import { lens } from "./lens";

const form = forms.panel.build(completeParams(forms.panel.params, { lengthMm: 8, widthMm: 8, dents: 0 }), 2);
const grid = buildGrid(form, 0.04);
const hand = { finestLineMm: 0.12, steadiness01: 0.6 };
/** A glass 6 mm across in the middle, bright towards the top. */
const GLASS = { size: 6, along: 50, up: 50, bright: 90, from: 62, fade: 4 };

/** Cover at a place from the middle of the glass, in its radii: to the right and towards its bright side. */
function laid(params: Readonly<Record<string, number>>) {
  const film = createFilmBuffer(grid.inside.length);
  const marks = { kind: "field", hollowsOnly: false } as const;
  const context = onGround({ grid, marks, passUm: 6, passes: 1, water: 0.5, hand });
  lens.lay(film, context, completeParams(lens.params, { ...GLASS, ...params }), createRandom(3));
  const [x0, y0] = form.flatten({ turnDeg: form.turnDeg / 2, heightMm: form.slantMm / 2 });
  return (x: number, y: number): number => {
    const column = Math.round((x0 + 3 * x - grid.originX) / grid.pitchMm);
    const row = Math.round((y0 - 3 * y - grid.originY) / grid.pitchMm);
    return film.cover[row * grid.width + column]!;
  };
}

/** How far from the bright rim a step reaches at a distance aside, in radii. */
function reach(cover: ReturnType<typeof laid>, aside: number): number {
  const top = Math.sqrt(1 - aside * aside) - 0.06;
  for (let y = top; y > -0.9; y -= 0.02) if (cover(aside, y) < 0.5) return top - y;
  return Infinity;
}

describe("what a glass mirrors", () => {
  it("is nothing where none is asked for: the border goes straight across", () => {
    const cover = laid({ mirrored: 0 });
    const border = [-0.5, 0, 0.5].map((x) => Math.sqrt(1 - x * x) - 0.06 - reach(cover, x));
    expect(Math.max(...border) - Math.min(...border)).toBeLessThan(0.3);
  });

  it("is land below sky, its border an arc that falls to both sides", () => {
    const cover = laid({ mirrored: 1 });
    const border = (x: number) => Math.sqrt(1 - x * x) - 0.06 - reach(cover, x);
    expect(border(0)).toBeGreaterThan(border(-0.65) + 0.12);
    expect(border(0)).toBeGreaterThan(border(0.65) + 0.12);
  });

  it("is a window of four panes, the bars between them as dark as what is beside them", () => {
    const cover = laid({ mirrored: 2 });
    for (const [x, y] of [
      [-0.3, 0.6],
      [0.3, 0.6],
      [-0.3, 0.25],
      [0.3, 0.25],
    ] as const)
      expect(cover(x, y), `pane at ${x}, ${y}`).toBeGreaterThan(0.8);
    for (const [x, y] of [
      [0, 0.6],
      [-0.3, 0.41],
      [0.75, 0.3],
      [0, -0.4],
    ] as const)
      expect(cover(x, y), `no pane at ${x}, ${y}`).toBeLessThan(0.1);
  });

  it("is roofs whose edges go up and down along the land", () => {
    const cover = laid({ mirrored: 3 });
    const heights = Array.from({ length: 41 }, (_, at) => reach(cover, -0.6 + 0.03 * at));
    const turns = heights.filter(
      (height, at) => at > 0 && at < 40 && (height - heights[at - 1]!) * (heights[at + 1]! - height) < 0,
    );
    expect(turns.length).toBeGreaterThan(2);
  });
});
