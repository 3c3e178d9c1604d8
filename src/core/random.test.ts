import { describe, expect, it } from "vitest";
import { createRandom, hash01 } from "./random";

describe("the random stream", () => {
  it("repeats for one seed and differs for another", () => {
    const take = (seed: number) =>
      Array.from(
        { length: 5 },
        (
          (random) => () =>
            random.next()
        )(createRandom(seed)),
      );
    expect(take(7)).toEqual(take(7));
    expect(take(7)).not.toEqual(take(8));
  });

  it("forks into streams that do not depend on how much was drawn before", () => {
    const used = createRandom(3);
    used.next();
    expect(used.fork("a").next()).toBe(createRandom(3).fork("a").next());
    expect(used.fork("a").next()).not.toBe(used.fork("b").next());
  });

  it("is uniform and normal by their first moments", () => {
    const random = createRandom(1);
    const uniform = Array.from({ length: 20000 }, () => random.next());
    const normal = Array.from({ length: 20000 }, () => random.normal());
    const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;
    expect(mean(uniform)).toBeCloseTo(0.5, 1);
    expect(Math.abs(mean(normal))).toBeLessThan(0.03);
    expect(mean(normal.map((v) => v * v))).toBeCloseTo(1, 1);
    const hashed = Array.from({ length: 20000 }, (_, k) => hash01(5, k, k * 3));
    expect(mean(hashed)).toBeCloseTo(0.5, 1);
  });
});
