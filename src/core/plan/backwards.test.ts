import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { opticsOf } from "../colour/paint";
import { hexToLinear, spectrumToLab } from "../colour/spaces";
import { linearToSpectrum } from "../colour/spectrum";
import { planBackwards, throughFilms } from "./backwards";

const umber = opticsOf({ thick: "#3a2413", overWhite: "#a06a35", hiding: "transparent" });
const spectrum = (hex: string) => linearToSpectrum(hexToLinear(hex));

describe("planning the finish backwards", () => {
  it("is the goal itself where nothing comes over it", () => {
    const goal = spectrum("#a8845c");
    const plan = planBackwards(goal, []);
    expect(plan.difference).toBeLessThan(0.01);
    expect([...plan.paint]).toEqual([...goal]);
  });

  it("undoes any stack of films: paint the answer, lay the films, see the goal", () => {
    const channel = fc.integer({ min: 70, max: 215 });
    fc.assert(
      fc.property(
        channel,
        channel,
        channel,
        fc.array(fc.double({ min: 0.05, max: 2.5, noNaN: true }), { maxLength: 4 }),
        (r, g, b, films) => {
          const bottom = linearToSpectrum(
            [r, g, b].map((byte) => (byte / 255) ** 2.2) as [number, number, number],
          );
          const above = films.map((filmUm) => ({ optics: umber, filmUm }));
          const plan = planBackwards(throughFilms(bottom, above), above);
          expect(plan.difference).toBeLessThan(0.5);
          expect(plan.reached).toBe(true);
        },
      ),
    );
  });

  it("asks for a lighter texture the more glazes follow", () => {
    const goal = spectrum("#8a6238");
    const lightness = [0, 1, 2, 3].map((glazes) => {
      const above = Array.from({ length: glazes }, () => ({ optics: umber, filmUm: 3 }));
      return spectrumToLab(planBackwards(goal, above).paint)[0];
    });
    for (let k = 1; k < lightness.length; k++) expect(lightness[k]!).toBeGreaterThan(lightness[k - 1]! + 1);
  });

  it("says so where no paint is bright enough", () => {
    const plan = planBackwards(spectrum("#f4f0e6"), [{ optics: umber, filmUm: 8 }]);
    expect(plan.reached).toBe(false);
    expect(plan.difference).toBeGreaterThan(3);
  });
});
