import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { InputError } from "../../errors";
import { completeParams, type ParamSpecs } from "../../params";
import { formIds, forms, type FormId } from ".";
import type { FormDefinition } from "./form";

/** Any sizes within the ranges that fields allow by themselves: all of them anything, or some left as they start. */
function sizesOf(specs: ParamSpecs) {
  const any = Object.fromEntries(
    Object.entries(specs).map(([name, { range, unit, step }]) => {
      const [low, high] = range;
      const steps = Math.round((high - low) / step);
      // Whole counts where a field counts; else any multiple of its step, small ones as often as large ones.
      const at = fc.oneof(
        fc.integer({ min: 0, max: steps }),
        fc.integer({ min: 0, max: Math.min(steps, 12) }),
      );
      return [name, at.map((k) => (unit === "" ? low + k : Math.min(high, low + k * step)))];
    }),
  );
  return fc.oneof(fc.record(any), fc.record(any, { requiredKeys: [] }));
}

/** Sizes that cannot be, with the field that is to blame. */
const IMPOSSIBLE: readonly (readonly [FormId, Record<string, number>, string])[] = [
  ["limb", { roundMm: 3, lengthMm: 40, creases: 3, creaseMm: 2.9 }, "creaseMm"],
  ["bag", { widthMm: 2, heightMm: 8, bulgeMm: 5 }, "bulgeMm"],
  ["strap", { widthMm: 0.6, strands: 8, thicknessMm: 0.1 }, "strands"],
  ["glove", { roundMm: 2, lengthMm: 7, fingers: 4, knuckleMm: 2 }, "knuckleMm"],
  ["hand", { roundMm: 20, lengthMm: 6 }, "lengthMm"],
  ["hand", { roundMm: 9, fingers: 4, knuckleMm: 0.9 }, "knuckleMm"],
  ["cone-band", { waistMm: 34, hemMm: 58, pleats: 40, pleatDepthMm: 3 }, "pleatDepthMm"],
  ["wall", { heightMm: 5, courses: 40 }, "courses"],
  ["boards", { heightMm: 6, boards: 20 }, "boards"],
  ["boards", { boards: 5, gapMm: 1.5 }, "gapMm"],
  ["boards", { lengthMm: 3, heightMm: 53, boards: 5, battens: 3, battenMm: 0.8, proudMm: 3.35 }, "proudMm"],
  ["plate", { rivetMm: 1, apartMm: 0.6 }, "apartMm"],
  ["plate", { lengthMm: 8, columns: 4, ventMm: 5 }, "ventMm"],
  ["base", { lengthMm: 12, widthMm: 12, stones: 40, stoneMm: 9 }, "stoneMm"],
  ["dome", { roundMm: 4, overMm: 1, collarMm: 3 }, "collarMm"],
  ["panel", { lengthMm: 2, widthMm: 2, dents: 1 }, "dents"],
  ["horn", { lengthMm: 10, rootMm: 20, bendDeg: 200 }, "bendDeg"],
  ["horn", { lengthMm: 3, rootMm: 2, tipMm: 4 }, "tipMm"],
  ["sleeve", { lengthMm: 4, cuffMm: 2, turnedMm: 3 }, "cuffMm"],
  ["boot", { shaftMm: 2, footMm: 4, heelMm: 14 }, "heelMm"],
  ["boot", { ballMm: 30, footMm: 4 }, "footMm"],
  ["trunk", { lengthMm: 4, lowerMm: 6, middleMm: 60 }, "middleMm"],
  ["helmet", { roundMm: 24, domeMm: 30 }, "domeMm"],
  ["helmet", { slits: 20, slitMm: 1 }, "slitMm"],
  ["hood", { headMm: 20, overMm: 5 }, "overMm"],
  ["hood", { lowerMm: 18, folds: 16, foldMm: 1.1 }, "foldMm"],
  ["base-rim", { heightMm: 2, outMm: 3 }, "outMm"],
  ["pipe", { lengthMm: 6, roundMm: 9, bendDeg: 300 }, "bendDeg"],
  ["pipe", { lengthMm: 10, ribs: 80 }, "ribs"],
  ["pipe", { roundMm: 3, proudMm: 0.6 }, "proudMm"],
  ["barrel", { lengthMm: 5, middleMm: 60 }, "middleMm"],
  ["barrel", { endMm: 12, staves: 40 }, "staves"],
  ["barrel", { hoopMm: 0.3, rivetMm: 0.5 }, "rivetMm"],
  ["crate", { widthMm: 4, battens: 6, battenMm: 1.8 }, "battenMm"],
  ["crate", { heightMm: 4, boards: 12 }, "boards"],
  ["blade", { lengthMm: 6, pointMm: 6 }, "pointMm"],
  ["blade", { guardMm: 2, thickMm: 1 }, "thickMm"],
  ["cloak", { lengthMm: 4, hemMm: 30, neckMm: 11, folds: 2, foldMm: 6 }, "foldMm"],
];

describe("sizes that cannot be", () => {
  it.each(IMPOSSIBLE)("are refused for a %s of %o, at %s, with what is allowed", (id, sizes, field) => {
    const definition: FormDefinition = forms[id];
    const values = completeParams(definition.params, sizes);
    const found = definition.problems(values).filter((problem) => problem.field === field);
    expect(found.length).toBeGreaterThan(0);
    for (const { message } of found) expect(message).toMatch(/\d/);
    expect(() => definition.build(values, 1)).toThrow(InputError);
  });

  it("name a kind of form each: none is left out", () => {
    expect(new Set(IMPOSSIBLE.map(([id]) => id))).toEqual(new Set(formIds));
  });
});

describe.each(formIds)("any sizes of a %s within its fields' ranges", (id) => {
  const definition: FormDefinition = forms[id];

  it("are refused at a field of its own, or make a form whose relief it has room for", () => {
    let built = 0;
    fc.assert(
      fc.property(sizesOf(definition.params), fc.integer({ min: 0, max: 99 }), (sizes, seed) => {
        const values = completeParams(definition.params, sizes as Readonly<Record<string, number>>);
        const wrong = definition.problems(values);
        if (wrong.length > 0) {
          for (const { field, message } of wrong) {
            expect(Object.keys(definition.params)).toContain(field);
            expect(message.length).toBeGreaterThan(15);
          }
          expect(() => definition.build(values, seed)).toThrow(InputError);
          return;
        }
        built++;
        const form = definition.build(values, seed);
        const { minX, maxX, minY, maxY } = form.bounds;
        const whole: number[] = [];
        const inSpace: number[] = [];
        for (let row = 0; row < 20; row++) {
          const heightMm = form.slantMm * (row / 20);
          const across = Array.from({ length: 20 }, (_, k) => {
            const place = { turnDeg: form.turnDeg * (k / 20), heightMm };
            inSpace.push(...form.inSpace(place));
            return form.relief(place);
          });
          expect(across.every(Number.isFinite)).toBe(true);
          // What stands out is no taller than the piece is wide there; a soft swell is left out of account.
          expect(Math.max(...across) - Math.min(...across)).toBeLessThan(1.2 * form.lengthAt(heightMm) + 0.5);
          whole.push(...across);
        }
        expect(inSpace.every(Number.isFinite)).toBe(true);
        const narrow = Math.min(maxX - minX, maxY - minY);
        expect(Math.max(...whole) - Math.min(...whole)).toBeLessThan(1.3 * narrow + 0.5);
      }),
      // Sizes as they start can be built: chance alone might find none that can.
      { numRuns: 80, examples: [[{}, 1]] },
    );
    expect(built).toBeGreaterThan(0);
  });
});
