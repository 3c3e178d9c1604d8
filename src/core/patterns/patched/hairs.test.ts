import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { tideHound } from "../../../data/demo/tideHound";
import { applyRemedy } from "../../checks/applyRemedy";
import { hexToLab } from "../../colour/spaces";
import { effortOf, shareEffort } from "../../effort/effortOf";
import { completeParams } from "../../params";
import { createRandom } from "../../random";
import { marksOf } from "../../simulate/layCoat";
import { buildForm } from "../../surface/forms/buildForm";
import { buildGrid } from "../../surface/grid";
import { hair, hairsOf } from "../../techniques/hair/hair";
import { onGround } from "../../techniques/testing";
import { placeWeights } from "../../techniques/technique";
import { hairLab, hairTones } from "./hairs";
import { hairsKey } from "./keys";
import { hairShare } from "./marks";
import { COLOURS, usualColour, type PatchedParams } from "./params";
import { presets } from "./presets";
import { jobWith, pieceOf, layoutOf, changed, found } from "./testing";

describe("hairs over blocks", () => {
  it("share every place out among the colours, with a few astray", () => {
    const layout = layoutOf(jobWith({ strays: 2 }));
    const { panel, owner, depthMm } = layout.laid();
    const shares = layout.params.colours.map((_, k) => hairShare(layout, k));
    let [far, strayed] = [0, 0];
    for (const at of panel.cells) {
      const sum = shares.reduce((all, share) => all + share[at]!, 0);
      if (depthMm[owner[at]!]![at]! < 1.15) continue;
      // Deep inside a block only strays of the others are set.
      far++;
      strayed += sum - shares[owner[at]!]![at]!;
    }
    expect(far).toBeGreaterThan(100);
    expect(strayed / far).toBeGreaterThan(0.03);
    expect(strayed / far).toBeLessThan(0.06);
  });

  it("reach over a border about as far as asked", () => {
    for (const reachMm of [0.2, 0.6]) {
      const layout = layoutOf(jobWith({ reachMm, strays: 0, largeMm: 14, broken: 0 }));
      const { panel, depthMm } = layout.laid();
      const share = hairShare(layout, 1);
      // Over a straight border shares fall off as a normal spread: a sixth is left at its standard deviation.
      const near = [...panel.cells].filter((at) => Math.abs(depthMm[1]![at]! + reachMm) < 0.05);
      const mean = near.reduce((sum, at) => sum + share[at]!, 0) / near.length;
      expect(mean, `${reachMm} mm`).toBeGreaterThan(0.08);
      expect(mean, `${reachMm} mm`).toBeLessThan(0.26);
    }
  });

  it("are counted as they are set: what the plan tells is what is painted, within 7 %", () => {
    const job = jobWith({}, "limb");
    const surface = pieceOf(job);
    const form = buildForm(surface);
    const grid = buildGrid(form, 0.06);
    for (const role of [hairsKey("rust", 0), hairsKey("pale", 1)]) {
      const coat = surface.coats.find((one) => one.role === role)!;
      const marks = marksOf(job, surface, form, coat, () => grid);
      const params = completeParams(hair.params, coat.technique.params);
      const context = onGround({
        ...{ grid, marks, passUm: 6, passes: 1, water: coat.water, hand: job.hand },
      });
      const count = hairsOf(context, params, createRandom(coat.seed)).length;
      const weights = placeWeights({ grid, marks, nearCover: null });
      const wanted = weights.reduce((sum, weight, at) => sum + weight * grid.inside[at]!, 0);
      expect(count / (wanted * 0.06 ** 2 * params.density), role).toBeGreaterThan(0.93);
      expect(count / (wanted * 0.06 ** 2 * params.density), role).toBeLessThan(1.07);
    }
  });

  it("keep to a budget of the surface, whichever colour they are of", () => {
    const job = jobWith({}, "limb");
    const effort = { marks: 400, seen: 70, lit: 50 };
    const kept = { ...job, surfaces: job.surfaces.map((one) => ({ ...one, effort })) };
    const shared = shareEffort(kept, pieceOf(kept), effort);
    expect(shared.full).toBeGreaterThan(800);
    expect(shared.kept / 400).toBeCloseTo(1, 2);
    const before = effortOf(kept, pieceOf(kept))!.key;
    const other = changed(kept, { seed: 77 });
    expect(effortOf(other, pieceOf(other))!.key).not.toBe(before);
  });

  it("read as a line where they hardly reach over, and the remedy cures that", () => {
    expect(found(jobWith(), "coat-borders")).toEqual([]);
    const job = changed(jobWith(), { reachMm: 0.02 });
    const [line] = found(job, "coat-borders");
    expect(line!.sentence).toMatch(/hairs cross a millimetre of border: it reads as a line/);
    expect(found(applyRemedy(job, line!.remedies[0]!), "coat-borders")).toEqual([]);
    const bare = {
      ...job,
      surfaces: job.surfaces.map((one) => ({
        ...one,
        coats: one.coats.map((coat) => ({ ...coat, held: coat.technique.id === "hair" })),
      })),
    };
    expect(found(bare, "coat-borders")[0]!.sentence).toContain("no hairs over them");
  });
});

