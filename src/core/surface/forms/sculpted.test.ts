import { describe, expect, it } from "vitest";
import { along, build, peaks } from "./testing";

describe("a horn", () => {
  const sizes = { lengthMm: 20, rootMm: 12, tipMm: 1, bendDeg: 60, rings: 16, ringMm: 0.2, twistDeg: 0 };
  const form = build("horn", sizes);

  it("is as far round at root and tip as measured, and bends as asked", () => {
    expect(form.lengthAt(0)).toBeCloseTo(12, 1);
    expect(form.lengthAt(20)).toBeCloseTo(1, 1);
    const smooth = build("horn", { ...sizes, rings: 0 });
    const middle = (heightMm: number) => {
      const [a, b] = [0, 180].map((turnDeg) => smooth.inSpace({ turnDeg, heightMm }));
      return [0, 1, 2].map((axis) => (a![axis]! + b![axis]!) / 2);
    };
    const way = (from: number) => {
      const [a, b] = [middle(from), middle(from + 0.2)];
      return (Math.atan2(b[0]! - a[0]!, b[1]! - a[1]!) * 180) / Math.PI;
    };
    expect(way(19.7) - way(0.1)).toBeGreaterThan(54);
    expect(way(19.7) - way(0.1)).toBeLessThan(64);
  });

  it("has as many rings as asked, closer together and lower from the root on, and none near the tip", () => {
    const heights = along(form, [180, 0], [180, 0.82 * 20]);
    const tops = peaks(heights, 0.02);
    expect(tops.length).toBeGreaterThan(11);
    expect(tops.length).toBeLessThanOrEqual(16);
    const height = (at: number) => heights[Math.round(at * 4000)]!;
    expect(height(tops[1]!)).toBeGreaterThan(0.2 * 0.75);
    expect(height(tops[1]!)).toBeLessThan(0.2 * 1.35);
    expect(height(tops.at(-1)!)).toBeLessThan(0.4 * height(tops[1]!));
    expect(Math.max(...along(form, [180, 0.84 * 20], [180, 20]))).toBeLessThan(0.03);
    // Steep on the side of the root.
    const first = Math.round(tops[2]! * 4000);
    const rise = Math.max(
      ...Array.from({ length: 60 }, (_, k) => heights[first - k]! - heights[first - k - 1]!),
    );
    const fall = Math.max(
      ...Array.from({ length: 60 }, (_, k) => heights[first + k]! - heights[first + k + 1]!),
    );
    expect(rise).toBeGreaterThan(1.3 * fall);
  });

  it("has fibres along it that turn by the twist", () => {
    const plain = { ...sizes, rings: 0 };
    const at = (twistDeg: number, turnDeg: number, heightMm: number) =>
      build("horn", { ...plain, twistDeg }).relief({ turnDeg, heightMm });
    for (const turnDeg of [20, 111, 254]) expect(at(90, turnDeg - 45, 10)).toBeCloseTo(at(0, turnDeg, 10), 9);
  });
});

describe("a helmet", () => {
  const sizes = {
    roundMm: 26,
    domeMm: 5.8,
    skirtMm: 4,
    flareDeg: 9,
    slits: 5,
    slitMm: 0.8,
    rivets: 12,
    crestMm: 0.4,
    slitDeepMm: 0.4,
  };
  const form = build("helmet", sizes);
  const slitHeight = 4 * (1 - 0.54);

  it("has its slits in front, as many and as wide as asked, cut in and not standing out", () => {
    const heights = along(form, [180 - 75, slitHeight], [180 + 75, slitHeight]);
    const open = heights.map((height) => (height < -0.2 ? 1 : 0));
    const edges = open.filter((now, at) => at > 0 && now === 1 && open[at - 1] === 0).length;
    expect(edges).toBe(5);
    const wide = (open.reduce((sum, now) => sum + now, 0) / heights.length) * (150 / 360) * 26;
    expect(wide / 5).toBeCloseTo(0.8, 1);
    const behind = along(form, [-60, slitHeight], [60, slitHeight]);
    expect(Math.min(...behind)).toBeGreaterThan(-0.1);
  });

  it("is cut through where a slit is deeper than the shell, and is whole where it is not", () => {
    const [deep, shallow] = [0.8, 0.4].map((slitDeepMm) => build("helmet", { ...sizes, slitDeepMm }));
    const cutAt = (turnDeg: number) => deep!.rim!({ turnDeg, heightMm: slitHeight }) < 0;
    const open = Array.from({ length: 3600 }, (_, at) => cutAt(at / 10));
    expect(open.filter((now, at) => now && !open[at - 1]).length).toBe(5);
    expect((open.filter(Boolean).length / 3600) * 26).toBeCloseTo(5 * 0.8, 0);
    expect(cutAt(0)).toBe(false);
    expect(shallow!.rim!({ turnDeg: 180, heightMm: slitHeight })).toBeGreaterThan(0);
    expect(shallow!.areaMm2 - deep!.areaMm2).toBeGreaterThan(5 * 0.8 * 0.6 * 4 * 0.85);
    expect(shallow!.areaMm2 - deep!.areaMm2).toBeLessThan(5 * 0.8 * 0.6 * 4 * 1.15);
  });

  it("has rivets on its band and a crest from front to back over the crown", () => {
    const plain = build("helmet", { ...sizes, crestMm: 0 });
    expect(peaks(along(plain, [0, 4.1], [360, 4.1], 8000), 0.07).length).toBe(12);
    const crest = (turnDeg: number) => form.relief({ turnDeg, heightMm: 7.5 });
    for (const turnDeg of [0.5, 180, 359.5]) expect(crest(turnDeg)).toBeGreaterThan(0.3);
    for (const turnDeg of [60, 90, 120, 270]) expect(crest(turnDeg)).toBeLessThan(0.1);
  });

  it("is as far round and over as measured", () => {
    const round = (heightMm: number) => {
      const plain = { ...form, relief: () => 0 };
      const [x, , z] = build("helmet", { ...sizes, crestMm: 0, bandMm: 0, rivets: 0, slits: 0 }).inSpace({
        turnDeg: 90,
        heightMm,
      });
      expect(plain.relief()).toBe(0);
      return 2 * Math.PI * Math.hypot(x, z);
    };
    expect(round(4)).toBeGreaterThan(25.7);
    expect(round(4)).toBeLessThan(26.4);
    // Leaning out by 9° over 4 mm.
    const rim = 26 + 2 * Math.PI * 4 * Math.sin((9 * Math.PI) / 180);
    expect(Math.abs(round(0.01) - rim)).toBeLessThan(0.9);
  });
});

describe("a trunk", () => {
  it("has muscles beside a middle line that is sunk in", () => {
    const form = build("trunk", { lengthMm: 15, muscles: 3, muscleMm: 0.6, spineMm: 0.3 });
    const across = along(form, [110, 11], [250, 11]);
    const at = (turnDeg: number) => across[Math.round(((turnDeg - 110) / 140) * 4000)]!;
    expect(at(180)).toBeLessThan(Math.min(at(150), at(210)) - 0.4);
    expect(peaks(along(form, [148, 0.2], [148, 14.8]), 0.12).length).toBe(3);
  });
});
