import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import type { Finish, Mix, PaintReading } from "../job";
import { FINISHES } from "../job";
import { createRandom } from "../random";
import { READER_FAILURES, ReaderError, type Spot } from "../reader/colourReader";
import { realPot, simulatedReader } from "../reader/simulatedReader";
import { opticsOfMix, paintOptics, swatchOfMix } from "./appearance";
import { ciede2000 } from "./difference";
import { layFilm, masstone } from "./film";
import { finishOfVeil, underFinish, underVeil, VEIL, veilOfMix } from "./finish";
import { fitOptics, readingLab } from "./fit";
import { metalShare, metalTones } from "./metal";
import { contrastRatio } from "./paint";
import { chromaOf, hexToLab, labToHex, spectrumToHex, spectrumToLab, type Triple } from "./spaces";
import { hexToSpectrum, linearToSpectrum, uniformSpectrum } from "./spectrum";
import { dryingShift, staysOnTop, wetLook } from "./wet";

const pot = (name: string) => demoShelf.find((paint) => paint.name === name)!;
const mixOf = (...names: string[]): Pick<Mix, "parts"> => ({
  parts: names.map((name) => ({ paintId: pot(name).id, parts: 1 })),
});

describe("the finish", () => {
  it("gloss varnish deepens darks and raises their chroma; it hardly touches lights", () => {
    for (const name of ["Tarn Blue", "Fen Brown", "Dusk", "Moss"]) {
      const matt = masstone(paintOptics(pot(name)));
      const [before, after] = [matt, underFinish(matt, VEIL.matt, "gloss")].map(spectrumToLab) as [
        Triple,
        Triple,
      ];
      expect(after[0]).toBeLessThan(before[0] - 0.8);
      expect(chromaOf(after)).toBeGreaterThan(chromaOf(before) + 0.5);
    }
    const shell = masstone(paintOptics(pot("Shell")));
    expect(
      ciede2000(spectrumToLab(shell), spectrumToLab(underFinish(shell, VEIL.matt, "gloss"))),
    ).toBeLessThan(1);
  });

  it("matt varnish lightens glossy darks, and taking it off again gives the first colour", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.95, noNaN: true }),
        fc.constantFrom<Finish>(...FINISHES),
        fc.constantFrom<Finish>(...FINISHES),
        (value, one, other) => {
          const there = underVeil(uniformSpectrum(value), VEIL[one], VEIL[other]);
          expect(underVeil(there, VEIL[other], VEIL[one])[0]).toBeCloseTo(value, 9);
          if (VEIL[other] > VEIL[one]) expect(there[0]).toBeGreaterThan(value);
        },
      ),
    );
  });

  it("of a mix lies between those of its pots", () => {
    expect(veilOfMix(mixOf("Tarn Blue"), demoShelf)).toBe(VEIL.matt);
    const half = veilOfMix(mixOf("Tarn Blue", "Slack Medium"), demoShelf);
    expect(half).toBeCloseTo(VEIL.matt / 2, 12);
    expect(finishOfVeil(half)).toBe("satin");
    expect(FINISHES.map((finish) => finishOfVeil(VEIL[finish]))).toEqual([...FINISHES]);
  });
});

describe("the wet look", () => {
  const shift = (name: string, filmUm: number, ground: number) => {
    const optics = paintOptics(pot(name));
    const base = uniformSpectrum(ground);
    const wet = spectrumToLab(wetLook(optics, filmUm, base, VEIL[pot(name).finish]));
    return { wet, dry: spectrumToLab(layFilm(optics, filmUm, base)) };
  };

  it("misleads in both directions: a dark clear glaze dries darker, a dark matt coat lighter", () => {
    const glaze = shift("Marsh Ink", 12, 0.05);
    expect(dryingShift(glaze.wet[0], glaze.dry[0])).toBe("dries darker");
    const matt = shift("Tarn Blue", 9, 0.4);
    expect(dryingShift(matt.wet[0], matt.dry[0])).toBe("dries lighter");
    expect(dryingShift(50, 50.3)).toBe("dries alike");
  });

  it("shows a dark matt paint fuller than it dries", () => {
    const { wet, dry } = shift("Tarn Blue", 20, 0.3);
    expect(chromaOf(wet)).toBeGreaterThan(chromaOf(dry));
  });

  it("lets a thin light film hide more than it will once it has sunk", () => {
    expect(staysOnTop(0.5)).toBeLessThan(0.75);
    expect(staysOnTop(60)).toBeGreaterThan(0.99);
    const { wet, dry } = shift("Gull White", 4, 0.03);
    expect(wet[0]).toBeGreaterThan(dry[0]);
  });

  it("stays a reflectance for any pot and film", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...demoShelf),
        fc.double({ min: 0, max: 200, noNaN: true }),
        fc.double({ min: 0.004, max: 0.98, noNaN: true }),
        (paint, filmUm, ground) => {
          const wet = wetLook(paintOptics(paint), filmUm, uniformSpectrum(ground), VEIL[paint.finish]);
          expect(wet.every((value) => value >= 0 && value <= 1)).toBe(true);
        },
      ),
    );
  });
});