describe("colours of a patched coat", () => {
  it("rise tone by tone from the dark, and end below white", () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 88 }), fc.integer({ min: 2, max: 5 }), (l, count) => {
        const tones = hairTones(count).map((tone) => hairLab([l, 8, 16], tone)[0]);
        expect(tones).toHaveLength(count);
        expect(tones[0]!).toBeLessThan(l);
        for (let at = 1; at < count; at++) expect(tones[at]!).toBeGreaterThan(tones[at - 1]!);
        expect(tones.at(-1)!).toBeLessThan(97);
      }),
    );
  });

  it("are mixed once for all pieces of a figure, and anew where a colour is changed", () => {
    const hound = tideHound();
    const mixIdsOf = (id: string) =>
      (hound.surfaces.find((one) => one.id === id)!.pattern!.params as PatchedParams).colours.map(
        ({ mixIds }) => mixIds,
      );
    expect(mixIdsOf("head")).toEqual(mixIdsOf("body"));
    const job = jobWith();
    const { colours } = pieceOf(job).pattern!.params as PatchedParams;
    const other = changed(job, {
      colours: colours.map((one) => (one.id === "rust" ? { ...one, colour: "#445566", mixIds: [] } : one)),
    });
    const now = (pieceOf(other).pattern!.params as PatchedParams).colours;
    expect(now[1]!.mixIds.some((id) => colours[1]!.mixIds.includes(id))).toBe(false);
    expect(now[0]!.mixIds).toEqual(colours[0]!.mixIds);
    expect(other.mixes.find(({ id }) => id === now[1]!.mixIds[0])!.goal).toBe("#445566");
  });

  it("are told where two of them read as one", () => {
    expect(found(jobWith(), "coat-apart")).toEqual([]);
    const alike = [
      usualColour({ id: "one", name: "One", colour: "#6d5a48", share: 50 }),
      usualColour({ id: "two", name: "Two", colour: "#6f5c4c", share: 50 }),
    ];
    expect(found(jobWith({ colours: alike }), "coat-apart")[0]!.sentence).toContain("read as one colour");
  });

  it("start in order: no preset has a colour that cannot be told apart, or asks for more than there is", () => {
    for (const preset of presets) {
      expect(preset.colours.length).toBeGreaterThanOrEqual(COLOURS.least);
      const job = jobWith({}, "trunk", preset);
      for (const check of ["coat-shares", "coat-borders", "coat-apart"])
        expect(found(job, check), preset.id).toEqual([]);
      expect(preset.colours.every(({ colour }) => hexToLab(colour)[0] > 5)).toBe(true);
    }
  });
});
