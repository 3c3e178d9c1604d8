import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { opticsOfMix, paintOptics, primerSpectrum } from "../colour/appearance";
import { filmTable, layFilm } from "../colour/film";
import { hexToLab, spectrumToHex } from "../colour/spaces";
import { mixById, type Job } from "../job";
import { createRandom } from "../random";
import { referenceCompositor, startKernel } from "./compositor";
import { coatPassUm } from "../techniques/passUm";
import { createFilmBuffer } from "../techniques/technique";
import { buildUp, filmAt, packFilm } from "./planes";
import { cutSection } from "./section";
import { Simulator, type SpecimenRequest } from "./simulator";
import { sameBytes } from "./testing";

const job = ferrySergeant();
const always = () => Promise.resolve(true);
const request = (change: Partial<SpecimenRequest> = {}): SpecimenRequest => ({
  job,
  paints: demoShelf,
  surfaceId: "coat-skirt",
  upTo: null,
  lit: false,
  ...change,
});

const kernel = await startKernel();

async function preview(change: Partial<SpecimenRequest> = {}, simulator = new Simulator(kernel)) {
  const laid = (await simulator.lay(request(change), true, always))!;
  return { laid, picture: simulator.picture(request(change), laid) };
}

describe("what a piece wears in space", () => {
  it("is what the flat picture shows: the same map, seen from as far, but never lit by itself", async () => {
    const simulator = new Simulator(kernel);
    for (const change of [{ map: "light" }, { map: "wear" }, { viewMm: 1200 }, {}] as const) {
      const { laid, picture } = await preview(change, simulator);
      const skin = simulator.skin(request(change), laid);
      expect(sameBytes(skin.rgba, picture.rgba)).toBe(true);
      expect(skin.lit).toBe(false);
      const lit = simulator.skin(request({ ...change, lit: true }), laid);
      expect(sameBytes(lit.rgba, picture.rgba)).toBe(true);
      expect(lit.lit).toBe(true);
    }
    const [near, far] = [await preview({}, simulator), await preview({ viewMm: 1200 }, simulator)];
    expect(sameBytes(far.picture.rgba, near.picture.rgba)).toBe(false);
  });
});

