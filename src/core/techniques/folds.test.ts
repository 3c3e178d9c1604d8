import { describe, expect, it } from "vitest";
import { completeParams } from "../params";
import { createRandom } from "../random";
import { createFilmBuffer } from "./technique";
import { forms } from "../surface/forms";
import { buildGrid, withRelief, type SurfaceGrid } from "../surface/grid";
import { techniques, type TechniqueId } from ".";
import { coatPassUm } from "./passUm";
import { settle } from "./settle";
import { onGround } from "./testing";

const FOLDS = [1.5, 3, 4.6, 6] as const;
const DEEP_MM = 1.2;

const middleOf = ({ form: { bounds } }: SurfaceGrid) => (bounds.minX + bounds.maxX) / 2;

/** A flat panel in folds of one width, 1.2 mm from ridge to valley. */
function folded(foldMm: number, pitchMm = 0.05): SurfaceGrid {
  const form = forms.panel.build(
    completeParams(forms.panel.params, { lengthMm: 24, widthMm: 14, dents: 0 }),
    3,
  );
  const flat = buildGrid(form, pitchMm);
  const { width, originX } = flat;
  const middle = middleOf(flat);
  const relief = flat.relief.map((_, at) => {
    const x = originX + (at % width) * pitchMm - middle;
    return (DEEP_MM / 2) * Math.cos((2 * Math.PI * x) / foldMm);
  });
  return withRelief(flat, relief);
}

/** Mean film near the ridges and near the valleys, µm, away from the panel's rim. */
function films(id: TechniqueId, foldMm: number, params: Record<string, number> = {}) {
  const grid = folded(foldMm);
  const technique = techniques[id];
  const context = onGround({
    ...{ grid, passUm: 9, passes: 1, water: technique.startWater ?? 1 },
    marks: { kind: "field", hollowsOnly: false } as const,
    hand: { finestLineMm: 0.12, steadiness01: 0.6 },
  });
  const film = createFilmBuffer(grid.inside.length);
  technique.lay(film, context, completeParams(technique.params, params), createRandom(4));
  const near = (side: 1 | -1) => {
    let [sum, count] = [0, 0];
    for (let at = 0; at < grid.inside.length; at++) {
      const x = grid.originX + (at % grid.width) * grid.pitchMm - middleOf(grid);
      const up = grid.heightMm[at]!;
      if (grid.inside[at]! < 1 || Math.abs(x) > 9 || up < 3 || up > 11) continue;
      if (side * Math.cos((2 * Math.PI * x) / foldMm) < 0.94) continue;
      sum += film.volumeUm[at]!;
      count++;
    }
    return sum / count;
  };
  return { ridge: near(1), valley: near(-1) };
}

describe("in folds of every width", () => {
  it.each(FOLDS)("of %s mm a wash stands in the valleys, not on the ridges", (foldMm) => {
    const { ridge, valley } = films("wash", foldMm);
    expect(valley / ridge).toBeGreaterThan(3);
  });

  it.each(FOLDS)("of %s mm no liquid is made or lost", (foldMm) => {
    const grid = folded(foldMm);
    const given = grid.inside.map((inside, at) => inside * (30 + 20 * Math.sin(at / 900)));
    const depth = settle(grid, grid.relief, given, 8);
    const sum = (plane: Float32Array) => plane.reduce((all, um) => all + um, 0);
    expect(sum(depth) / sum(given)).toBeCloseTo(1, 3);
    expect(depth.every((um) => um >= 0)).toBe(true);
  });

  it("and on a flat piece a wash stays where it was laid", () => {
    const grid = folded(1e6);
    const given = new Float32Array(grid.inside.length).fill(50).map((um, at) => um * grid.inside[at]!);
    const depth = settle(grid, grid.relief, given, 8);
    // Up to the very rim: nothing draws it there, nothing holds it off.
    const off = depth.map((um, at) => (grid.inside[at]! === 1 ? Math.abs(um - 50) : 0));
    expect(off.reduce((most, um) => Math.max(most, um))).toBeLessThan(1);
  });

  it("and dries to its solids: 50 µm at 2 : 1 leave 5.8", () => {
    const grid = folded(1e6);
    const film = createFilmBuffer(grid.inside.length);
    const marks = { kind: "field", hollowsOnly: false } as const;
    const hand = { finestLineMm: 0.12, steadiness01: 0.6 };
    const params = completeParams(techniques.wash.params, { wet: 50, unevenness: 0, rim: 0 });
    const coat = { technique: { id: "wash", version: 1, params }, water: 2 };
    const passUm = coatPassUm(coat);
    techniques.wash.lay(
      film,
      onGround({ grid, passUm, passes: 1, water: 2, marks, hand }),
      params,
      createRandom(1),
    );
    const sum = (plane: Float32Array) => plane.reduce((all, value) => all + value, 0);
    expect(sum(film.volumeUm) / sum(grid.inside)).toBeCloseTo((50 * 0.35) / 3, 1);
    // What checks and cards reckon with is what is laid.
    expect(passUm).toBeCloseTo((50 * 0.35) / 3, 6);
  });

  it.each([4.6, 6])("of %s mm a dry brush leaves the valleys alone", (foldMm) => {
    const { ridge, valley } = films("dry-brush", foldMm);
    expect(ridge).toBeGreaterThan(0.02);
    expect(valley / ridge).toBeLessThan(0.1);
  });
});
