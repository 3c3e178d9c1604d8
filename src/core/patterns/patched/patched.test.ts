import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../../data/demo/shelf";
import { tideHound } from "../../../data/demo/tideHound";
import { asFigure } from "../../edits/figures";
import { filmKey } from "../../simulate/layCoat";
import type { FormId } from "../../surface/forms";
import { buildForm } from "../../surface/forms/buildForm";
import { patternOf } from "../bind";
import type { LaidCoat, PatchedLayout } from "./layout";
import { sharesAsked, type PatchedParams } from "./params";
import { presets, startFrom } from "./presets";
import { jobWith, pieceOf, laidOf, found } from "./testing";

/** Mean of a value over the cells of one colour. */
function meanOf({ panel, owner }: LaidCoat, k: number, value: (at: number) => number): number {
  let [sum, count] = [0, 0];
  for (const at of panel.cells)
    if (owner[at] === k) {
      sum += value(at);
      count++;
    }
  return sum / count;
}

describe("beasts of a unit", () => {
  const pack = jobWith();
  const unit = { ...pack, figures: pack.figures.map((figure) => ({ ...figure, count: 4 })) };

  it("have blocks of their own, in the same shares, each the same whenever it is asked for", () => {
    const laid = [1, 2, 3, 4].map((number) => laidOf(asFigure(unit, demoShelf, number)));
    expect(laid[0]!.owner).toEqual(laidOf(pack).owner);
    for (const [at, one] of laid.entries()) {
      expect(laidOf(asFigure(unit, demoShelf, at + 1)).owner).toEqual(one.owner);
      for (const other of laid.slice(at + 1)) {
        const same = one.panel.cells.filter((cell) => one.owner[cell] === other.owner[cell]).length;
        expect(same / one.panel.cells.length).toBeLessThan(0.8);
      }
      one.reached.forEach((share, k) => expect(share).toBeCloseTo(one.asked[k]!, 2));
    }
  });
});

describe("shares of a patched coat", () => {
  it("are reached within 1 % of the surface, whatever is asked and wherever it sits", () => {
    const share = fc.integer({ min: 2, max: 45 });
    const sits = fc.constantFrom("anywhere", "back", "belly", "hem", "ends" as const);
    const formId = fc.constantFrom<FormId>("trunk", "limb", "dome", "cloak");
    fc.assert(
      fc.property(share, share, sits, fc.nat(999), formId, (first, second, where, seed, form) => {
        const { colours } = startFrom(presets[0]!, { eyeHeightMm: 32, standard: "display" }, seed);
        const asked = [
          colours[0]!,
          { ...colours[1]!, share: first, sits: where },
          { ...colours[2]!, share: second },
        ];
        const { reached } = laidOf(jobWith({ colours: asked, seed }, form));
        expect(Math.abs(reached[1]! - first / 100)).toBeLessThan(0.01);
        expect(Math.abs(reached[2]! - second / 100)).toBeLessThan(0.01);
        expect(reached.reduce((a, b) => a + b)).toBeCloseTo(1, 6);
      }),
      { numRuns: 8 },
    );
  });

  it("are cut down in proportion where more is asked for than there is, and that is told", () => {
    const { colours } = startFrom(presets[0]!, { eyeHeightMm: 32, standard: "display" }, 1);
    const greedy = [colours[0]!, { ...colours[1]!, share: 90 }, { ...colours[2]!, share: 60 }];
    expect(sharesAsked({ colours: greedy })).toEqual([0, expect.closeTo(0.6, 6), expect.closeTo(0.4, 6)]);
    const job = jobWith({ colours: greedy });
    expect(laidOf(job).reached[1]).toBeCloseTo(0.6, 2);
    expect(found(job, "coat-shares")[0]!.sentence).toContain("150 % of the surface together");
  });

  it("are told where spots hold more of the surface than was asked for", () => {
    const { colours } = startFrom(presets[0]!, { eyeHeightMm: 32, standard: "display" }, 1);
    const spots = [{ id: "spot-1", colourId: "dark", x: 0.5, y: 0.5, widthMm: 30 }];
    const few = [colours[0]!, colours[1]!, { ...colours[2]!, share: 1 }];
    const job = jobWith({ spots, colours: few });
    const off = Math.abs(laidOf(job).reached[2]! - 0.01);
    expect(found(job, "coat-shares").length > 0).toBe(off > 0.01);
  });
});

