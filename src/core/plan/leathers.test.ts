import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ciede2000 } from "../colour/difference";
import { hexToLab } from "../colour/spaces";
import { assignColours, leatherFamily, type Touching } from "./leathers";

const BROWN = hexToLab("#6b432c");
const least = (
  of: Readonly<Record<string, number>>,
  touching: Touching,
  family: readonly (readonly number[])[],
) => Math.min(...touching.map(([a, b]) => Math.abs(family[of[a]!]![0]! - family[of[b]!]![0]!)));

describe("leathers of one figure", () => {
  it("are unlike in lightness wherever they touch, as the best of all ways is", () => {
    const names = ["belt", "satchel", "glove", "boot"];
    const touching: Touching = [
      ["belt", "satchel"],
      ["belt", "glove"],
      ["satchel", "glove"],
      ["boot", "belt"],
    ];
    const family = leatherFamily(BROWN, null, 4);
    const found = assignColours(names, touching, family);
    expect(found.leastStep).toBeCloseTo(least(found.colourOf, touching, family), 6);
    let best = 0;
    for (let way = 0; way < 4 ** 4; way++) {
      const of = Object.fromEntries(names.map((name, k) => [name, Math.floor(way / 4 ** k) % 4]));
      best = Math.max(best, least(of, touching, family));
    }
    expect(Math.min(11, found.leastStep)).toBeCloseTo(Math.min(11, best), 6);
    expect(found.leastStep).toBeGreaterThan(8);
  });

  it("gives neighbours of many parts different colours where a chain allows it", () => {
    const names = Array.from({ length: 24 }, (_, at) => `strap-${at}`);
    const touching = names.slice(1).map((name, at) => [names[at]!, name] as const);
    const found = assignColours(names, touching, leatherFamily(BROWN, null, 4));
    for (const [a, b] of touching) expect(found.colourOf[a]).not.toBe(found.colourOf[b]);
    expect(found.leastStep).toBeGreaterThan(8);
  });

  it("names every surface, whatever touches what", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 7 }), fc.integer({ min: 0, max: 7 })), { maxLength: 12 }),
        (count, pairs) => {
          const names = Array.from({ length: count }, (_, at) => `part-${at}`);
          const touching = pairs.map(([a, b]) => [`part-${a}`, `part-${b}`] as const);
          const { colourOf } = assignColours(names, touching, leatherFamily(BROWN, null, 3));
          expect(Object.keys(colourOf).sort()).toEqual([...names].sort());
          for (const colour of Object.values(colourOf)) expect(colour >= 0 && colour < 3).toBe(true);
        },
      ),
    );
    expect(() => assignColours(["one"], [], [])).toThrow(RangeError);
  });

  it("come as browns that can be told apart, drawn towards the figure's own colour", () => {
    const plain = leatherFamily(BROWN, null, 6);
    for (let a = 0; a < 6; a++)
      for (let b = a + 1; b < 6; b++) expect(ciede2000(plain[a]!, plain[b]!)).toBeGreaterThan(5);
    const blue = hexToLab("#1f4e66");
    const drawn = leatherFamily(BROWN, blue, 6);
    expect(drawn[0]).toEqual(plain[0]);
    for (let at = 1; at < 6; at++) expect(drawn[at]![2]).toBeLessThan(plain[at]![2]);
  });
});
