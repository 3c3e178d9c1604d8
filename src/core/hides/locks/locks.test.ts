import { describe, expect, it } from "vitest";
import { growthOf } from "../../growth/growthOf";
import type { Growth } from "../../job";
import { growthAt, type Lie } from "../../surface/growthField";
import { lieField, withGrowth } from "../../surface/growthOn";
import { zoneWeights } from "../../surface/zones";
import { weightsOfPlace } from "../../surface/places";
import { inZones } from "../../job";
import { covered, gridsOf } from "../testing";

const PANEL = { lengthMm: 16, widthMm: 12 };
const growing = (angleDeg: number, more: Partial<Growth["handles"][number]> = {}): Growth => ({
  ...{ pull: 0, sway: 0 },
  handles: [{ id: "one", x: 0.5, y: 0.5, angleDeg, lengthPct: 100, liftDeg: 0, ...more }],
});
const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length;

describe("locks", () => {
  it("lie along the growth, as long and as wide as asked for, within 7 %", () => {
    const sizes = { length: 2, width: 0.4, drawn: 0, unlike: 50 };
    for (const growth of [growing(0), growing(60), growing(-110)]) {
      const piece = covered("locks", "panel", { of: PANEL, sizes, growth });
      const { grid } = gridsOf(piece, 0.08);
      const field = lieField(withGrowth(grid, growthOf(piece.job, piece.surface)));
      const lie: Lie = { x: 0, y: 0, length: 0, lift: 0 };
      const { things } = grid.hide!;
      const away = things.map(({ xMm, yMm, wayX, wayY }) => {
        growthAt(field, xMm, yMm, lie);
        return Math.acos(Math.min(1, lie.x * wayX + lie.y * wayY));
      });
      expect((mean(away) * 180) / Math.PI).toBeLessThan(8);
      // The large ones; those between are narrower and shorter.
      const large = things.filter(({ widthMm }) => widthMm > 0.3);
      expect(mean(large.map(({ widthMm }) => widthMm)) / 0.4).toBeGreaterThan(0.93);
      expect(mean(large.map(({ widthMm }) => widthMm)) / 0.4).toBeLessThan(1.07);
    }
  });

  it("grow longer and rarer where the growth map says so", () => {
    const of = (lengthPct: number) =>
      gridsOf(covered("locks", "panel", { of: PANEL, growth: growing(0, { lengthPct }) }), 0.1).grid.hide!
        .things;
    const [short, usual] = [of(50), of(100)];
    const long = (things: typeof short) => mean(things.map(({ lengthMm }) => lengthMm));
    expect(long(short) / long(usual)).toBeGreaterThan(0.46);
    expect(long(short) / long(usual)).toBeLessThan(0.56);
    expect(short.length).toBeGreaterThan(1.5 * usual.length);
  });

  it("stand off as far as asked, and further where the growth map lifts them", () => {
    const highest = (sizes: Record<string, number>, liftDeg: number) => {
      const piece = covered("locks", "panel", { of: PANEL, sizes, growth: growing(0, { liftDeg }) });
      const { upMm } = gridsOf(piece, 0.06).grid.hide!;
      return [...upMm].sort((a, b) => b - a)[Math.floor(upMm.length / 50)]!;
    };
    const [flat, usual, high, lifted] = [
      highest({ lift: 0 }, 0),
      highest({ lift: 0.2 }, 0),
      highest({ lift: 0.5 }, 0),
      highest({ lift: 0.2 }, 40),
    ];
    expect(usual - flat).toBeGreaterThan(0.14);
    expect(high - flat).toBeGreaterThan(2 * (usual - flat));
    expect(lifted).toBeGreaterThan(usual + 0.2);
  });

  it("fall apart into strands, no deeper parted than asked", () => {
    const rough = (groove: number) => {
      const { grid } = gridsOf(covered("locks", "panel", { of: PANEL, sizes: { groove } }), 0.03);
      const { upMm, thing, along } = grid.hide!;
      let [sum, count] = [0, 0];
      for (let at = 1; at < upMm.length - 1; at++) {
        // Across a lock that lies down the piece.
        if (thing[at]! < 0 || thing[at - 1] !== thing[at] || thing[at + 1] !== thing[at]) continue;
        if (along[at]! < 100 || along[at]! > 180) continue;
        sum += Math.abs(upMm[at - 1]! + upMm[at + 1]! - 2 * upMm[at]!);
        count++;
      }
      return (1000 * sum) / count;
    };
    const [smooth, parted, deep] = [rough(0), rough(75), rough(150)];
    expect(parted).toBeGreaterThan(1.5 * smooth);
    expect((deep - smooth) / (parted - smooth)).toBeGreaterThan(1.6);
    expect(deep).toBeLessThan(150);
  });

  it("hang over the rim they grow towards, and over no other", () => {
    const { smooth, grid } = gridsOf(covered("locks", "panel", { of: PANEL }), 0.05);
    const lost = (from: number, to: number) => {
      let [before, after] = [0, 0];
      for (let at = 0; at < grid.inside.length; at++) {
        const height = smooth.heightMm[at]!;
        if (height < from || height > to) continue;
        before += smooth.inside[at]!;
        after += grid.inside[at]!;
      }
      return 1 - after / before;
    };
    // Down the piece: the lower rim is ragged, the upper one is whole.
    expect(lost(0, 0.4)).toBeGreaterThan(0.15);
    expect(lost(0, 0.4)).toBeLessThan(0.8);
    expect(lost(1.5, PANEL.widthMm)).toBeLessThan(0.02);
  });

  it("go on over the closing seam of a piece that is closed all round", () => {
    const { grid } = gridsOf(covered("locks", "trunk", { growth: growing(80) }), 0.06);
    const { thing, upMm } = grid.hide!;
    const first = new Map<number, number>();
    let [met, rows, apart] = [0, 0, 0];
    for (let row = 20; row < grid.height - 20; row++) {
      const cells = Array.from({ length: grid.width }, (_, column) => row * grid.width + column);
      const inside = cells.filter((at) => grid.turnDeg[at]! > 0 && grid.turnDeg[at]! < 360);
      const [a, b] = [inside[0]!, inside.at(-1)!];
      rows++;
      if (thing[a] === thing[b]) met++;
      apart += Math.abs(upMm[a]! - upMm[b]!);
      first.set(thing[a]!, row);
    }
    // One lock lies on both sides of it in most rows; heights meet within what a cell's step makes.
    expect(met / rows).toBeGreaterThan(0.5);
    expect(apart / rows).toBeLessThan(0.05);
  });
});

