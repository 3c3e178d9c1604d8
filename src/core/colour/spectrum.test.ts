import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { BANDS, MAX_REFLECTANCE, MIN_REFLECTANCE } from "./bands";
import { averageLight, hexToSpectrum, linearToSpectrum, uniformSpectrum } from "./spectrum";
import {
  fitGamut,
  hexToLinear,
  spectrumToHex,
  spectrumToLab,
  spectrumToLightness,
  spectrumToLinear,
} from "./spaces";

const LEVELS = [0, 51, 102, 153, 204, 255];
const cube = LEVELS.flatMap((r) => LEVELS.flatMap((g) => LEVELS.map((b) => [r, g, b] as const)));
const hexOf = (rgb: readonly number[]) => `#${rgb.map((v) => v.toString(16).padStart(2, "0")).join("")}`;

describe("spectra from colours", () => {
  it("gives back each of 216 colours of the cube byte by byte", () => {
    const off = cube
      .map((rgb) => hexOf(rgb))
      .filter((hex) => spectrumToHex(linearToSpectrum(hexToLinear(hex))) !== hex);
    expect(off).toEqual([]);
  });

  it("is flat for greys and keeps inside the usable range for any colour", () => {
    const grey = linearToSpectrum([0.3, 0.3, 0.3]);
    for (const value of grey) expect(value).toBeCloseTo(0.3, 6);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 3, maxLength: 3 }), (rgb) => {
        const spectrum = hexToSpectrum(hexOf(rgb));
        expect(spectrum).toHaveLength(BANDS);
        for (const value of spectrum) {
          expect(value).toBeGreaterThanOrEqual(MIN_REFLECTANCE);
          expect(value).toBeLessThanOrEqual(MAX_REFLECTANCE);
        }
      }),
      { numRuns: 100 },
    );
  });

  it("has the lightness of its L*a*b*, wherever its bands stand among others", () => {
    const rows = [0.02, 0.2, 0.7].map((share) => linearToSpectrum([share, 0.3, 1 - share]));
    const all = Float64Array.from(rows.flatMap((row) => [...row]));
    rows.forEach((row, at) => {
      expect(spectrumToLightness(all, at * BANDS)).toBeCloseTo(spectrumToLab(row)[0], 9);
    });
  });

  it("sees a perfect white as L* 100 without chroma", () => {
    const [l, a, b] = spectrumToLab(uniformSpectrum(1));
    expect(l).toBeCloseTo(100, 6);
    expect(Math.hypot(a, b)).toBeLessThan(0.01);
  });

  it("averages light, not code values", () => {
    const half = averageLight(uniformSpectrum(0), uniformSpectrum(1));
    expect(spectrumToLinear(half)[1]).toBeCloseTo(0.5, 9);
  });

  it("maps colours outside sRGB inwards without changing luminance", () => {
    const mapped = fitGamut([-0.2, 0.5, 1.3]);
    expect(Math.min(...mapped)).toBeGreaterThanOrEqual(-1e-12);
    expect(Math.max(...mapped)).toBeLessThanOrEqual(1 + 1e-12);
    const y = (c: readonly number[]) => 0.2126 * c[0]! + 0.7152 * c[1]! + 0.0722 * c[2]!;
    expect(y(mapped)).toBeCloseTo(y([-0.2, 0.5, 1.3]), 9);
  });

  it("names what is wrong with a colour that is none", () => {
    expect(() => hexToLinear("#12345")).toThrow(/six hexadecimal digits, got "#12345"/);
  });
});
