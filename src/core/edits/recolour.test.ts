import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { ciede2000 } from "../colour/difference";
import { hexToLab, type Triple } from "../colour/spaces";
import { parseOwnScheme } from "../formats/job-json/jobSchema";
import { isClearMix, mainMix, mixesInUse, movedTones, recoloured, tonesOf } from "./recolour";
import { schemeOf } from "./ownSchemes";

const sergeant = wholeSergeant();
const schemes = sergeant.surfaces.map((surface) =>
  schemeOf(sergeant, surface, { id: surface.id, name: surface.name, at: "2026-05-01T09:30:00Z" }),
);
const named = (id: string) => schemes.find((scheme) => scheme.id === id)!;
const lab = (least: number, most: number) =>
  fc.tuple(
    fc.double({ min: least, max: most, noNaN: true }),
    fc.double({ min: -60, max: 60, noNaN: true }),
    fc.double({ min: -60, max: 60, noNaN: true }),
  );
const hue = ([, a, b]: Triple) => Math.atan2(b, a);
const chroma = ([, a, b]: Triple) => Math.hypot(a, b);

describe("tones that go to another colour", () => {
  it("keep their steps of lightness where there is room, and their order everywhere", () => {
    fc.assert(
      fc.property(lab(6, 94), lab(6, 94), fc.array(lab(6, 94), { maxLength: 6 }), (main, goal, tones) => {
        const moved = movedTones(main, goal, [main, ...tones]);
        expect(Math.abs(moved[0]![0] - goal[0])).toBeLessThan(1e-9);
        const steps = tones.map(([l]) => l - main[0]);
        const fits = steps.every((step) => goal[0] + step <= 94 && goal[0] + step >= 6);
        steps.forEach((step, at) => {
          const now = moved[at + 1]![0] - goal[0];
          if (fits) expect(Math.abs(now - step)).toBeLessThan(1e-9);
          else expect(now * step).toBeGreaterThanOrEqual(0);
        });
        expect(moved.every(([l]) => l >= 6 - 1e-9 && l <= 94 + 1e-9)).toBe(true);
        const sorted = (of: readonly Triple[]) =>
          of.map(([l], at) => [l, at]).toSorted((a, b) => a[0]! - b[0]!);
        const rank = sorted([main, ...tones]).map(([, at]) => moved[at!]![0]);
        expect(rank).toEqual(rank.toSorted((a, b) => a - b));
      }),
    );
  });

  it("turn by the angle of the main one, and are as much more or less vivid", () => {
    const main: Triple = [40, 30, 0];
    const [moved] = movedTones(main, [50, 0, 15], [[55, 20, 20]]);
    expect(hue(moved!)).toBeCloseTo(Math.PI / 4 + Math.PI / 2);
    expect(chroma(moved!)).toBeCloseTo(Math.hypot(20, 20) / 2);
    expect(moved![0]).toBeCloseTo(65);
    // A grey has no hue to turn from: its tones take the new one.
    const [grey] = movedTones([40, 1, 1], [50, 0, 15], [[55, 0, -2]]);
    expect(grey![2]).toBeCloseTo(15);
  });
});

describe("a scheme in another colour", () => {
  it("knows its main mix and which are tones of it", () => {
    for (const scheme of schemes) {
      const main = mainMix(scheme, demoShelf)!;
      expect(isClearMix(main, demoShelf)).toBe(false);
      expect(tonesOf(scheme, main, demoShelf)).toContain(main.id);
      expect(mixesInUse(scheme).map(({ id }) => id)).toContain(main.id);
    }
    const cloth = named("coat-skirt");
    const tones = tonesOf(cloth, mainMix(cloth, demoShelf)!, demoShelf);
    expect(tones.length).toBeLessThan(cloth.mixes.length);
  });

  it("is painted in mixes near the goals, others left as they are", () => {
    for (const [id, colour] of [
      ["satchel", "#4c5a55"],
      ["coat-skirt", "#5d3f66"],
    ] as const) {
      const scheme = named(id);
      const main = mainMix(scheme, demoShelf)!;
      const mixIds = tonesOf(scheme, main, demoShelf);
      const goal = hexToLab(colour);
      const { scheme: made, tones } = recoloured({ scheme, mainMixId: main.id, goal, mixIds }, demoShelf);
      expect(parseOwnScheme(made)).toEqual(made);
      expect(made.coats).toEqual(scheme.coats);
      expect(made.mixes.filter((mix) => !mixIds.includes(mix.id))).toEqual(
        scheme.mixes.filter((mix) => !mixIds.includes(mix.id)),
      );
      const moved = tones.find(({ mixId }) => mixId === main.id)!;
      expect(ciede2000(moved.goal, goal)).toBeLessThan(1e-6);
      expect(ciede2000(moved.got, goal)).toBeLessThan(ciede2000(moved.was, goal) / 2);
      for (const { difference, got, goal: to } of tones) {
        expect(difference).toBeCloseTo(ciede2000(to, got));
        expect(difference, id).toBeLessThan(8);
      }
      const covering = tones.filter(
        ({ mixId }) =>
          !isClearMix(
            scheme.mixes.find((mix) => mix.id === mixId)!,
            demoShelf,
          ),
      );
      for (const tone of covering) {
        const step = tone.got[0] - moved.got[0];
        expect(Math.abs(step - (tone.goal[0] - moved.goal[0])), `${id} ${tone.mixId}`).toBeLessThan(5);
      }
    }
  });

  it("stays as it was where no pot is at hand, and is refused without its main mix", () => {
    const scheme = named("satchel");
    const main = mainMix(scheme, demoShelf)!;
    const wish = { scheme, mainMixId: main.id, goal: [50, 20, 20] as const, mixIds: [] };
    const out = demoShelf.map((paint) => ({ ...paint, state: "out" as const }));
    expect(recoloured(wish, out).scheme).toEqual(scheme);
    expect(() => recoloured({ ...wish, mainMixId: "none" }, demoShelf)).toThrow(/no mix "none"/);
  });
});
