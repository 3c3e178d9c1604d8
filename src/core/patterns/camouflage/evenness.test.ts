import { describe, expect, it } from "vitest";
import { demoShelf } from "../../../data/demo/shelf";
import { checkSurface } from "../../checks";
import { applyRemedy } from "../../checks/applyRemedy";
import { evennessFaults, measureEvenness } from "../../stats/evenness";
import type { Job } from "../../job";
import { createRandom } from "../../random";
import type { SurfaceForm } from "../../surface/forms/form";
import { deriveCoats } from "../derive";
import type { PlacedMark } from "../../techniques/singleMarks";
import type { MarkSet } from "../family";
import { layoutCamouflage } from "./layout";
import { presets } from "./presets";
import { camouflageMarkSets } from "./work";
import { cloak, hand, jobWith, lay, sleeve, started } from "./testing";

const faultsOf = (set: MarkSet, form: SurfaceForm) => evennessFaults(set, measureEvenness(set.marks, form));
const irregular = (marks: readonly PlacedMark[]): MarkSet => ({
  ...{ key: "layer:one", label: "One", marks, aligned: false, clustered: false, alike: false, remedies: {} },
});

/** Every third of two hundred seeds is tried; CRENNA_SEEDS=1 tries them all. */
const BY = Number(process.env.CRENNA_SEEDS ?? 3);

describe("evenness", () => {
  it.each(presets.map((preset, at) => [preset.label, at] as const))(
    "is not found in 95 of 100 seeds of %s",
    (_label, preset) => {
      const form = presets[preset]!.id === "bars" ? sleeve : cloak;
      let [clean, all] = [0, 0];
      for (let seed = 0; seed < 200; seed += BY) {
        const layout = layoutCamouflage(started(preset, seed), { form, hand, seed });
        if (camouflageMarkSets(layout).every((set) => faultsOf(set, form).length === 0)) clean++;
        all++;
      }
      expect(clean / all).toBeGreaterThanOrEqual(0.95);
    },
  );

  /** Marks set by a careful, bad hand: on a grid or by chance, of one size or many, one way or every way. */
  function byHand(seed: number, grid: boolean, sizes: number, ways: boolean, step = 2.4): PlacedMark[] {
    const random = createRandom(seed);
    const marks: PlacedMark[] = [];
    for (let y = -15; y < 1; y += step)
      for (let x = -14; x < 14; x += step) {
        const [dx, dy] = grid
          ? [0.08 * random.normal(), 0.08 * random.normal()]
          : [random.range(-2, 2), random.range(-2, 2)];
        marks.push({
          ...{ id: `${x}/${y}`, xMm: x + dx, yMm: y + dy },
          areaMm2: 1.2 * Math.exp(sizes * random.normal()),
          angle: ways ? random.range(0, Math.PI) : 0.2 + 0.1 * random.normal(),
        });
      }
    return marks;
  }

  it("is found in every set that is deliberately even, same-sized or lined up", () => {
    for (let seed = 0; seed < 60; seed++) {
      expect(faultsOf(irregular(byHand(seed, true, 0.8, true)), cloak)).toContain("even");
      expect(faultsOf(irregular(byHand(seed, false, 0.12, true)), cloak)).toContain("alike");
      expect(faultsOf(irregular(byHand(seed, false, 0.8, false)), cloak)).toContain("lined");
      // On a small panel, with a dozen marks, the same is told by other numbers.
      expect(faultsOf(irregular(byHand(seed, false, 0.12, true, 6)), cloak)).toContain("alike");
      expect(faultsOf(irregular(byHand(seed, true, 0.8, true, 6)), cloak)).toContain("even");
      expect(faultsOf(irregular(byHand(seed, false, 0.8, false, 6)), cloak)).toContain("lined");
    }
  });

  it("is not found where chance put marks of many sizes, every way", () => {
    let clean = 0;
    for (let seed = 0; seed < 100; seed++)
      if (faultsOf(irregular(byHand(seed, false, 0.9, true)), cloak).length === 0) clean++;
    expect(clean).toBeGreaterThan(92);
  });

  it("has marks to show, and remedies that cure", () => {
    const dull = {
      ...started(0),
      layers: started(0).layers.map((layer) => ({ ...layer, spread: 0, turn: 0, spurs: 0 })),
    };
    const job = jobWith(demoShelf, dull);
    const found = (of: Job) =>
      checkSurface(of, of.surfaces[0]!, demoShelf).filter(({ id }) => id.includes("/evenness/"));
    const findings = found(job);
    expect(findings.length).toBeGreaterThan(1);
    for (const finding of findings) {
      expect(finding.spots!.length).toBeGreaterThan(3);
      expect(finding.remedies.length).toBeGreaterThan(0);
      // Every one that is offered cures, not only one of them.
      for (const remedy of finding.remedies) {
        const mended = deriveCoats(applyRemedy(job, remedy), demoShelf, job);
        const left = found(mended).some(({ id }) => id === finding.id);
        expect(left, `${finding.sentence} ${remedy.label}`).toBe(false);
      }
    }
  });

  it("is changed by merging neighbours and by odd ones between", () => {
    const count = (part: object) =>
      lay({ ...started(3), layers: started(3).layers.map((layer) => ({ ...layer, ...part })) }).layers[0]!
        .shapes.length;
    expect(count({ merged: 3 })).toBe(count({}) - 3);
    expect(count({ odd: 4 })).toBe(count({}) + 4);
  });
});
