import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { opticsOfMix, primerSpectrum } from "../colour/appearance";
import { layFilm } from "../colour/film";
import { activeCoats, mixById } from "../job";
import { coatMeets, coversTone } from "../patterns/pattern";
import { laidOut } from "../patterns/sett/testing";
import { coatTones } from "./tones";

const job = ferrySergeant();
const surface = job.surfaces[0]!;
const pattern = laidOut(job, surface);
const tones = coatTones({ job, surface, paints: demoShelf, coats: activeCoats(surface), pattern });
const byRole = (role: string) => tones.find(({ coat }) => coat.role === role)!;

describe("tones of a cloth", () => {
  it("start on the primer and lie one on the other as films", () => {
    const base = byRole("base");
    expect(base.steps).toHaveLength(4);
    const seen = layFilm(opticsOfMix(mixById(job, "base"), demoShelf), base.filmUm, primerSpectrum("grey"));
    expect([...base.steps[0]!.after]).toEqual([...seen]);
    const solid = byRole("boxes:D:D").steps;
    expect(solid).toHaveLength(1);
    expect([...solid[0]!.tone.spectrum]).toEqual([...seen]);
  });

  it("are met by the coats whose boxes they are, both ways round", () => {
    expect(
      byRole("boxes:D:S")
        .steps.map(({ tone }) => tone.key)
        .sort(),
    ).toEqual(["D+S", "S+D"]);
    expect(byRole("lines:R").steps).toHaveLength(4);
    const band = {
      ...byRole("base").coat,
      place: { kind: "pattern" as const, key: "rows:S" },
    };
    expect([coatMeets(pattern, band, "D+S"), coatMeets(pattern, band, "S+D")]).toEqual([true, false]);
  });

  it("are changed only by coats that cover them", () => {
    expect(tones.filter(({ coat }) => coversTone(pattern, coat)).map(({ coat }) => coat.role)).toEqual([
      "base",
      "boxes:S:S",
      "boxes:D:S",
      "boxes:D:D",
    ]);
    // Lines, dots and the glaze see what the boxes left.
    const left = byRole("boxes:D:D").steps[0]!.after;
    for (const role of ["lines:D", "lines:R", "dots:R", "glaze"]) {
      const below = byRole(role).steps.find(({ tone }) => tone.key === "D+D")!.tone.spectrum;
      expect([...below]).toEqual([...left]);
    }
  });

  it("are one for a surface without a pattern", () => {
    const plain = coatTones({
      job,
      surface,
      paints: demoShelf,
      coats: [surface.coats[0]!],
      pattern: null,
    });
    expect(plain[0]!.steps).toHaveLength(1);
  });
});
