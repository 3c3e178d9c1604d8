import { describe, expect, it } from "vitest";
import { withHide } from "../hides/withHide";
import { inZones, type Place } from "../job";
import { newPlainSurface } from "../newJob";
import { newPiece } from "../groundwork/testing";
import { createRandom } from "../random";
import { completeParams } from "../params";
import { depthInside } from "../surface/forms/depth";
import { buildForm } from "../surface/forms/buildForm";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { createFilmBuffer } from "./technique";
import { techniques, type TechniqueId } from ".";
import { fieldsOf } from "../surface/fields";
import { tuftSpots, type TuftSpot } from "./tuft/tuft";

const feet = [
  { id: "l", xMm: -4, yMm: -6, acrossMm: 4 },
  { id: "r", xMm: 3, yMm: -4, acrossMm: 4 },
];
const plain = newPlainSurface("base", "Base", "base", []);

function baseGrid(roughMm: number, pitchMm = 0.1): SurfaceGrid {
  const surface = {
    ...plain,
    form: { ...plain.form, params: { ...plain.form.params, roughMm, stones: 0 } },
    groundwork: { pieces: [newPiece("a", { kind: "slab", xMm: -3, yMm: 7, seed: 4 })], feet },
  };
  return withHide(buildGrid(buildForm(surface), pitchMm), surface, { key: "", field: () => null });
}

function laid(id: TechniqueId, grid: SurfaceGrid, params: Record<string, number>, place: Place, seed = 3) {
  const film = createFilmBuffer(grid.inside.length);
  const zones = place.kind === "zones" ? place : undefined;
  const context = {
    ...{ grid, passUm: 10, passes: 1, water: 0, hand: { finestLineMm: 0.1, steadiness01: 0.8 } },
    marks: { kind: "field" as const, hollowsOnly: false, ...(zones && { place: { ...zones, wear: null } }) },
    ...{ heightMm: () => grid.relief, nearCover: null, overSeams: false },
  };
  techniques[id].lay(
    film,
    context as never,
    completeParams(techniques[id].params, params),
    createRandom(seed),
  );
  return film;
}

const onFoot = (grid: SurfaceGrid, at: number, withinMm: number) => {
  const x = grid.originX + (at % grid.width) * grid.pitchMm;
  const y = grid.originY + Math.floor(at / grid.width) * grid.pitchMm;
  return grid.hide!.feet!.some((one) => Math.hypot(one.xMm - x, one.yMm - y) < one.radiusMm - withinMm);
};

const GROUND = inZones(["ground"], 0);
const EVERYWHERE: Place = { kind: "everywhere" };

describe("texture paste on a base", () => {
  it("lies as deep in the mean as it was told, however far it climbs: its volume is that of the card", () => {
    const grid = baseGrid(0.3);
    for (const climb of [0, 0.3, 1.2])
      for (const depth of [0.1, 0.4]) {
        const film = laid("texture-paste", grid, { depth, climb }, GROUND);
        const area = film.cover.reduce((sum, share) => sum + share, 0);
        const volume = film.volumeUm.reduce((sum, um) => sum + um, 0);
        expect(volume / area / 1000).toBeCloseTo(depth, 3);
      }
  });

  it("stands higher at the foot of a rock than on open ground, and not where feet will stand", () => {
    const grid = baseGrid(0);
    const film = laid("texture-paste", grid, { depth: 0.2, climb: 0.6, rough: 0 }, GROUND);
    const built = grid.hide!.built!;
    const [foot, open]: [number[], number[]] = [[], []];
    const reach = Math.round(0.4 / grid.pitchMm);
    for (let at = reach * grid.width; at < built.length - reach * grid.width; at++) {
      if (built[at]! >= 0 || grid.inside[at]! < 1 || film.cover[at]! < 0.9) continue;
      const near = [reach, -reach, reach * grid.width, -reach * grid.width].some(
        (step) => built[at + step]! >= 0,
      );
      (near ? foot : open).push(film.volumeUm[at]!);
    }
    const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
    expect(mean(foot)).toBeGreaterThan(1.5 * mean(open));
    const underFeet = film.cover.filter((share, at) => share > 0 && onFoot(grid, at, 0.1));
    expect(underFeet).toHaveLength(0);
  });
});

