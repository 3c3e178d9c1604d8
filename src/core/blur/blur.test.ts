import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { boxedThrice, type Box } from "./kernel";

/** One box mean along rows or columns, cell by cell, edges repeated. */
function boxed(input: readonly number[], width: number, height: number, box: Box, along: boolean): number[] {
  const [dx, dy] = along ? [1, 0] : [0, 1];
  const at = (x: number, y: number) =>
    input[Math.min(height - 1, Math.max(0, y)) * width + Math.min(width - 1, Math.max(0, x))]!;
  return input.map((_, cell) => {
    const [x, y] = [cell % width, Math.floor(cell / width)];
    let sum = 0;
    for (let k = -box.radius; k <= box.radius; k++) sum += at(x + k * dx, y + k * dy);
    const end = box.radius + 1;
    sum += box.share * (at(x - end * dx, y - end * dy) + at(x + end * dx, y + end * dy));
    return sum / (2 * box.radius + 1 + 2 * box.share);
  });
}

describe("three box means each way", () => {
  it("are what is told cell by cell, on planes narrower and wider than the box", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 0, max: 9 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.infiniteStream(fc.float({ min: -1, max: 1, noNaN: true })),
        (width, height, radius, share, stream) => {
          const input = Float32Array.from({ length: width * height }, () => stream.next().value as number);
          let wanted: number[] = [...input];
          for (let turn = 0; turn < 3; turn++)
            for (const along of [true, false])
              wanted = boxed(wanted, width, height, { radius, share }, along);
          const own = boxedThrice(input, width, height, { radius, share });
          return own.every((value, at) => Math.abs(value - wanted[at]!) < 1e-5);
        },
      ),
      { numRuns: 60 },
    );
  });

  it("leave what they are given as it is, and what they gave before", () => {
    const input = Float32Array.of(0, 0, 9, 0, 0, 0);
    const box = { radius: 1, share: 0 };
    const before = boxedThrice(input, 6, 1, box);
    const kept = before.slice();
    boxedThrice(Float32Array.of(5, 5, 5, 5), 2, 2, box);
    expect(before).toEqual(kept);
    expect([...input]).toEqual([0, 0, 9, 0, 0, 0]);
    expect(before.reduce((sum, value) => sum + value, 0)).toBeCloseTo(9, 0);
  });
});
