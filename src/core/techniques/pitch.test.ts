import { describe, expect, it } from "vitest";
import type { Hand } from "../job";
import { completeParams } from "../params";
import { createRandom } from "../random";
import { fieldsOf } from "../surface/fields";
import { forms } from "../surface/forms";
import type { SurfaceForm } from "../surface/forms/form";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { techniqueIds, techniques } from ".";
import { coatPassUm } from "./passUm";
import { createFilmBuffer, type Marks, type TechniqueDefinition } from "./technique";
import { onGround } from "./testing";

const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.7 };
const flat = forms.panel.build({ lengthMm: 15, widthMm: 9, dents: 0.06 }, 3);

/** Dents, folds of 3 mm and one narrow groove: something for every field and technique to find. */
const uneven: SurfaceForm = {
  ...flat,
  relief: (place) => {
    const x = (place.turnDeg / 360) * 15;
    const groove = 0.12 * Math.exp(-(((place.heightMm - 4.3) / 0.12) ** 2));
    return flat.relief(place) + 0.25 * Math.cos((2 * Math.PI * x) / 3) - groove;
  },
};
const [fine, ...coarser] = [0.02, 0.03, 0.05].map((pitchMm) => buildGrid(uneven, pitchMm)) as [
  SurfaceGrid,
  ...SurfaceGrid[],
];

const sumOf = (values: Float32Array) => values.reduce((sum, value) => sum + value, 0);
const onPanel = ({ inside }: SurfaceGrid, values: Float32Array) =>
  sumOf(values.map((value, at) => value * inside[at]!)) / sumOf(inside);

const BAR = Float64Array.from([-6, -3, 6, 1.5]);
const MARKS: Readonly<Record<string, Marks>> = {
  strokes: { kind: "strokes", strokes: [{ path: BAR, startWidthMm: 0.14, endWidthMm: 0.3 }] },
  dots: {
    kind: "dots",
    dots: Array.from({ length: 40 }, (_, at) => ({
      ...{ xMm: -7 + at * 0.35, yMm: -2 - (at % 7) * 0.8, angle: at },
      ...{ widthMm: 0.15 + (at % 5) * 0.08, heightMm: 0.12 + (at % 3) * 0.1 },
    })),
  },
};

/** Covered share of the panel and mean film over it, µm, of a technique's default coat. */
function laid(technique: TechniqueDefinition, grid: SurfaceGrid, passes = 1, seed = 7) {
  const place = technique.startPlace;
  const field: Marks = {
    kind: "field",
    hollowsOnly: place?.kind === "hollows",
    ...(place?.kind === "zones" && { place }),
  };
  const film = createFilmBuffer(grid.inside.length);
  const water = technique.startWater ?? 1;
  const passUm = coatPassUm({ technique: { id: technique.id, version: 1, params: {} }, water });
  const marks = technique.lays.includes("field") ? field : MARKS[technique.lays[0]!];
  if (!marks) return null;
  technique.lay(
    film,
    onGround({ grid, marks, passUm, passes, water, hand }),
    completeParams(technique.params, {}),
    createRandom(seed),
  );
  const cells = sumOf(grid.inside);
  return { cover: sumOf(film.cover) / cells, um: sumOf(film.volumeUm) / cells };
}

const within = (value: number, of: number, share: number) => Math.abs(value / of - 1) < share;

describe("at pitches of 0.02, 0.03 and 0.05 mm", () => {
  it.each(["edge", "lit", "sky"] as const)("the field %s is the same within 3 %%", (name) => {
    for (const grid of coarser)
      expect(within(onPanel(grid, fieldsOf(grid)[name]), onPanel(fine, fieldsOf(fine)[name]), 0.03)).toBe(
        true,
      );
  });

  it.each([0, 1, 2] as const)("hollows of scale %i are as deep, within 3 %%", (scale) => {
    const deep = (grid: SurfaceGrid) =>
      onPanel(
        grid,
        fieldsOf(grid)
          .hollow(scale)
          .map((value) => Math.max(0, value)),
      );
    for (const grid of coarser) expect(within(deep(grid), deep(fine), 0.03)).toBe(true);
  });

  it.each(techniqueIds.filter((id) => laid(techniques[id], coarser[1]!) !== null))(
    "%s covers as much with as much paint, within 5 %%",
    (id) => {
      const asked = laid(techniques[id], fine)!;
      for (const grid of coarser) {
        const got = laid(techniques[id], grid)!;
        expect(within(got.cover, asked.cover, 0.05)).toBe(true);
        expect(within(got.um, asked.um, 0.05)).toBe(true);
      }
    },
  );
});

describe("a second pass", () => {
  it.each(["dry-brush", "overbrush", "sponge", "blotch", "edge-line"] as const)(
    "of %s lands beside the first, not only on it",
    (id) => {
      const SEEDS = [1, 2, 3, 4, 5, 6];
      const mean = (passes: number, key: "cover" | "um") =>
        SEEDS.reduce((sum, seed) => sum + laid(techniques[id], coarser[1]!, passes, seed)![key], 0) /
        SEEDS.length;
      const film = mean(2, "um") / mean(1, "um");
      expect(film).toBeGreaterThan(1.75);
      expect(film).toBeLessThan(2.25);
      // Two chances to be covered: more than once, and no more than both beside each other.
      const cover = mean(2, "cover") / mean(1, "cover");
      expect(cover).toBeGreaterThan(1.15);
      expect(cover).toBeLessThan(2.25);
    },
  );
});
