import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { coneBand } from "../../surface/forms/coneBand";
import { columnGuides, columnPositions, guidePath, rowGuides } from "./guides";
import { settParams } from "./testing";
import { closureOf, columnCoordinate, columnTurn, layoutSett } from "./layout";

const params = settParams(ferrySergeant().surfaces[0]!);
const sizes = {
  waistMm: 34,
  hemMm: 58,
  slantMm: 11,
  gapDeg: 0,
  pleats: 0,
  pleatDepthMm: 0,
  seams: 1,
  tight: 0,
  borderMm: 0,
};
const plain = { ...params, threadCount: "A24 B24", columnStartDeg: 0, rowStartMm: 0 };
const heights = [0, 5.5, 11];

/** Circumference of a cone's frustum at a slant height, from its radii alone. */
const round = (heightMm: number, turn = 1) =>
  2 * Math.PI * (58 / (2 * Math.PI) + ((34 - 58) / (2 * Math.PI)) * (heightMm / 11)) * turn;

describe("guide lines", () => {
  it("of a plain check lie where the cone's geometry puts them, at three heights, to 0.01 mm", () => {
    const layout = layoutSett({ ...plain, periods: 12 }, coneBand.build(sizes, 1), 0.12);
    const guides = columnGuides(layout);
    expect(guides).toHaveLength(24);
    guides.forEach((guide, at) => {
      const positions = columnPositions(layout, guide, heights);
      expect(positions).toHaveLength(3);
      positions.forEach((position, h) => {
        // The k-th of 24 edges: k boxes of a 24th of the way round, the first edge at the end of box 1 or at the seam.
        const k = Math.round((position.turnDeg / 360) * 24);
        expect(position.turnDeg).toBeCloseTo(k * 15, 6);
        expect(Math.abs(position.fromSeamMm - (round(heights[h]!) * k) / 24)).toBeLessThan(0.01);
      });
      if (at > 0) {
        const before = columnPositions(layout, guides[at - 1]!, [0])[0]!;
        expect(positions[0]!.fromSeamMm - before.fromSeamMm).toBeCloseTo(58 / 24, 6);
      }
    });
  });

  it("of the demo cloth follow its count: edges at shares of threads, lines in the middle of their stripe", () => {
    const layout = layoutSett(params, coneBand.build(sizes, 1), 0.12);
    // R2 D12 S5 D2 S6 D2 S5 D12 = 46. R and D2 become lines, their room goes half to either side.
    const edges = [14, 34].map((thread) => (thread / 46) * 5.8);
    const lines = [1, 20, 28].map((thread) => (thread / 46) * 5.8);
    const first = columnGuides(layout).flatMap((guide) => {
      const [hem] = columnPositions(layout, guide, [0]);
      return hem && hem.fromSeamMm < 5.8 ? [{ kind: guide.kind, at: hem.fromSeamMm }] : [];
    });
    const near = (kind: string, list: number[]) =>
      list.forEach((at) =>
        expect(
          first.filter((guide) => guide.kind === kind).some((guide) => Math.abs(guide.at - at) < 0.01),
        ).toBe(true),
      );
    near("edge", edges);
    near("line", lines);
    expect(first).toHaveLength(5);
  });

  it("of rows lie at whole repeats from the start given, counted from the hem", () => {
    const layout = layoutSett(
      { ...plain, periods: 12, rowPeriodMm: 4, rowStartMm: 1 },
      coneBand.build(sizes, 1),
      0.12,
    );
    expect(rowGuides(layout).map((guide) => Math.round(guide.heightMm * 1000) / 1000)).toEqual([
      1, 3, 5, 7, 9,
    ]);
  });

  it("run straight down the slope when fanned, and keep their distance when parallel", () => {
    const form = coneBand.build({ ...sizes, seams: 3 }, 1);
    const fan = layoutSett({ ...plain, periods: 12 }, form, 0.12);
    for (const guide of columnGuides(fan).slice(0, 5)) {
      const turns = columnPositions(fan, guide, heights).map((position) => position.turnDeg);
      expect(Math.max(...turns) - Math.min(...turns)).toBeLessThan(1e-9);
    }
    const parallel = layoutSett({ ...plain, periods: 12, spread: "parallel" }, form, 0.12);
    const inPanel = columnGuides(parallel).filter((guide) => guide.middleDeg === 60);
    const paths = inPanel.map((guide) => guidePath(parallel, guide, 0.5));
    // The panel's middle line hangs at a tilt on the flat; distances between lines are measured across it.
    const tilt = ((60 - 180) * Math.PI * form.flatPerTurn) / 180;
    const across = (point: readonly number[]) =>
      point[0]! * Math.cos(tilt) - (point[1]! + form.apexMm) * Math.sin(tilt);
    const whole = paths.filter((path) => path.length > 15);
    expect(whole.length).toBeGreaterThan(3);
    for (const path of whole)
      for (const point of path) expect(across(point)).toBeCloseTo(across(path[0]!), 6);
  });

  it("lead back to their own place in the pattern", () => {
    for (const spread of ["fan", "parallel"] as const) {
      const layout = layoutSett(
        { ...params, spread, columnStartDeg: 7 },
        coneBand.build({ ...sizes, gapDeg: 40 }, 1),
        0.12,
      );
      for (const coordinate of [-1.3, 0, 2.25]) {
        const turn = columnTurn(layout, coordinate, 4, layout.form.turnDeg / 2)!;
        expect(columnCoordinate(layout, turn, 4)).toBeCloseTo(coordinate, 9);
      }
    }
  });
});

describe("closing round the band", () => {
  const layoutFor = (threadCount: string, periods: number, gapDeg = 0) =>
    layoutSett({ ...plain, threadCount, periods }, coneBand.build({ ...sizes, gapDeg }, 1), 0.12);

  it("says when a repeat would be cut, with the whole counts on either side and the change in mm", () => {
    const closure = closureOf(layoutFor("A24 B24", 4.5));
    expect(closure.whole).toBe(false);
    expect(closure.boxes).toBe(9);
    // Half way up the band is 46 mm round.
    expect(closure.below?.periods).toBe(4);
    expect(closure.below?.changeMm).toBeCloseTo(46 / 4 - 46 / 4.5, 9);
    expect(closure.above.periods).toBe(5);
    expect(closure.above.changeMm).toBeCloseTo(46 / 5 - 46 / 4.5, 9);
  });

  it("needs an even count of boxes for two tones, an odd one may close for three", () => {
    for (let periods = 1; periods <= 15; periods++)
      expect(closureOf(layoutFor("A24 B24", periods)).boxes % 2).toBe(0);
    const three = closureOf(layoutFor("A24 B24 C24", 3));
    expect(three.whole).toBe(true);
    expect(three.boxes).toBe(9);
  });

  it("has no lower count than one", () => {
    expect(closureOf(layoutFor("A24 B24", 0.6)).below).toBeNull();
  });
});
