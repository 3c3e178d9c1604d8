import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import type { Job } from "../job";
import { defaultPainter } from "../painter";
import { brushedPassUm } from "../colour/mix";
import { settGauge } from "../patterns/sett/gauge";
import { settLayout } from "../patterns/sett/testing";
import { Simulator } from "../simulate/simulator";
import { startKernel } from "../simulate/compositor";
import { cardFacts, dropsText, partsText, strokesText } from "./cardText";
import { cardsOf, totalsOf } from "./cards";
import { SOLIDS_SHARE } from "../colour/mix";
import { batchFor } from "./drops";
import { touchDryMinutes } from "./drying";
import { WIDEST_MM } from "./gaugePiece";

const demo = ferrySergeant();
const straw = demo.mixes.find((mix) => mix.id === "straw")!;
const cards = cardsOf(demo, demoShelf, defaultPainter);
const card = (role: string) => cards.find((one) => one.coat.role === role)!;

describe("drops", () => {
  it("turn area and film into microlitres by volume", () => {
    // 500 mm² × 18 µm = 9 µl dry, over 35 % solids 25.7 µl of paint, thinned 1 : 1 51.4 µl.
    const batch = batchFor(straw, demoShelf, 1, 500, 18, 2, defaultPainter);
    expect(batch.onFigureUl).toBeCloseTo((9 / SOLIDS_SHARE) * 2, 9);
    expect(batch.neededUl).toBeCloseTo(batch.onFigureUl + 25 + 2 * 12, 9);
  });

  it("are whole, in the parts of the mix, enough, and not a batch more than needed", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20000, noNaN: true }),
        fc.constantFrom(0, 0.5, 1, 2, 5),
        fc.integer({ min: 1, max: 6 }),
        (area, water, loads) => {
          const batch = batchFor(straw, demoShelf, water, area, brushedPassUm(water), loads, defaultPainter);
          const [a, b] = batch.drops.map((pot) => pot.drops) as [number, number];
          expect(Number.isInteger(b)).toBe(true);
          expect(a).toBe(3 * b);
          const paintUl = (a + b) * 40;
          expect(paintUl * (1 + water)).toBeGreaterThanOrEqual(batch.neededUl - 1e-6);
          if (b > 1) expect((paintUl - 160) * (1 + water)).toBeLessThan(batch.neededUl);
          expect(batch.waterDrops > 0).toBe(water > 0);
          expect(batch.batchUl).toBeCloseTo(paintUl + batch.waterDrops * 50, 9);
        },
      ),
    );
  });
});

describe("drying", () => {
  it("takes longer for thicker and for wetter films", () => {
    expect(touchDryMinutes(18, 0)).toBeGreaterThan(touchDryMinutes(9, 0));
    expect(touchDryMinutes(9, 2)).toBeGreaterThan(touchDryMinutes(9, 1));
    expect(touchDryMinutes(1, 5)).toBeGreaterThan(3);
  });
});

