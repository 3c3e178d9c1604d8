import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import { coatOver, opticsOfMix, paintOptics, primerSpectrum } from "./appearance";
import { layFilm, masstone } from "./film";
import { brushedPassUm, BRUSHED_PASS_UM } from "./mix";
import { spectrumToHex, spectrumToLab } from "./spaces";

const straw = demoShelf.find((paint) => paint.name === "Straw")!;
const black = demoShelf.find((paint) => paint.name === "Lamp Black")!;

describe("the look of mixes", () => {
  it("is the pot's own colour for a single pot, however many parts", () => {
    for (const parts of [1, 7]) {
      const optics = opticsOfMix({ parts: [{ paintId: straw.id, parts }] }, demoShelf);
      expect(spectrumToHex(masstone(optics))).toBe(straw.thick);
    }
  });

  it("weighs parts by tinting strength", () => {
    const mix = {
      parts: [
        { paintId: straw.id, parts: 4 },
        { paintId: black.id, parts: 1 },
      ],
    };
    const lightness = (strength: number) =>
      spectrumToLab(
        masstone(
          opticsOfMix(
            mix,
            demoShelf.map((paint) => (paint === black ? { ...black, strength } : paint)),
          ),
        ),
      )[0];
    expect(lightness(4)).toBeLessThan(lightness(1));
    expect(lightness(1)).toBeLessThan(lightness(0.3));
  });

  it("leaves missing pots out, and is a neutral grey where none is left", () => {
    const known = opticsOfMix(
      {
        parts: [
          { paintId: straw.id, parts: 2 },
          { paintId: "gone", parts: 3 },
        ],
      },
      demoShelf,
    );
    expect(spectrumToHex(masstone(known))).toBe(straw.thick);
    for (const mix of [undefined, { parts: [] }, { parts: [{ paintId: "gone", parts: 1 }] }]) {
      const [, a, b] = spectrumToLab(masstone(opticsOfMix(mix, demoShelf)));
      expect(Math.hypot(a, b)).toBeLessThan(1);
    }
  });

  it("remembers optics by what they depend on only", () => {
    expect(paintOptics(straw)).toBe(paintOptics({ ...straw, name: "Other", id: "other" } as typeof straw));
    expect(paintOptics(straw)).not.toBe(paintOptics({ ...straw, hiding: "opaque" }));
  });

  it("thins to a share of the film: 18 µm undiluted, half of it 1 : 1, a third 2 : 1", () => {
    expect(brushedPassUm(0)).toBe(BRUSHED_PASS_UM);
    expect(brushedPassUm(1)).toBe(9);
    expect(brushedPassUm(2)).toBe(6);
    const optics = paintOptics(straw);
    const ground = primerSpectrum("black");
    expect([...coatOver(optics, 2, 3, ground)]).toEqual([...layFilm(optics, 18, ground)]);
  });

  it("has three primers from dark to light without hue", () => {
    const labs = (["black", "grey", "white"] as const).map((primer) => spectrumToLab(primerSpectrum(primer)));
    expect(labs[0]![0]).toBeLessThan(15);
    expect(labs[1]![0]).toBeGreaterThan(45);
    expect(labs[2]![0]).toBeGreaterThan(88);
    for (const [, a, b] of labs) expect(Math.hypot(a, b)).toBeLessThan(0.5);
  });
});
