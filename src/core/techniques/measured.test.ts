import { beforeAll, describe, expect, it } from "vitest";
import type { Hand } from "../job";
import { completeParams, type ParamValues } from "../params";
import { createRandom } from "../random";
import { createFilmBuffer } from "./technique";
import { axialConcentration } from "../stats/directions";
import { coefficientOfVariation } from "../stats/variation";
import { neighbourCorrelation } from "../stats/neighbourCorrelation";
import { forms } from "../surface/forms";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { techniques, type TechniqueId } from ".";
import { flicksOf, type Flick } from "./flick";
import type { FilmBuffer } from "./technique";
import { onGround } from "./testing";

const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.7 };
const PITCH = 0.04;
const flat = forms.panel.build({ lengthMm: 24, widthMm: 16, dents: 0 }, 3);
const contextOn = (grid: SurfaceGrid, passUm = 9, water = 1) =>
  onGround({ grid, marks: { kind: "field", hollowsOnly: false }, passUm, passes: 1, water, hand });

let grid: SurfaceGrid;
beforeAll(() => {
  grid = buildGrid(flat, PITCH);
});

function lay(id: TechniqueId, params: Record<string, number>, seed = 5): FilmBuffer {
  const film = createFilmBuffer(grid.inside.length);
  const technique = techniques[id];
  technique.lay(film, contextOn(grid), completeParams(technique.params, params), createRandom(seed));
  return film;
}

interface Blob {
  readonly areaMm2: number;
  readonly touchesRim: boolean;
  /** Extent along the piece and across it, mm. */
  readonly wideMm: number;
  readonly highMm: number;
  readonly meanUm: number;
}

/** Marks that hang together, by flood fill over cells covered by half or more; area counts covered shares. */
function blobs({ cover, volumeUm }: FilmBuffer): Blob[] {
  const seen = new Uint8Array(cover.length);
  const { width } = grid;
  const found: Blob[] = [];
  for (let start = 0; start < cover.length; start++) {
    if (seen[start] || cover[start]! < 0.5) continue;
    const queue = [start];
    seen[start] = 1;
    let [area, volume, rim] = [0, 0, false];
    let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
    for (let at = queue.pop(); at !== undefined; at = queue.pop()) {
      area += cover[at]!;
      volume += volumeUm[at]!;
      rim ||= grid.inside[at]! < 1;
      const [column, row] = [at % width, Math.floor(at / width)];
      [left, right] = [Math.min(left, column), Math.max(right, column)];
      [top, bottom] = [Math.min(top, row), Math.max(bottom, row)];
      for (const next of [at - 1, at + 1, at - width, at + width])
        if (!seen[next] && cover[next]! >= 0.5) {
          seen[next] = 1;
          queue.push(next);
        }
    }
    found.push({
      areaMm2: area * PITCH ** 2,
      touchesRim: rim,
      wideMm: (right - left + 1) * PITCH,
      highMm: (bottom - top + 1) * PITCH,
      meanUm: volume / area,
    });
  }
  return found;
}

const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const deviation = (values: readonly number[]) => {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1));
};

describe("dots of a stipple", () => {
  it("come in the number asked for, of the size asked for, by counting them in the film", () => {
    const found = blobs(lay("stipple", { density: 0.4, size: 0.4, spread: 0, together: 1 })).filter(
      (one) => !one.touchesRim,
    );
    // Some overlap: a share of about λπd² of them hangs together with another.
    const expected = 0.4 * 24 * 16;
    expect(found.length).toBeGreaterThan(0.7 * expected - 2 * Math.sqrt(expected));
    expect(found.length).toBeLessThan(expected + 3 * Math.sqrt(expected));
    const across = median(found.map((one) => 2 * Math.sqrt(one.areaMm2 / Math.PI)));
    expect(Math.abs(across / 0.4 - 1)).toBeLessThan(0.1);
  });

  it("vary in size by the spread asked for", () => {
    const sizes = (spread: number) =>
      blobs(lay("stipple", { density: 0.25, size: 0.5, spread, together: 1 }))
        .filter((one) => !one.touchesRim)
        .map((one) => 2 * Math.sqrt(one.areaMm2 / Math.PI));
    const even = coefficientOfVariation(sizes(0));
    const mixed = coefficientOfVariation(sizes(40));
    expect(mixed).toBeGreaterThan(even + 0.15);
    // A log-normal of σ 0.4 varies by √(exp 0.16 − 1) = 0.42.
    expect(mixed).toBeLessThan(0.62);
  });

  it("set from one load lie together", () => {
    const alone = blobs(lay("stipple", { density: 1, size: 0.16, spread: 0, together: 1 }));
    const together = blobs(lay("stipple", { density: 1, size: 0.16, spread: 0, together: 8 }));
    const cover = (found: Blob[]) => found.reduce((sum, one) => sum + one.areaMm2, 0);
    expect(together.length).toBeLessThan(alone.length);
    expect(cover(together)).toBeGreaterThan(0.6 * cover(alone));
  });
});

