import { describe, expect, it } from "vitest";
import { completeParams } from "../../params";
import { forms } from ".";
import { buildForm } from "./buildForm";
import { along, build, peaks } from "./testing";

describe("a sleeve", () => {
  const sizes = {
    lengthMm: 16,
    jointAt: 50,
    creases: 5,
    creaseMm: 0.4,
    cuffMm: 2,
    turnedMm: 1.5,
    proudMm: 0.25,
    bendDeg: 0,
  };
  const form = build("sleeve", sizes);

  it("creases on the inner side of its joint and hardly on the outer one", () => {
    const inner = peaks(along(form, [270, 3], [270, 13]), 0.12);
    const outer = peaks(along(form, [90, 3], [90, 13]), 0.12);
    expect(inner.length).toBeGreaterThanOrEqual(3);
    expect(outer.length).toBeLessThan(inner.length - 1);
    const heights = along(form, [270, 3], [270, 13]);
    expect(Math.max(...heights) - Math.min(...heights)).toBeGreaterThan(0.8 * 0.4);
    expect(Math.max(...heights) - Math.min(...heights)).toBeLessThan(2 * 0.4);
  });

  it("has a cuff and a turned-over end as wide and as proud as asked", () => {
    const mean = (from: number, to: number) => {
      const heights = Array.from({ length: 36 }, (_, at) =>
        along(form, [at * 10 + 5, from], [at * 10 + 5, to], 20).reduce((sum, height) => sum + height / 21, 0),
      );
      return heights.reduce((sum, height) => sum + height / 36, 0);
    };
    expect(mean(0.3, 1.4)).toBeCloseTo(0.25, 1);
    expect(mean(15, 15.7)).toBeCloseTo(0.25, 1);
    expect(mean(2.3, 2.8)).toBeLessThan(0.1);
    expect(mean(13.5, 14.2)).toBeLessThan(0.1);
  });
});

describe("a hood", () => {
  const sizes = {
    headMm: 20,
    lowerMm: 30,
    overMm: 11,
    faceMm: 5,
    openMm: 7,
    hemMm: 0.2,
    folds: 9,
    foldMm: 0.5,
  };
  const form = build("hood", sizes);
  const bare = build("hood", { ...sizes, folds: 0 });
  /** Where the rim changes its sign between two places, as a share of the way. */
  const crossing = (of: (share: number) => { turnDeg: number; heightMm: number }) => {
    let at = 0;
    while (at < 1 && form.rim!(of(at)) < 0) at += 0.001;
    return of(at);
  };

  it("is open in front, as wide and as high as asked, and nowhere else", () => {
    const top = crossing((share) => ({ turnDeg: 180, heightMm: 0.05 + share * 10 }));
    expect(top.heightMm).toBeCloseTo(7, 1);
    const side = crossing((share) => ({ turnDeg: 180 + share * 90, heightMm: 3 }));
    const [left, right] = [360 - side.turnDeg, side.turnDeg].map((turnDeg) =>
      bare.inSpace({ turnDeg, heightMm: 3 }),
    );
    // The lower part is wider than the head, so that the same cloth stands a little farther apart.
    const across = Math.hypot(left![0] - right![0], left![2] - right![2]);
    expect(across).toBeGreaterThan(4.8);
    expect(across).toBeLessThan(5.4);
    for (const turnDeg of [0, 90, 270]) expect(form.rim!({ turnDeg, heightMm: 3 })).toBeGreaterThan(0);
  });

  it("has a hem that stands out as asked, and folds that run down to the lower edge", () => {
    const ring = (heightMm: number) => along(form, [210, heightMm], [510, heightMm], 400);
    expect(peaks(ring(0.9), 0.2).length).toBeGreaterThanOrEqual(5);
    const crown = ring(9.5);
    expect(Math.max(...crown) - Math.min(...crown)).toBeLessThan(0.35);
    const plain = along(bare, [180, 7.02], [180, 9], 100);
    const hem = Math.max(...plain.slice(2, 25));
    expect(hem - plain[60]!).toBeGreaterThan(0.1);
    expect(hem - plain[60]!).toBeLessThan(0.35);
  });
});