describe("the compositor", () => {
  it("agrees with the plain reference to one byte, plain and lit, after every coat", async () => {
    const simulator = new Simulator(kernel);
    const reference = new Simulator(referenceCompositor);
    for (const lit of [false, true]) {
      const { laid } = await preview({ lit }, simulator);
      const inKernel: number[][] = [];
      const inReference: number[][] = [];
      const probe = (out: number[][]) => (coat: number, from: number, rgba: Uint8Array) => {
        for (let at = 0; at < rgba.length; at += 4)
          if ((from + at / 4) % 997 === 0) out.push([coat, from + at / 4, ...rgba.slice(at, at + 3)]);
      };
      const fast = simulator.picture(request({ lit }), laid, probe(inKernel)).rgba;
      const slow = reference.picture(request({ lit }), laid, probe(inReference)).rgba;
      let most = 0;
      for (let at = 0; at < fast.length; at++) {
        if (fast[at | 3] !== slow[at | 3]) most = 255;
        if (fast[at | 3] !== 0) most = Math.max(most, Math.abs(fast[at]! - slow[at]!));
      }
      expect(most).toBeLessThanOrEqual(1);
      const byPlace = new Map(inKernel.map(([coat, at, ...rgb]) => [`${coat}/${at}`, rgb]));
      expect(inReference.length).toBeGreaterThan(100);
      for (const [coat, at, ...rgb] of inReference) {
        byPlace
          .get(`${coat}/${at}`)!
          .forEach((value, channel) => expect(Math.abs(value - rgb[channel]!)).toBeLessThanOrEqual(1));
      }
    }
  });

  it("agrees where films cover whole stretches, one to seven of them, white over white as well", () => {
    const cells = 4096;
    const random = createRandom(12);
    const pots = demoShelf.filter((paint) => paint.kind === "paint" || paint.kind === "clear");
    const white = pots.reduce((a, b) => (hexToLab(a.thick)[0] > hexToLab(b.thick)[0] ? a : b));
    const inside = new Float32Array(cells).fill(1);
    for (const kind of ["white", "any"] as const) {
      for (let count = 1; count <= 7; count++) {
        const coats = Array.from({ length: count }, () => {
          const buffer = createFilmBuffer(cells);
          for (let at = 0; at < cells; at++) {
            // The last chunk has a bare cell here and there, so that it goes the other way.
            const cover = at > 3 * 1024 && random.next() < 0.01 ? 0.4 : 1;
            buffer.cover[at] = cover;
            buffer.volumeUm[at] = cover * (1 + 60 * random.next());
          }
          const film = packFilm(buffer, cells);
          const paint = kind === "white" ? white : pots[Math.floor(random.next() * pots.length)]!;
          return { film, table: filmTable(paintOptics(paint), film.maxUm) };
        });
        const input = { ground: primerSpectrum("white"), coats, inside, shade: null };
        const [fast, slow] = [new Uint8ClampedArray(cells * 4), new Uint8ClampedArray(cells * 4)];
        kernel(input, fast);
        referenceCompositor(input, slow);
        let most = 0;
        for (let at = 0; at < fast.length; at++) most = Math.max(most, Math.abs(fast[at]! - slow[at]!));
        expect(most, `${count} ${kind}`).toBeLessThanOrEqual(1);
      }
    }
  });

  it("shows the film model's colour where a coat lies evenly", async () => {
    const base = job.surfaces[0]!.coats[0]!;
    const even = { ...base, technique: { ...base.technique, params: { unevenness: 0 } } };
    const flat: Job = {
      ...job,
      surfaces: [
        {
          ...job.surfaces[0]!,
          form: { ...job.surfaces[0]!.form, params: { ...job.surfaces[0]!.form.params, pleats: 0 } },
          coats: [even],
        },
      ],
    };
    const { picture, laid } = await preview({ job: flat });
    const optics = opticsOfMix(mixById(job, base.mixId), demoShelf);
    const expected = spectrumToHex(layFilm(optics, coatPassUm(base) * base.passes, primerSpectrum("grey")));
    const middle = laid.grid.inside.findIndex(
      (share, at) => share === 1 && laid.grid.heightMm[at]! > 4 && laid.grid.turnDeg[at]! > 180,
    );
    const got = [0, 1, 2].map((channel) => picture.rgba[middle * 4 + channel]!);
    [1, 3, 5].forEach((at, channel) =>
      expect(Math.abs(parseInt(expected.slice(at, at + 2), 16) - got[channel]!)).toBeLessThanOrEqual(2),
    );
  });

  it("refuses more coats than it has room for", async () => {
    const { laid } = await preview();
    const many = { ...laid, coats: Array.from({ length: 65 }, () => laid.coats[0]!) };
    expect(() => new Simulator(kernel).picture(request(), many)).toThrow(/64 coats at most/);
  });
});

