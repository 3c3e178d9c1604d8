import { describe, expect, it } from "vitest";
import { createRandom } from "../random";
import { createFilmBuffer } from "./technique";
import { coneBand } from "../surface/forms/coneBand";
import { buildGrid } from "../surface/grid";
import { layPull, pullsAlong, resample, type PullStyle } from "./strokes";
import { edgeSoftMm, wobbleMm } from "./technique";
import { onGround } from "./testing";
import { TILE } from "../tiles/tiles";
import { cloud, stray, streak, wander } from "./texture";

/** A straight band: 40 mm long, 10 mm high, 0.04 mm cells. */
const form = coneBand.build(
  {
    waistMm: 40,
    hemMm: 40,
    slantMm: 10,
    gapDeg: 0,
    pleats: 0,
    pleatDepthMm: 0,
    seams: 1,
    tight: 0,
    borderMm: 0,
  },
  1,
);
const grid = buildGrid(form, 0.04);
const context = onGround({
  grid,
  marks: { kind: "field", hollowsOnly: false },
  passUm: 10,
  passes: 1,
  water: 1,
  hand: { finestLineMm: 0.12, steadiness01: 1 },
});
const steady: PullStyle = { startWidthMm: 0.4, endWidthMm: 0.4, pullMm: 100, fade: 0, wobbleMm: 0 };
const level = Float64Array.from([-8, -5, 8, -5]);

function lay(style: PullStyle, path = level, soft = 0.02) {
  const film = createFilmBuffer(grid.inside.length);
  for (const pull of pullsAlong(path, style, context, soft, createRandom(3))) layPull(film, context, pull);
  return film;
}

const areaOf = (cover: Float32Array) => cover.reduce((sum, share) => sum + share, 0) * 0.04 * 0.04;

describe("paths", () => {
  it("are resampled without changing their length or ends", () => {
    const { points, lengthMm } = resample(Float64Array.from([0, 0, 3, 4, 3, 10]), 0.1);
    expect(lengthMm).toBeCloseTo(11, 9);
    expect([points[0], points[1], points.at(-2), points.at(-1)]).toEqual([0, 0, 3, 10]);
    for (let at = 2; at < points.length; at += 2) {
      expect(Math.hypot(points[at]! - points[at - 2]!, points[at + 1]! - points[at - 1]!)).toBeCloseTo(
        0.1,
        2,
      );
    }
  });

  it("are cut into pulls of about the length asked for, overlapping a little", () => {
    const pulls = pullsAlong(level, { ...steady, pullMm: 4 }, context, 0.02, createRandom(1));
    expect(pulls).toHaveLength(4);
    pulls.slice(1).forEach((pull, at) => {
      const before = pulls[at]!;
      expect(pull.path[0]!).toBeLessThan(before.path.at(-2)!);
      expect(before.path.at(-2)! - pull.path[0]!).toBeLessThan(1.2);
    });
  });

  it("too short to be painted are none", () => {
    expect(pullsAlong(Float64Array.from([1, 1]), steady, context, 0.02, createRandom(1))).toEqual([]);
  });
});

describe("a pull of the brush", () => {
  it("covers its length times its width", () => {
    // Rounded ends add a little, the taper takes a little.
    expect(Math.abs(areaOf(lay(steady).cover) - 16 * 0.4)).toBeLessThan(0.05 * 16 * 0.4);
    expect(areaOf(lay({ ...steady, startWidthMm: 0.2, endWidthMm: 0.6 }).cover)).toBeCloseTo(
      areaOf(lay(steady).cover),
      0,
    );
  });

  it("thinner than a cell covers part of it, never more than its area", () => {
    const thin = areaOf(lay({ ...steady, startWidthMm: 0.02, endWidthMm: 0.02 }).cover);
    expect(thin).toBeGreaterThan(0.1);
    expect(thin).toBeLessThan(0.75);
  });

  it("leaves the film asked for on average, emptying along its way where it fades", () => {
    const film = lay(steady);
    const mean = film.volumeUm.reduce((a, b) => a + b, 0) / film.cover.reduce((a, b) => a + b, 0);
    expect(mean).toBeGreaterThan(8.5);
    expect(mean).toBeLessThan(13);
    const fading = lay({ ...steady, fade: 0.6 });
    const half = (from: number, to: number) => {
      let [volume, cover] = [0, 0];
      for (let at = 0; at < fading.cover.length; at++) {
        const x = grid.originX + (at % grid.width) * grid.pitchMm;
        if (x < from || x >= to) continue;
        volume += fading.volumeUm[at]!;
        cover += fading.cover[at]!;
      }
      return volume / cover;
    };
    expect(half(4, 7.5)).toBeLessThan(half(-7.5, -4) * 0.75);
  });

  it("does not add up where it crosses itself, but does where another pull crosses it", () => {
    const most = (film: { volumeUm: Float32Array }) => film.volumeUm.reduce((a, b) => Math.max(a, b), 0);
    const bent = Float64Array.from([-4, -5, 4, -5, 4, -4.9, -4, -4.9]);
    expect(most(lay(steady, bent))).toBeLessThan(1.6 * most(lay(steady)));
    const film = createFilmBuffer(grid.inside.length);
    for (const seed of [1, 2])
      for (const pull of pullsAlong(level, steady, context, 0.02, createRandom(seed)))
        layPull(film, context, pull);
    expect(most(film)).toBeGreaterThan(1.6 * most(lay(steady)));
  });
});

describe("hands and brushes", () => {
  it("stray less the steadier they are, and mark softer the thinner the paint", () => {
    const wobble = [0, 0.3, 0.7, 1].map((steadiness01) => wobbleMm({ finestLineMm: 0.1, steadiness01 }));
    expect(wobble).toEqual([...wobble].sort((a, b) => b - a));
    expect(wobble[0]).toBeCloseTo(0.09, 9);
    expect(edgeSoftMm(5)).toBeGreaterThan(edgeSoftMm(0));
    expect(edgeSoftMm(50)).toBe(edgeSoftMm(6));
  });

  it("wander smoothly, within one, and differently for another seed", () => {
    for (let at = 0; at < 40; at += 0.01) {
      expect(Math.abs(wander(5, at))).toBeLessThanOrEqual(1);
      expect(Math.abs(stray(5, at + 0.01) - stray(5, at))).toBeLessThan(0.06);
    }
    expect(stray(5, 3.3)).not.toBe(stray(6, 3.3));
  });

  it("leave textures of mean 0 and variance about 1 that repeat without a seam", () => {
    for (const texture of [streak, cloud]) {
      let [sum, square] = [0, 0];
      for (let y = 0; y < TILE; y += 3) {
        for (let x = 0; x < TILE; x += 3) {
          const value = texture(x * 0.03 + 0.001, y * 0.03 + 0.001);
          sum += value;
          square += value * value;
        }
      }
      const count = Math.ceil(TILE / 3) ** 2;
      expect(Math.abs(sum / count)).toBeLessThan(0.06);
      expect(square / count).toBeGreaterThan(0.75);
      expect(square / count).toBeLessThan(1.2);
      expect(texture(0.5, 0.7)).toBe(texture(0.5 + TILE * 0.03, 0.7));
    }
    // Streaks are longer than they are wide.
    const change = (dx: number, dy: number) => {
      let total = 0;
      for (let k = 0; k < 400; k++)
        total += Math.abs(streak(k * 0.21 + dx, k * 0.13 + dy) - streak(k * 0.21, k * 0.13));
      return total;
    };
    expect(change(0.3, 0)).toBeLessThan(change(0, 0.3) / 2);
  });
});
