import { describe, expect, it } from "vitest";
import { decodeSrgb } from "../../colour/spaces";
import { seenBy } from "../../colour/vision";
import { LOOKED_FROM_MM, OTHER_EYES, pictureFor, seenOtherwise } from "./otherwise";
import { planted, type Planted } from "./testing";

const VIEW = { turnDeg: 0, tiltDeg: 12, pxPerMm: 8, mostPx: 240, viewMm: null };
const seen = (parts: readonly Planted[]) => {
  const made = planted(parts);
  return seenOtherwise({ ...made.judged, view: VIEW }, made.parts, 200);
};

/** Two parts beside each other. */
const beside = (one: Planted["lab"], other: Planted["lab"]): Planted[] => [
  { id: "left", box: [20, 40, 80, 200], lab: one },
  { id: "right", box: [80, 40, 140, 200], lab: other },
];
const apartFor = (parts: readonly Planted[], eyes: (typeof OTHER_EYES)[number]) =>
  seen(parts).eyes.find((one) => one.eyes === eyes)!.borders[0]!;

describe("a figure through other eyes", () => {
  it("runs red and green of one lightness together for eyes that lack a cone for them, blue and yellow do not", () => {
    const redGreen = beside([52, 34, 22], [52, -34, 22]);
    const blueYellow = beside([52, 0, -40], [52, 0, 40]);
    for (const eyes of ["red-weak", "green-weak"] as const) {
      const { ordinary, seen: left } = apartFor(redGreen, eyes);
      expect(ordinary).toBeGreaterThan(30);
      expect(left).toBeLessThan(ordinary / 2);
      const other = apartFor(blueYellow, eyes);
      expect(other.seen).toBeGreaterThan(0.7 * other.ordinary);
    }
    expect(apartFor(blueYellow, "blue-weak").seen).toBeLessThan(apartFor(redGreen, "blue-weak").seen);
  });

  it("has nothing but lightness in grey", () => {
    const hues = apartFor(beside([52, 34, 22], [52, -34, 22]), "grey");
    expect(hues.seen).toBeLessThan(1);
    const tones = apartFor(beside([30, 0, 0], [60, 0, 0]), "grey");
    expect(tones.seen).toBeCloseTo(tones.ordinary, 0);
  });

  it("is what a colour is to these eyes, pixel by pixel, and leaves what is no figure alone", () => {
    const { judged } = planted(beside([52, 34, 22], [40, 5, -30]));
    for (const eyes of OTHER_EYES) {
      const { rgba } = pictureFor(eyes, judged.picture);
      const at = (100 * 160 + 40) * 4;
      const linear = [0, 1, 2].map((k) => decodeSrgb(judged.picture.rgba[at + k]! / 255)) as [
        number,
        number,
        number,
      ];
      if (eyes === "grey") expect(rgba[at]).toBe(rgba[at + 1]);
      else
        seenBy(eyes, linear).forEach((light, k) =>
          expect(decodeSrgb(rgba[at + k]! / 255)).toBeCloseTo(Math.max(0, light), 2),
        );
      expect([...rgba.subarray(0, 4)]).toEqual([0, 0, 0, 0]);
    }
  });
});

describe("a figure from afar", () => {
  it("loses texture with distance, and plain parts have none to lose", () => {
    const { textures, distances } = seen([
      { id: "dotted", box: [20, 40, 80, 200], lab: [50, 0, 0], busy: 8 },
      { id: "plain", box: [80, 40, 140, 200], lab: [50, 10, 0] },
    ]);
    expect(distances.map(({ mm }) => mm)).toEqual([...LOOKED_FROM_MM]);
    const [dotted, plain] = textures;
    expect(dotted!.from[0]).toBeGreaterThan(6);
    for (let at = 1; at < LOOKED_FROM_MM.length; at++)
      expect(dotted!.from[at]).toBeLessThan(dotted!.from[at - 1]!);
    expect(Math.max(...plain!.from)).toBeLessThan(0.5);
  });
});
