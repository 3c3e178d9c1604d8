import { describe, expect, it } from "vitest";
import { decodeSrgb } from "../colour/spaces";
import { eyeBlurMm, finestSeenMm, seenFrom } from "./seenFrom";

const size = { width: 60, height: 40, pitchMm: 0.03 };
const inside = new Float32Array(size.width * size.height).fill(1);
/** Black and white stripes of so many cells. */
const stripes = (cells: number) =>
  Uint8ClampedArray.from({ length: inside.length * 4 }, (_, k) => {
    const column = Math.floor(k / 4) % size.width;
    return k % 4 === 3 || Math.floor(column / cells) % 2 === 0 ? 255 : 0;
  });
const contrast = (rgba: Uint8ClampedArray) => {
  const row = Array.from({ length: 30 }, (_, k) => decodeSrgb(rgba[(20 * size.width + 15 + k) * 4]! / 255));
  const [low, high] = [Math.min(...row), Math.max(...row)];
  return (high - low) / (high + low);
};

describe("what the eye resolves", () => {
  it("is a minute of arc: 0.06 mm in the hand, 0.17 mm at arm's length, 0.35 mm across the table", () => {
    expect(finestSeenMm(200)).toBeCloseTo(0.058, 3);
    expect(finestSeenMm(600)).toBeCloseTo(0.1745, 3);
    expect(finestSeenMm(1200)).toBeCloseTo(0.349, 3);
  });

  it("runs fine stripes together from afar and leaves broad ones", () => {
    const at = (cells: number, mm: number) => {
      const rgba = stripes(cells);
      seenFrom(rgba, inside, size, mm);
      return contrast(rgba);
    };
    expect(at(3, 150)).toBeGreaterThan(0.9);
    expect(at(3, 600)).toBeLessThan(at(3, 150));
    expect(at(2, 1200)).toBeLessThan(0.1);
    expect(at(15, 600)).toBeGreaterThan(0.95);
  });

  it("loses by the Gaussian that it says: contrast of a grating falls as exp(−2π²σ²/p²)", () => {
    const period = 12;
    const rgba = new Uint8ClampedArray(inside.length * 4).fill(255);
    for (let k = 0; k < inside.length; k++) {
      const light = 0.5 + 0.4 * Math.cos((2 * Math.PI * (k % size.width)) / period);
      const byte = Math.round(
        255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055),
      );
      rgba.set([byte, byte, byte], k * 4);
    }
    seenFrom(rgba, inside, size, 600);
    const sigma = eyeBlurMm(600) / size.pitchMm;
    const expected = 0.8 * Math.exp((-2 * Math.PI ** 2 * sigma ** 2) / period ** 2);
    expect(Math.abs(contrast(rgba) - expected)).toBeLessThan(0.06);
  });

  it("keeps the mean light, and draws no dark rim from outside the panel", () => {
    const half = inside.map((_, at) => (at % size.width < 30 ? 1 : 0));
    const rgba = new Uint8ClampedArray(inside.length * 4);
    for (let at = 0; at < inside.length; at++)
      rgba.set(half[at] === 1 ? [180, 90, 40, 255] : [0, 0, 0, 0], at * 4);
    seenFrom(rgba, half, size, 1200);
    expect([...rgba.subarray((20 * size.width + 29) * 4, (20 * size.width + 29) * 4 + 3)]).toEqual([
      180, 90, 40,
    ]);
  });
});
