import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { coneBand } from "../../surface/forms/coneBand";
import { resample } from "../../techniques/strokes";
import { layoutOf } from "./coats";
import { columnPeriodMm, layoutSett, LINE_WIDTHS_TO_A_BOX, panelAt, rowCoordinate } from "./layout";
import { settMarks } from "./marks";
import { codesOf, parseThreadCount } from "./threadCount";
import { buildForm } from "../derive";

const demo = ferrySergeant();
const surface = demo.surfaces[0]!;
const params = surface.pattern!.params;
const sizes = { waistMm: 34, hemMm: 58, slantMm: 11, gapDeg: 0, pleats: 0, pleatDepthMm: 0, seams: 1 };
const form = coneBand.build(sizes, 1);

const counts = fc.constantFrom(
  "A24 B24",
  "R/2 D12 S5 D2 S/6",
  "A30 B4 C30 B4",
  "K/40 W2 K4 G/20",
  "A8 B8 C8",
  "X/3 Y/90",
);

describe("a cloth laid on a band", () => {
  it("has boxes that tile the repeat, neighbours unlike, wherever there is more than one", () => {
    fc.assert(
      fc.property(
        counts,
        fc.integer({ min: 1, max: 30 }),
        fc.double({ min: 0.06, max: 0.4, noNaN: true }),
        (threadCount, periods, finest) => {
          const { columns } = layoutSett({ ...params, threadCount, periods }, form, finest);
          expect(columns.boxes.length).toBeGreaterThan(0);
          const total = columns.boxes.reduce((sum, box) => sum + box.to - box.from, 0);
          expect(total).toBeCloseTo(1, 9);
          columns.boxes.forEach((box, at) => {
            const next = columns.boxes[(at + 1) % columns.boxes.length]!;
            const wrapped = at === columns.boxes.length - 1 ? next.from + 1 : next.from;
            expect(wrapped).toBeCloseTo(box.to, 9);
            if (columns.boxes.length > 1) expect(next.code).not.toBe(box.code);
          });
        },
      ),
    );
  });

  it("paints as lines what is too narrow for a box, and loses no colour that has room", () => {
    fc.assert(
      fc.property(counts, fc.integer({ min: 1, max: 12 }), (threadCount, periods) => {
        const layout = layoutSett({ ...params, threadCount, periods }, form, 0.1);
        const limit = LINE_WIDTHS_TO_A_BOX * 0.1;
        for (const stripe of layout.columns.stripes) {
          const isLine = layout.columns.lines.some((line) => line.code === stripe.code);
          if (stripe.widthMm <= limit - 1e-9 && layout.columns.boxes.length > 1) expect(isLine).toBe(true);
        }
        const painted = new Set([...layout.columns.boxes, ...layout.columns.lines].map((one) => one.code));
        const wide = layout.columns.fates.filter((fate) => fate.countedMm >= 0.1).map((fate) => fate.code);
        for (const code of wide) expect(painted).toContain(code);
        expect(codesOf(parseThreadCount(threadCount))).toEqual(expect.arrayContaining([...painted]));
      }),
    );
  });

  it("is as wide all round as the band, at every height, when fanned", () => {
    const layout = layoutSett({ ...params, periods: 10 }, form, 0.12);
    for (const heightMm of [0, 3, 11])
      expect(columnPeriodMm(layout, heightMm) * 10).toBeCloseTo(form.lengthAt(heightMm), 9);
    expect(columnPeriodMm(layoutSett({ ...params, spread: "parallel" }, form, 0.12), 0)).toBe(
      columnPeriodMm(layoutSett({ ...params, spread: "parallel" }, form, 0.12), 11),
    );
  });

  it("has rows as high as columns are wide half way up, unless told otherwise", () => {
    const layout = layoutSett({ ...params, periods: 10, rowStartMm: 2 }, form, 0.12);
    expect(layout.rows.periodMm).toBeCloseTo(4.6, 9);
    expect(layout.rowRepeats).toBeCloseTo(11 / 4.6, 9);
    expect(rowCoordinate(layout, 2 + 4.6)).toBeCloseTo(1, 9);
    expect(layoutSett({ ...params, rowPeriodMm: 3 }, form, 0.12).rows.periodMm).toBe(3);
  });

  it("knows the panel between two seams, also beyond both ends", () => {
    const three = coneBand.build({ ...sizes, seams: 3 }, 1);
    expect(panelAt(three, 130)).toEqual({ from: 120, to: 240, middle: 180 });
    expect(panelAt(three, -5).from).toBe(0);
    expect(panelAt(three, 400).to).toBe(360);
  });
});

describe("marks of a cloth", () => {
  const layout = layoutOf({ job: demo, surface, form: buildForm(surface) });
  const strokes = (target: Parameters<typeof settMarks>[1]) => {
    const marks = settMarks(layout, target);
    return marks.kind === "strokes" ? marks.strokes : [];
  };

  it("are one stroke for each line of a colour, by direction", () => {
    const columns = strokes({ kind: "lines", along: "columns", code: "D" });
    const rows = strokes({ kind: "lines", along: "rows", code: "D" });
    const both = strokes({ kind: "lines", along: "both", code: "D" });
    expect(both).toHaveLength(columns.length + rows.length);
    // Two D lines to each of ten repeats; those next to the closing seam are painted on both sides of it.
    expect(columns.length).toBeGreaterThanOrEqual(20);
    expect(columns.length).toBeLessThanOrEqual(26);
    expect(strokes({ kind: "lines", along: "both", code: "NO" })).toEqual([]);
  });

  it("run off hem and waist a little, and fan out in width with the flare", () => {
    for (const stroke of strokes({ kind: "lines", along: "columns", code: "R" })) {
      expect(resample(stroke.path, 0.2).lengthMm).toBeCloseTo(11.7, 1);
      expect(stroke.startWidthMm / stroke.endWidthMm).toBeCloseTo(58 / 34, 1);
    }
    for (const stroke of strokes({ kind: "guides" })) {
      expect(stroke.startWidthMm).toBe(0.12);
      expect(stroke.endWidthMm).toBe(0.12);
    }
  });

  it("are dots turned with the columns where lines of one colour cross", () => {
    const marks = settMarks(layout, { kind: "crossings", code: "R" });
    const dots = marks.kind === "dots" ? marks.dots : [];
    expect(dots).toHaveLength(30);
    const angles = dots.map((dot) => dot.angle);
    // The development spans 125°, so columns lean up to 62° either way; the last line stands a repeat before its end.
    expect(Math.max(...angles)).toBeGreaterThan(0.9);
    expect(Math.min(...angles)).toBeLessThan(-0.85);
  });

  it("select boxes both ways round, and whole bands", () => {
    const selected = (target: Parameters<typeof settMarks>[1]) => {
      const marks = settMarks(layout, target);
      return marks.kind === "cells" ? [...marks.cells.selected] : [];
    };
    // Two broad stripes each way: D and S.
    const solid = selected({ kind: "boxes", column: "D", row: "D" });
    const half = selected({ kind: "boxes", column: "D", row: "S" });
    expect(solid.reduce((a, b) => a + b, 0)).toBe(1);
    expect(half.reduce((a, b) => a + b, 0)).toBe(2);
    expect(half).toEqual(selected({ kind: "boxes", column: "S", row: "D" }));
    expect(selected({ kind: "bands", along: "columns", code: "D" }).reduce((a, b) => a + b, 0)).toBe(2);
  });
});
