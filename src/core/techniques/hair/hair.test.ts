import { describe, expect, it } from "vitest";
import { growthField } from "../../growth/field";
import type { PlacedHandle } from "../../growth/interpolate";
import type { Hand } from "../../job";
import { completeParams } from "../../params";
import { createRandom } from "../../random";
import { nearestNeighbourIndex } from "../../stats/nearestNeighbours";
import { forms } from "../../surface/forms";
import type { FlatPoint, SpacePoint, SurfaceForm } from "../../surface/forms/form";
import { buildGrid, type SurfaceGrid } from "../../surface/grid";
import { growthAt } from "../../surface/growthField";
import { withGrowth } from "../../surface/growthOn";
import { dot, lengthOf, minus, times, unit } from "../../surface/vector";
import { createFilmBuffer, type LayContext } from "../technique";
import { onGround } from "../testing";
import { hair, hairsOf, type HairStroke } from "./hair";

const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.7 };
const usual = completeParams(hair.params, {});
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** Pieces of every bend, as smooth as they are made. */
const PIECES: Readonly<Record<string, SurfaceForm>> = {
  flat: forms.panel.build({ lengthMm: 16, widthMm: 12, dents: 0 }, 3),
  cone: forms["cone-band"].build(
    completeParams(forms["cone-band"].params, { pleats: 0, pleatDepthMm: 0, gapDeg: 0 }),
    3,
  ),
  limb: forms.limb.build({ roundMm: 16, lengthMm: 12, creases: 0, creaseMm: 0 }, 3),
  ball: forms.dome.build(completeParams(forms.dome.params, { ridges: 0 }), 3),
};

/** Where things grow: over the piece in one slant of the room, so that the map is known everywhere without it. */
const SLANT: SpacePoint = unit([0.5, -1, 0.25]);
const slanted = (out: SpacePoint): SpacePoint => unit(minus(SLANT, times(out, dot(SLANT, out))));

function grown(form: SurfaceForm, pitchMm = 0.06): SurfaceGrid {
  const handles: PlacedHandle[] = [];
  const { minX, maxX, minY, maxY } = form.bounds;
  for (let row = 0; row < 5; row++)
    for (let column = 0; column < 9; column++) {
      const at: FlatPoint = [
        minX + ((column + 0.5) / 9) * (maxX - minX),
        minY + ((row + 0.5) / 5) * (maxY - minY),
      ];
      const place = form.place(at);
      const out = form.facing?.(place) ?? ([0, 0, 1] as const);
      handles.push({ point: form.inSpace(place), out, way: slanted(out), length: 1, lift: 0 });
    }
  const field = growthField(form, (point) => point, { handles, pull: 0, sway: 0 });
  return withGrowth(buildGrid(form, pitchMm), { key: "slanted", field: () => field });
}

const contextOn = (grid: SurfaceGrid): LayContext =>
  onGround({
    ...{ grid, passUm: 6, passes: 1, water: 0.5, hand },
    marks: { kind: "field", hollowsOnly: false },
  });
const hairsOn = (grid: SurfaceGrid, params: Partial<typeof usual>, seed = 4): HairStroke[] =>
  hairsOf(contextOn(grid), { ...usual, ...params }, createRandom(seed));

/** A hair's line in space. */
function inSpace(form: SurfaceForm, { path }: HairStroke): SpacePoint[] {
  return Array.from({ length: path.length / 2 }, (_, at) =>
    form.inSpace(form.place([path[at * 2]!, path[at * 2 + 1]!])),
  );
}

const degrees = (a: SpacePoint, b: SpacePoint) =>
  (Math.acos(Math.min(1, Math.max(-1, dot(unit(a), unit(b))))) * 180) / Math.PI;

