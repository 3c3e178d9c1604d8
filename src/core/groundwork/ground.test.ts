import { describe, expect, it } from "vitest";
import { moveThing, withGroundwork } from "../edits/groundwork";
import { withHide } from "../hides/withHide";
import type { Groundwork, Surface } from "../job";
import { newPlainSurface } from "../newJob";
import { groundPlan, groundSteps } from "../plan/groundPlan";
import { buildForm } from "../surface/forms/buildForm";
import { buildGrid } from "../surface/grid";
import { zoneWeights } from "../surface/zones";
import { groundKey } from "./key";
import { groundTold, LEVEL_MM, levelPlace } from "./told";
import { likeGround, withSet } from "./set";
import { newPiece } from "./testing";
import { mudflatBases } from "../../data/demo/mudflatBases";

const NOTHING_GROWS = { key: "", field: () => null };

const foot = (id: string, xMm: number, yMm: number) => ({ id, xMm, yMm, acrossMm: 4 });

function baseWith(groundwork: Groundwork, roughMm = 0): Surface {
  const plain = newPlainSurface("base", "Base", "base", []);
  return {
    ...plain,
    groundwork,
    form: { ...plain.form, params: { ...plain.form.params, roughMm, stones: 0 } },
  };
}
const toldOf = (surface: Surface) => groundTold(buildForm(surface), groundKey(surface), surface.groundwork!);
const gridOf = (surface: Surface, pitchMm = 0.25) =>
  withHide(buildGrid(buildForm(surface), pitchMm), surface, NOTHING_GROWS);

const slab = newPiece("a", { kind: "slab", acrossMm: 18, deepMm: 14, tallMm: 3, xMm: -4, yMm: 5, seed: 4 });

describe("what is built on a base", () => {
  it("stands on its cells as it was settled, the same at every pitch", () => {
    const surface = baseWith({
      pieces: [slab, newPiece("b", { kind: "boulder", xMm: 9, yMm: -6 })],
      feet: [],
    });
    const coarse = gridOf(surface, 0.4);
    const fine = gridOf(surface, 0.2);
    const share = (grid: typeof coarse, piece: number) =>
      grid.hide!.built!.filter((one) => one === piece).length * grid.pitchMm ** 2;
    for (const piece of [0, 1]) {
      expect(share(fine, piece)).toBeGreaterThan(5);
      expect(Math.abs(share(coarse, piece) / share(fine, piece) - 1)).toBeLessThan(0.06);
    }
    const highest = Math.max(...fine.relief);
    expect(highest).toBeGreaterThan(2);
    expect(highest).toBeLessThan(3.2);
  });

  it("shares the base with its ground between: every cell is one or the other", () => {
    const grid = gridOf(baseWith({ pieces: [slab], feet: [] }));
    const [built, ground] = [zoneWeights(grid, ["built"], 0), zoneWeights(grid, ["ground"], 0)];
    const wrong = built.filter((share, at) => grid.inside[at]! > 0 && share + ground[at]! !== 1);
    expect(wrong).toHaveLength(0);
    expect(built.filter((share) => share === 1).length).toBeGreaterThan(500);
  });

  it("tells feet that stand level, and finds them level ground near by", () => {
    const level = { ...slab, bedding: "bedded" as const, tiltDeg: 0 };
    const feet = [
      foot("on-top", -4, 5),
      foot("on-edge", -4, 11.5),
      foot("free", 9, -8),
      foot("out", 18.6, 0),
    ];
    const surface = baseWith({ pieces: [level], feet });
    const [onTop, onEdge, free, out] = toldOf(surface).feet;
    expect(onTop!.piece).toBe(0);
    expect(free).toMatchObject({ piece: -1, unevenMm: 0, heightMm: 0, overRim: false });
    expect(onEdge!.unevenMm).toBeGreaterThan(1);
    expect(out!.overRim).toBe(true);
    const form = buildForm(surface);
    const there = levelPlace(form, groundKey(surface), surface.groundwork!, feet[1]!)!;
    const moved = withGroundwork(surface, (work) => moveThing(work, "on-edge", there.xMm, there.yMm));
    expect(toldOf(moved).feet[1]!.unevenMm).toBeLessThanOrEqual(LEVEL_MM);
    expect(Math.hypot(there.xMm + 4, there.yMm - 11.5)).toBeLessThan(12.1);
  });

  it("tells how far a piece stands over the rim", () => {
    const boulder = (xMm: number) => newPiece("b", { kind: "boulder", acrossMm: 6, deepMm: 6, xMm, yMm: 0 });
    const over = (xMm: number) => toldOf(baseWith({ pieces: [boulder(xMm)], feet: [] })).pieces[0]!.overRimMm;
    expect(over(10)).toBe(0);
    expect(over(19)).toBeGreaterThan(1.4);
    expect(over(19)).toBeLessThan(2.1);
  });

  it("is printed thing by thing, and as a plan at 1 : 1", () => {
    const surface = baseWith({ pieces: [slab], feet: [foot("f", 9, -8)] });
    const form = buildForm(surface);
    const [step] = groundSteps(surface, form);
    expect(step!.title).toBe("1  Split slab, 18 × 14 × 3 mm");
    expect(step!.caution).toMatch(/local rules/);
    const [plan] = groundPlan(surface, form)!.pieces;
    expect([plan!.widthMm, plan!.heightMm]).toEqual([40, 40]);
    const radii = plan!.outline.map(([x, y]) => Math.hypot(x - 20, y - 20));
    expect(Math.max(...radii) - Math.min(...radii)).toBeLessThan(0.2);
    const [drawn, sole] = plan!.areas;
    expect(sole!.at).toEqual([29, 28]);
    const soleMm = sole!.rings[0]!.map(([x, y]) => Math.hypot(x - 29, y - 28));
    expect(Math.max(...soleMm)).toBeCloseTo(2, 6);
    expect(drawn!.at).toEqual([16, 15]);
    const reach = drawn!.rings[0]!.map(([x, y]) => Math.hypot(x - 16, y - 15));
    expect(Math.max(...reach)).toBeLessThan(11.5);
    expect(Math.max(...reach)).toBeGreaterThan(6);
  });
});

