import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Triple } from "../colour/spaces";
import { continued, halved, pyramid, resized, type Plane } from "./pyramid";
import { salienceOf } from "./salience";

const SIZE = 240;
const CELL = 40;
const COUNT = SIZE / CELL;

/** A display of things in rows, as experiments on search use them: what each pixel is, by its place within its cell. */
function display(
  drawn: (column: number, row: number, x: number, y: number) => Triple,
): [Plane, Plane, Plane] {
  const planes = [0, 1, 2].map(() => new Float32Array(SIZE * SIZE)) as [
    Float32Array,
    Float32Array,
    Float32Array,
  ];
  for (let y = 0; y < SIZE; y++)
    for (let x = 0; x < SIZE; x++) {
      const colour = drawn(
        Math.floor(x / CELL),
        Math.floor(y / CELL),
        (x % CELL) - CELL / 2 + 0.5,
        (y % CELL) - CELL / 2 + 0.5,
      );
      for (const axis of [0, 1, 2] as const) planes[axis][y * SIZE + x] = colour[axis];
    }
  return planes.map((values) => ({ width: SIZE, height: SIZE, values })) as [Plane, Plane, Plane];
}

const whole: Plane = { width: SIZE, height: SIZE, values: new Float32Array(SIZE * SIZE).fill(1) };
const GROUND: Triple = [50, 0, 0];

/** The cell with the greatest salience. */
function drawnTo(lab: readonly [Plane, Plane, Plane], there = whole): readonly [number, number] {
  const { width, values } = salienceOf(lab, there);
  const at = values.indexOf(Math.max(...values));
  return [Math.floor(((at % width) * 2) / CELL), Math.floor((Math.floor(at / width) * 2) / CELL)];
}

/** Any cell that does not touch the rim. */
const cells = fc.tuple(fc.integer({ min: 1, max: COUNT - 2 }), fc.integer({ min: 1, max: COUNT - 2 }));
const turned = (x: number, y: number, deg: number) => {
  const turn = (deg * Math.PI) / 180;
  return [x * Math.cos(turn) + y * Math.sin(turn), y * Math.cos(turn) - x * Math.sin(turn)] as const;
};

describe("where the eye goes in displays with a known answer", () => {
  it("is the red disc among green ones as light, wherever it is", () => {
    fc.assert(
      fc.property(cells, ([column, row]) => {
        const lab = display((c, r, x, y) =>
          Math.hypot(x, y) > 9 ? GROUND : c === column && r === row ? [50, 45, 20] : [50, -35, 20],
        );
        expect(drawnTo(lab)).toEqual([column, row]);
      }),
      { numRuns: 6 },
    );
  });

  it("is the large disc among small ones", () => {
    fc.assert(
      fc.property(cells, ([column, row]) => {
        const lab = display((c, r, x, y) =>
          Math.hypot(x, y) > (c === column && r === row ? 14 : 6) ? GROUND : [75, 0, 0],
        );
        expect(drawnTo(lab)).toEqual([column, row]);
      }),
      { numRuns: 6 },
    );
  });

  it("is the bar that lies across among bars that stand", () => {
    fc.assert(
      fc.property(cells, ([column, row]) => {
        const lab = display((c, r, x, y) => {
          const [across, along] = turned(x, y, c === column && r === row ? 90 : 0);
          return Math.abs(across) < 3 && Math.abs(along) < 14 ? [80, 0, 0] : GROUND;
        });
        expect(drawnTo(lab)).toEqual([column, row]);
      }),
      { numRuns: 6 },
    );
  });

  it("is the one light thing on a dark ground, and the strongest of two", () => {
    const one = display((c, r, x, y) =>
      c === 4 && r === 2 && Math.hypot(x, y) < 10 ? [90, 0, 0] : [20, 0, 0],
    );
    expect(drawnTo(one)).toEqual([4, 2]);
    const two = display((c, r, x, y) => {
      if (Math.hypot(x, y) > 10) return [40, 0, 0];
      return c === 1 && r === 1 ? [90, 0, 0] : c === 4 && r === 4 ? [55, 0, 0] : [40, 0, 0];
    });
    expect(drawnTo(two)).toEqual([1, 1]);
  });

  it("is nowhere on a plain ground, nor where differences are too small to be seen", () => {
    for (const step of [0, 0.8]) {
      const { values } = salienceOf(
        display((c) => [50 + (c % 2) * step, 0, 0]),
        whole,
      );
      expect(Math.max(...values)).toBe(0);
    }
  });

  it("does not prefer the middle", () => {
    const lab = display((c, r, x, y) =>
      Math.hypot(x, y) < 8 && ((c === 1 && r === 1) || (c === 4 && r === 4)) ? [80, 0, 0] : GROUND,
    );
    const { width, values } = salienceOf(lab, whole);
    const at = (cell: number) => values[Math.round((cell + 0.5) * (CELL / 2)) * (width + 1)]!;
    expect(Math.abs(at(1) - at(4))).toBeLessThan(0.05);
  });

  it("is not the outline of what is looked at", () => {
    // A light thing in the dark: nothing on it stands out but a spot.
    const values = Float32Array.from({ length: SIZE * SIZE }, (_, at) =>
      Math.hypot((at % SIZE) - 120, Math.floor(at / SIZE) - 120) < 90 ? 1 : 0,
    );
    const there = { width: SIZE, height: SIZE, values };
    const lab = display((c, r, x, y) =>
      c === 3 && r === 3 && Math.hypot(x, y) < 6 ? [60, 0, 0] : [70, 0, 0],
    );
    lab[0].values.forEach((_, at) => {
      if (values[at] === 0) lab[0].values[at] = 5;
    });
    expect(drawnTo(lab, there)).toEqual([3, 3]);
  });
});

describe("pyramids", () => {
  const noise: Plane = {
    width: 37,
    height: 22,
    values: Float32Array.from({ length: 37 * 22 }, (_, at) => (at * 7919) % 101),
  };
  it("keep the mean and halve the size", () => {
    const mean = ({ values }: Plane) => values.reduce((sum, value) => sum + value, 0) / values.length;
    const half = halved(noise);
    expect([half.width, half.height]).toEqual([19, 11]);
    expect(Math.abs(mean(half) - mean(noise))).toBeLessThan(4);
    expect(pyramid(noise, 3)).toHaveLength(4);
    expect(resized(noise, 37, 22).values).toBe(noise.values);
  });

  it("go on beyond an outline with what lies near it", () => {
    const mask = { ...noise, values: noise.values.map((_, at) => (at % 37 < 12 ? 1 : 0)) };
    const plane = { ...noise, values: noise.values.map((_, at) => (at % 37 < 12 ? 30 : 90)) };
    for (const value of continued([plane], mask)[0]!.values) expect(value).toBeCloseTo(30, 3);
  });
});
