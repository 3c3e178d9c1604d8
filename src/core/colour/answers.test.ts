import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import { createRandom } from "../random";
import { paintOptics } from "./appearance";
import { ciede2000 } from "./difference";
import { layFilm } from "./film";
import { nearFourPots } from "./fourPots";
import { findGlazes, GLAZE_COATS, GLAZE_WATERS } from "./glazeFinder";
import { continuousPull, gradientBetween, placesOfSteps, stepsWithoutJump, unseenJump } from "./gradient";
import { mainColours, meanLinear, neutralFrom } from "./mainColours";
import { brushedPassUm } from "./mix";
import { compareMixes, judge, tryAllMixes } from "./search";
import { hexToLab, linearToHex, spectrumToLab, type Triple } from "./spaces";
import { hexToSpectrum } from "./spectrum";
import { wholeParts } from "./wholeParts";

const pot = (name: string) => demoShelf.find((paint) => paint.name === name)!;
const always = () => Promise.resolve(true);
const coatUm = (water: number) => brushedPassUm(water) * 0.5;

describe("trying every mix", () => {
  const pots = demoShelf.filter(({ kind }) => kind === "paint").slice(0, 5);
  const options = { mostParts: 3, pots: 3, keep: 7 } as const;
  const fromEveryOne = (given: typeof pots, goal: Triple) => {
    const see = judge(given, goal, { kind: "thick" });
    return tryAllMixes(given, goal, options).map(({ parts, difference }) => {
      const at = parts.map(({ paintId }) => given.findIndex(({ id }) => id === paintId));
      return [difference, see({ pots: at, parts: parts.map((part) => part.parts) }).difference] as const;
    });
  };

  it("is asked again for other goals and of other pots, and judges each mix as if it were the first", () => {
    const stronger = pots.map((paint, at) => (at === 1 ? { ...paint, strength: 3 * paint.strength } : paint));
    const relabelled = pots.map((paint, at) => (at === 2 ? { ...paint, thick: "#20a0c0" } : paint));
    for (const goal of ["#7a5030", "#30506a", "#c8c0a0"].map(hexToLab))
      for (const given of [pots, stronger, [...relabelled].reverse(), pots])
        for (const [found, anew] of fromEveryOne(given, goal)) expect(found).toBe(anew);
  });

  it("keeps the best in their order, as sorting all of them would", () => {
    const goal = hexToLab("#6a5a48");
    const all = tryAllMixes(pots, goal, { ...options, keep: 10_000 });
    expect(all.length).toBeGreaterThan(200);
    expect([...all].sort(compareMixes)).toEqual(all);
    expect(tryAllMixes(pots, goal, options)).toEqual(all.slice(0, options.keep));
  });
});

describe("the glaze finder", () => {
  const grounds = ["#8a8478", "#b9b2a2", "#dcd8cc"].map(hexToSpectrum);
  const clear = demoShelf.filter((paint) => paint.hiding === "transparent" && paint.kind !== "varnish");

  it("finds a glaze again from the three tones it gave", async () => {
    const umber = paintOptics(pot("Clear Umber"));
    const tones = grounds.map((ground) => ({
      ground,
      goal: spectrumToLab(layFilm(umber, coatUm(4) * 2, ground)),
    }));
    const [best] = (await findGlazes(clear, tones, { coatUm, keep: 3, mostParts: 3 }, always))!;
    expect(best!.score).toBeLessThan(0.2);
    expect(best!.parts).toEqual([{ paintId: pot("Clear Umber").id, parts: 1 }]);
    expect(best!.filmUm).toBeCloseTo(coatUm(4) * 2, 6);
    expect(GLAZE_WATERS).toContain(best!.water);
    expect(GLAZE_COATS).toContain(best!.coats);
  });

  it("gives no answer worse than any single pot laid any way", async () => {
    const goals = ["#5a4a3c", "#8c7a60", "#c0b090"].map(hexToLab);
    const tones = grounds.map((ground, at) => ({ ground, goal: goals[at]! }));
    const found = (await findGlazes(clear, tones, { coatUm, keep: 5, mostParts: 3 }, always))!;
    const single = clear.flatMap((paint) =>
      GLAZE_WATERS.flatMap((water) =>
        GLAZE_COATS.map((coats) => {
          const seen = tones.map(({ ground, goal }) =>
            ciede2000(spectrumToLab(layFilm(paintOptics(paint), coatUm(water) * coats, ground)), goal),
          );
          return Math.sqrt(seen.reduce((sum, value) => sum + value * value, 0) / 3);
        }),
      ),
    );
    expect(Math.min(...found.map((one) => one.score))).toBeLessThanOrEqual(Math.min(...single) + 1e-6);
    expect(found[0]!.differences).toHaveLength(3);
  });

  it("stops when it is no longer wanted", async () => {
    const tones = [{ ground: grounds[0]!, goal: hexToLab("#445566") }];
    const stop = () => Promise.resolve(false);
    expect(await findGlazes(clear, tones, { coatUm, keep: 3, mostParts: 2 }, stop)).toBeNull();
  });
});