describe("metals", () => {
  it("have a bright and a dark tone around the one given, by the share of flake", () => {
    expect(metalShare(mixOf("Lode Grey"), demoShelf)).toBe(1);
    expect(metalShare(mixOf("Lode Grey", "Slate"), demoShelf)).toBeCloseTo(0.5, 12);
    const grey = masstone(paintOptics(pot("Lode Grey")));
    const l = (spectrum: typeof grey) => spectrumToLab(spectrum)[0];
    const full = metalTones(grey, 1);
    expect(l(full.lit)).toBeGreaterThan(l(grey) + 20);
    expect(l(full.unlit)).toBeLessThan(l(grey) - 10);
    const none = metalTones(grey, 0);
    expect(l(none.lit)).toBeCloseTo(l(grey), 9);
    expect(l(none.unlit)).toBeCloseTo(l(grey), 9);
  });
});

describe("colours as text", () => {
  it("forty varied colours keep through spectra and L*a*b* within half a unit", () => {
    const random = createRandom(40);
    for (let turn = 0; turn < 40; turn++) {
      const hex = `#${Math.floor(random.next() * 0x1000000)
        .toString(16)
        .padStart(6, "0")}`;
      const through = spectrumToHex(hexToSpectrum(hex));
      expect(ciede2000(hexToLab(through), hexToLab(hex))).toBeLessThan(0.5);
      expect(labToHex(hexToLab(hex))).toBe(hex);
    }
  });
});

const SPOTS: readonly Spot[] = [
  { laid: "thick", filmUm: null, whiteParts: null },
  { laid: "black", filmUm: 18, whiteParts: null },
  { laid: "white", filmUm: 18, whiteParts: null },
  { laid: "tint", filmUm: null, whiteParts: 4 },
];

describe("fitting a pot to readings", () => {
  const white = { optics: paintOptics(pot("Gull White")), strength: 0.8 };

  it("finds what was read, and foretells films and strength that were not", () => {
    for (const name of ["Tarn Blue", "Straw", "Rust Red", "Clear Madder"]) {
      const paint = pot(name);
      const real = realPot(paint);
      const readings = SPOTS.map((spot): PaintReading => ({
        ...spot,
        lab: readingLab({ ...spot, lab: [0, 0, 0] }, real.optics, real.strength, white),
      }));
      const label = paintOptics(paint);
      const { fit, optics, strength } = fitOptics(readings, label, paint.strength, white);
      expect(fit.largestDifference).toBeLessThan(0.4);
      const film = (of: typeof label) => spectrumToLab(layFilm(of, 9, uniformSpectrum(0.3)));
      const [was, is] = [label, optics].map((one) => ciede2000(film(one), film(real.optics)));
      expect(is!).toBeLessThan(1);
      expect(is!).toBeLessThan(was! + 0.1);
      expect(Math.abs(Math.log(strength! / real.strength))).toBeLessThan(0.15);
    }
  });

  it("needs a reading, and the white of a tint", () => {
    const label = paintOptics(pot("Straw"));
    expect(() => fitOptics([], label, 1, null)).toThrow(/at least one/);
    const tint: PaintReading = { laid: "tint", filmUm: null, whiteParts: 2, lab: [70, 0, 0] };
    expect(() => fitOptics([tint], label, 1, null)).toThrow(/white/);
    const film: PaintReading = { laid: "black", filmUm: null, whiteParts: null, lab: [70, 0, 0] };
    expect(() => fitOptics([film], label, 1, null)).toThrow(/thickness/);
  });

  it("tells what remains where readings contradict each other", () => {
    const readings: PaintReading[] = [
      { laid: "thick", filmUm: null, whiteParts: null, lab: [30, 40, 20] },
      { laid: "thick", filmUm: null, whiteParts: null, lab: [40, 40, 20] },
    ];
    const { fit, differences } = fitOptics(readings, paintOptics(pot("Rust Red")), 1, null);
    expect(fit.meanDifference).toBeGreaterThan(3);
    expect(differences[0]).toBeCloseTo(differences[1]!, 0);
  });

  it("hiding measured over black and white takes the place of the word", () => {
    const straw = pot("Straw");
    const film = (ground: number) =>
      spectrumToHex(layFilm(paintOptics({ ...straw, hiding: "opaque" }), 30, uniformSpectrum(ground)));
    const measured = paintOptics({ ...straw, hiding: "semi", overBlack: film(0.01), overWhite: film(0.95) });
    expect(contrastRatio(measured)).toBeGreaterThan(0.95);
    expect(contrastRatio(paintOptics(straw))).toBeLessThan(0.9);
  });
});