describe("scratches and hatching", () => {
  const style = (id: "scratch" | "hatch", params: Record<string, number>) => {
    const values: ParamValues<typeof techniques.scratch.params> & Record<string, number> = completeParams(
      techniques[id].params,
      params,
    );
    return { ...values, wander: (values.wander ?? 0) / 100, taper: "both" as const, grain: false } as never;
  };
  const flicks = (id: "scratch" | "hatch", params: Record<string, number>): Flick[] =>
    flicksOf(contextOn(grid), style(id, params), createRandom(11));

  it("have the lengths asked for: the middle one, and how unlike they are", () => {
    const lengths = flicks("scratch", { density: 2, length: 0.9, lengthSpread: 50 }).map(
      (one) => one.lengthMm,
    );
    const logs = lengths.map(Math.log);
    const error = 0.5 / Math.sqrt(lengths.length);
    expect(Math.abs(median(logs) - Math.log(0.9))).toBeLessThan(5 * error);
    expect(Math.abs(deviation(logs) - 0.5)).toBeLessThan(5 * error);
  });

  it("have directions about the one asked for, spread as far as asked and no farther", () => {
    for (const [angle, spread] of [
      [30, 20],
      [90, 45],
      [150, 5],
    ] as const) {
      const ways = flicks("scratch", { density: 2, angle, angleSpread: spread }).map((one) => one.angle);
      const { mean, resultant } = axialConcentration(ways);
      const off = Math.abs((((((mean * 180) / Math.PI - angle) % 180) + 270) % 180) - 90);
      expect(off).toBeLessThan(3);
      // Evenly within ±s: the doubled angles' resultant is sin 2s / 2s.
      const s = (spread * Math.PI) / 180;
      expect(Math.abs(resultant - Math.sin(2 * s) / (2 * s))).toBeLessThan(0.05);
    }
  });

  it("are not like their neighbours in length or direction", () => {
    const set = flicks("scratch", { density: 1.2, lengthSpread: 60, angleSpread: 60 });
    const points = set.flatMap((one) => [one.spot.xMm, one.spot.yMm]);
    // Chance leaves a correlation of about 1/√n, the pairs being shared by two.
    const chance = 4 / Math.sqrt(set.length);
    expect(
      Math.abs(
        neighbourCorrelation(
          points,
          set.map((one) => one.lengthMm),
        ),
      ),
    ).toBeLessThan(chance);
    expect(
      Math.abs(
        neighbourCorrelation(
          points,
          set.map((one) => one.angle),
        ),
      ),
    ).toBeLessThan(chance);
  });

  it("are as long and as wide in the film as the strokes they come from", () => {
    const found = blobs(
      lay("scratch", {
        ...{ density: 0.12, length: 2, lengthSpread: 0, width: 0.2 },
        ...{ angle: 0, angleSpread: 0, wander: 0 },
      }),
    ).filter((one) => !one.touchesRim && one.wideMm < 2.6);
    expect(found.length).toBeGreaterThan(12);
    expect(Math.abs(median(found.map((one) => one.wideMm)) / 2 - 1)).toBeLessThan(0.15);
    // Both ends taper: on average a stroke is 0.83 of its width at the middle.
    const wide = median(found.map((one) => one.areaMm2 / one.wideMm));
    expect(Math.abs(wide / (0.83 * 0.2) - 1)).toBeLessThan(0.2);
  });
});

describe("streaks", () => {
  it("run down from where they start, thinner and narrower the farther", () => {
    const film = lay("streak", { density: 0.05, length: 4, width: 0.4, ridges: 1 });
    const found = blobs(film).filter((one) => !one.touchesRim);
    expect(found.length).toBeGreaterThan(4);
    for (const one of found) expect(one.highMm).toBeGreaterThan(1.5 * one.wideMm);
    // Film over all of them, by how far below the upper end of each column run it lies.
    const { width, height } = grid;
    const byDepth = new Float64Array(80);
    const counts = new Float64Array(80);
    for (let column = 0; column < width; column++) {
      let run = 0;
      for (let row = 0; row < height; row++) {
        const at = row * width + column;
        run = film.cover[at]! > 0.3 ? run + 1 : 0;
        if (run > 0 && run < 80) {
          byDepth[run]! += film.volumeUm[at]! / film.cover[at]!;
          counts[run]!++;
        }
      }
    }
    const mean = (from: number, to: number) => {
      let [sum, count] = [0, 0];
      for (let k = from; k < to; k++) [sum, count] = [sum + byDepth[k]!, count + counts[k]!];
      return sum / count;
    };
    expect(mean(3, 15)).toBeGreaterThan(1.5 * mean(55, 79));
  });
});

