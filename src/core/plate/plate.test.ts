import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { InputError } from "../errors";
import { defaultPainter } from "../painter";
import { parsePainter } from "../painterSchema";
import { wobbleMm } from "../techniques/technique";
import { stray } from "../techniques/texture";
import { cornersSeen, takePhoto, type Shot } from "./benchCamera";
import { offersOf, steadinessOf, withOffers } from "./hand";
import { homographyOf, project } from "./homography";
import { MARKS } from "./layout";
import { findMarks } from "./marks";
import type { Photo } from "./photo";
import { offStraight, readPlate, type PlateReading } from "./reading";
import { plateOf, type SimulatedHand } from "./simulatedHand";

const hand: SimulatedHand = {
  ...{ lineMm: 0.16, wobbleMm: 0.02, dotMm: 0.36, strokesOffMm: 0.14, waterTimes: 1.35, seed: 4 },
};
const picture = plateOf(hand);
const WARM = { cast: [1, 0.86, 0.66], falls: 0.72 } as const;
const COLD = { cast: [0.8, 0.92, 1], falls: 0.6 } as const;
const straight: Shot = {
  ...{ width: 1400, height: 1050, tiltDeg: 0, towardsDeg: 60, turnDeg: 4, seed: 3 },
  ...WARM,
};
const photo = takePhoto(picture, straight);

/** A photo whose pixels are changed. */
function changed(
  { rgba, width, height }: Photo,
  change: (x: number, y: number) => readonly number[] | null,
): Photo {
  const out = rgba.slice();
  for (let at = 0; at < width * height; at++) {
    const value = change(at % width, Math.floor(at / width));
    if (value !== null) out.set(value, at * 4);
  }
  return { rgba: out, width, height };
}