describe("tufts", () => {
  it("keep off feet, rim, rocks and each other on 60 bases", () => {
    const grid = baseGrid(0.2, 0.25);
    const sizes = { count: 12, across: 3, apart: 4, offRim: 1.5 };
    const built = grid.hide!.built!;
    for (let seed = 1; seed <= 60; seed++) {
      const spots = tuftSpots(grid, grid.inside, { ...sizes, where: seed % 4 }, createRandom(seed));
      expect(spots.length).toBeGreaterThan(5);
      const wrong = spots.filter(({ xMm, yMm }, at) => {
        const cell =
          Math.round((yMm - grid.originY) / grid.pitchMm) * grid.width +
          Math.round((xMm - grid.originX) / grid.pitchMm);
        const nearFoot = grid.hide!.feet!.some(
          (foot) => Math.hypot(foot.xMm - xMm, foot.yMm - yMm) < foot.radiusMm + 1.5,
        );
        const nearRim = depthInside(grid.form, grid.form.place([xMm, yMm])) < 1.5;
        const crowded = spots.some(
          (other, one) => one !== at && Math.hypot(other.xMm - xMm, other.yMm - yMm) < 4,
        );
        return nearFoot || nearRim || crowded || built[cell]! >= 0;
      });
      expect(wrong).toEqual([]);
    }
  });

  it("stand where their rule has them: at the foot of rocks, in hollows, on the barest ground", () => {
    const grid = baseGrid(0.2, 0.25);
    const built = grid.hide!.built!;
    const { low } = fieldsOf(grid);
    const rocks = [...built.keys()].filter((at) => built[at]! >= 0);
    const mmOf = (at: number): readonly [number, number] => [
      grid.originX + (at % grid.width) * grid.pitchMm,
      grid.originY + Math.floor(at / grid.width) * grid.pitchMm,
    ];
    const toRock = ({ xMm, yMm }: TuftSpot) =>
      rocks.reduce((least, at) => {
        const [x, y] = mmOf(at);
        return Math.min(least, Math.hypot(x - xMm, y - yMm));
      }, Infinity);
    const lowAt = ({ xMm, yMm }: TuftSpot) =>
      low[
        Math.round((yMm - grid.originY) / grid.pitchMm) * grid.width +
          Math.round((xMm - grid.originX) / grid.pitchMm)
      ]!;
    const mean = (where: number, of: (spot: TuftSpot) => number) => {
      const spots = [1, 2, 3, 4, 5, 6].flatMap((seed) =>
        tuftSpots(grid, grid.inside, { count: 4, across: 2, apart: 3, offRim: 1, where }, createRandom(seed)),
      );
      expect(spots.length).toBeGreaterThan(12);
      return spots.reduce((sum, spot) => sum + of(spot), 0) / spots.length;
    };
    const byChance = mean(0, toRock);
    expect(mean(1, toRock)).toBeLessThan(0.6 * byChance);
    expect(mean(3, toRock)).toBeGreaterThan(1.15 * byChance);
    expect(mean(2, lowAt)).toBeGreaterThan(1.5 * mean(0, lowAt));
  });

  it("stand as high as they were told and are as many", () => {
    const grid = baseGrid(0, 0.1);
    const film = laid("tuft", grid, { count: 3, tall: 3, across: 3 }, EVERYWHERE);
    const heights = film.volumeUm.map((um, at) => (film.cover[at]! > 0.5 ? um / film.cover[at]! / 1000 : 0));
    const highest = heights.reduce((most, mm) => Math.max(most, mm), 0);
    expect(highest).toBeGreaterThan(2);
    expect(highest).toBeLessThan(3.7);
  });
});

describe("a puddle", () => {
  it("is level on top, and lies in the lowest ground", () => {
    const grid = baseGrid(1, 0.1);
    const film = laid("puddle", grid, { flooded: 25, over: 0.3, ripple: 0 }, GROUND);
    const tops: number[] = [];
    const [wet, dry]: [number[], number[]] = [[], []];
    for (let at = 0; at < grid.inside.length; at++) {
      if (grid.inside[at]! < 1 || grid.hide!.built![at]! >= 0) continue;
      const um = film.volumeUm[at]!;
      (um > 0 ? wet : dry).push(grid.relief[at]!);
      if (um > 250) tops.push(grid.relief[at]! + um / 1000);
    }
    const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
    expect(mean(wet)).toBeLessThan(mean(dry) - 0.2);
    const level = tops.sort((a, b) => a - b);
    // Nine tenths of it are one plane; the rest is its rounded border.
    const [low, high] = [level[Math.floor(level.length * 0.3)]!, level.at(-1)!];
    expect(high - low).toBeLessThan(0.03);
    expect(wet.length / (wet.length + dry.length)).toBeGreaterThan(0.18);
    expect(wet.length / (wet.length + dry.length)).toBeLessThan(0.34);
  });
});

describe("snow", () => {
  it("covers level ground as far as told and leaves steep sides bare", () => {
    const grid = baseGrid(0.1, 0.1);
    const film = laid("snow", grid, { depth: 0.4, covered: 100 }, EVERYWHERE);
    const steep = grid.relief.map((_, at) => {
      const across = (grid.relief[at + 1]! - grid.relief[at - 1]!) / 0.2;
      const up = (grid.relief[at + grid.width]! - grid.relief[at - grid.width]!) / 0.2;
      return Math.hypot(across, up);
    });
    const shareOf = (keep: (slope: number) => boolean) => {
      const cells = [...steep.keys()].filter((at) => grid.inside[at] === 1 && keep(steep[at]!));
      return cells.reduce((sum, at) => sum + film.cover[at]!, 0) / cells.length;
    };
    expect(shareOf((slope) => slope < 0.2)).toBeGreaterThan(0.95);
    expect(shareOf((slope) => slope > 4)).toBeLessThan(0.35);
  });
});
