import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import { paintOptics } from "./appearance";
import { ciede2000 } from "./difference";
import { layFilm, masstone, type Optics } from "./film";
import { gradientBetween } from "./gradient";
import { coatsToCover, groundUnder, MOST_COATS } from "./layering";
import { brushedPassUm, mixOptics } from "./mix";
import { tryAllMixes } from "./search";
import { chromaOf, spectrumToLab, type Triple } from "./spaces";
import { hexToSpectrum, uniformSpectrum } from "./spectrum";
import { differenceSeenBy, VISIONS } from "./vision";

const pot = (name: string): Optics => paintOptics(demoShelf.find((paint) => paint.name === name)!);
const mixed = (...parts: [Optics, number][]): Optics =>
  mixOptics(parts.map(([optics, count]) => ({ optics, parts: count, strength: 1 })));
const labOf = (optics: Optics): Triple => spectrumToLab(masstone(optics));
const own = (
  thick: string,
  hiding: "opaque" | "semi" | "transparent" = "semi",
  overWhite: string | null = null,
) => paintOptics({ thick, hiding, overWhite, overBlack: null, fit: null });

/** The mix of two paints that has a given lightness. */
function atLightness(dark: Optics, light: Optics, lightness: number): Triple {
  let [low, high] = [0, 1];
  for (let turn = 0; turn < 50; turn++) {
    const share = (low + high) / 2;
    if (labOf(mixed([dark, 1 - share], [light, share]))[0] < lightness) low = share;
    else high = share;
  }
  return labOf(mixed([dark, 1 - low], [light, low]));
}

describe("what painters know of mixing", () => {
  it("black into yellow gives olive: greener than the yellow", () => {
    const hue = ([, a, b]: Triple) => (Math.atan2(b, a) * 180) / Math.PI;
    const yellow = own("#e6c619");
    const black = own("#161616", "opaque");
    const olive = labOf(mixed([yellow, 6], [black, 1]));
    // Olive lies near 97° (yellow at 92°): darker and turned towards green, more so with more black.
    expect(hue(olive)).toBeGreaterThan(hue(labOf(yellow)) + 3);
    expect(hue(labOf(mixed([yellow, 3], [black, 1])))).toBeGreaterThan(hue(olive));
    expect(chromaOf(olive)).toBeGreaterThan(10);
  });

  it("violet lightened with pale yellow is far greyer than lightened with white", () => {
    const violet = own("#4a2a6e", "opaque");
    const yellow = atLightness(violet, own("#f2e6a8"), 60);
    const white = atLightness(violet, own("#f4f4f0"), 60);
    expect(yellow[0]).toBeCloseTo(white[0], 3);
    expect(chromaOf(yellow)).toBeLessThan(chromaOf(white) / 2);
  });

  it("a transparent brown over light and over dark gives two colours", () => {
    const brown = pot("Clear Umber");
    const over = (ground: number) => spectrumToLab(layFilm(brown, 6, uniformSpectrum(ground)));
    expect(ciede2000(over(0.7), over(0.05))).toBeGreaterThan(25);
  });

  it("a glaze twice is darker than once, and not twice as dark", () => {
    const glaze = pot("Clear Umber");
    const l = (coats: number) =>
      spectrumToLab(layFilm(glaze, brushedPassUm(5) * coats, uniformSpectrum(0.6)))[0];
    expect(l(2)).toBeLessThan(l(1));
    expect(l(1) - l(2)).toBeLessThan(l(0) - l(1));
  });

  it("equal parts of a strong and a weak tinter are not the visual middle", () => {
    const [strong, weak] = [own("#1c3f6e", "opaque"), own("#f0ead8")];
    const half = mixOptics([
      { optics: strong, parts: 1, strength: 2 },
      { optics: weak, parts: 1, strength: 0.8 },
    ]);
    expect(labOf(half)[0]).toBeLessThan((labOf(strong)[0] + labOf(weak)[0]) / 2 - 10);
  });
});