/** What a photo is refused with. */
function refused(of: Photo): string {
  try {
    readPlate(of);
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
  return "read";
}

describe("a painted plate in its photo", () => {
  const shots = [0, 14, 28].flatMap((tiltDeg) =>
    [WARM, COLD].map((light, at) => ({ ...straight, ...light, tiltDeg, turnDeg: 4 - 9 * at })),
  );
  it.each(shots)("tells line, dot and wobble within 15 %: tilt $tiltDeg°, light $cast", (shot) => {
    const { lines, dots, strokes, thinning } = readPlate(takePhoto(picture, shot));
    expect(lines!.count).toBe(5);
    expect(dots!.count).toBe(18);
    expect(strokes!.count).toBe(17);
    expect(Math.abs(lines!.widthMm / hand.lineMm - 1)).toBeLessThan(0.15);
    expect(Math.abs(lines!.wobbleMm / hand.wobbleMm - 1)).toBeLessThan(0.15);
    expect(Math.abs(dots!.acrossMm / hand.dotMm - 1)).toBeLessThan(0.15);
    expect(Math.abs(strokes!.offMm / hand.strokesOffMm - 1)).toBeLessThan(0.25);
    expect(Math.abs(thinning!.times / hand.waterTimes - 1)).toBeLessThan(0.15);
  });

  it("tells another hand from this one", () => {
    const other: SimulatedHand = {
      ...{ lineMm: 0.3, wobbleMm: 0.045, dotMm: 0.7, strokesOffMm: 0.05, waterTimes: 0.8, seed: 12 },
    };
    const { lines, dots, thinning } = readPlate(
      takePhoto(plateOf(other), { ...straight, ...COLD, tiltDeg: 9 }),
    );
    expect(Math.abs(lines!.widthMm / other.lineMm - 1)).toBeLessThan(0.15);
    expect(Math.abs(lines!.wobbleMm / other.wobbleMm - 1)).toBeLessThan(0.15);
    expect(Math.abs(dots!.acrossMm / other.dotMm - 1)).toBeLessThan(0.15);
    expect(Math.abs(thinning!.times / other.waterTimes - 1)).toBeLessThan(0.2);
  });

  it("has its marks where the camera saw them, whichever way up it lies", () => {
    for (const turnDeg of [4, 95, 184]) {
      const shot = { ...straight, width: 1000, height: 1000, tiltDeg: 12, turnDeg };
      const found = findMarks(takePhoto(picture, shot));
      const onPlate = [
        [0, 0],
        [90, 0],
        [90, 64],
        [0, 64],
      ] as const;
      const see = homographyOf(onPlate, cornersSeen(shot));
      MARKS.forEach((mark, at) => {
        const [x, y] = project(see, mark);
        const off = Math.hypot(found[at]![0] - x, found[at]![1] - y);
        if (off > 1.5) throw new Error(`mark ${at} at ${turnDeg}° is off by ${off} pixels`);
      });
      expect(found).toHaveLength(4);
    }
  });

  it("says what is missing: a mark, the dot, the solid box", () => {
    const [first, second] = findMarks(photo);
    const over = ([x, y]: readonly [number, number], reach: number, value: number) =>
      changed(photo, (px, py) => (Math.hypot(px - x, py - y) < reach ? [value, value, value] : null));
    expect(refused(over(second!, 60, 220))).toMatch(/^3 of the four ring marks were found/);
    expect(refused(over(first!, 16, 220))).toMatch(/^0 marks with a dot were found/);
    expect(refused(changed(photo, () => [128, 128, 128]))).toMatch(/^0 of the four ring marks/);
    const bare = readPlate(photo).marks;
    const toPhoto = homographyOf(MARKS, bare);
    const [cx, cy] = project(toPhoto, [78, 38]);
    const reach = 62;
    const [px, py] = project(toPhoto, [78, 30]).map(Math.round) as [number, number];
    const paper = photo.rgba.subarray((py * photo.width + px) * 4).slice(0, 3);
    expect(
      refused(
        changed(photo, (x, y) => (Math.abs(x - cx) < reach && Math.abs(y - cy) < reach ? [...paper] : null)),
      ),
    ).toMatch(/solid box looks like bare paper/);
  });

  it("is read by marks that were pointed at, and not by marks that do not go round", () => {
    const found = readPlate(photo);
    const near = found.marks.map(([x, y]) => [x + 0.5, y - 0.5] as const);
    const { lines } = readPlate(photo, near);
    expect(Math.abs(lines!.widthMm / hand.lineMm - 1)).toBeLessThan(0.15);
    expect(() => readPlate(photo, [near[0]!, near[2]!, near[1]!, near[3]!])).toThrow(/go round clockwise/);
    expect(() => readPlate(photo, near.toReversed())).toThrow(/go round clockwise/);
  });
});

describe("perspective", () => {
  it("takes its four points to where they were seen, and all others along straight lines", () => {
    const spot = fc.tuple(
      fc.double({ min: -8, max: 8, noNaN: true }),
      fc.double({ min: -8, max: 8, noNaN: true }),
    );
    const from = [
      [0, 0],
      [40, 0],
      [40, 30],
      [0, 30],
    ] as const;
    fc.assert(
      fc.property(fc.tuple(spot, spot, spot, spot), (moved) => {
        const to = from.map(([x, y], at) => [5 * x + moved[at]![0], 5 * y + moved[at]![1]] as const);
        const h = homographyOf(from, to);
        const off = from.map((point, at) => {
          const [x, y] = project(h, point);
          return Math.hypot(x - to[at]![0], y - to[at]![1]);
        });
        const [a, b, c] = [0, 0.4, 1].map((t) => project(h, [3 + 30 * t, 2 + 25 * t]));
        const bend = (b![0] - a![0]) * (c![1] - a![1]) - (b![1] - a![1]) * (c![0] - a![0]);
        return Math.max(...off) < 1e-6 && Math.abs(bend) < 1e-5;
      }),
    );
  });
});

describe("what a plate says of a painter", () => {
  it("is the steadiness whose simulated pulls stray as far", () => {
    for (const steadiness01 of [0.1, 0.5, 0.9]) {
      const strays = Array.from({ length: 120 }, (_, seed) => {
        const off = offStraight(Array.from({ length: 200 }, (__, at) => stray(seed * 7919 + 5, at * 0.1)));
        return off.reduce((sum, value) => sum + value * value, 0) / off.length;
      });
      const rms = Math.sqrt(strays.reduce((sum, value) => sum + value, 0) / strays.length);
      const strayMm = wobbleMm({ finestLineMm: 0.1, steadiness01 }) * rms;
      expect(Math.abs(steadinessOf(strayMm) - steadiness01)).toBeLessThan(0.05);
    }
    expect(steadinessOf(1)).toBe(0);
    expect(steadinessOf(0)).toBe(1);
  });

  const reading: PlateReading = {
    marks: [],
    lines: { count: 5, widthMm: 0.1634, wobbleMm: 0.02 },
    dots: { count: 18, acrossMm: 0.4 },
    strokes: null,
    thinning: { boxes: 4, times: 1.346 },
  };

  it("is offered with what the painter has, and taken over as it stands", () => {
    const offers = offersOf(reading, { lines: 45, dots: 27 }, defaultPainter);
    expect(offers.map(({ id, now }) => [id, now])).toEqual([
      ["finestLine", 0.16],
      ["steadiness", steadinessOf(0.02)],
      ["waterTimes", 1.35],
      ["secondsPerPull", 9],
      ["secondsPerDot", 1.5],
    ]);
    const next = withOffers(defaultPainter, offers);
    expect(parsePainter(next)).toEqual(next);
    expect(next).toMatchObject({
      ...{ hand: { finestLineMm: 0.16 }, waterTimes: 1.35, secondsPerPull: 9, secondsPerDot: 1.5 },
    });
    expect(offersOf(reading, { lines: 45, dots: 27 }, next).every(({ was, now }) => was === now)).toBe(true);
  });

  it("is nothing of rows that were not painted or not timed", () => {
    const none = { ...reading, lines: null, thinning: null };
    expect(offersOf(none, { lines: 45, dots: null }, defaultPainter)).toEqual([]);
    expect(offersOf(reading, { lines: null, dots: null }, defaultPainter)).toHaveLength(3);
  });
});
