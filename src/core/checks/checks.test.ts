import { readdirSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import type { Coat, Job, Surface } from "../job";
import { families } from "../patterns";
import type { SettParams } from "../patterns/sett/params";
import { settParams } from "../patterns/sett/testing";
import { deriveCoats } from "../patterns/derive";
import { ciede2000 } from "../colour/difference";
import { hexToLab, type Triple } from "../colour/spaces";
import { contrastSensitivity, cyclesPerDegree, differenceAtDistance, visibility } from "../stats/visibility";
import { checkJob, checks } from ".";
import { applyRemedy } from "./applyRemedy";
import type { Finding } from "./finding";

const demo = ferrySergeant();

const withSurface = (change: (surface: Surface) => Surface): Job => ({
  ...demo,
  surfaces: demo.surfaces.map(change),
});
const withCloth = (part: Partial<SettParams>): Job =>
  deriveCoats(
    withSurface((surface) => ({
      ...surface,
      pattern: { ...surface.pattern!, params: { ...settParams(surface), ...part } },
    })),
    demoShelf,
    demo,
  );
const withCoat = (role: string, part: Partial<Coat>): Job =>
  withSurface((surface) => ({
    ...surface,
    coats: surface.coats.map((coat) => (coat.role === role ? { ...coat, ...part } : coat)),
  }));

const of = (job: Job, check: string): Finding[] =>
  checkJob(job, demoShelf).filter((finding) => finding.id.split("/")[1] === check);
/** Applying the first remedy must make the finding go away. */
function mends(job: Job, finding: Finding): void {
  const mended = deriveCoats(applyRemedy(job, finding.remedies[0]!), demoShelf, job);
  expect(checkJob(mended, demoShelf).map((one) => one.id)).not.toContain(finding.id);
}

describe("the registry of checks", () => {
  it("has one file a check, each registered", () => {
    // seen.ts holds the words of three checks, touching.ts looks at pairs of surfaces.
    const helpers = [
      "applyRemedy.ts",
      "check.ts",
      "finding.ts",
      "index.ts",
      "markSets.ts",
      "painted.ts",
      "seen.ts",
      "touching.ts",
      "tones.ts",
    ];
    const files = readdirSync(path.resolve("src/core/checks")).filter(
      (name) => !name.endsWith(".test.ts") && !helpers.includes(name),
    );
    expect(checks).toHaveLength(files.length);
    const all = [...checks, ...Object.values(families).flatMap((family) => family.checks)];
    expect(new Set(all.map((check) => check.id)).size).toBe(all.length);
  });

  it("gives every finding a place, a sentence and a reason, worst first", () => {
    const bad = withCloth({ periods: 33.3 });
    const findings = checkJob(bad, demoShelf);
    expect(findings.length).toBeGreaterThan(1);
    const order = findings.map((finding) => ["must", "look", "note"].indexOf(finding.gravity));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    for (const finding of findings) {
      expect(finding.sentence.length).toBeGreaterThan(10);
      expect(finding.reason.length).toBeGreaterThan(10);
      expect(finding.where.length).toBeGreaterThan(0);
    }
  });
});

describe("findings", () => {
  it("a repeat that does not close, with both nearest whole counts", () => {
    const job = withCloth({ periods: 9.5 });
    const [finding] = of(job, "closure");
    expect(finding?.gravity).toBe("must");
    expect(finding?.sentence).toContain("9.50 repeats do not close");
    // 46 mm half way up: 46/9 − 46/9.5 = 0.27, 46/10 − 46/9.5 = −0.24.
    expect(finding?.remedies.map((remedy) => remedy.label)).toEqual([
      "Use 9 repeats (+0.27 mm each)",
      "Use 10 repeats (−0.24 mm each)",
    ]);
    mends(job, finding!);
    expect(of(withCloth({ periods: 9 }), "closure")).toEqual([]);
  });

  it("nothing about closing on a band with a gap", () => {
    const open = withSurface((surface) => ({
      ...surface,
      form: { ...surface.form, params: { ...surface.form.params, gapDeg: 40 } },
    }));
    const job = {
      ...open,
      surfaces: open.surfaces.map((surface) => ({
        ...surface,
        pattern: { ...surface.pattern!, params: { ...settParams(surface), periods: 9.5 } },
      })),
    };
    expect(of(job, "closure")).toEqual([]);
  });

  it("parallel columns on a flaring closed band", () => {
    const job = withCloth({ spread: "parallel" });
    const [finding] = of(job, "closure");
    expect(finding?.sentence).toContain("24.0 mm");
    mends(job, finding!);
  });

  it("boxes under three line widths, at the narrow end", () => {
    const job = withCloth({ threadCount: "A24 B24", periods: 50, colours: { A: "straw", B: "deep-tarn" } });
    const finding = of(job, "box-size").find((one) => one.id.endsWith("column"))!;
    // 34 mm / 100 boxes = 0.34 mm against 0.36 mm.
    expect(finding.sentence).toContain("0.34 mm wide");
    expect(finding.sentence).toContain("0.36 mm");
    expect(finding.where).toContain("at the waist");
    mends(job, finding);
  });

  it("lines too fine for the brush: lost ones and thin ones", () => {
    const job = withCloth({ periods: 40 });
    const kinds = of(job, "fine-lines").map((finding) => finding.id.split("/").at(-1));
    expect(kinds).toContain("lost");
    mends(
      job,
      of(job, "fine-lines").find((finding) => finding.id.endsWith("lost"))!,
    );
    const thin = of(withCloth({ periods: 13 }), "fine-lines").find((finding) => finding.id.endsWith("thin"));
    expect(thin?.sentence).toContain("you will paint 0.12 mm");
  });

  it("stripes too alike to be told apart across the table", () => {
    const close = {
      ...demo.mixes.find((mix) => mix.id === "deep-tarn")!,
      id: "near-tarn",
      parts: [
        { paintId: "paint-tarn-blue", parts: 10 },
        { paintId: "paint-lamp-black", parts: 3 },
      ],
    };
    const job = withCloth({
      threadCount: "A24 B24",
      colours: { A: "near-tarn", B: "deep-tarn" },
      periods: 40,
    });
    const alike = {
      ...job.surfaces[0]!,
      pattern: {
        ...job.surfaces[0]!.pattern!,
        params: { ...settParams(job.surfaces[0]!), colours: { A: "near-tarn", B: "deep-tarn" } },
      },
    };
    const far = {
      ...job,
      surfaces: [alike],
      mixes: [...job.mixes, close],
      figures: [{ ...job.figures[0]!, viewingDistanceMm: 1200 }],
    };
    const [finding] = of(far, "stripe-contrast");
    expect(finding?.sentence).toMatch(/120 cm/);
    expect(of(demo, "stripe-contrast")).toEqual([]);
  });

  it("a light line over dark that does not cover in its passes", () => {
    const job = withCoat("lines:R", { water: 3, passes: 1 });
    const [finding] = of(job, "cover");
    expect(finding?.coatId).toContain("lines-r");
    expect(finding?.sentence).toMatch(/1 pass at 3 : 1 over dark reaches L\* \d+, not the \d+/);
    mends(job, finding!);
    expect(of(withCoat("lines:R", { water: 1, passes: 3 }), "cover")).toEqual([]);
  });

  it("half-tones that no longer fit, once a stripe's mix was changed", () => {
    expect(of(demo, "half-tones")).toEqual([]);
    const rust = demo.mixes.find((mix) => mix.id === "rust")!;
    const job = {
      ...demo,
      mixes: demo.mixes.map((mix) => (mix.id === "straw" ? { ...mix, parts: rust.parts } : mix)),
    };
    const [finding] = of(job, "half-tones");
    expect(finding!.sentence).toMatch(/D × S is off by \d+\.\d/);
  });

  it("guides that show through, or are never covered", () => {
    const job = withCoat("guides", { water: 0, passes: 3, mixId: "rust" });
    const [finding] = of(job, "guides-show");
    expect(finding?.sentence).toContain("Guide lines show through");
    expect(finding?.remedies.length).toBeGreaterThan(0);
    const bare = withSurface((surface) => ({
      ...surface,
      coats: surface.coats.map((coat) => ({ ...coat, held: coat.role !== "base" && coat.role !== "guides" })),
    }));
    expect(of(bare, "guides-show")[0]?.sentence).toContain("Nothing is painted over the guides");
  });

  it("films that add up too far", () => {
    const job = withCoat("base", { passes: 8, water: 0 });
    const [finding] = of(job, "film-build-up");
    expect(finding?.gravity).toBe("must");
    expect(finding?.remedies[0]?.label).toMatch(/^[1-7] pass(es)? of Base$/);
    mends(job, finding!);
    expect(of(demo, "film-build-up")).toEqual([]);
  });

  it("mixes without paint and pots that are not at hand", () => {
    const empty = {
      ...demo,
      mixes: demo.mixes.map((mix) => (mix.id === "straw" ? { ...mix, parts: [] } : mix)),
    };
    expect(of(empty, "pots")[0]?.sentence).toContain("has no paint");
    const shelf = demoShelf.map((paint) =>
      paint.name === "Rust Red" ? { ...paint, state: "out" as const } : paint,
    );
    expect(checkJob(demo, shelf).some((finding) => finding.sentence === "Rust Red is used up.")).toBe(true);
  });

  it("a surface that cannot exist is itself the finding", () => {
    const job = withSurface((surface) => ({
      ...surface,
      form: { ...surface.form, params: { ...surface.form.params, hemMm: 300 } },
    }));
    expect(checkJob(job, demoShelf)[0]?.sentence).toContain("can widen or narrow by");
    const unread = withSurface((surface) => ({
      ...surface,
      pattern: { ...surface.pattern!, params: { ...settParams(surface), threadCount: "D24 24" } },
    }));
    expect(checkJob(unread, demoShelf)[0]?.sentence).toContain('"24" has no colour');
  });
});

describe("remedies", () => {
  it("change only what they name, and refuse a place that is gone", () => {
    const remedy = {
      label: "",
      changes: [{ path: ["surfaces", "coat-skirt", "pattern", "params", "periods"], value: 4 }],
    };
    const job = applyRemedy(demo, remedy);
    expect(settParams(job.surfaces[0]!).periods).toBe(4);
    expect(job.mixes).toBe(demo.mixes);
    const gone = { label: "", changes: [{ path: ["surfaces", "cloak", "seed"], value: 4 }] };
    expect(() => applyRemedy(demo, gone)).toThrow(/no entry "cloak"/);
  });
});

describe("visibility at a distance", () => {
  it("peaks near eight cycles to the degree and falls on both sides", () => {
    const peak = contrastSensitivity(8);
    expect(peak).toBeGreaterThan(190);
    expect(peak).toBeLessThan(205);
    expect(contrastSensitivity(1)).toBeLessThan(peak / 2);
    expect(contrastSensitivity(40)).toBeLessThan(peak / 4);
  });
  it("counts bars as they are seen from a distance", () => {
    // One millimetre bars from 57.29 cm: a pair fills a fifth of a degree.
    expect(cyclesPerDegree(1, 572.9)).toBeCloseTo(5, 2);
    expect(visibility(0.5, 0.5, 1, 500)).toBe(0);
    expect(visibility(0.2, 0.5, 0.2, 300)).toBeGreaterThan(visibility(0.2, 0.5, 0.2, 1200));
  });
});

describe("difference at a distance", () => {
  const [rust, green, otherGreen] = ["#9a3c2a", "#3f6a3c", "#4a7344"].map(hexToLab) as [
    Triple,
    Triple,
    Triple,
  ];
  it("sees hue as well as lightness: rust beside a green of its lightness reads, two like greens do not", () => {
    expect(Math.abs(rust[0] - green[0])).toBeLessThan(4);
    expect(differenceAtDistance(rust, green, 0.8, 300)).toBeGreaterThan(15);
    expect(differenceAtDistance(green, otherGreen, 0.8, 300)).toBeLessThan(8);
  });
  it("is that of the colours up close, and goes with distance and with finer bars", () => {
    const at = (barMm: number, mm: number) => differenceAtDistance(rust, green, barMm, mm);
    expect(at(1000, 300)).toBeCloseTo(ciede2000(rust, green), 1);
    expect(at(0.8, 1200)).toBeLessThan(at(0.8, 300));
    expect(at(0.2, 300)).toBeLessThan(at(0.8, 300));
  });
  it("is told of a check cloth: rust and green stripes of one lightness are in order", () => {
    const mix = (id: string, paintId: string) => ({
      id,
      name: id,
      parts: [{ paintId, parts: 1 }],
      water: 1,
      goal: null,
    });
    const pot = (id: string, thick: string) => ({
      ...demoShelf[0]!,
      id,
      name: id,
      thick,
      overWhite: null,
      overBlack: null,
    });
    const shelf = [...demoShelf, pot("one", "#9a3c2a"), pot("two", "#3f6a3c"), pot("three", "#43703f")];
    const mixes = [...demo.mixes, mix("rusty", "one"), mix("green", "two"), mix("greener", "three")];
    const striped = withCloth({ threadCount: "A24 B24", periods: 10 });
    const cloth = (other: string): Job => ({
      ...striped,
      mixes,
      surfaces: striped.surfaces.map((surface) => ({
        ...surface,
        pattern: {
          ...surface.pattern!,
          params: { ...settParams(surface), colours: { A: "green", B: other } },
        },
      })),
    });
    const found = (other: string) =>
      checkJob(cloth(other), shelf).filter(({ id }) => id.split("/")[1] === "stripe-contrast");
    expect(found("rusty")).toEqual([]);
    expect(found("greener")[0]!.sentence).toMatch(/differ by \d/);
  });
});
