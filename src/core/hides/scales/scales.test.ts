import { describe, expect, it } from "vitest";
import { buildForm } from "../../surface/forms/buildForm";
import { zoneWeights } from "../../surface/zones";
import { covered, gridsOf } from "../testing";

/** A tapering body, belly in front. */
const BODY = { lowerMm: 18, middleMm: 30, upperMm: 22, lengthMm: 22, muscles: 0, muscleMm: 0, spineMm: 0 };
const on = (sizes: Record<string, number>, pitchMm = 0.06) => {
  const piece = covered("scales", "trunk", { of: BODY, sizes });
  return { ...gridsOf(piece, pitchMm), form: buildForm(piece.surface) };
};

describe("scales", () => {
  it("cover their body: as much is seen of all together as there is of it, within 2 %, gaps no wider than sculpted", () => {
    const several: Record<string, number>[] = [{}, { width: 0.8, belly: 0 }, { width: 2, long: 100 }];
    for (const sizes of several) {
      const { grid } = on(sizes);
      let [inside, bare] = [0, 0];
      for (let at = 0; at < grid.inside.length; at++) {
        if (grid.inside[at]! < 0.99) continue;
        inside++;
        if (grid.hide!.thing[at]! < 0) bare++;
      }
      expect(bare / inside, JSON.stringify(sizes)).toBeLessThan(0.02);
    }
  });

  it("are as many as the body's area asks for, within 2 %, and as wide as asked where they are largest", () => {
    // All alike: every scale shows its row's width times its row's pitch.
    const width = 1;
    const { grid, form } = on({ width, small: 100, belly: 0, unlike: 0, long: 120 });
    const seen = new Set(grid.hide!.thing.filter((number) => number >= 0));
    const { things } = grid.hide!;
    let [area, counted] = [0, 0];
    for (const number of seen) {
      const { heightMm } = things[number]!;
      if (heightMm < 2 || heightMm > BODY.lengthMm - 2) continue;
      const share = form.lengthAt(heightMm) / BODY.middleMm;
      area += 0.86 * width * 1.2 * width * share * share;
      counted++;
    }
    let ground = 0;
    for (let h = 2; h < BODY.lengthMm - 2; h += 0.05) ground += 0.05 * form.lengthAt(h + 0.025);
    expect(counted).toBeGreaterThan(150);
    expect(Math.abs(area / ground - 1)).toBeLessThan(0.06);
    const widest = Math.max(...things.map(({ widthMm }) => widthMm));
    expect(widest / width).toBeGreaterThan(1.05);
    expect(widest / width).toBeLessThan(1.25);
  });

  it("fill their ground, each as wide and as far from the next as it is told: counts against area within 2 %", () => {
    const { grid, form } = on({ width: 0.9, belly: 0, unlike: 0, small: 60 });
    const { things, thing } = grid.hide!;
    const [low, high] = [3, BODY.lengthMm - 3];
    let area = 0;
    for (const number of new Set(thing.filter((one) => one >= 0))) {
      const { heightMm, widthMm, lengthMm } = things[number]!;
      if (heightMm < low || heightMm >= high) continue;
      // A row is covered by its neighbours on both sides, a scale by the next one of its row.
      area += (widthMm / 1.14) * 0.86 * (lengthMm / 1.72);
    }
    let ground = 0;
    for (let h = low; h < high; h += 0.02) ground += 0.02 * form.lengthAt(h + 0.01);
    expect(Math.abs(area / ground - 1)).toBeLessThan(0.02);
  });

  it("are small at the ends and the bend where asked, without a gap and without a straight border", () => {
    const ends = { lower: 20, upper: 20, bend: 20, fine: 40, unlike: 30 };
    const { grid, form } = on(ends, 0.05);
    const { things, thing } = grid.hide!;
    const isOf = (share: number, from: number, to: number) => share > from && share < to;
    const widths = (from: number, to: number) =>
      things.flatMap(({ heightMm, widthMm, onBelly, turnDeg }) =>
        !onBelly && isOf(heightMm / form.slantMm, from, to) && isOf(turnDeg / 360, 0.15, 0.3)
          ? [widthMm * (BODY.middleMm / form.lengthAt(heightMm))]
          : [],
      );
    const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
    const usual = mean(widths(0.26, 0.36));
    for (const [from, to] of [
      [0.02, 0.14],
      [0.45, 0.55],
      [0.86, 0.98],
    ] as const)
      expect(mean(widths(from, to)) / usual, `${from}`).toBeLessThan(0.65);
    const small = (number: number) => number >= 0 && things[number]!.widthMm < 0.65 * usual;
    let [inside, bare] = [0, 0];
    const borders: number[] = [];
    for (let column = 0; column < grid.width; column++) {
      let last = -1;
      for (let row = 0; row < grid.height; row++) {
        const at = row * grid.width + column;
        if (grid.inside[at]! < 0.99) continue;
        inside++;
        if (thing[at]! < 0) bare++;
        if (grid.heightMm[at]! < 0.35 * form.slantMm && small(thing[at]!))
          last = Math.max(last, grid.heightMm[at]!);
      }
      if (last > 0) borders.push(last);
    }
    expect(bare / inside).toBeLessThan(0.02);
    const middle = mean(borders);
    const spread = Math.sqrt(mean(borders.map((mm) => (mm - middle) ** 2)));
    expect(spread).toBeGreaterThan(0.2);
  });

  it("are scarred as often as asked: a groove across, and nothing else is changed", () => {
    const [plain, scarred] = [0, 20].map((scars) => on({ scars }, 0.05).grid.hide!);
    const cut = new Set<number>();
    let higher = 0;
    scarred!.upMm.forEach((mm, at) => {
      if (mm > plain!.upMm[at]! + 0.03) higher++;
      if (mm < plain!.upMm[at]! - 0.06) cut.add(plain!.thing[at]!);
    });
    const seen = new Set(plain!.thing.filter((one) => one >= 0 && !plain!.things[one]!.onBelly));
    expect(cut.size / seen.size).toBeGreaterThan(0.14);
    expect(cut.size / seen.size).toBeLessThan(0.26);
    expect(higher).toBe(0);
  });

  it("shrink with the girth, and towards back and belly", () => {
    const { grid, form } = on({ unlike: 0 });
    const scales = grid.hide!.things.filter(({ onBelly }) => !onBelly);
    const widthNear = (turnDeg: number, heightMm: number) =>
      scales.reduce((best, one) => {
        const away = ({ turnDeg: t, heightMm: h }: typeof one) =>
          Math.hypot(((t - turnDeg) * form.lengthAt(heightMm)) / 360, h - heightMm);
        return away(one) < away(best) ? one : best;
      }).widthMm;
    const thickest = 0.65 * BODY.lengthMm;
    expect(widthNear(90, thickest)).toBeGreaterThan(1.5 * widthNear(1, thickest));
    expect(widthNear(90, thickest)).toBeGreaterThan(1.25 * widthNear(90, 1));
    expect(widthNear(90, thickest)).toBeCloseTo(widthNear(270, thickest), 1);
  });

  it("leave the belly to wide plates, which are the belly to places too", () => {
    const { grid } = on({ belly: 30 });
    const { things, thing } = grid.hide!;
    const plates = things.filter(({ onBelly }) => onBelly);
    expect(plates.length).toBeGreaterThan(8);
    const belly = zoneWeights(grid, ["belly"], 0);
    let [onPlates, all, weighed, wrong] = [0, 0, 0, 0];
    for (let at = 0; at < thing.length; at++) {
      if (grid.inside[at]! < 0.5 || thing[at]! < 0) continue;
      all++;
      const plate = things[thing[at]!]!.onBelly === true;
      if (plate) onPlates++;
      weighed += belly[at]!;
      if (belly[at]! > 0.5 !== plate) wrong++;
      // Plates lie in front, on about their share of the way round.
      if (plate && Math.abs(grid.turnDeg[at]! - 180) >= 75) wrong++;
    }
    expect(wrong).toBe(0);
    expect(onPlates / all).toBeGreaterThan(0.22);
    expect(onPlates / all).toBeLessThan(0.36);
    expect(weighed / all).toBeCloseTo(onPlates / all, 2);
  });

  it("stand off at their free ends, as far as asked, with a keel along the middle", () => {
    const { grid } = on({ lift: 0.3, keel: 20, unlike: 0, belly: 0 }, 0.04);
    const { thing, along, across, upMm, things } = grid.hide!;
    const mean = (want: (at: number) => boolean) => {
      let [sum, count] = [0, 0];
      for (let at = 0; at < thing.length; at++) {
        if (thing[at]! < 0 || things[thing[at]!]!.widthMm < 0.9 || !want(at)) continue;
        sum += upMm[at]!;
        count++;
      }
      return sum / count;
    };
    const middle = (at: number) => Math.abs(across[at]!) < 12;
    const root = mean((at) => middle(at) && along[at]! > 90 && along[at]! < 120);
    const end = mean((at) => middle(at) && along[at]! > 200 && along[at]! < 222);
    expect(end - root).toBeGreaterThan(0.08);
    expect(end - root).toBeLessThan(0.3);
    const aside = mean((at) => Math.abs(across[at]!) > 60 && along[at]! > 120 && along[at]! < 150);
    const keel = mean((at) => middle(at) && along[at]! > 120 && along[at]! < 150);
    expect(keel - aside).toBeGreaterThan(0.08);
  });

  it("painted on a smooth body lie over each other as sculpted ones do", () => {
    const smooth = on({ lift: 0, keel: 0, width: 1 }, 0.06).grid.hide!;
    const raised = on({ lift: 0.24, keel: 0, width: 1 }, 0.06).grid.hide!;
    expect(smooth.thing).toEqual(raised.thing);
    expect(smooth.upMm.every((mm) => mm === 0)).toBe(true);
  });

  it("lie along the growth map", () => {
    const growth = {
      ...{ pull: 0, sway: 0 },
      handles: [{ id: "one", x: 0.5, y: 0.5, angleDeg: 30, lengthPct: 100, liftDeg: 0 }],
    };
    const { grid } = gridsOf(covered("scales", "panel", { growth, sizes: { unlike: 0 } }), 0.1);
    for (const { wayX, wayY } of grid.hide!.things) {
      expect((Math.atan2(wayX, wayY) * 180) / Math.PI).toBeCloseTo(30, 0);
    }
  });
});
