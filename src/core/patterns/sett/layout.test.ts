import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { coneBand } from "../../surface/forms/coneBand";
import { resample } from "../../techniques/strokes";
import { columnPeriodMm, layoutSett, LINE_WIDTHS_TO_A_BOX, panelAt, rowCoordinate } from "./layout";
import { settMarks } from "./marks";
import type { SettParams } from "./params";
import { codesOf, parseThreadCount } from "./threadCount";
import { buildGrid } from "../../surface/grid";
import { keyOf, type SettPlace } from "./keys";
import { settLayout, settParams } from "./testing";

const demo = ferrySergeant();
const surface = demo.surfaces[0]!;
const params = settParams(surface);
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

  it("paints a stripe as the painter says: thin boxes as lines, lines as boxes, never a broad one as a line", () => {
    // 46 mm half way up, 10 repeats of 48 threads: 0.096 mm a thread.
    const cloth = (threadCount: string, painted: SettParams["painted"]) =>
      layoutSett({ ...params, threadCount, periods: 10, painted }, form, 0.12).columns;
    const codes = (list: readonly { readonly code: string }[]) => [...new Set(list.map(({ code }) => code))];
    const count = "A24 B21 C3";
    expect(codes(cloth(count, {}).boxes)).toEqual(["A", "B", "C"]);
    expect(codes(cloth(count, { C: "line" }).boxes)).toEqual(["A", "B"]);
    expect(codes(cloth(count, { C: "line" }).lines)).toEqual(["C"]);
    expect(cloth(count, { C: "line" }).lines[0]).toMatchObject({ source: 2 });
    expect(codes(cloth(count, { A: "line", C: "line" }).boxes)).toEqual(["A", "B"]);
    expect(codes(cloth("A24 B22 C2", {}).lines)).toEqual(["C"]);
    expect(codes(cloth("A24 B22 C2", { C: "boxes" }).lines)).toEqual([]);
  });

  it("always keeps a ground for its lines, whatever is to be a line", () => {
    fc.assert(
      fc.property(counts, fc.constantFrom("line" as const, "boxes" as const), (threadCount, how) => {
        const painted = Object.fromEntries(codesOf(parseThreadCount(threadCount)).map((code) => [code, how]));
        const { boxes, lines } = layoutSett(
          { ...params, threadCount, periods: 6, painted },
          form,
          0.2,
        ).columns;
        expect(boxes.length).toBeGreaterThan(0);
        expect(boxes.reduce((sum, box) => sum + box.to - box.from, 0)).toBeCloseTo(1, 9);
        if (how === "boxes") expect(lines).toEqual([]);
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
  const layout = settLayout(demo, surface);
  const grid = buildGrid(layout.form, 0.15);
  const marksOf = (place: SettPlace) => settMarks(layout, keyOf(place), () => grid);
  const strokes = (place: SettPlace) => {
    const marks = marksOf(place);
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
    const marks = marksOf({ kind: "dots", code: "R" });
    const dots = marks.kind === "dots" ? marks.dots : [];
    expect(dots).toHaveLength(30);
    const angles = dots.map((dot) => dot.angle);
    // The development spans 125°, so columns lean up to 62° either way; the last line stands a repeat before its end.
    expect(Math.max(...angles)).toBeGreaterThan(0.9);
    expect(Math.min(...angles)).toBeLessThan(-0.85);
  });

  it("are numbered boxes both ways round, and whole bands, with the distance to their borders", () => {
    const regions = (place: SettPlace) => {
      const marks = marksOf(place);
      if (marks.kind !== "regions") throw new Error("boxes are laid as regions");
      return marks.regions;
    };
    const share = (place: SettPlace) => {
      const { depthMm } = regions(place);
      let [filled, all] = [0, 0];
      grid.inside.forEach((inside, at) => {
        all += inside;
        if (depthMm[at]! > 0) filled += inside;
      });
      return filled / all;
    };
    const half = { kind: "boxes", column: "D", row: "S" } as const;
    const solid = [
      share({ kind: "boxes", column: "D", row: "D" }),
      share({ kind: "boxes", column: "S", row: "S" }),
    ];
    // Solid boxes and half-tones tile the cloth, and so do the bands of one direction.
    expect(solid[0]! + solid[1]! + share(half)).toBeCloseTo(1, 3);
    expect(regions(half)).toEqual(regions({ kind: "boxes", column: "S", row: "D" }));
    const bands = (["D", "S"] as const).map((code) => share({ kind: "bands", along: "columns", code }));
    expect(bands[0]! + bands[1]!).toBeCloseTo(1, 3);
    // Two broad stripes to each of ten repeats: as many D columns as repeats, numbered apart.
    const { number, depthMm } = regions({ kind: "bands", along: "columns", code: "D" });
    const columns = new Set(
      [...number].filter((_, at) => depthMm[at]! > 0).map((one) => Math.floor(one / 8192)),
    );
    expect(columns.size).toBe(10);
    // No box is deeper than half its width.
    const widest = columnPeriodMm(layout, 0) / 2;
    expect(Math.max(...regions({ kind: "boxes", column: "D", row: "D" }).depthMm)).toBeLessThan(widest);
  });

  it("lie nowhere for a key the cloth does not have", () => {
    for (const key of ["boxes:D", "boxes:d:s", "patch:1", "", "constructor"])
      expect(settMarks(layout, key, () => grid)).toEqual({ kind: "strokes", strokes: [] });
  });
});