describe("the simulator", () => {
  it("gives the same picture for the same job, and another for another seed", async () => {
    const one = (await preview()).picture.rgba;
    expect(sameBytes(one, (await preview()).picture.rgba)).toBe(true);
    const surface = job.surfaces[0]!;
    const other = {
      ...job,
      surfaces: [{ ...surface, coats: surface.coats.map((coat) => ({ ...coat, seed: coat.seed + 1 })) }],
    };
    expect(sameBytes((await preview({ job: other })).picture.rgba, one)).toBe(false);
  });

  it("lays anew only what an edit touches", async () => {
    const simulator = new Simulator(kernel);
    const first = (await preview({}, simulator)).laid;
    const surface = job.surfaces[0]!;
    const edited = {
      ...job,
      surfaces: [
        {
          ...surface,
          coats: surface.coats.map((coat, at) => (at === 6 ? { ...coat, passes: coat.passes + 1 } : coat)),
        },
      ],
    };
    const second = (await preview({ job: edited }, simulator)).laid;
    const kept = second.coats.map(({ film }, at) => film === first.coats[at]!.film);
    expect(kept).toEqual(second.coats.map((_coat, at) => at !== 6));
    const recoloured = {
      ...job,
      mixes: job.mixes.map((mix) => (mix.id === "rust" ? { ...mix, parts: mix.parts.slice(1) } : mix)),
    };
    const third = await preview({ job: recoloured }, simulator);
    expect(third.laid.coats.every(({ film }, at) => film === first.coats[at]!.film)).toBe(true);
    expect(sameBytes(third.picture.rgba, (await preview({}, simulator)).picture.rgba)).toBe(false);
  });

  it("stops when it is no longer wanted", async () => {
    let asked = 0;
    const laid = await new Simulator(kernel).lay(request(), true, () => Promise.resolve(++asked < 3));
    expect(laid).toBeNull();
    expect(asked).toBe(3);
  });

  it("leaves held coats out and shows the primer before the first", async () => {
    const surface = job.surfaces[0]!;
    const held = {
      ...job,
      surfaces: [
        { ...surface, coats: surface.coats.map((coat) => ({ ...coat, held: coat.name !== "Base" })) },
      ],
    };
    expect((await preview({ job: held })).laid.coats).toHaveLength(1);
    const { picture, laid } = await preview({ upTo: 0 });
    const at = laid.grid.inside.indexOf(1);
    const primer = spectrumToHex(primerSpectrum("grey"));
    expect(picture.rgba[at * 4]).toBe(parseInt(primer.slice(1, 3), 16));
  });
});

describe("packed films", () => {
  it("keep thickness to a hundredth of the thickest, and the volume", () => {
    const buffer = createFilmBuffer(1000);
    for (let at = 0; at < 1000; at++) {
      buffer.cover[at] = at % 3 === 0 ? 0.5 : 1;
      buffer.volumeUm[at] = (at / 40) * buffer.cover[at]!;
    }
    const film = packFilm(buffer, 1000);
    for (let at = 0; at < 1000; at++)
      expect(Math.abs(filmAt(film, at) - buffer.volumeUm[at]!)).toBeLessThan(0.01 * film.maxUm);
    expect(film.meanUm * film.coveredShare * 1000).toBeCloseTo(
      buffer.volumeUm.reduce((a, b) => a + b, 0),
      0,
    );
    const twice = buildUp([film, film], 1000);
    expect(twice[900]).toBeCloseTo(2 * filmAt(film, 900), 3);
  });
});

describe("the section", () => {
  it("cuts the same films that the grid holds, in order, and nothing beside the panel", async () => {
    const { laid } = await preview();
    const { bounds } = laid.grid.form;
    const y = bounds.minY + (bounds.maxY - bounds.minY) * 0.8;
    const section = cutSection(laid, { ax: -4, ay: y, bx: 4, by: y }, 300);
    expect(section.lengthMm).toBeCloseTo(8, 9);
    expect(section.films.map((film) => film.coatId)).toEqual(laid.coats.map(({ coat }) => coat.id));
    const sums = Array.from({ length: 300 }, (_, k) =>
      section.films.reduce((sum, film) => sum + film.um[k]!, 0),
    );
    expect(Math.max(...sums)).toBeCloseTo(section.mostUm, 3);
    expect(Math.min(...section.reliefUm)).toBe(0);
    const beside = cutSection(laid, { ax: bounds.minX - 5, ay: y, bx: bounds.minX - 3, by: y }, 10);
    expect([...beside.reliefUm].every(Number.isNaN)).toBe(true);
    expect(beside.mostUm).toBe(0);
  });
});