describe.each(Object.entries(PIECES))("hair on a %s piece", (_name, form) => {
  const grid = grown(form);

  const field = grid.growth()!;
  /** The way the map has it at a flat place, in space. */
  const mapped = (x: number, y: number): SpacePoint => {
    const lie = growthAt(field, x, y, { x: 0, y: 0, length: 0, lift: 0 });
    const at = (step: number) => form.inSpace(form.place([x + step * lie.x, y + step * lie.y]));
    return minus(at(0.05), at(-0.05));
  };

  /** How far each hair lies off the lie at its middle, in space, degrees. */
  function offs(params: Partial<typeof usual>): number[] {
    return hairsOn(grid, { length: 0.6, density: 4, ...params }).map((one) => {
      const line = inSpace(form, one);
      return degrees(minus(line.at(-1)!, line[0]!), mapped(one.spot.xMm, one.spot.yMm));
    });
  }

  it("has a map that goes the way it was told, between its handles too", () => {
    const off = hairsOn(grid, {}).map(({ spot: { xMm, yMm } }) => {
      const place = form.place([xMm, yMm]);
      return degrees(mapped(xMm, yMm), slanted(form.facing?.(place) ?? [0, 0, 1]));
    });
    expect(mean(off)).toBeLessThan(5);
  });

  it("lies as things grow there, in space", () => {
    // A hair is bent where the map is, and told by its ends.
    expect(mean(offs({ clump: 0, stray: 0, curl: 0 }))).toBeLessThan(4);
    expect(mean(offs({}))).toBeLessThan(8);
  });

  it("is as long as asked, in space", () => {
    const long = hairsOn(grid, { length: 1.2, lengthSpread: 10, curl: 0, stray: 0, clump: 0 }).map((one) => {
      const line = inSpace(form, one);
      return line.slice(1).reduce((sum, point, at) => sum + lengthOf(minus(point, line[at]!)), 0);
    });
    expect(median(long) / 1.2).toBeGreaterThan(0.93);
    expect(median(long) / 1.2).toBeLessThan(1.07);
  });

  it("has as many as asked, in tufts or not, anyhow or apart", () => {
    const area = grid.inside.reduce((sum, share) => sum + share, 0) * grid.pitchMm ** 2;
    for (const tufts of [0, 80])
      for (const apart of [0, 60]) {
        const count = hairsOn(grid, { density: 6, tufts, apart }).length;
        expect(count / (6 * area), `tufts ${tufts}, apart ${apart}`).toBeGreaterThan(0.93);
        expect(count / (6 * area), `tufts ${tufts}, apart ${apart}`).toBeLessThan(1.07);
      }
  });
});

