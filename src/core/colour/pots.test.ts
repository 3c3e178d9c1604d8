import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import type { Paint } from "../job";
import { paintOptics } from "./appearance";
import { ciede2000 } from "./difference";
import { layFilm, masstone } from "./film";
import { findGlazes, GLAZE_COATS, GLAZE_WATERS, type ToneGoal } from "./glazeFinder";
import { misfitsOf } from "./misfit";
import { brushedPassUm, mixOptics } from "./mix";
import { contrastRatio, luminance, opticsOf, wantedContrast, type Hiding } from "./paint";
import { hexToLab, spectrumToLab } from "./spaces";
import { hexToSpectrum, uniformSpectrum } from "./spectrum";
import { startStrength } from "./startStrength";

const HIDING: readonly Hiding[] = ["opaque", "semi", "transparent"];
const byte = (most = 255) => fc.integer({ min: 0, max: most });
const hex = (most?: number) =>
  fc
    .tuple(byte(most), byte(most), byte(most))
    .map((rgb) => `#${rgb.map((value) => value.toString(16).padStart(2, "0")).join("")}`);
const pot = (more: Partial<Paint>): Paint => ({
  ...demoShelf[0]!,
  kind: "paint",
  overWhite: null,
  overBlack: null,
  fit: null,
  ...more,
});

describe("dark colours", () => {
  it("survive it next to black, every one of them", () => {
    const levels = ["00", "01", "02", "03", "05", "09"];
    for (const r of levels)
      for (const g of levels)
        for (const b of levels) {
          const thick = `#${r}${g}${b}`;
          const shown = spectrumToLab(masstone(opticsOf({ thick, overWhite: null, hiding: "opaque" })));
          expect(ciede2000(shown, hexToLab(thick)), thick).toBeLessThan(1);
        }
  });

  it("survive a pot's spectrum within 1, however saturated", () => {
    fc.assert(
      fc.property(hex(60), fc.constantFrom("opaque", "semi" as const), (thick, hiding) => {
        const shown = spectrumToLab(masstone(opticsOf({ thick, overWhite: null, hiding: hiding })));
        expect(ciede2000(shown, hexToLab(thick))).toBeLessThan(1);
      }),
      { numRuns: 200 },
    );
  });
});

describe("hiding", () => {
  it("is met for every kind and colour: as documented, a transparent one's by its own luminance", () => {
    fc.assert(
      fc.property(hex(), fc.constantFrom(...HIDING), (thick, hiding) => {
        const optics = opticsOf({ thick, overWhite: null, hiding });
        const wanted = wantedContrast(hiding, luminance(hexToSpectrum(thick)));
        // A chart's black of 1 % shows through whatever is darker, and its white of 95 % ends what can be told of white.
        const slack = hiding === "transparent" ? 0.03 : 0.012;
        expect(Math.abs(contrastRatio(optics) - wanted)).toBeLessThan(slack);
      }),
      { numRuns: 300 },
    );
  });
});

describe("tinting strength of a new pot", () => {
  const blacks = ["#0c0c0c", "#141414", "#1c1c1e", "#202020"];
  const whites = ["#f4f4f0", "#eeeeea", "#f2f2ee"];
  const opaqueOrSemi = ["opaque", "semi"] as const;

  it("lets equal parts of an ordinary black and white lie between L* 35 and 50", () => {
    for (const black of blacks)
      for (const white of whites)
        for (const one of opaqueOrSemi)
          for (const other of opaqueOrSemi) {
            const [dark, light] = [pot({ thick: black, hiding: one }), pot({ thick: white, hiding: other })];
            const mixed = mixOptics(
              [dark, light].map((paint) => ({
                optics: paintOptics(paint),
                parts: 1,
                strength: startStrength(paint),
              })),
            );
            const [l] = spectrumToLab(masstone(mixed));
            expect(l, `${black} ${one}, ${white} ${other}`).toBeGreaterThan(35);
            expect(l, `${black} ${one}, ${white} ${other}`).toBeLessThan(50);
          }
  });

  it("is stronger the darker it is, and 1 where there is no pigment to tint with", () => {
    const [dark, middle] = ["#141414", "#6a6a6a"].map((thick) =>
      startStrength(pot({ thick, hiding: "opaque" })),
    );
    expect(dark!).toBeGreaterThan(middle!);
    expect(startStrength(pot({ kind: "medium" }))).toBe(1);
    expect(startStrength(pot({ kind: "varnish" }))).toBe(1);
  });

  it("is within what can be set, for any colour and hiding", () => {
    fc.assert(
      fc.property(hex(), fc.constantFrom(...HIDING), (thick, hiding) => {
        const strength = startStrength(pot({ thick, hiding }));
        expect(strength).toBeGreaterThanOrEqual(0.2);
        expect(strength).toBeLessThanOrEqual(20);
      }),
      { numRuns: 60 },
    );
  });
});