describe("what is asked for as a share of the surface", () => {
  const share = ({ cover }: FilmBuffer) =>
    cover.reduce((sum, value) => sum + value, 0) / grid.inside.reduce((sum, value) => sum + value, 0);

  it("is what blotches cover, whatever their size and shape", () => {
    for (const params of [
      { coverage: 12, size: 1.2, spread: 20, spurs: 2, apart: 55 },
      { coverage: 35, size: 2.4, spread: 60, spurs: 2, apart: 0 },
      { coverage: 55, size: 3, spread: 45, spurs: 4, apart: 20 },
    ]) {
      const got = share(lay("blotch", params)) * 100;
      // The last patch may run over by its own area.
      expect(got).toBeGreaterThan(params.coverage - 0.5);
      expect(got).toBeLessThan(params.coverage + 4);
    }
  });

  it("is what blotches cover where one patch is as long as the panel is wide", () => {
    for (const [coverage, seed] of [
      [25, 1],
      [25, 2],
      [60, 3],
    ] as const) {
      const got = share(lay("blotch", { coverage, size: 15 }, seed)) * 100;
      expect(got).toBeGreaterThan(coverage - 2);
      expect(got).toBeLessThan(coverage * 1.06 + 0.5);
    }
  });

  it("is what a sponge's specks cover, fine or coarse, even or in clusters", () => {
    for (const params of [
      { coverage: 4, pore: 0.2, clusters: 0 },
      { coverage: 15, pore: 0.5, clusters: 100 },
      { coverage: 30, pore: 0.12, clusters: 60 },
    ])
      expect(Math.abs((share(lay("sponge", params)) * 100) / params.coverage - 1)).toBeLessThan(0.2);
  });

  it("comes in clusters with a sponge that crowds, and evenly with one that does not", () => {
    // Variance of the cover in squares of 2 mm, over its mean: specks that crowd leave whole squares bare.
    const unevenness = (clusters: number) => {
      const { cover } = lay("sponge", { coverage: 8, pore: 0.15, clusters, edges: 0 });
      const side = Math.round(2 / PITCH);
      const sums = new Map<number, number>();
      for (let at = 0; at < cover.length; at++) {
        if (grid.inside[at]! < 1) continue;
        const key = Math.floor((at % grid.width) / side) * 1000 + Math.floor(at / grid.width / side);
        sums.set(key, (sums.get(key) ?? 0) + cover[at]!);
      }
      return coefficientOfVariation([...sums.values()]);
    };
    expect(unevenness(100)).toBeGreaterThan(1.4 * unevenness(0));
  });
});

describe("texture paste", () => {
  it("stands as deep as asked for on the whole, rougher where it is rough", () => {
    const paste = (rough: number) => {
      const { volumeUm } = lay("texture-paste", { depth: 0.3, rough });
      const inner = [...volumeUm].filter((_, at) => grid.inside[at]! === 1);
      return { mean: inner.reduce((sum, um) => sum + um, 0) / inner.length / 1000, spread: deviation(inner) };
    };
    const [smooth, rough] = [paste(0), paste(90)];
    expect(smooth.mean).toBeCloseTo(0.3, 2);
    expect(Math.abs(rough.mean / 0.3 - 1)).toBeLessThan(0.35);
    expect(smooth.spread).toBeLessThan(1);
    expect(rough.spread).toBeGreaterThan(30);
  });
});

describe("a dot of light", () => {
  it("lies where it was put, as large as asked for, and its glow falls off from it", () => {
    const film = lay("glow-dot", { along: 25, up: 50, size: 0.6, glow: 1.5, strength: 40 });
    const column = Math.round((0.25 * 24 - 12 - grid.originX) / PITCH);
    const row = [...Array(grid.height).keys()].reduce((best, y) =>
      Math.abs(grid.heightMm[y * grid.width + column]! - 8) <
      Math.abs(grid.heightMm[best * grid.width + column]! - 8)
        ? y
        : best,
    );
    const um = (awayMm: number) => film.volumeUm[row * grid.width + column + Math.round(awayMm / PITCH)]!;
    expect(um(0)).toBeGreaterThan(8);
    const reach = [0.5, 0.9, 1.4, 2].map(um);
    for (let k = 1; k < reach.length; k++) expect(reach[k]!).toBeLessThan(reach[k - 1]!);
    expect(um(5)).toBe(0);
    const dot = blobs({ cover: film.volumeUm.map((value) => (value > 6 ? 1 : 0)), volumeUm: film.volumeUm });
    expect(dot).toHaveLength(1);
    expect(Math.abs(2 * Math.sqrt(dot[0]!.areaMm2 / Math.PI) - 0.6)).toBeLessThan(0.15);
  });
});
