import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { buildForm } from "../../surface/forms/buildForm";
import { colouring, joins, joinsByChance } from "../../techniques/single-blocks/colouring";
import { createRandom } from "../../random";
import { covered, gridsOf } from "../testing";
import { jointsOver, laidOn, type CourseSizes } from "./layout";

const SIZES: CourseSizes = { course: 3, width: 5, footing: 100, unlike: 60, split: 0, over: 0 };
const STRAIGHT = { bendDeg: 0, creases: 0, creaseMm: 0, cuffMm: 0, turnedMm: 0, proudMm: 0 };

const wallOf = (lengthMm: number, widthMm: number) =>
  buildForm(covered("courses", "panel", { of: { lengthMm, widthMm, dents: 0 } }).surface);
const towerOf = (topMm: number, hemMm: number, lengthMm: number) =>
  buildForm(
    covered("courses", "sleeve", {
      of: { ...STRAIGHT, topMm, hemMm, jointMm: (topMm + hemMm) / 2, lengthMm },
    }).surface,
  );

/** Any sizes at which blocks can keep bond, on a wall or a tower. */
const anyWall = fc.record({
  isTower: fc.boolean(),
  long: fc.integer({ min: 16, max: 120 }),
  tall: fc.integer({ min: 8, max: 60 }),
  unlike: fc.integer({ min: 0, max: 100 }),
  split: fc.integer({ min: 0, max: 60 }),
  footing: fc.integer({ min: 60, max: 300 }),
  seed: fc.integer({ min: 0, max: 1e6 }),
});

interface WallSizes {
  readonly isTower: boolean;
  readonly long: number;
  readonly tall: number;
  readonly unlike: number;
  readonly split: number;
  readonly footing: number;
  readonly seed: number;
}

const laidBy = ({ isTower, long, tall, unlike, split, footing, seed }: WallSizes) => {
  const form = isTower ? towerOf(long, long * 1.2, tall) : wallOf(long, tall);
  return { form, laid: laidOn(form, { ...SIZES, unlike, split, footing }, seed) };
};