describe("hair", () => {
  const flat = PIECES.flat!;
  const grid = grown(flat, 0.02);

  it("kept apart it stands more evenly, and no two roots lie close across the lie", () => {
    const index = (apart: number) => {
      const spots = hairsOn(grid, { density: 5, tufts: 0, apart }).map(({ spot }) => spot);
      const { minX, maxX, minY, maxY } = flat.bounds;
      const within = spots.filter(
        ({ xMm, yMm }) => xMm > minX + 1 && xMm < maxX - 1 && yMm > minY + 1 && yMm < maxY - 1,
      );
      return nearestNeighbourIndex(
        within.flatMap(({ xMm, yMm }) => [xMm, yMm]),
        (maxX - minX - 2) * (maxY - minY - 2),
        2 * (maxX - minX + maxY - minY - 4),
      );
    };
    expect(index(100)).toBeGreaterThan(index(0) + 0.2);
    expect(index(0)).toBeGreaterThan(0.85);
    expect(index(0)).toBeLessThan(1.15);
  });

  it("is as wide as asked where it is broadest, and runs out to a tip", () => {
    const width = 0.2;
    const film = createFilmBuffer(grid.inside.length);
    const one = { density: 0.2, length: 2, lengthSpread: 0, curl: 0, width, hides: 100, tufts: 0 };
    hair.lay(film, contextOn(grid), { ...usual, ...one }, createRandom(7));
    const strokes = hairsOf(contextOn(grid), { ...usual, ...one }, createRandom(7).fork(0));
    const ratios = strokes.flatMap(({ path, half }) => {
      const broadest = half.indexOf(Math.max(...half));
      const [x, y] = [path[broadest * 2]!, path[broadest * 2 + 1]!];
      const [dx, dy] = [path[broadest * 2 + 2]! - x, path[broadest * 2 + 3]! - y];
      const long = Math.hypot(dx, dy);
      let covered = 0;
      for (let off = -0.3; off <= 0.3; off += 0.01) {
        const column = Math.round((x - (dy / long) * off - grid.originX) / grid.pitchMm);
        const row = Math.round((y + (dx / long) * off - grid.originY) / grid.pitchMm);
        covered += 0.01 * (film.cover[row * grid.width + column] ?? 0);
      }
      return [covered / (2 * half[broadest]!)];
    });
    // Some lie over each other or beside the panel; what is told is the middle one.
    expect(median(ratios)).toBeGreaterThan(0.9);
    expect(median(ratios)).toBeLessThan(1.12);
    for (const { half } of strokes) expect(half.at(-1)!).toBeLessThan(0.2 * Math.max(...half));
    expect(mean(strokes.map(({ half }) => 2 * Math.max(...half))) / width).toBeCloseTo(1, 1);
  });

  it("a stroke does not lie on itself: alone it is as thick as asked everywhere", () => {
    const film = createFilmBuffer(grid.inside.length);
    const one = { density: 0.2, length: 3, curl: 60, width: 0.3, hides: 100, tufts: 0, apart: 100 };
    hair.lay(film, contextOn(grid), { ...usual, ...one }, createRandom(5));
    const strokes = hairsOf(contextOn(grid), { ...usual, ...one }, createRandom(5).fork(0));
    const thickest = Math.max(...strokes.map(({ um }) => Math.max(...um)));
    const thick = [...film.volumeUm].filter((um, at) => film.cover[at]! > 0.999 && um > 1.02 * thickest);
    const covered = film.cover.filter((share) => share > 0.5).length;
    // Where two cross films add up: on few cells.
    expect(thick.length / covered).toBeLessThan(0.04);
  });

  it("goes by the length and the lift of the growth map", () => {
    const of = (length: number, lift: number) => {
      const point = flat.inSpace(flat.place([8, 6]));
      const handles = [{ point, out: [0, 0, 1], way: [0, -1, 0], length, lift } as const];
      const field = growthField(flat, (own) => own, { handles, pull: 0, sway: 0 });
      const on = withGrowth(buildGrid(flat, 0.06), { key: `${length}/${lift}`, field: () => field });
      return median(hairsOn(on, {}).map(({ lengthMm }) => lengthMm));
    };
    expect(of(2, 0) / of(1, 0)).toBeCloseTo(2, 1);
    expect(of(1, Math.PI / 3) / of(1, 0)).toBeCloseTo(0.5, 1);
  });

  it("sets the same hairs on coarse and on fine cells", () => {
    const [fine, coarse] = [hairsOn(grown(flat, 0.03), {}), hairsOn(grown(flat, 0.12), {})];
    const near = fine.filter(({ spot: { xMm, yMm } }) =>
      coarse.some(({ spot }) => Math.hypot(spot.xMm - xMm, spot.yMm - yMm) < 1e-6),
    ).length;
    expect(near / fine.length).toBeGreaterThan(0.9);
  });

  it("falls down the piece where nobody has said how it grows", () => {
    const bare = buildGrid(flat, 0.06);
    for (const { path } of hairsOn(bare, { clump: 0, stray: 0, curl: 0 }))
      expect(path.at(-1)! - path[1]!).toBeGreaterThan(0.9 * Math.abs(path.at(-2)! - path[0]!));
  });

  it("follows a whorl: strokes bend with it", () => {
    const handles = Array.from({ length: 8 }, (_, at): PlacedHandle => {
      const turn = (at / 8) * 2 * Math.PI;
      const point = flat.inSpace(flat.place([8 + 2.5 * Math.cos(turn), -6 + 2.5 * Math.sin(turn)]));
      return { point, out: [0, 0, 1], way: [Math.sin(turn), Math.cos(turn), 0], length: 1, lift: 0 };
    });
    const field = growthField(flat, (point) => point, { handles, pull: 0, sway: 0 });
    const on = withGrowth(buildGrid(flat, 0.06), { key: "whorl", field: () => field });
    const bends = hairsOn(on, { length: 2, clump: 0, stray: 0, curl: 0 }).map(({ path }) => {
      const first = growthAt(field, path[0]!, path[1]!, { x: 0, y: 0, length: 0, lift: 0 });
      const [ax, ay] = [path[2]! - path[0]!, path[3]! - path[1]!];
      return (first.x * ax + first.y * ay) / Math.hypot(ax, ay);
    });
    // The first step goes the way it grows at the root, not as at the middle.
    expect(median(bends)).toBeGreaterThan(Math.cos((6 * Math.PI) / 180));
  });
});