describe("where colours sit", () => {
  const job = jobWith();
  const form = buildForm(pieceOf(job));
  const { colours } = startFrom(presets[0]!, { eyeHeightMm: 32, standard: "display" }, 5);
  const sitting = (sits: "back" | "belly" | "hem" | "top" | "ends", keeps: number) => {
    const own = [colours[0]!, { ...colours[1]!, sits, keeps }, { ...colours[2]!, keeps: 0 }];
    return laidOf(jobWith({ colours: own }));
  };
  const upOf = (laid: LaidCoat, at: number): number => {
    const { panel } = laid;
    const x = panel.originX + (at % panel.width) * panel.pitchMm;
    const y = panel.originY + Math.floor(at / panel.width) * panel.pitchMm;
    return form.place([x, y]).heightMm / form.slantMm;
  };

  it("is low, high or at both ends as asked, the more the further they keep to it", () => {
    const up = (sits: "hem" | "top", keeps: number) => {
      const laid = sitting(sits, keeps);
      return meanOf(laid, 1, (at) => upOf(laid, at));
    };
    expect(up("hem", 100)).toBeLessThan(up("hem", 30));
    expect(up("hem", 100)).toBeLessThan(0.25);
    expect(up("top", 100)).toBeGreaterThan(0.75);
    const ends = sitting("ends", 100);
    expect(meanOf(ends, 1, (at) => Math.abs(2 * upOf(ends, at) - 1))).toBeGreaterThan(0.7);
  });

  it("is on the back of the figure, wherever that is turned", () => {
    const hound = tideHound();
    const body = hound.surfaces.find(({ id }) => id === "body")!;
    const own = buildForm(body);
    const layout = patternOf(hound, body, own)!.layout as PatchedLayout;
    const laid = layout.laid();
    const turnOf = (at: number) => {
      const { panel } = laid;
      const x = panel.originX + (at % panel.width) * panel.pitchMm;
      const y = panel.originY + Math.floor(at / panel.width) * panel.pitchMm;
      return own.place([x, y]).turnDeg;
    };
    // The middle of the flat is the back of this beast, the seam its belly: its pale colour sits below.
    const offSeam = (at: number) => Math.min(turnOf(at), 360 - turnOf(at)) / 180;
    expect(meanOf(laid, 0, offSeam)).toBeLessThan(0.45);
    const aside = { ...body, seat: null };
    expect(patternOf(hound, aside, own)!.layout).not.toBe(layout);
    const coat = body.coats.find(({ role }) => role === "block:dark")!;
    expect(filmKey(hound, aside, coat, 0.1)).not.toBe(filmKey(hound, body, coat, 0.1));
  });

  it("is where a spot was set, whatever its chance", () => {
    const spot = (colourId: string) => [{ id: "spot-1", colourId, x: 0.4, y: 0.6, widthMm: 3 }];
    const at = ({ panel }: LaidCoat) => {
      const [x, y] = form.flatten({ turnDeg: 0.4 * form.turnDeg, heightMm: 0.6 * form.slantMm });
      const row = Math.round((y - panel.originY) / panel.pitchMm);
      return row * panel.width + Math.round((x - panel.originX) / panel.pitchMm);
    };
    for (const [k, id] of ["pale", "rust", "dark"].entries()) {
      const laid = laidOf(jobWith({ spots: spot(id) }));
      expect(laid.owner[at(laid)], id).toBe(k);
      expect(Math.abs(laid.reached[k]! - laid.asked[k]!), id).toBeLessThan(0.01);
    }
  });
});

describe("blocks", () => {
  /** Changes of colour met going along every so many rows or columns, on a mm. */
  function changesPerMm({ panel, owner }: LaidCoat, step: 1 | "row"): number {
    const by = step === 1 ? 1 : panel.width;
    let [changes, cells] = [0, 0];
    for (const at of panel.cells) {
      if (panel.inside[at + by] !== 1) continue;
      cells++;
      if (owner[at] !== owner[at + by]) changes++;
    }
    return changes / (cells * panel.pitchMm);
  }

  it("go on over the closing seam", () => {
    const laid = laidOf(jobWith({}, "limb"));
    const form = buildForm(pieceOf(jobWith({}, "limb")));
    const { panel, owner } = laid;
    const ownerAt = (turnDeg: number, heightMm: number) => {
      const [x, y] = form.flatten({ turnDeg, heightMm });
      const row = Math.round((y - panel.originY) / panel.pitchMm);
      return owner[row * panel.width + Math.round((x - panel.originX) / panel.pitchMm)];
    };
    let [same, all] = [0, 0];
    for (let up = 0.6; up < form.slantMm - 0.6; up += 0.15) {
      const edge = (1.2 * panel.pitchMm * 360) / form.lengthAt(up);
      all++;
      if (ownerAt(edge, up) === ownerAt(form.turnDeg - edge, up)) same++;
    }
    expect(same / all).toBeGreaterThan(0.85);
  });

  it("are drawn out across the lie into stripes, the more the further that is set", () => {
    const ratio = (stripes: number) => {
      const laid = laidOf(jobWith({ stripes, broken: 0, colours: presets[2]!.colours.slice() }, "limb"));
      return changesPerMm(laid, "row") / changesPerMm(laid, 1);
    };
    expect(ratio(100)).toBeGreaterThan(1.5 * ratio(0));
  });

  it("are more where they are smaller, and more broken where the small ones count", () => {
    const changes = (change: Partial<PatchedParams>) => changesPerMm(laidOf(jobWith(change)), 1);
    expect(changes({ largeMm: 2.5, broken: 0 })).toBeGreaterThan(1.3 * changes({ largeMm: 9, broken: 0 }));
    expect(changes({ broken: 90 })).toBeGreaterThan(1.3 * changes({ broken: 0 }));
  });

  it("lie otherwise at another try, of the same character", () => {
    const [one, other] = [laidOf(jobWith({ seed: 1 })), laidOf(jobWith({ seed: 2 }))];
    let differ = 0;
    for (const at of one.panel.cells) if (one.owner[at] !== other.owner[at]) differ++;
    expect(differ / one.panel.cells.length).toBeGreaterThan(0.3);
    expect(changesPerMm(one, 1) / changesPerMm(other, 1)).toBeGreaterThan(0.6);
    expect(changesPerMm(one, 1) / changesPerMm(other, 1)).toBeLessThan(1.7);
  });
});
