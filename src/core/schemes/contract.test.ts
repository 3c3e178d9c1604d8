import { readdirSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { opticsOfMix } from "../colour/appearance";
import { ciede2000 } from "../colour/difference";
import { layFilm, masstone } from "../colour/film";
import { brushedPassUm } from "../colour/mix";
import { hexToLab, spectrumToLab } from "../colour/spaces";
import { parseJob } from "../formats/job-json/jobSchema";
import type { MixPart } from "../job";
import { newPlainSurface } from "../newJob";
import { startKernel } from "../simulate/compositor";
import { Simulator } from "../simulate/simulator";
import { techniques } from "../techniques";
import { schemeIds, schemes } from ".";
import { AGES, LOOKS, type SchemeAnswers } from "./scheme";
import { planStart, roomFor, startSurface } from "./start";

const demo = ferrySergeant();
const plain = newPlainSurface("piece", "Piece", "strap", []);
const job = { ...demo, mixes: [], surfaces: [{ ...plain, coats: [] }] };
const usual = (colour: string): SchemeAnswers => ({ age: "used", look: "plain", colour });
const kernel = startKernel();
const byPaint = (one: MixPart, other: MixPart) => one.paintId.localeCompare(other.paintId);

describe("the registry of schemes", () => {
  it("has every folder, and nothing else", () => {
    const folders = readdirSync(path.resolve("src/core/schemes"), { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map((entry) => entry.name)
      .sort();
    expect([...schemeIds].sort()).toEqual(folders);
  });
});

describe.each(schemeIds)("the scheme %s", (id) => {
  const scheme = schemes[id];

  it("names its tones and coats, keeps every setting within its technique's range", () => {
    expect(scheme.id).toBe(id);
    for (const age of AGES)
      for (const look of LOOKS) {
        const room = roomFor(job, plain, { age, look, colour: scheme.startColour });
        const coats = scheme.coats(room);
        const tones = scheme.tones(room);
        expect(new Set(coats.map((coat) => coat.key)).size).toBe(coats.length);
        for (const [at, coat] of coats.entries()) {
          expect(tones[coat.tone], coat.tone).toBeDefined();
          const earlier = coats.slice(0, at).map((one) => one.key);
          if (coat.marksOf !== undefined) expect(earlier).toContain(coat.marksOf);
          if (coat.place.kind === "zones" && coat.place.near)
            expect(earlier).toContain(coat.place.near.coatId);
          for (const [name, value] of Object.entries(coat.params ?? {})) {
            const spec = techniques[coat.technique].params[name];
            expect(spec, `${coat.technique} has ${name}`).toBeDefined();
            expect(value, `${coat.key}.${name}`).toBeGreaterThanOrEqual(spec!.range[0]);
            expect(value, `${coat.key}.${name}`).toBeLessThanOrEqual(spec!.range[1]);
          }
        }
        Object.entries(tones).forEach(([, { between = [] }], at) => {
          // What a tone is mixed between is mixed before it, covers, and is painted with.
          const before = Object.entries(tones).slice(0, at);
          for (const one of between) {
            expect(before.some(([key, { clear }]) => key === one && !clear)).toBe(true);
            expect(coats.some((coat) => coat.tone === one)).toBe(true);
          }
        });
        for (const key of Object.keys(tones))
          expect(coats.some((coat) => coat.tone === key) || look === "quiet").toBe(true);
      }
  });

  it.each(LOOKS)("mixes tones that are to be told apart each by itself: %s", (look) => {
    const plan = planStart(job, plain, scheme, { ...usual(scheme.startColour), look }, demoShelf);
    const covering = plan.tones.filter(({ tone }) => !tone.clear);
    const alike: string[] = [];
    for (const [at, one] of covering.entries())
      for (const other of covering.slice(0, at)) {
        const apart = ciede2000(hexToLab(one.paint), hexToLab(other.paint));
        const mixOf = ({ parts }: typeof one) => JSON.stringify([...parts].sort(byPaint));
        if (apart >= 4 && mixOf(one) === mixOf(other)) alike.push(`${other.key} and ${one.key}`);
      }
    expect(alike).toEqual([]);
  });

  it("starts a surface with whole-part mixes of owned pots, and can be stored", () => {
    const plan = planStart(job, plain, scheme, usual(scheme.startColour), demoShelf);
    const started = startSurface(job, "piece", plan);
    expect(parseJob(started)).toEqual(started);
    const surface = started.surfaces[0]!;
    expect(surface.coats.length).toBe(plan.coats.length);
    for (const coat of surface.coats) {
      const mix = started.mixes.find((one) => one.id === coat.mixId);
      expect(mix, coat.name).toBeDefined();
      for (const part of mix!.parts) {
        expect(Number.isInteger(part.parts)).toBe(true);
        const pot = demoShelf.find((paint) => paint.id === part.paintId)!;
        expect(["have", "low"]).toContain(pot.state);
      }
    }
    // Started again, nothing is mixed twice.
    expect(startSurface(started, "piece", plan).mixes).toEqual(started.mixes);
  });

  it.each(LOOKS)("is painted otherwise when it is old, where its look is %s", (look) => {
    const coatsAt = (age: (typeof AGES)[number]) =>
      scheme.coats(roomFor(job, plain, { age, look, colour: scheme.startColour }));
    expect(coatsAt("old")).not.toEqual(coatsAt("new"));
  });

  it("is quieter where asked: a smaller span of lightness, and no more coats", () => {
    const of = (look: (typeof LOOKS)[number]) => {
      const room = roomFor(job, plain, { age: "used", look, colour: scheme.startColour });
      const used = new Set(scheme.coats(room).map((coat) => coat.tone));
      const steps = Object.entries(scheme.tones(room)).flatMap(([key, tone]) =>
        used.has(key) && !tone.clear ? [tone.lighter] : [],
      );
      return { span: Math.max(...steps) - Math.min(...steps), coats: scheme.coats(room).length };
    };
    expect(of("quiet").span).toBeLessThan(of("plain").span);
    expect(of("plain").span).toBeLessThan(of("striking").span);
    expect(of("quiet").coats).toBeLessThanOrEqual(of("plain").coats);
  });

  it("lays every coat somewhere, less of each lighter tone", async () => {
    const plan = planStart(job, plain, scheme, usual(scheme.startColour), demoShelf);
    const started = startSurface(job, "piece", plan);
    const request = { job: started, paints: demoShelf, surfaceId: "piece", upTo: null, lit: false };
    const laid = (await new Simulator(await kernel).lay(request, true, () => Promise.resolve(true)))!;
    for (const { coat, film } of laid.coats) expect(film.coveredShare, coat.name).toBeGreaterThan(0);
    const room = roomFor(job, plain, usual(scheme.startColour));
    const tones = scheme.tones(room);
    // Of each lighter tone that is stippled on, the most that one coat of it covers.
    const most = new Map<number, number>();
    plan.coats.forEach((coat, at) => {
      const tone = tones[coat.tone]!;
      if (tone.clear || tone.lighter <= 0 || coat.technique !== "stipple") return;
      most.set(tone.lighter, Math.max(most.get(tone.lighter) ?? 0, laid.coats[at]!.film.coveredShare));
    });
    const shares = [...most].sort(([a], [b]) => a - b).map(([, share]) => share);
    for (let k = 1; k < shares.length; k++) expect(shares[k]!).toBeLessThanOrEqual(shares[k - 1]! * 1.1);
  });
});

describe("a scheme planned backwards", () => {
  it("paints texture brighter than it is to be seen, by what the glazes take", () => {
    const scheme = schemes["leather-stippled"];
    const plan = planStart(job, plain, scheme, usual("#7a4a28"), demoShelf);
    const glaze = plan.tones.find((one) => one.key === "glaze")!;
    const optics = opticsOfMix({ parts: glaze.parts }, demoShelf);
    const um = brushedPassUm(5) * techniques.glaze.filmShare * 0.6;
    for (const key of ["value-1", "middle"]) {
      const found = plan.tones.find((one) => one.key === key)!;
      const [goal, paint] = [hexToLab(found.goal), hexToLab(found.paint)];
      expect(paint[0]).toBeGreaterThan(goal[0]);
      // The mix that was found, with that glaze on it, comes near the goal.
      const mixed = masstone(opticsOfMix({ parts: found.parts }, demoShelf));
      const seen = spectrumToLab(layFilm(optics, um, mixed));
      expect(Math.abs(seen[0] - goal[0])).toBeLessThan(4);
    }
    // What comes after the glaze is painted as it is to be seen.
    const bright = plan.tones.find((one) => one.key === "bright")!;
    expect(bright.paint).toBe(bright.goal);
  });

  it("says so where no pot is owned, and starts all the same", () => {
    const none = demoShelf.map((paint) => ({ ...paint, state: "out" as const }));
    const plan = planStart(job, plain, schemes.velvet, usual("#5a2437"), none);
    expect(plan.tones.every((one) => one.parts.length === 0)).toBe(true);
    const started = startSurface(job, "piece", plan);
    expect(parseJob(started)).toEqual(started);
  });
});