describe("colours of a pot that no film can have together", () => {
  it("are said, with how far what is shown is off", () => {
    const dark = misfitsOf(pot({ thick: "#8a5a34", overWhite: "#5a3418", hiding: "semi" }));
    expect(dark.length).toBeGreaterThan(0);
    expect(dark[0]!.difference).toBeGreaterThan(3);
    expect(dark[0]!.message).toMatch(/off by \d+\.\d\. Over white a coat is never darker/);
    const light = misfitsOf(pot({ thick: "#4a3018", overBlack: "#b09070", hiding: "semi" }));
    expect(light.length).toBeGreaterThan(0);
  });

  it("and none is said of the demo's pots, which can be", () => {
    for (const paint of demoShelf) expect(misfitsOf(paint), paint.name).toEqual([]);
  });
});

describe("the glaze finder", () => {
  const pots = demoShelf.filter(({ kind }) => ["clear", "ink", "wash", "paint"].includes(kind)).slice(0, 24);
  const coatUm = (water: number) => brushedPassUm(water) * 0.55;

  /** Least rank of any glaze of up to two pots, by trying all. */
  function bestRank(paints: readonly Paint[], tones: readonly ToneGoal[], mostParts: number): number {
    let best = Infinity;
    const rank = (parts: readonly { paint: Paint; parts: number }[]) => {
      const optics = mixOptics(
        parts.map(({ paint, parts: count }) => ({
          optics: paintOptics(paint),
          parts: count,
          strength: paint.strength,
        })),
      );
      for (const water of GLAZE_WATERS)
        for (const coats of GLAZE_COATS) {
          const off = tones.map(({ ground, goal }) =>
            ciede2000(spectrumToLab(layFilm(optics, coatUm(water) * coats, ground)), goal),
          );
          const score = Math.sqrt(off.reduce((sum, value) => sum + value * value, 0) / off.length);
          best = Math.min(best, score + 0.5 * (parts.length - 1));
        }
    };
    paints.forEach((one, at) => {
      rank([{ paint: one, parts: 1 }]);
      for (const other of paints.slice(at + 1))
        for (let m = 1; m <= mostParts; m++)
          for (let n = 1; n <= mostParts; n++)
            rank([
              { paint: one, parts: m },
              { paint: other, parts: n },
            ]);
    });
    return best;
  }

  it("finds what trying everything finds, in 50 of 50", async () => {
    const seeds = fc.sample(
      fc.tuple(
        fc.shuffledSubarray(pots, { minLength: 4, maxLength: 5 }),
        fc.array(fc.tuple(hex(), hex()), { minLength: 1, maxLength: 3 }),
      ),
      { numRuns: 50, seed: 11 },
    );
    for (const [paints, colours] of seeds) {
      const tones = colours.map(([from, to]) => ({ ground: hexToSpectrum(from), goal: hexToLab(to) }));
      const found = (await findGlazes(paints, tones, { coatUm, keep: 4, mostParts: 3 }, () =>
        Promise.resolve(true),
      ))!;
      const [first] = found;
      expect(first!.score + 0.5 * (first!.parts.length - 1)).toBeCloseTo(bestRank(paints, tones, 3), 6);
    }
  });
});

it("a standard film over the chart's black and white is what the ratio is told of", () => {
  const optics = opticsOf({ thick: "#7a5230", overWhite: null, hiding: "semi" });
  const over = (ground: number) => luminance(layFilm(optics, 30, uniformSpectrum(ground)));
  expect(over(0.01) / over(0.95)).toBeCloseTo(contrastRatio(optics), 9);
});
