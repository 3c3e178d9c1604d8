import { describe, expect, it } from "vitest";
import { inZones, type Hand } from "../job";
import { createRandom, type Random } from "../random";
import { forms } from "../surface/forms";
import { buildGrid } from "../surface/grid";
import { flicksOf, type FlickStyle } from "../techniques/flick";
import { cellAt, scatter } from "../techniques/scatter";
import { placeWeights, type Marks } from "../techniques/technique";
import { onGround } from "../techniques/testing";
import { axialConcentration, rayleighChance } from "./directions";
import { besagL, inhomogeneousK } from "./inhomogeneousK";
import { neighbourCorrelation } from "./neighbourCorrelation";
import { coefficientOfVariation } from "./variation";

const form = forms.strap.build(
  { lengthMm: 24, widthMm: 8, thicknessMm: 0.5, strands: 1, bends: 4, stitchMm: 0, holes: 0 },
  3,
);
const grid = buildGrid(form, 0.06);
const hand: Hand = { finestLineMm: 0.1, steadiness01: 0.7 };
const window = form.bounds;
const RADII = [0.2, 0.4, 0.6, 0.8, 1, 1.3];

const worn: Marks = { kind: "field", hollowsOnly: false, place: inZones(["worn"], 0.1) };
const context = onGround({ grid, marks: worn, passUm: 9, passes: 1, water: 0.5, hand });
const weights = placeWeights(context);
const densityAt = (x: number, y: number, most: number) => most * (weights[cellAt(grid, x, y)] ?? 0);

type Points = { readonly xy: number[]; readonly density: number[] };
const asPoints = (places: readonly { xMm: number; yMm: number }[], most: number): Points => ({
  xy: places.flatMap(({ xMm, yMm }) => [xMm, yMm]),
  density: places.map(({ xMm, yMm }) => Math.max(1e-6, densityAt(xMm, yMm, most))),
});
const lOf = ({ xy, density }: Points) => inhomogeneousK(xy, density, window, RADII).map(besagL);

/** Chance itself, made another way: cell by cell instead of by thinning over the panel. */
function chance(most: number, random: Random): Points {
  const places: { xMm: number; yMm: number }[] = [];
  for (let at = 0; at < weights.length; at++) {
    if (grid.inside[at]! <= 0.5) continue;
    const share = most * weights[at]! * grid.pitchMm ** 2;
    if (random.next() >= share) continue;
    places.push({
      xMm: grid.originX + (at % grid.width) * grid.pitchMm + (random.next() - 0.5) * grid.pitchMm,
      yMm: grid.originY + Math.floor(at / grid.width) * grid.pitchMm + (random.next() - 0.5) * grid.pitchMm,
    });
  }
  return asPoints(places, most);
}

/** Lowest and highest L of 39 patterns of chance: one in 40 falls outside to either side at any one radius. */
function envelope(most: number): { low: number[]; high: number[] } {
  const all = Array.from({ length: 39 }, (_, seed) => lOf(chance(most, createRandom(seed + 500))));
  return {
    low: RADII.map((_, k) => Math.min(...all.map((one) => one[k]!))),
    high: RADII.map((_, k) => Math.max(...all.map((one) => one[k]!))),
  };
}

const SCRATCH: FlickStyle = {
  density: 2.4,
  length: 0.6,
  lengthSpread: 60,
  width: 0.06,
  angle: 90,
  angleSpread: 30,
  wander: 0.04,
  taper: "both",
  grain: false,
};

describe("inhomogeneous K", () => {
  it("is π r² for points of even density, and tells clusters from rows", () => {
    const square = { minX: 0, maxX: 20, minY: 0, maxY: 20 };
    const random = createRandom(2);
    const even = Array.from({ length: 1200 }, () => random.range(0, 20));
    const perMm2 = new Array<number>(600).fill(600 / 400);
    const k = inhomogeneousK(even, perMm2, square, [1, 2]);
    expect(k[0]! / Math.PI).toBeCloseTo(1, 0.6);
    expect(k[1]! / (Math.PI * 4)).toBeGreaterThan(0.9);
    expect(k[1]! / (Math.PI * 4)).toBeLessThan(1.1);
    const rows = Array.from({ length: 400 }, (_, at) => [at % 20, Math.floor(at / 20)]).flat();
    expect(inhomogeneousK(rows, new Array<number>(400).fill(1), square, [0.9])[0]).toBe(0);
    const pairs = Array.from({ length: 300 }, () => [random.range(1, 19), random.range(1, 19)]).flatMap(
      ([x, y]) => [x!, y!, x! + 0.1, y!],
    );
    expect(inhomogeneousK(pairs, new Array<number>(600).fill(1.5), square, [0.5])[0]!).toBeGreaterThan(
      1.5 * Math.PI * 0.25,
    );
  });

  it("refuses lists that do not fit", () => {
    const square = { minX: 0, maxX: 1, minY: 0, maxY: 1 };
    expect(() => inhomogeneousK([0, 0, 1], [1, 1], square, [1])).toThrow(/two numbers/);
    expect(() => inhomogeneousK([0, 0], [0], square, [1])).toThrow(/above 0/);
  });
});

