import { describe, expect, it } from "vitest";
import { createRandom } from "../random";
import { ciede2000 } from "./difference";
import { placedColours, type BeastPicture, type PlacedColour } from "./placedColours";
import { hexToLab } from "./spaces";

const [PALE, RUST, DARK, GREEN] = ["#c8bba4", "#8e5426", "#2a2522", "#3f7a3a"] as const;

/** A picture painted by a rule: the colour of each pixel; null for clear. */
function pictured(
  width: number,
  height: number,
  of: (x: number, y: number) => string | null,
  more: Partial<BeastPicture> = {},
): BeastPicture {
  const rgba = new Uint8ClampedArray(width * height * 4);
  const noise = createRandom(3);
  for (let at = 0; at < width * height; at++) {
    const hex = of((at % width) + 0.5, Math.floor(at / width) + 0.5);
    if (hex === null) continue;
    // Hair is never one flat colour.
    for (const k of [0, 1, 2])
      rgba[at * 4 + k] = parseInt(hex.slice(1 + 2 * k, 3 + 2 * k), 16) + 6 * noise.normal();
    rgba[at * 4 + 3] = 255;
  }
  return { rgba, width, height, neutral: null, shown: "all-over", ...more };
}

const near = (hex: string, list: readonly PlacedColour[]) =>
  list.find(({ colour }) => ciede2000(hexToLab(colour), hexToLab(hex)) < 4)!;

describe("a coat read from a picture", () => {
  it("has the picture's colours, their shares within 2 %, and sits nowhere where it is all over", () => {
    // Stripes across the whole picture: 50, 30 and 20 of every 100 pixels.
    const found = placedColours(
      pictured(300, 200, (x) => (x % 20 < 10 ? PALE : x % 20 < 16 ? RUST : DARK)),
      3,
      createRandom(1),
    );
    expect(found.map(({ share }) => share).reduce((a, b) => a + b)).toBeCloseTo(100, 0);
    expect(Math.abs(near(PALE, found).share - 50)).toBeLessThan(2);
    expect(Math.abs(near(RUST, found).share - 30)).toBeLessThan(2);
    expect(Math.abs(near(DARK, found).share - 20)).toBeLessThan(2);
    expect(found[0]!.share).toBeGreaterThanOrEqual(found[1]!.share);
    expect(found.map(({ sits }) => sits)).toEqual(["anywhere", "anywhere", "anywhere"]);
  });

  it("tells a dark back, a pale belly and dark ends apart", () => {
    const saddled = placedColours(
      pictured(300, 200, (_x, y) => (y < 60 ? DARK : y < 140 ? RUST : PALE)),
      3,
      createRandom(1),
    );
    expect(near(DARK, saddled)).toMatchObject({ sits: "back" });
    expect(near(PALE, saddled)).toMatchObject({ sits: "belly" });
    expect(near(DARK, saddled).keeps).toBeGreaterThan(60);
    const masked = placedColours(
      pictured(300, 200, (x) => (x < 40 || x > 260 ? DARK : RUST)),
      2,
      createRandom(1),
    );
    expect(near(DARK, masked)).toMatchObject({ sits: "ends" });
  });

  it("leaves the ground behind a beast out, whatever it is", () => {
    const inBeast = (x: number, y: number) => ((x - 150) / 110) ** 2 + ((y - 100) / 60) ** 2 < 1;
    const before = pictured(
      300,
      200,
      (x, y) => (!inBeast(x, y) ? (y > 140 ? GREEN : "#9fb4c8") : y < 90 ? DARK : PALE),
      { shown: "before-ground" },
    );
    const found = placedColours(before, 2, createRandom(1));
    expect(found).toHaveLength(2);
    expect(near(DARK, found)).toMatchObject({ sits: "back" });
    expect(near(PALE, found)).toMatchObject({ sits: "belly" });
    expect(near(GREEN, found)).toBeUndefined();
    expect(Math.abs(near(DARK, found).share - 42)).toBeLessThan(6);
  });

  it("counts no clear pixels, and finds nothing where all are clear", () => {
    const cut = placedColours(
      pictured(200, 200, (x, y) => (Math.hypot(x - 100, y - 100) < 80 ? (x < 100 ? DARK : PALE) : null)),
      2,
      createRandom(1),
    );
    expect(Math.abs(near(DARK, cut).share - 50)).toBeLessThan(2);
    expect(
      placedColours(
        pictured(50, 50, () => null),
        3,
        createRandom(1),
      ),
    ).toEqual([]);
  });
});