describe("places on locks", () => {
  const { grid } = gridsOf(covered("locks", "panel", { of: PANEL }), 0.06);
  const { thing, along } = grid.hide!;

  it("have borders that run lock by lock: hardly one is in a place in part", () => {
    const span = { along: "height", from: 0, to: 0.5, softMm: 0 } as const;
    const weights = weightsOfPlace(grid, inZones([], 0, { span }), null);
    const of = new Map<number, [number, number]>();
    for (let at = 0; at < weights.length; at++) {
      if (thing[at]! < 0 || grid.inside[at] === 0) continue;
      const sums = of.get(thing[at]!) ?? [0, 0];
      of.set(thing[at]!, [sums[0] + weights[at]!, sums[1] + 1]);
    }
    const shares = [...of.values()].map(([sum, count]) => sum / count);
    expect(shares.filter((share) => share > 0.05 && share < 0.95).length / shares.length).toBeLessThan(0.03);
    // Locks hang down: those with their roots above the middle reach below it.
    const whole = mean([...weights].filter((_, at) => grid.inside[at]! > 0.5));
    expect(whole).toBeGreaterThan(0.3);
    expect(whole).toBeLessThan(0.48);
  });

  it("are tips towards the ends, back and belly above and below", () => {
    const tips = zoneWeights(grid, ["tips"], 0);
    const wrong = tips.filter(
      (tip, at) => thing[at]! >= 0 && grid.inside[at]! > 0 && tip > 0.5 !== along[at]! > 255 * 0.575,
    );
    expect(wrong.length).toBe(0);
    const of = (zone: "back" | "flank" | "belly") => {
      const weights = zoneWeights(grid, [zone], 0);
      let [sum, height] = [0, 0];
      weights.forEach((weight, at) => {
        sum += weight;
        height += weight * grid.heightMm[at]!;
      });
      return height / sum / PANEL.widthMm;
    };
    expect(of("back")).toBeGreaterThan(0.75);
    expect(of("flank")).toBeGreaterThan(0.35);
    expect(of("flank")).toBeLessThan(0.65);
    expect(of("belly")).toBeLessThan(0.25);
  });
});