describe("blocks in courses", () => {
  it("keep bond, fill their courses from end to end, and touch whom touches them", () => {
    fc.assert(
      fc.property(anyWall, (some) => {
        const { form, laid } = laidBy(some);
        expect(jointsOver(laid, form.closed, SIZES.width)).toBe(0);
        const ofRow = laid.courses.map(() => 0);
        for (const { row, from, to, lowMm, highMm } of laid.blocks) {
          const course = laid.courses[row]!;
          ofRow[row]! += ((to - from) * (highMm - lowMm)) / (course.highMm - course.lowMm);
        }
        expect(Math.max(...ofRow.map((share) => Math.abs(share - 1)))).toBeLessThan(1e-6);
        const oneSided = laid.neighbours.flatMap((own, at) =>
          own.filter((other) => other === at || !laid.neighbours[other]!.includes(at)),
        );
        expect(oneSided).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it("let so many joints lie over a joint as asked, and no more", () => {
    for (const over of [0, 10, 30]) {
      let most = 0;
      for (let seed = 0; seed < 20; seed++)
        most = Math.max(
          most,
          jointsOver(laidOn(wallOf(60, 30), { ...SIZES, over, unlike: 90 }, seed), false, SIZES.width),
        );
      expect(most).toBeLessThanOrEqual(over / 100 + 0.02);
    }
  });

  it("close round a tower: one block goes over the first seam in most courses, and none ends there by force", () => {
    const tower = towerOf(44, 52, 26);
    const { courses, blocks } = laidOn(tower, SIZES, 4);
    const over = courses.filter((_, row) => blocks.some((block) => block.row === row && block.to > 1 + 1e-6));
    expect(over.length).toBe(courses.length);
    const at = courses.filter(({ joints }) => joints.some((joint) => joint < 1e-4));
    expect(at.length).toBeLessThan(2);
  });

  it("have a lowest course as high as asked against the others", () => {
    const { courses } = laidOn(wallOf(60, 40), { ...SIZES, footing: 200, unlike: 0 }, 3);
    const [low, next] = courses.map(({ lowMm, highMm }) => highMm - lowMm);
    expect(low! / next!).toBeCloseTo(2, 6);
  });

  it("are sculpted with joints as deep as asked, and as wide within 15 %", () => {
    const sizes = {
      course: 4,
      width: 8,
      unlike: 0,
      chips: 0,
      rough: 0,
      joint: 0.6,
      deep: 0.5,
      bevel: 0.02,
      split: 0,
    };
    const piece = covered("courses", "panel", { of: { lengthMm: 40, widthMm: 24, dents: 0 }, sizes });
    const { grid } = gridsOf(piece, 0.04);
    const { upMm } = grid.hide!;
    let [deep, all] = [0, 0];
    for (let at = 0; at < upMm.length; at++) {
      if (grid.inside[at]! < 0.99) continue;
      all++;
      if (upMm[at]! < -0.25) deep++;
    }
    // Bed joints between courses 4 mm high, and upright ones between blocks 8 mm long.
    expect(deep / all / (1 - (1 - 0.6 / 4) * (1 - 0.6 / 8))).toBeGreaterThan(0.85);
    expect(deep / all / (1 - (1 - 0.6 / 4) * (1 - 0.6 / 8))).toBeLessThan(1.15);
    expect(
      Math.min(...Array.from({ length: 400 }, (_, at) => upMm[(at * 97) % upMm.length]!)),
    ).toBeGreaterThan(-0.56);
  });

  it("of a roof lie over each other: each slate's lower edge stands above the one below it", () => {
    const sizes = { course: 3, width: 4, unlike: 0, rough: 0, joint: 0.1, deep: 0.05, lift: 0.4, slip: 0 };
    const piece = covered("courses", "panel", { of: { lengthMm: 24, widthMm: 18, dents: 0 }, sizes });
    const { grid } = gridsOf(piece, 0.06);
    const { upMm, thing, things } = grid.hide!;
    let [up, down] = [0, 0];
    for (let at = grid.width * 5; at < thing.length - grid.width * 5; at++) {
      const [above, below] = [at - 4 * grid.width, at + 4 * grid.width];
      if (thing[above] === thing[below] || grid.inside[above]! < 1 || grid.inside[below]! < 1) continue;
      const isBed = things[thing[above]!]!.heightMm > things[thing[below]!]!.heightMm + 1;
      if (!isBed || thing[above] !== thing[above - 2]) continue;
      if (upMm[above]! > upMm[below]!) up++;
      else down++;
    }
    expect(up).toBeGreaterThan(500);
    expect(down / up).toBeLessThan(0.05);
  });
});

describe("colours shared out among blocks", () => {
  it("leave no two alike side by side, in 500 walls of up to 400 blocks, with four", () => {
    let [alike, most] = [0, 0];
    for (let seed = 0; seed < 500; seed++) {
      const form =
        seed % 4 === 0 ? towerOf(40, 50, 10 + (seed % 50)) : wallOf(20 + (seed % 60), 10 + (seed % 50));
      const laid = laidOn(form, { ...SIZES, unlike: seed % 101, split: seed % 50 }, seed);
      const colours = colouring(laid.neighbours, { colours: 4, bare: 0, alike: 0 }, seed);
      alike += joins(laid.neighbours, colours).alike;
      most = Math.max(most, laid.blocks.length);
    }
    expect(alike).toBe(0);
    expect(most).toBeGreaterThan(300);
  });

  it("leave as many bare as asked, use every colour about alike, and let neighbours be alike as far as asked", () => {
    const { neighbours } = laidOn(wallOf(80, 50), { ...SIZES, split: 20 }, 5);
    for (const bare of [0, 0.4]) {
      const colours = colouring(neighbours, { colours: 4, bare, alike: 0 }, 7);
      const count = (colour: number) => colours.filter((one) => one === colour).length;
      expect(count(-1)).toBe(Math.round(bare * neighbours.length));
      const each = [0, 1, 2, 3].map(count);
      expect(Math.max(...each) / Math.min(...each)).toBeLessThan(1.9);
    }
    for (const alike of [0.05, 0.15]) {
      const { pairs, alike: got } = joins(
        neighbours,
        colouring(neighbours, { colours: 4, bare: 0, alike }, 7),
      );
      expect(got / pairs).toBeLessThanOrEqual(alike);
      expect(got / pairs).toBeGreaterThan(alike * 0.6);
    }
  });

  it("dealt out blindly are alike as often as chance is said to have them", () => {
    const { neighbours } = laidOn(wallOf(80, 50), SIZES, 5);
    const random = createRandom(3);
    const dealt = Array.from({ length: neighbours.length }, (_, at) => at % 4);
    let [sum, squares] = [0, 0];
    const runs = 300;
    for (let run = 0; run < runs; run++) {
      for (let at = dealt.length - 1; at > 0; at--) {
        const other = Math.floor(random.next() * (at + 1));
        [dealt[at], dealt[other]] = [dealt[other]!, dealt[at]!];
      }
      const { alike } = joins(neighbours, dealt);
      sum += alike;
      squares += alike * alike;
    }
    const { mean, deviation } = joinsByChance(neighbours, dealt);
    const got = sum / runs;
    expect(Math.abs(got - mean) / mean).toBeLessThan(0.03);
    expect(Math.sqrt(squares / runs - got * got) / deviation).toBeGreaterThan(0.8);
    expect(Math.sqrt(squares / runs - got * got) / deviation).toBeLessThan(1.25);
  });
});

describe("wood in courses", () => {
  /** How much steeper a hide's relief is across its blocks than along the piece: above 1 fibres run along it. */
  const fibresAlong = (of: Readonly<Record<string, number>>) => {
    const made = covered("courses", "panel", {
      of: { lengthMm: 20, widthMm: 14, dents: 0 },
      sizes: { unlike: 0, chips: 0, rough: 0, grain: 0.1, joint: 0.06, deep: 0.06, bevel: 0.04, ...of },
    });
    const { relief, width, height, inside } = gridsOf(made, 0.06).grid;
    let [x, y] = [0, 0];
    for (let row = 2; row < height - 2; row++)
      for (let at = row * width + 2; at < (row + 1) * width - 2; at++) {
        if (inside[at]! < 1) continue;
        x += Math.abs(relief[at + 1]! - relief[at - 1]!);
        y += Math.abs(relief[at + width]! - relief[at - width]!);
      }
    return y / x;
  };

  it("has its fibres along lying planks, and up standing boards", () => {
    expect(fibresAlong({ course: 2.6, width: 26 })).toBeGreaterThan(2);
    expect(fibresAlong({ course: 30, width: 2.6, over: 100 })).toBeLessThan(0.5);
  });
});
