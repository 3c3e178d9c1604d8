import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { filmLight, filmTable, layFilm, levelUm, masstone, overGround } from "./film";
import { mixOptics, brushedPassUm } from "./mix";
import { contrastRatio, CONTRAST_RATIO, HIDING, opticsOf, STANDARD_FILM_UM, type PaintColour } from "./paint";
import { hexToSpectrum, uniformSpectrum } from "./spectrum";
import { spectrumToHex, spectrumToLab } from "./spaces";

const hex = fc
  .array(fc.integer({ min: 0, max: 255 }), { minLength: 3, maxLength: 3 })
  .map((rgb) => `#${rgb.map((v) => v.toString(16).padStart(2, "0")).join("")}`);
const paint: fc.Arbitrary<PaintColour> = fc.record({
  thick: hex,
  overWhite: fc.option(hex, { nil: null }),
  hiding: fc.constantFrom(...HIDING),
});
const film = fc.double({ min: 0, max: 400, noNaN: true });
const ground = fc.double({ min: 0, max: 1, noNaN: true });

/** The textbook form with coth, for moderate thickness. Kubelka 1948. */
function textbook(k: number, s: number, x: number, rg: number): number {
  const a = 1 + k / s;
  const b = Math.sqrt(a * a - 1);
  const c = 1 / Math.tanh(b * s * x);
  return (1 - rg * (a - b * c)) / (a - rg + b * c);
}

describe("a film of paint", () => {
  it("equals the textbook formula where that does not overflow", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 2, noNaN: true }),
        fc.double({ min: 0.001, max: 2, noNaN: true }),
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        ground,
        (k, s, x, rg) => {
          expect(overGround(filmLight(k, s, x), rg)).toBeCloseTo(textbook(k, s, x, rg), 10);
        },
      ),
    );
  });

  it("leaves the ground unchanged at zero thickness and becomes the masstone when very thick", () => {
    fc.assert(
      fc.property(paint, ground, (colour, rg) => {
        const optics = opticsOf(colour);
        expect([...layFilm(optics, 0, uniformSpectrum(rg))]).toEqual([...uniformSpectrum(rg)]);
        const thick = layFilm(optics, 1e7, uniformSpectrum(rg));
        masstone(optics).forEach((value, band) => expect(thick[band]).toBeCloseTo(value, 3));
      }),
      { numRuns: 60 },
    );
  });

  it("is the same in two thin coats as in one of double thickness", () => {
    fc.assert(
      fc.property(paint, film, ground, (colour, um, rg) => {
        const optics = opticsOf(colour);
        const twice = layFilm(optics, um, layFilm(optics, um, uniformSpectrum(rg)));
        const once = layFilm(optics, 2 * um, uniformSpectrum(rg));
        twice.forEach((value, band) => expect(value).toBeCloseTo(once[band]!, 9));
      }),
      { numRuns: 80 },
    );
  });

  it("keeps reflectance within 0 and 1 for all paints, mixes and grounds", () => {
    fc.assert(
      fc.property(paint, paint, fc.integer({ min: 1, max: 6 }), film, ground, (one, other, parts, um, rg) => {
        const mixed = mixOptics([
          { optics: opticsOf(one), parts, strength: 1 },
          { optics: opticsOf(other), parts: 1, strength: 2.5 },
        ]);
        for (const value of layFilm(mixed, um, uniformSpectrum(rg))) {
          expect(value).toBeGreaterThanOrEqual(0);
          expect(value).toBeLessThanOrEqual(1);
        }
      }),
      { numRuns: 120 },
    );
  });

  it("has the limits of pure scattering and pure absorption", () => {
    expect(filmLight(0, 0.1, 20)).toEqual({ reflectance: 2 / 3, transmittance: 1 - 2 / 3 });
    expect(filmLight(0.1, 0, 20).transmittance).toBeCloseTo(Math.exp(-2), 12);
    expect(filmLight(0.1, 0, 20).reflectance).toBe(0);
  });

  it("is tabled by level with the exact values", () => {
    const optics = opticsOf({ thick: "#336699", overWhite: null, hiding: "semi" });
    const table = filmTable(optics, 24);
    for (const level of [0, 1, 37, 128, 255]) {
      const light = filmLight(optics.absorption[5]!, optics.scattering[5]!, levelUm(level, 24));
      expect(table[level * 24 + 5]).toBeCloseTo(light.reflectance, 6);
      expect(table[level * 24 + 17]).toBeCloseTo(light.transmittance ** 2, 6);
    }
  });
});

describe("a pot's optics", () => {
  it("hide as stated and keep the thick colour", () => {
    for (const hiding of ["opaque", "semi"] as const) {
      const optics = opticsOf({ thick: "#7a5230", overWhite: null, hiding });
      expect(contrastRatio(optics)).toBeCloseTo(CONTRAST_RATIO[hiding], 4);
      expect(spectrumToHex(masstone(optics))).toBe("#7a5230");
    }
  });

  it("give a transparent paint its stated colour over white", () => {
    const optics = opticsOf({ thick: "#2a1a10", overWhite: "#b08a6a", hiding: "transparent" });
    expect(spectrumToHex(layFilm(optics, STANDARD_FILM_UM, uniformSpectrum(0.95)))).toBe("#b08a6a");
    expect(spectrumToHex(masstone(optics))).toBe("#2a1a10");
    const single = opticsOf({ thick: "#b08a6a", overWhite: null, hiding: "transparent" });
    expect(spectrumToHex(layFilm(single, STANDARD_FILM_UM, uniformSpectrum(0.95)))).toBe("#b08a6a");
  });

  it("make white in one thin coat over black a grey far from white", () => {
    const white = opticsOf({ thick: "#f2f2ee", overWhite: null, hiding: "semi" });
    const [l] = spectrumToLab(layFilm(white, brushedPassUm(2), uniformSpectrum(0.01)));
    expect(l).toBeLessThan(75);
    expect(l).toBeGreaterThan(20);
  });

  it("mix yellow and blue to green, which an average of the two colours does not", () => {
    const yellow = opticsOf({ thick: "#e8c820", overWhite: null, hiding: "semi" });
    const blue = opticsOf({ thick: "#1c4fa0", overWhite: null, hiding: "semi" });
    const mixed = mixOptics([
      { optics: yellow, parts: 2, strength: 1 },
      { optics: blue, parts: 1, strength: 1 },
    ]);
    const [, a, b] = spectrumToLab(masstone(mixed));
    expect(a).toBeLessThan(-12);
    const plain = hexToSpectrum("#e8c820").map((v, i) => (2 * v + hexToSpectrum("#1c4fa0")[i]!) / 3);
    const [, pa] = spectrumToLab(plain);
    expect(a).toBeLessThan(pa - 8);
    expect(b).toBeGreaterThan(0);
  });

  it("refuse a mix without parts", () => {
    expect(() => mixOptics([])).toThrow(/at least one part/);
  });
});