describe("marks against chance of the density that was asked for", () => {
  // Five sets of marks and six radii: a few may fall outside an envelope of 39, most may not.
  const outside = (sets: readonly number[][], { low, high }: ReturnType<typeof envelope>) =>
    sets.reduce((sum, l) => sum + l.filter((value, k) => value < low[k]! || value > high[k]!).length, 0);

  it("stipple is neither more clustered nor more even", () => {
    const sets = [1, 2, 3, 4, 5].map((seed) =>
      lOf(asPoints(scatter(grid, weights, 4, createRandom(seed)), 4)),
    );
    expect(outside(sets, envelope(4))).toBeLessThanOrEqual(6);
    // A plain K calls the crowding at the edges a cluster: the densities are what this is judged by.
    const ratios = [1, 2, 3, 4, 5].map((seed) => {
      const points = asPoints(scatter(grid, weights, 4, createRandom(seed)), 4);
      const mean = points.density.length / form.areaMm2;
      const plain = inhomogeneousK(
        points.xy,
        points.density.map(() => mean),
        window,
        [0.4],
      )[0]!;
      return plain / inhomogeneousK(points.xy, points.density, window, [0.4])[0]!;
    });
    expect(ratios.reduce((sum, ratio) => sum + ratio, 0) / ratios.length).toBeGreaterThan(1.1);
  });

  it("scratches are neither more clustered nor more even", () => {
    const sets = [1, 2, 3, 4, 5].map((seed) =>
      lOf(
        asPoints(
          flicksOf(context, SCRATCH, createRandom(seed)).map((one) => one.spot),
          SCRATCH.density,
        ),
      ),
    );
    expect(outside(sets, envelope(SCRATCH.density))).toBeLessThanOrEqual(6);
  });

  it("a hand that sets marks in rows, or in bunches, is told", () => {
    const { low, high } = envelope(4);
    const spots = scatter(grid, weights, 4, createRandom(8));
    // Pairs: every second mark is set right beside the one before it.
    const bunched = lOf(
      asPoints(
        spots.map((spot, at) =>
          at % 2 === 0 ? spot : { xMm: spots[at - 1]!.xMm + 0.08, yMm: spots[at - 1]!.yMm },
        ),
        4,
      ),
    );
    expect(bunched[0]!).toBeGreaterThan(high[0]!);
    // Spaced: a mark too near to an earlier one is moved on.
    const spaced: { xMm: number; yMm: number }[] = [];
    for (const spot of scatter(grid, weights, 12, createRandom(9)))
      if (spaced.every((one) => Math.hypot(one.xMm - spot.xMm, one.yMm - spot.yMm) > 0.35)) spaced.push(spot);
    expect(lOf(asPoints(spaced, 4))[0]!).toBeLessThan(low[0]!);
  });
});

describe("scratches", () => {
  const flicks = flicksOf(context, SCRATCH, createRandom(3));
  const xy = flicks.flatMap(({ spot }) => [spot.xMm, spot.yMm]);
  const lengths = flicks.map((one) => one.lengthMm);
  const angles = flicks.map((one) => one.angle);

  it("come in the number asked for", () => {
    const wanted = weights.reduce((sum, share) => sum + share, 0) * grid.pitchMm ** 2 * SCRATCH.density;
    expect(Math.abs(flicks.length - wanted)).toBeLessThan(4 * Math.sqrt(wanted));
  });

  it("vary in length as set: half are shorter, and the spread is that of a log-normal", () => {
    const sigma = 0.6;
    expect(lengths.filter((mm) => mm < 0.6).length / lengths.length).toBeGreaterThan(0.42);
    expect(lengths.filter((mm) => mm < 0.6).length / lengths.length).toBeLessThan(0.58);
    // Coefficient of variation of a log-normal: √(e^σ² − 1).
    const wanted = Math.sqrt(Math.exp(sigma * sigma) - 1);
    expect(coefficientOfVariation(lengths) / wanted).toBeGreaterThan(0.75);
    expect(coefficientOfVariation(lengths) / wanted).toBeLessThan(1.25);
  });

  it("vary in direction as set, about the direction asked", () => {
    const { mean, resultant } = axialConcentration(angles);
    expect(mean).toBeCloseTo(Math.PI / 2, 0.9);
    // Even within ±30°: the mean of cos 2θ is sin(60°)/(π/3).
    const wanted = Math.sin(Math.PI / 3) / (Math.PI / 3);
    expect(resultant).toBeGreaterThan(wanted - 0.05);
    expect(resultant).toBeLessThan(wanted + 0.05);
    expect(rayleighChance(resultant, angles.length)).toBeLessThan(1e-6);
    const all = flicksOf(context, { ...SCRATCH, angleSpread: 90 }, createRandom(3)).map((one) => one.angle);
    expect(axialConcentration(all).resultant).toBeLessThan(0.12);
  });

  it("are not like their neighbours", () => {
    // Mean over ten sets: the correlation of one set strays by about 1.3 / √n for chance.
    const sets = Array.from({ length: 10 }, (_, seed) => flicksOf(context, SCRATCH, createRandom(seed + 20)));
    const meanOf = (value: (flick: (typeof flicks)[number]) => number) =>
      sets.reduce(
        (sum, set) =>
          sum +
          neighbourCorrelation(
            set.flatMap(({ spot }) => [spot.xMm, spot.yMm]),
            set.map(value),
          ),
        0,
      ) / sets.length;
    const bound = (3 * 1.3) / Math.sqrt(10 * flicks.length);
    expect(Math.abs(meanOf((flick) => flick.lengthMm))).toBeLessThan(bound);
    expect(Math.abs(meanOf((flick) => flick.angle))).toBeLessThan(bound);
    // A hand that copies the mark beside it is told.
    expect(
      neighbourCorrelation(
        xy,
        flicks.map(({ spot }) => Math.floor(spot.xMm / 3)),
      ),
    ).toBeGreaterThan(0.8);
  });
});