describe("cards", () => {
  it("follow the painted coats in order, held ones left out", () => {
    expect(cards.map((one) => one.coat.id)).toEqual(demo.surfaces[0]!.coats.map((coat) => coat.id));
    const held: Job = {
      ...demo,
      surfaces: demo.surfaces.map((surface) => ({
        ...surface,
        coats: surface.coats.map((coat, at) => ({ ...coat, held: at === 1 })),
      })),
    };
    const left = cardsOf(held, demoShelf, defaultPainter);
    expect(left).toHaveLength(cards.length - 1);
    expect(left.map((one) => one.step)).toEqual(left.map((_one, at) => at));
  });

  it("count the boxes and lines of the cloth", () => {
    // 10 repeats with one D box each, 2.4 rows of them rounded to 2.
    expect(card("boxes:D:D").work.strokes).toBe(20);
    expect(card("dots:R").work.strokeName).toBe("dot");
    // Ten R columns on three R rows.
    expect(card("dots:R").work.strokes).toBe(30);
    expect(card("guides").lookAt.join(" ")).toContain("20 column lines");
    expect(card("guides").lookAt.join(" ")).toContain("20 boxes once round the hem");
  });

  it("agree with the simulated film on area, to a tenth", async () => {
    const laid = await new Simulator(await startKernel()).lay(
      { job: demo, paints: demoShelf, surfaceId: "coat-skirt", upTo: null, lit: false },
      true,
      () => Promise.resolve(true),
    );
    const area = laid!.grid.form.areaMm2;
    for (const { coat, film } of laid!.coats) {
      if (!coat.role?.startsWith("boxes")) continue;
      const planned = card(coat.role).work.areaMm2 / area;
      expect(Math.abs(planned - film.coveredShare)).toBeLessThan(0.1 * film.coveredShare);
    }
  });

  it("multiply strokes and paint by the figures, not the set-up", () => {
    const unit = cardsOf(
      { ...demo, figures: [{ ...demo.figures[0]!, count: 10 }] },
      demoShelf,
      defaultPainter,
    );
    const [one, ten] = [card("lines:D"), unit.find((each) => each.coat.role === "lines:D")!];
    expect(ten.strokes).toBe(one.strokes * 10);
    expect(ten.batch!.onFigureUl).toBeCloseTo(one.batch!.onFigureUl * 10, 6);
    expect(ten.handMinutes - 2).toBeCloseTo((one.handMinutes - 2) * 10, 6);
  });

  it("follow the painter's pace", () => {
    const slow = cardsOf(demo, demoShelf, { ...defaultPainter, secondsPerPull: 12 });
    const find = (list: typeof cards) => list.find((one) => one.coat.role === "guides")!.handMinutes;
    expect(find(slow) - 2).toBeCloseTo((find(cards) - 2) * 2, 6);
    expect(totalsOf(slow).handMinutes).toBeGreaterThan(totalsOf(cards).handMinutes);
  });

  it("say everything in words and units", () => {
    const rust = card("lines:R");
    expect(partsText(rust.mix!.parts, demoShelf)).toBe("3 Rust Red · 1 Buoy Orange");
    expect(dropsText(rust, demoShelf)).toMatch(/^3 drops Rust Red, 1 drop Buoy Orange, \d+ drops water$/);
    expect(strokesText(card("boxes:D:D"))).toBe("20 boxes in each of 2 passes");
    const facts = Object.fromEntries(cardFacts(rust, demoShelf));
    expect(facts.Thinned).toBe("2 : 1 (water : paint)");
    expect(facts.Paint).toContain("µl on the figure");
  });

  it("are none where the surface cannot be built", () => {
    const bad: Job = {
      ...demo,
      surfaces: demo.surfaces.map((surface) => ({
        ...surface,
        form: { ...surface.form, params: { ...surface.form.params, hemMm: 300 } },
      })),
    };
    expect(cardsOf(bad, demoShelf, defaultPainter)).toEqual([]);
  });
});

describe("the gauge strip", () => {
  const surface = demo.surfaces[0]!;
  const layoutWith = (sizes: Record<string, number>) => {
    const own = { ...surface, form: { ...surface.form, params: { ...surface.form.params, ...sizes } } };
    return settLayout(demo, own);
  };
  const length = (points: readonly (readonly [number, number])[]) =>
    points
      .slice(1)
      .reduce((sum, point, at) => sum + Math.hypot(point[0] - points[at]![0], point[1] - points[at]![1]), 0);

  it("is the band at full size: hem, waist and height as measured", () => {
    const [piece] = settGauge(layoutWith({}));
    const half = piece!.outline.length / 2;
    expect(length(piece!.outline.slice(0, half))).toBeCloseTo(58, 2);
    expect(length(piece!.outline.slice(half))).toBeCloseTo(34, 2);
    expect(length([piece!.outline[half - 1]!, piece!.outline[half]!])).toBeCloseTo(11, 9);
  });

  it("has a tick at hem and waist for every column guide and at both ends for every row", () => {
    const [piece] = settGauge(layoutWith({}));
    // 10 repeats with 2 edges and 3 lines.
    expect(piece!.ticks.filter((tick) => tick.axis === "column")).toHaveLength(2 * 50);
    const rows = piece!.ticks.filter((tick) => tick.axis === "row").length;
    expect(rows % 2).toBe(0);
    expect(rows / 2).toBeGreaterThanOrEqual(9);
    for (const tick of piece!.ticks)
      expect(Math.hypot(tick.to[0] - tick.from[0], tick.to[1] - tick.from[1])).toBeCloseTo(2, 1);
  });

  it("is cut into pieces that fit the paper and add up to the whole", () => {
    const pieces = settGauge(layoutWith({ waistMm: 300, hemMm: 380, slantMm: 60, pleats: 0 }));
    expect(pieces.length).toBeGreaterThan(1);
    let hem = 0;
    for (const piece of pieces) {
      expect(piece.widthMm).toBeLessThanOrEqual(WIDEST_MM);
      hem += length(piece.outline.slice(0, piece.outline.length / 2));
    }
    expect(hem).toBeCloseTo(380, 1);
  });
});