describe("a set of bases", () => {
  const job = mudflatBases();
  const heightsOf = (surface: Surface) => gridOf(surface, 0.8);

  it("belong together and are not the same: their heights are not alike", () => {
    const grids = job.surfaces.map(heightsOf);
    expect(grids).toHaveLength(4);
    const pairs: number[] = [];
    for (let a = 0; a < 4; a++) for (let b = a + 1; b < 4; b++) pairs.push(correlation(grids[a]!, grids[b]!));
    expect(Math.max(...pairs)).toBeLessThan(0.6);
  });

  it("keep kinds, mixes and feet, and feet stay free and level", () => {
    const kinds = (surface: Surface) => surface.groundwork!.pieces.map(({ kind }) => kind).sort();
    for (const surface of job.surfaces) {
      expect(kinds(surface)).toEqual(kinds(job.surfaces[0]!));
      expect(surface.coats.map(({ mixId }) => mixId)).toEqual(
        job.surfaces[0]!.coats.map(({ mixId }) => mixId),
      );
      const told = toldOf(surface);
      expect(told.feet.filter(({ unevenMm, overRim }) => unevenMm > LEVEL_MM || overRim)).toEqual([]);
      expect(told.pieces.filter(({ overRimMm }) => overRimMm > 0.3)).toEqual([]);
    }
    const ids = job.surfaces.flatMap(({ coats }) => coats.map(({ id }) => id));
    expect(new Set(ids).size).toBe(ids.length);
  });

  it("keeps what carries a foot below it", () => {
    const work = { pieces: [{ ...slab, xMm: 0, yMm: 0 }], feet: [foot("f", 0, 0)] };
    for (let seed = 1; seed < 20; seed++) {
      const [piece] = likeGround(work, [20, 20], seed).pieces;
      expect([piece!.xMm, piece!.yMm]).toEqual([0, 0]);
    }
  });

  it("is no larger than the job has room for", () => {
    const full = {
      ...job,
      surfaces: Array.from({ length: 59 }, (_, at) => ({ ...job.surfaces[0]!, id: `b${at}` })),
    };
    expect(withSet(full, "b0", 10).surfaces).toHaveLength(60);
  });
});

/** Pearson's correlation of two bases' heights over the cells both have. */
function correlation(a: ReturnType<typeof buildGrid>, b: ReturnType<typeof buildGrid>): number {
  let [n, sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0, 0];
  for (let at = 0; at < a.relief.length; at++) {
    if (a.inside[at]! < 1) continue;
    const [x, y] = [a.relief[at]!, b.relief[at]!];
    [n, sa, sb] = [n + 1, sa + x, sb + y];
    [saa, sbb, sab] = [saa + x * x, sbb + y * y, sab + x * y];
  }
  return (n * sab - sa * sb) / Math.sqrt((n * saa - sa * sa) * (n * sbb - sb * sb));
}