describe("a gradient", () => {
  it("has steps even to the eye within a tenth of their mean, where whole parts allow it", () => {
    const gradient = gradientBetween(pot("Fen Brown"), pot("Straw"), 5, 24, null);
    expect(gradient.steps).toHaveLength(5);
    expect(gradient.unevenness).toBeLessThan(0.15);
    expect(gradient.steps[0]!.parts).toEqual([1, 0]);
    expect(gradient.steps.at(-1)!.parts).toEqual([0, 1]);
  });

  it("is far more even than even parts are", () => {
    const [dark, light] = [pot("Lamp Black"), pot("Gull White")];
    const own = gradientBetween(dark, light, 5, 20, null);
    const labs = [0, 1, 2, 3, 4].map((b) =>
      labOf(mixed([dark, Math.max(1e-9, 4 - b)], [light, Math.max(1e-9, b)])),
    );
    const jumps = labs.slice(1).map((lab, at) => ciede2000(labs[at]!, lab));
    const mean = jumps.reduce((a, b) => a + b) / 4;
    expect(own.unevenness).toBeLessThan(Math.max(...jumps.map((jump) => Math.abs(jump - mean))) / mean / 2);
  });

  it("depends on the film it will lie in", () => {
    const film = { filmUm: 3, ground: uniformSpectrum(0.05) };
    const thin = gradientBetween(pot("Straw"), pot("Rust Red"), 4, 12, film);
    expect(thin.steps[0]!.lab[0]).toBeLessThan(
      gradientBetween(pot("Straw"), pot("Rust Red"), 4, 12, null).steps[0]!.lab[0],
    );
  });

  it("has two steps at least", () => {
    const [a, b] = [pot("Fen Brown"), pot("Straw")];
    expect(() => gradientBetween(a, b, 1, 6, null)).toThrow(/at least 2/);
  });
});

describe("coats to cover", () => {
  it("come nearer to the masstone with each, and end below the limit", () => {
    const steps = coatsToCover(pot("Straw"), 1, uniformSpectrum(0.02), 3);
    steps.slice(1).forEach((step, at) => expect(step.difference).toBeLessThan(steps[at]!.difference));
    expect(steps.at(-1)!.difference).toBeLessThan(3);
    expect(steps.at(-2)!.difference).toBeGreaterThanOrEqual(3);
  });
  it("are more for thinner paint, and stop where a paint never covers", () => {
    const count = (water: number) => coatsToCover(pot("Straw"), water, uniformSpectrum(0.02), 4).length;
    expect(count(3)).toBeGreaterThan(count(1));
    expect(coatsToCover(pot("Clear Teal"), 8, uniformSpectrum(0.9), 1)).toHaveLength(MOST_COATS);
  });
});

describe("what must lie under a glaze", () => {
  it("gives the ground back that a glazed colour was painted on", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("Clear Umber", "Clear Teal", "Clear Madder"),
        fc.constantFrom("#c8b178", "#55653a", "#8a8f92"),
        fc.double({ min: 0.2, max: 4, noNaN: true }),
        (name, hex, um) => {
          const ground = hexToSpectrum(hex);
          const answer = groundUnder(pot(name), um, layFilm(pot(name), um, ground));
          expect(answer.reached).toBe(true);
          answer.ground.forEach((value, band) => expect(value).toBeCloseTo(ground[band]!, 6));
        },
      ),
      { numRuns: 40 },
    );
  });
  it("says when no ground reaches the goal, and how near the best one comes", () => {
    const answer = groundUnder(pot("Clear Umber"), 12, hexToSpectrum("#f0f0f0"));
    expect(answer.reached).toBe(false);
    expect(answer.difference).toBeGreaterThan(10);
    for (const value of answer.ground) expect(value).toBeLessThanOrEqual(0.985);
  });
});

describe("mixes as they will be seen", () => {
  const usable = demoShelf.filter((paint) => paint.kind === "paint");
  it("under a glaze, the mix found gives the goal through it", () => {
    const seen = { kind: "under" as const, optics: pot("Clear Umber"), filmUm: 2 };
    const goal = spectrumToLab(
      layFilm(seen.optics, seen.filmUm, masstone(mixed([pot("Straw"), 2], [pot("Moss"), 1]))),
    );
    expect(tryAllMixes(usable, goal, { mostParts: 3, pots: 2, keep: 1, seen })[0]!.difference).toBeLessThan(
      0.05,
    );
  });
  it("in a thin film, another pot can stand in for the one that lacks", () => {
    const seen = { kind: "film" as const, filmUm: 9, ground: uniformSpectrum(0.2) };
    const goal = spectrumToLab(layFilm(pot("Clay"), 9, seen.ground));
    const without = usable.filter((paint) => paint.name !== "Clay");
    const [best] = tryAllMixes(without, goal, { mostParts: 4, pots: 3, keep: 1, seen });
    expect(best!.difference).toBeLessThan(2);
  });
});

describe("other eyes", () => {
  it("see greys alike, and a red and a green of one lightness as nearly one", () => {
    for (const vision of VISIONS) {
      expect(differenceSeenBy(vision, uniformSpectrum(0.3), uniformSpectrum(0.3))).toBeCloseTo(0, 6);
    }
    const [red, green] = [hexToSpectrum("#a85a3c"), hexToSpectrum("#6f7a34")];
    expect(differenceSeenBy("ordinary", red, green)).toBeGreaterThan(30);
    expect(differenceSeenBy("green-weak", red, green)).toBeLessThan(
      differenceSeenBy("ordinary", red, green) / 2,
    );
  });
});