describe("four pots", () => {
  const pots = demoShelf.filter((paint) => paint.kind === "paint").slice(0, 6);

  it("come no further away than what they began with, in whole parts, each pot once", () => {
    for (const hex of ["#6f7d5a", "#7a5a48", "#8794a0"]) {
      const goal = hexToLab(hex);
      const begin = tryAllMixes(pots, goal, { mostParts: 6, pots: 3, keep: 12 });
      for (const mix of nearFourPots(pots, goal, begin, 6, 3)) {
        expect(new Set(mix.parts.map((part) => part.paintId)).size).toBe(4);
        expect(mix.parts.every((part) => Number.isInteger(part.parts) && part.parts >= 1)).toBe(true);
        const recipe = {
          pots: mix.parts.map((part) => pots.findIndex((one) => one.id === part.paintId)),
          parts: mix.parts.map((part) => part.parts),
        };
        expect(judge(pots, goal, { kind: "thick" })(recipe).difference).toBeCloseTo(mix.difference, 9);
      }
    }
  });

  it("reach a colour that was mixed of four", () => {
    const see = judge(pots, [0, 0, 0], { kind: "thick" });
    const goal = see({ pots: [0, 1, 3, 4], parts: [1, 2, 2, 5] }).lab;
    const begin = tryAllMixes(pots, goal, { mostParts: 6, pots: 3, keep: 12 });
    const [best] = nearFourPots(pots, goal, begin, 6, 1);
    expect(best!.difference).toBeLessThan(0.8);
  });
});

describe("gradients at a distance", () => {
  const [dark, light] = [paintOptics(pot("Fen Brown")), paintOptics(pot("Straw"))];

  it("need fewer steps from further away and on a shorter way", () => {
    const steps = (lengthMm: number, distanceMm: number) =>
      stepsWithoutJump(dark, light, null, { lengthMm, distanceMm });
    expect(steps(8, 250)).toBeGreaterThan(steps(8, 1200));
    expect(steps(20, 450)).toBeGreaterThanOrEqual(steps(3, 450));
    expect(stepsWithoutJump(dark, dark, null, { lengthMm: 8, distanceMm: 450 })).toBe(2);
    expect(unseenJump(10, 300)).toBeCloseTo(1.5, 6);
    expect(unseenJump(0.1, 900)).toBeGreaterThan(4);
  });

  it("are drawn as a pull that climbs evenly, on which the steps have their places", () => {
    const pull = continuousPull(dark, light, null, 20).map(spectrumToLab);
    const jumps = pull.slice(1).map((lab, at) => ciede2000(pull[at]!, lab));
    const mean = jumps.reduce((a, b) => a + b) / jumps.length;
    expect(Math.max(...jumps)).toBeLessThan(mean * 1.5);
    const places = placesOfSteps(gradientBetween(dark, light, 5, 8, null));
    expect(places[0]).toBe(0);
    expect(places.at(-1)).toBeCloseTo(1, 9);
    expect([...places].sort((a, b) => a - b)).toEqual(places);
  });
});

describe("main colours of a picture", () => {
  const fill = (spans: readonly (readonly [string, number])[]): Uint8ClampedArray => {
    const bytes = spans.flatMap(([hex, count]) =>
      Array.from({ length: count }, () => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16))).flatMap(
        (rgb) => [...rgb, 255],
      ),
    );
    return Uint8ClampedArray.from(bytes);
  };

  it("are found with their shares, likest ones joined", () => {
    const found = mainColours(
      fill([
        ["#1f4e66", 600],
        ["#c8b178", 300],
        ["#a8432a", 100],
      ]),
      6,
      null,
      createRandom(2),
    );
    expect(found.map((one) => one.colour)).toEqual(["#1f4e66", "#c8b178", "#a8432a"]);
    expect(found.map((one) => one.share)).toEqual([0.6, 0.3, 0.1]);
  });

  it("have shares that sum to one, whatever the picture", () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ minLength: 40, maxLength: 400 }),
        fc.integer({ min: 1, max: 9 }),
        (raw, n) => {
          const rgba = Uint8ClampedArray.from(raw.subarray(0, raw.length - (raw.length % 4)));
          for (let at = 3; at < rgba.length; at += 4) rgba[at] = 255;
          const found = mainColours(rgba, n, null, createRandom(1));
          expect(found.reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(1, 9);
          expect(found.length).toBeLessThanOrEqual(n);
        },
      ),
      { numRuns: 40 },
    );
    expect(mainColours(new Uint8ClampedArray(40), 4, null, createRandom(1))).toEqual([]);
  });

  it("lose a light cast where something grey was pointed at", () => {
    const cast: Triple = [1.25, 1, 0.7];
    const grey = [0.2, 0.2, 0.2].map((value, at) => value * cast[at]!) as unknown as Triple;
    const neutral = neutralFrom(grey);
    const corrected = grey.map((value, at) => value * neutral[at]!);
    expect(Math.max(...corrected) - Math.min(...corrected)).toBeLessThan(1e-12);
    const rgba = fill([[linearToHex(grey), 50]]);
    const [, a, b] = hexToLab(mainColours(rgba, 2, neutral, createRandom(1))[0]!.colour);
    expect(Math.hypot(a, b)).toBeLessThan(1.2);
  });

  it("are averaged over a disc, clear pixels and the outside left out", () => {
    const rgba = fill([["#ffffff", 9]]);
    rgba.set([0, 0, 0, 0], 0);
    expect(meanLinear(rgba, 3, 3, 1, 1, 5)).toEqual([1, 1, 1]);
    expect(meanLinear(rgba, 3, 3, 0, 0, 0)).toBeNull();
    expect(meanLinear(rgba, 3, 3, 40, 40, 2)).toBeNull();
  });
});

describe("whole parts", () => {
  it("keep a ratio that has small whole parts, and come near any other", () => {
    expect(wholeParts([14, 21], 12)).toEqual({ parts: [2, 3], error: 0 });
    expect(wholeParts([1, 1000], 8).parts).toEqual([1, 8]);
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 20, noNaN: true }), { minLength: 1, maxLength: 4 }),
        (weights) => {
          const { parts, error } = wholeParts(weights, 24);
          expect(parts.every((part) => Number.isInteger(part) && part >= 1 && part <= 24)).toBe(true);
          expect(error).toBeLessThan(0.05);
        },
      ),
    );
  });
});
