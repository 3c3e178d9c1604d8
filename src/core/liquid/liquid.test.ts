import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { exchanged, type Liquid } from "./kernel";

type Exchanges = readonly (readonly [number, number])[];

/** The same told plainly: from the higher surface to the lower, cell by cell. */
function plainly({ ground, depth, inside, size }: Liquid, exchanges: Exchanges, evensOut: number) {
  const { width, height } = size;
  let now = Array.from(depth);
  for (const [apart, turns] of exchanges)
    for (let turn = 0; turn < 2 * turns; turn++) {
      const [dx, dy] = turn % 2 === 0 ? [apart, 0] : [0, apart];
      const next = [...now];
      for (let y = 0; y + dy < height; y++)
        for (let x = 0; x + dx < width; x++) {
          const [here, there] = [y * width + x, (y + dy) * width + x + dx];
          if (inside[here]! < 0.5 || inside[there]! < 0.5) continue;
          const wanted = evensOut * (ground[here]! + now[here]! - ground[there]! - now[there]!);
          const runs = Math.max(Math.min(wanted, now[here]! / 2), -now[there]! / 2);
          next[here]! -= runs;
          next[there]! += runs;
        }
      now = next;
    }
  return now;
}

const liquids = fc
  .record({ width: fc.integer({ min: 1, max: 23 }), height: fc.integer({ min: 1, max: 23 }) })
  .chain((size) => {
    const plane = (min: number, max: number) =>
      fc
        .array(fc.integer({ min, max }), {
          minLength: size.width * size.height,
          maxLength: size.width * size.height,
        })
        .map((list) => Float32Array.from(list));
    return fc.record({
      size: fc.constant(size),
      ground: plane(-300, 300),
      depth: plane(0, 80),
      inside: plane(0, 1),
    });
  });
const ways = fc.array(fc.tuple(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 0, max: 3 })), {
  minLength: 1,
  maxLength: 4,
});

describe("liquid that runs level", () => {
  it("runs as it does when told cell by cell, on pieces of any width", () => {
    fc.assert(
      fc.property(liquids, ways, (liquid, exchanges) => {
        const plain = plainly(liquid, exchanges, 0.4);
        exchanged(liquid, exchanges, 0.4).forEach((um, at) =>
          expect(Math.abs(um - plain[at]!)).toBeLessThan(2e-3),
        );
      }),
    );
  });

  it("is neither made nor lost, never less than nothing, and stays on the piece", () => {
    fc.assert(
      fc.property(liquids, ways, (liquid, exchanges) => {
        const after = exchanged(liquid, exchanges, 0.4);
        const sum = (depths: Float32Array) => depths.reduce((all, um) => all + um, 0);
        expect(Math.abs(sum(after) - sum(liquid.depth))).toBeLessThanOrEqual(1e-5 * sum(liquid.depth));
        after.forEach((um, at) => {
          expect(um).toBeGreaterThanOrEqual(-1e-3);
          if (liquid.inside[at]! < 0.5) expect(um).toBe(liquid.depth[at]!);
        });
      }),
    );
  });

  it("lies level in the end in a basin that holds it all", () => {
    const [width, height] = [40, 3];
    const ground = Float32Array.from({ length: width * height }, (_, at) => Math.abs((at % width) - 20) / 2);
    const liquid = {
      ...{ ground, size: { width, height } },
      depth: new Float32Array(ground.length).fill(12),
      inside: new Float32Array(ground.length).fill(1),
    };
    const level = exchanged(liquid, [[1, 800]], 0.4).map((um, at) => um + ground[at]!);
    expect(Math.max(...level) - Math.min(...level)).toBeLessThan(0.2);
  });
});
