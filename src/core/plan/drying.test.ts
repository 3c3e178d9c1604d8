import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { SOLIDS_SHARE } from "../colour/mix";
import { dryingOf, evaporationUm, USUAL_ROOM, type DryingFilm } from "./drying";

const film = (more: Partial<DryingFilm> = {}): DryingFilm => ({
  ...{ dryUm: 18, water: 0, solids: SOLIDS_SHARE, binder: "water", mediumShare: 0, paste: false },
  ...more,
});
const paste = (dryUm: number) => dryingOf(film({ dryUm, solids: 0.7, paste: true }), USUAL_ROOM);

describe("water leaves", () => {
  it("as fast as measured from open basins: some 0.15 to 0.2 mm an hour in a still room", () => {
    // Carrier's basins at 20 °C, half humid: 0.1 to 0.25 kg an hour and m².
    const mmPerHour = (evaporationUm(USUAL_ROOM) * 60) / 1000;
    expect(mmPerHour).toBeGreaterThan(0.1);
    expect(mmPerHour).toBeLessThan(0.25);
  });

  it("faster into dry, warm and moving air", () => {
    const rate = (more: Partial<typeof USUAL_ROOM>) => evaporationUm({ ...USUAL_ROOM, ...more });
    expect(rate({ humidityPercent: 80 })).toBeLessThan(rate({}));
    expect(rate({ roomC: 28 })).toBeGreaterThan(1.4 * rate({}));
    expect(rate({ airMps: 1.5 })).toBeGreaterThan(2 * rate({}));
    expect(rate({ humidityPercent: 98 })).toBeGreaterThan(0);
  });
});

describe("a film dries", () => {
  it("in the 10 to 20 minutes that makers of acrylics give for a thin brushed coat", () => {
    const { touchDry } = dryingOf(film(), USUAL_ROOM);
    expect(touchDry).toBeGreaterThan(8);
    expect(touchDry).toBeLessThan(22);
  });

  it("touch dry after it can be worked, and through after that, whatever it is", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2000, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.constantFrom("water", "solvent", "oil" as const),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.boolean(),
        (dryUm, water, binder, mediumShare, isPaste) => {
          const one = film({
            dryUm,
            water,
            binder: binder,
            mediumShare,
            paste: isPaste,
          });
          const { workable, touchDry, fullyDry } = dryingOf(one, USUAL_ROOM);
          expect(workable).toBeGreaterThanOrEqual(0);
          expect(workable).toBeLessThanOrEqual(touchDry);
          expect(touchDry).toBeLessThanOrEqual(fullyDry);
          expect(Number.isFinite(fullyDry)).toBe(true);
        },
      ),
    );
  });

  it("by the water that has to leave: twice the wet film takes twice as long", () => {
    const [one, two] = [9, 18].map((dryUm) => dryingOf(film({ dryUm, water: 1 }), USUAL_ROOM).touchDry);
    expect(two! / one!).toBeCloseTo(2, 6);
    // 2 : 1 brings three times the wet film of which less is solid.
    const thin = dryingOf(film({ dryUm: 9, water: 2 }), USUAL_ROOM).touchDry;
    expect(thin / one!).toBeCloseTo((27 / 0.35 - 9) / (18 / 0.35 - 9), 6);
  });

  it("stays workable longer with medium in it", () => {
    const at = (mediumShare: number) => dryingOf(film({ mediumShare }), USUAL_ROOM).workable;
    expect(at(0.5)).toBeGreaterThan(1.2 * at(0));
  });

  it("as paste by the square of its depth: hours for a quarter of a millimetre, days for two", () => {
    const [thin, thick] = [paste(270), paste(2000)];
    expect(thin.touchDry / 60).toBeGreaterThan(2);
    expect(thin.touchDry / 60).toBeLessThan(12);
    expect(thick.touchDry / 60 / 24).toBeGreaterThan(3);
    expect(thick.fullyDry / thick.touchDry).toBeGreaterThan(1.8);
  });

  it("as oil in days", () => {
    const { touchDry, fullyDry } = dryingOf(film({ binder: "oil", dryUm: 25 }), USUAL_ROOM);
    expect(touchDry / 60 / 24).toBeCloseTo(3, 6);
    expect(fullyDry / 60 / 24).toBeCloseTo(14, 6);
  });
});