describe("the simulated colour reader", () => {
  const readAll = async (seed: number) => {
    const reader = simulatedReader(pot("Moss"), null, createRandom(seed));
    const failures: string[] = [];
    const labs: Triple[] = [];
    for (let turn = 0; turn < 60; turn++) {
      try {
        if (reader.readingsLeft === 0) await reader.calibrate();
        labs.push(await reader.read(SPOTS[0]!));
      } catch (error) {
        if (!(error instanceof ReaderError)) throw error;
        failures.push(error.reason);
      }
    }
    return { labs, failures, reader };
  };

  it("must see its white tile first", async () => {
    const reader = simulatedReader(pot("Moss"), null, createRandom(1));
    await expect(reader.read(SPOTS[0]!)).rejects.toThrow(READER_FAILURES.uncalibrated);
    expect(reader.simulated).toBe(true);
  });

  it("reads with noise around the real pot, fails now and then, and is the same again for a seed", async () => {
    const { labs, failures } = await readAll(5);
    const truth = spectrumToLab(masstone(realPot(pot("Moss")).optics));
    const mean = [0, 1, 2].map((axis) => labs.reduce((sum, lab) => sum + lab[axis]!, 0) / labs.length);
    expect(ciede2000(mean as unknown as Triple, truth)).toBeLessThan(0.5);
    expect(new Set(labs.map((lab) => lab[0])).size).toBeGreaterThan(5);
    expect(failures.length).toBeGreaterThan(0);
    expect((await readAll(5)).labs).toEqual(labs);
  });

  it("reads another colour than the label, the same pot alike every day", () => {
    const label = spectrumToLab(masstone(paintOptics(pot("Moss"))));
    const real = spectrumToLab(masstone(realPot(pot("Moss")).optics));
    expect(ciede2000(label, real)).toBeGreaterThan(0.3);
    expect(ciede2000(label, real)).toBeLessThan(12);
    expect(realPot(pot("Moss"))).toEqual(realPot(pot("Moss")));
  });
});

describe("linear light", () => {
  it("gives the spectrum back its own colour", () => {
    expect(spectrumToHex(linearToSpectrum([0.2, 0.2, 0.2]))).toBe(labToHex(hexToLab("#7c7c7c")));
  });
});

describe("mediums and varnishes", () => {
  it("leave what is below them as it is, dark or light", () => {
    for (const name of ["Slack Medium", "Wharf Gloss"]) {
      for (const ground of [0.02, 0.2, 0.8]) {
        const base = uniformSpectrum(ground);
        const over = spectrumToLab(layFilm(paintOptics(pot(name)), 15, base));
        expect(Math.abs(over[0] - spectrumToLab(base)[0])).toBeLessThan(4.5);
      }
    }
  });

  it("are shown by their name as they look over white, never as a black that no film of them has", () => {
    const swatch = (...names: string[]) =>
      spectrumToLab(
        swatchOfMix({ parts: names.map((name) => ({ paintId: pot(name).id, parts: 1 })) }, demoShelf),
      )[0];
    expect(swatch("Wharf Gloss")).toBeGreaterThan(85);
    expect(swatch("Slack Medium", "Wharf Gloss")).toBeGreaterThan(85);
    const red = opticsOfMix({ parts: [{ paintId: pot("Rust Red").id, parts: 1 }] }, demoShelf);
    expect(swatch("Rust Red")).toBeCloseTo(spectrumToLab(masstone(red))[0], 6);
  });
});