describe("a sleeve that is bent", () => {
  const sizes = { lengthMm: 24, topMm: 16, jointMm: 14, hemMm: 13, jointAt: 40, bendDeg: 80, creases: 0 };
  const form = build("sleeve", { ...sizes, cuffMm: 0, turnedMm: 0, proudMm: 0, creaseMm: 0 });
  /** The middle line at a height, between its front and its back. */
  const middle = (heightMm: number) => {
    const [front, back] = [180, 0].map((turnDeg) => form.inSpace({ turnDeg, heightMm }));
    return [0, 1, 2].map((axis) => (front![axis]! + back![axis]!) / 2);
  };
  /** Which way the middle line runs, degrees from upright to the right. */
  const way = (heightMm: number) => {
    const [from, to] = [middle(heightMm - 0.4), middle(heightMm + 0.4)];
    return (Math.atan2(to[0]! - from[0]!, to[1]! - from[1]!) * 180) / Math.PI;
  };

  it("bends at its joint as far as asked, and is straight beside it", () => {
    expect(way(1)).toBeCloseTo(0, 0);
    expect(way(4)).toBeCloseTo(way(1), 0);
    expect(way(22)).toBeCloseTo(80, 0);
    expect(way(19)).toBeCloseTo(way(22), 0);
    expect(way(0.4 * 24)).toBeGreaterThan(25);
    expect(way(0.4 * 24)).toBeLessThan(55);
  });

  it("does not fold on its inner side", () => {
    for (let heightMm = 0.5; heightMm < 23.5; heightMm += 0.25) {
      const [from, to] = [heightMm, heightMm + 0.25].map((at) =>
        form.inSpace({ turnDeg: 270, heightMm: at }),
      );
      const turned = (way(heightMm + 0.125) * Math.PI) / 180;
      const on = (to![0] - from![0]) * Math.sin(turned) + (to![1] - from![1]) * Math.cos(turned);
      expect(on).toBeGreaterThan(0);
    }
  });
});

describe("sewn and folded pieces", () => {
  it("a strap has stitches of the length asked along both edges, and holes through its middle", () => {
    const form = build("strap", {
      lengthMm: 20,
      widthMm: 4,
      thicknessMm: 0.5,
      bends: 0,
      stitchMm: 0.5,
      holes: 4,
    });
    for (const up of [0.42, 4 - 0.42])
      expect(peaks(along(form, [0, up], [360, up], 8000), 0.03).length).toBe(40);
    const middle = along(form, [0, 2], [360, 2], 8000);
    const open = middle.map((height) => (height < 0.25 ? 1 : 0));
    expect(open.filter((now, at) => at > 0 && now === 1 && open[at - 1] === 0).length).toBe(4);
  });

  it.each([
    [
      "cone-band",
      { waistMm: 60, hemMm: 60, slantMm: 12, pleats: 12, pleatDepthMm: 1, borderMm: 0, tight: 60 },
      0.5,
    ],
    ["cloak", { hemMm: 48, folds: 8, foldMm: 1.5, wrinkles: 0, borderMm: 0, tight: 80 }, 0.5],
  ] as const)("tight folds of a %s are narrower than half their spacing", (id, sizes, most) => {
    const form = build(id, sizes);
    const heights = along(form, [0, 0.4], [form.turnDeg, 0.4], 8000);
    const tops = peaks(heights, 0.35);
    expect(tops.length).toBeGreaterThanOrEqual(5);
    const floor = Math.min(...heights);
    // Full width at half of the height, as a share of the way from fold to fold.
    let wide = 0;
    for (const top of tops) {
      const at = Math.round(top * 8000);
      const half = (heights[at]! + floor) / 2;
      let [left, right] = [at, at];
      while (left > 0 && heights[left]! > half) left--;
      while (right < 8000 && heights[right]! > half) right++;
      wide += (right - left) / 8000;
    }
    expect(wide).toBeLessThan(most);
    const soft = build(id, { ...sizes, tight: 0 });
    expect(soft.relief({ turnDeg: 40, heightMm: 3 })).not.toBe(form.relief({ turnDeg: 40, heightMm: 3 }));
  });

  it("a cloak has a yoke over the cloth, below which its folds begin", () => {
    const sizes = {
      hemMm: 48,
      neckMm: 20,
      lengthMm: 20,
      folds: 8,
      foldMm: 1.5,
      wrinkles: 60,
      torn: 0,
      borderMm: 0.8,
    };
    const form = build("cloak", { ...sizes, yokeMm: 5 });
    const spread = (heightMm: number) => {
      const heights = along(form, [10, heightMm], [350, heightMm]);
      return Math.max(...heights) - Math.min(...heights);
    };
    expect(spread(17)).toBeLessThan(0.25);
    expect(spread(4)).toBeGreaterThan(0.8);
    const bare = build("cloak", sizes);
    expect(form.relief({ turnDeg: 100, heightMm: 16 })).toBeGreaterThan(
      build("cloak", { ...sizes, folds: 0, wrinkles: 0 }).relief({ turnDeg: 100, heightMm: 16 }) + 0.1,
    );
    expect(bare.relief({ turnDeg: 100, heightMm: 0.3 })).toBeGreaterThan(
      build("cloak", { ...sizes, borderMm: 0 }).relief({ turnDeg: 100, heightMm: 0.3 }) + 0.04,
    );
  });
});

