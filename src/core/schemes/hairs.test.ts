import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { labToHex } from "../colour/spaces";
import { lightnessToRead } from "../stats/visibility";
import { schemes } from ".";
import { lightsIn, lightSteps } from "./hairs";
import { LOOKS, type SchemeRoom } from "./scheme";

const roomOf = (lightness: number, more: Partial<SchemeRoom> = {}): SchemeRoom => ({
  answers: { age: "used", look: "plain", colour: labToHex([lightness, 6, 18]) },
  ...{ standard: "display", distanceMm: 450, finestMm: 0.08, scale: 1, narrow: false },
  ...more,
});
const withLook = (room: SchemeRoom, look: SchemeRoom["answers"]["look"]): SchemeRoom => ({
  ...room,
  answers: { ...room.answers, look },
});

const anyRoom = fc
  .record({
    lightness: fc.double({ min: 8, max: 86, noNaN: true }),
    standard: fc.constantFrom("tabletop" as const, "display" as const),
    look: fc.constantFrom(...LOOKS),
    scale: fc.double({ min: 0.7, max: 1.8, noNaN: true }),
    distanceMm: fc.double({ min: 150, max: 1500, noNaN: true }),
  })
  .map(({ lightness, look, ...more }) => withLook(roomOf(lightness, more), look));

describe("tones of hair", () => {
  it("rise from light to light, and end where there is paint for them", () => {
    fc.assert(
      fc.property(anyRoom, (room) => {
        const steps = lightSteps(room);
        expect(steps).toHaveLength(lightsIn(room));
        for (let at = 1; at < steps.length; at++) expect(steps[at]!).toBeGreaterThan(steps[at - 1]!);
      }),
    );
    for (const lightness of [20, 45, 70, 84])
      expect(lightness + lightSteps(roomOf(lightness)).at(-1)!).toBeLessThanOrEqual(92.5);
  });

  it("are fewer on a pale coat, for the table and on a quiet piece", () => {
    expect(lightsIn(roomOf(40))).toBe(5);
    expect(lightsIn(roomOf(40, { standard: "tabletop" }))).toBe(4);
    expect(lightsIn(withLook(roomOf(40), "quiet"))).toBe(4);
    expect(lightsIn(roomOf(84))).toBe(2);
  });

  it("lie further apart where strokes are finer, by what the eye needs", () => {
    const [fine, broad] = [roomOf(35, { scale: 0.7, finestMm: 0.03 }), roomOf(35, { scale: 1.8 })];
    const lastStep = (room: SchemeRoom) => lightSteps(room).at(-1)! - lightSteps(room).at(-2)!;
    expect(lastStep(fine)).toBeGreaterThan(1.2 * lastStep(broad));
    // Strokes of 0.06 mm hardly read from 30 cm; broad ones are written further apart than the eye needs.
    expect(lightnessToRead(70, 0.056, 300, 1)).toBeNull();
    expect(lightnessToRead(70, 0.14, 300, 1)! - 70).toBeLessThan(8);
  });

  it("have paint for every coat, in whatever colour, and no tone that nothing is painted in", () => {
    fc.assert(
      fc.property(anyRoom, fc.constantFrom("hair-overlapped" as const, "hair-apart" as const), (room, id) => {
        const used = new Set(schemes[id].coats(room).map(({ tone }) => tone));
        expect(new Set(Object.keys(schemes[id].tones(room)))).toEqual(used);
      }),
    );
  });
});