describe("a piece kept from an earlier version of its form", () => {
  it.each([
    ["strap", { lengthMm: 20, widthMm: 4 }, { stitchMm: 0, holes: 0 }],
    ["cloak", { hemMm: 40 }, { tight: 0, wrinkles: 0, borderMm: 0, yokeMm: 0 }],
    ["cone-band", { pleats: 10 }, { tight: 0, borderMm: 0 }],
  ] as const)("%s: stays as it was, while a new one has what its form has now", (id, params, added) => {
    const surface = (version: number) => ({ form: { id, version, params }, seed: 4 });
    const [old, now] = [buildForm(surface(1)), buildForm(surface(2))];
    const asBefore = forms[id].build(completeParams(forms[id].params, { ...params, ...added }), 4);
    let differs = 0;
    for (let turnDeg = 3; turnDeg < 360; turnDeg += 11) {
      for (const share of [0.03, 0.3, 0.6, 0.97]) {
        const place = { turnDeg, heightMm: share * old.slantMm };
        expect(old.relief(place)).toBe(asBefore.relief(place));
        if (old.relief(place) !== now.relief(place)) differs++;
      }
    }
    expect(differs).toBeGreaterThan(5);
  });

  it.each([
    ["trunk", 1, { middleMm: 26 }, { deepPct: 100 }],
    ["cloak", 2, { hemMm: 40 }, { deepPct: 100 }],
  ] as const)("%s of version %i: stands as it did", (id, version, params, added) => {
    const old = buildForm({ form: { id, version, params }, seed: 4 });
    const now = buildForm({ form: { id, version: forms[id].version, params }, seed: 4 });
    const asBefore = forms[id].build(completeParams(forms[id].params, { ...params, ...added }), 4);
    let differs = 0;
    for (let turnDeg = 3; turnDeg < 360; turnDeg += 11) {
      const place = { turnDeg, heightMm: 0.7 * old.slantMm };
      expect(old.inSpace(place)).toEqual(asBefore.inSpace(place));
      if (Math.hypot(...old.inSpace(place).map((mm, axis) => mm - now.inSpace(place)[axis]!)) > 0.02)
        differs++;
    }
    expect(differs).toBeGreaterThan(5);
  });

  it("of one version keeps what that version had: a cloak of version 2 has its wrinkles and hem", () => {
    const [second, now] = [2, 3].map((version) =>
      buildForm({ form: { id: "cloak", version, params: { hemMm: 40 } }, seed: 4 }),
    );
    const place = { turnDeg: 77, heightMm: 3 };
    expect(second!.relief(place)).toBe(now!.relief(place));
  });
});
