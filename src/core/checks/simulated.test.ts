import { describe, expect, it } from "vitest";
import { demoJobs, reedScout, wholeSergeant } from "../../data/demo/company";
import { landingWall } from "../../data/demo/landingWall";
import { demoShelf } from "../../data/demo/shelf";
import { inZones, type Coat, type Job, type Surface } from "../job";
import { techniques, type TechniqueId } from "../techniques";
import { sampledSurface } from "../simulate/sampled";
import { checkJob, checkSteps, checkSurface } from ".";
import { applyRemedy } from "./applyRemedy";
import { touchingAlike } from "./touching";

const demo = wholeSergeant();
const satchel = (job: Job): Surface => job.surfaces.find(({ id }) => id === "satchel")!;
const base = satchel(demo).coats[0]!;
const everywhere = { kind: "everywhere" } as const;

/** A coat of the satchel's own. */
const coat = (id: string, technique: TechniqueId, more: Partial<Coat> = {}): Coat => ({
  ...base,
  ...{ id, name: id, role: null, place: everywhere, passes: 1 },
  technique: { id: technique, version: techniques[technique].version, params: {} },
  water: techniques[technique].startWater ?? 1,
  ...more,
});
const withCoats = (coats: readonly Coat[], more: Partial<Job> = {}): Job => ({
  ...demo,
  ...more,
  surfaces: demo.surfaces.map((one) => (one.id === "satchel" ? { ...one, coats } : one)),
});
const found = (job: Job, check: string, paints = demoShelf) =>
  checkSurface(job, satchel(job), paints).filter(({ id }) => id.split("/")[1] === check);

/** Every remedy that is offered does away with its finding. */
function allCure(job: Job, check: string): void {
  const [finding] = found(job, check);
  expect(finding!.remedies.length).toBeGreaterThan(0);
  for (const remedy of finding!.remedies)
    expect(
      found(applyRemedy(job, remedy), check).map(({ id }) => id),
      remedy.label,
    ).not.toContain(finding!.id);
}

const ordinary = { ...base, passes: 4, water: 0.5 };

describe("what was never said", () => {
  it("a base coat that does not cover, and more passes or less water cure it", () => {
    const job = withCoats([{ ...base, mixId: "straw", water: 3, passes: 1 }]);
    const [finding] = found(job, "cover");
    expect(finding!.coatId).toBe(base.id);
    allCure(job, "cover");
    expect(found(withCoats([{ ...base, mixId: "straw", water: 0, passes: 8 }]), "cover")).toEqual([]);
  });

  it("marks finer than the hand", () => {
    const job = withCoats([
      ordinary,
      coat("fine", "scratch", { technique: { id: "scratch", version: 1, params: { width: 0.05 } } }),
    ]);
    const finest = { ...job, hand: { ...job.hand, finestLineMm: 0.25 } };
    expect(found(finest, "finer-than-hand")[0]!.sentence).toMatch(
      /0\.05 mm wide \(fine\) are far finer than your finest line of 0\.25 mm/,
    );
    allCure(finest, "finer-than-hand");
    expect(found({ ...job, hand: { ...job.hand, finestLineMm: 0.05 } }, "finer-than-hand")).toEqual([]);
  });

  it("a wet blend with nothing wet before it", () => {
    expect(
      found(withCoats([ordinary, coat("dots", "stipple"), coat("blend", "wet-blend")]), "wet-blend-dry"),
    ).toHaveLength(1);
    expect(found(withCoats([coat("blend", "wet-blend")]), "wet-blend-dry")[0]!.sentence).toContain(
      "comes first",
    );
    expect(found(withCoats([ordinary, coat("blend", "wet-blend")]), "wet-blend-dry")).toEqual([]);
  });

  it("a base of medium alone, but no varnish over it", () => {
    const medium = demoShelf.find(({ kind }) => kind === "medium")!;
    const gloss = demoShelf.find(({ kind }) => kind === "varnish")!;
    const clear = (id: string, paintId: string) => ({
      id,
      name: id,
      parts: [{ paintId, parts: 1 }],
      water: 0,
      goal: null,
    });
    const mixes = [...demo.mixes, clear("clear", medium.id), clear("gloss", gloss.id)];
    const job = withCoats([{ ...ordinary, mixId: "clear" }, coat("varnish", "varnish", { mixId: "gloss" })], {
      mixes,
    });
    expect(found(job, "medium-alone").map(({ coatId }) => coatId)).toEqual([base.id]);
  });

  it("paste over paint", () => {
    const job = withCoats([ordinary, coat("paste", "texture-paste")]);
    expect(found(job, "paste-over-paint")).toHaveLength(1);
    allCure(job, "paste-over-paint");
    expect(found(withCoats([coat("paste", "texture-paste"), ordinary]), "paste-over-paint")).toEqual([]);
  });

  it("a wash that repaints instead of shading", () => {
    const dark = {
      technique: { id: "wash", version: 1, params: { wet: 150, cling: 40 } },
      water: 0.5,
      mixId: "fold-glaze",
    };
    const job = withCoats([{ ...ordinary, mixId: "straw" }, coat("wash", "wash", dark)]);
    expect(found(job, "wash-too-dark")[0]!.sentence).toMatch(/from L\* \d+ to \d+/);
    allCure(job, "wash-too-dark");
    expect(
      found(
        withCoats([{ ...ordinary, mixId: "straw" }, coat("wash", "wash", { ...dark, water: 20 })]),
        "wash-too-dark",
      ),
    ).toEqual([]);
  });

  it("a glaze that takes the highlights painted before it", () => {
    const light = coat("light", "layer", {
      mixId: "straw",
      place: inZones(["raised"], 0),
      passes: 3,
      water: 0.5,
    });
    const glaze = coat("glaze", "glaze", { mixId: "deep-tarn", passes: 4, water: 0.5 });
    const job = withCoats([ordinary, light, glaze]);
    expect(found(job, "lost-highlight")[0]!.sentence).toMatch(/glaze takes light from L\* \d+ to \d+/);
    allCure(job, "lost-highlight");
    expect(found(withCoats([ordinary, glaze, light]), "lost-highlight")).toEqual([]);
  });

  it("dark parts that touch and are alike", () => {
    const [a, b] = ["satchel", "gloves"] as const;
    const dark = [{ ...base, mixId: "deep-tarn", passes: 4, water: 0 }];
    const job: Job = {
      ...demo,
      touching: [[a, b]],
      surfaces: demo.surfaces.map((one) => (one.id === a || one.id === b ? { ...one, coats: dark } : one)),
    };
    const [alike, ...others] = touchingAlike(job, demoShelf, true);
    expect(others).toEqual([]);
    // Two leathers that read as one: it has to be mended, and there is a way out.
    expect(alike).toMatchObject({ where: "Satchel and Gloves", gravity: "must" });
    expect(alike!.remedies.length).toBeGreaterThan(0);
    for (const remedy of alike!.remedies)
      expect(touchingAlike(applyRemedy(job, remedy), demoShelf)).toEqual([]);
    const cloth = (one: Surface): Surface => ({
      ...one,
      volumes: { ...one.volumes, material: "dull-cloth" },
    });
    expect(touchingAlike({ ...job, surfaces: job.surfaces.map(cloth) }, demoShelf)[0]!.gravity).toBe("look");
    expect(checkJob(job, demoShelf).some(({ id }) => id.includes("/touching-alike/"))).toBe(true);
    const light = [{ ...base, mixId: "straw", passes: 4, water: 0 }];
    const apart = {
      ...job,
      surfaces: job.surfaces.map((one) => (one.id === b ? { ...one, coats: light } : one)),
    };
    expect(touchingAlike(apart, demoShelf)).toEqual([]);
  });
});

describe("what was said wrongly", () => {
  it("films build up where they lie on each other, not as if all lay at one point", () => {
    const rows = (from: number, to: number) =>
      inZones([], 0, { span: { along: "height", from, to, softMm: 0.2 } });
    const strips = [0, 0.25, 0.5, 0.75].map((from) =>
      coat(`strip-${from}`, "layer", { passes: 4, water: 0, place: rows(from, from + 0.25) }),
    );
    const job = withCoats([ordinary, ...strips]);
    // Five coats of 45 to 61 µm: two of them meet at a point, three at a border at most.
    expect(sampledSurface(job, satchel(job), demoShelf).buildUpUm).toBeLessThan(200);
    expect(sampledSurface(job, satchel(job), demoShelf).buildUpUm).toBeGreaterThan(60);
  });

  it("does not count paste as paint that has built up", () => {
    const job = withCoats([coat("paste", "texture-paste"), ordinary]);
    expect(found(job, "film-build-up")).toEqual([]);
  });
});

describe("findings", () => {
  it("are the same whatever was looked at before: each surface alone says what the whole job says", () => {
    // One with check cloth and leather, one with patterns, one with a hide and another body's light.
    for (const job of [wholeSergeant(), reedScout(), landingWall()]) {
      const whole = checkJob(job, demoShelf);
      for (const surface of [...job.surfaces].reverse()) {
        const own = whole.filter(
          ({ surfaceId, id }) => surfaceId === surface.id && !id.includes("/touching-alike/"),
        );
        expect(checkSurface(job, surface, demoShelf).map(({ id }) => id)).toEqual(own.map(({ id }) => id));
      }
    }
  });

  it("are told ahead of their remedies, which are tried one by one", () => {
    const job = demoJobs()[0]!;
    const told = [...checkSteps(job, demoShelf)].filter((step) => step !== null);
    expect(told).toHaveLength(1);
    const all = checkJob(job, demoShelf);
    expect(told[0]).toEqual(all.map((finding) => ({ ...finding, remedies: [] })));
    expect(all.some(({ remedies }) => remedies.length > 0)).toBe(true);
  });

  it("of the demo's jobs come with remedies that cure: the first of every check", () => {
    const tried = new Set<string>();
    // Those with the most findings.
    for (const job of demoJobs().slice(0, 3))
      for (const finding of checkJob(job, demoShelf).filter(({ id }) => !tried.has(id.split("/")[1]!))) {
        tried.add(finding.id.split("/")[1]!);
        for (const remedy of finding.remedies) {
          const mended = applyRemedy(job, remedy);
          const surface = mended.surfaces.find(({ id }) => id === finding.surfaceId)!;
          const left = checkSurface(mended, surface, demoShelf).map(({ id }) => id);
          expect(left, remedy.label).not.toContain(finding.id);
        }
      }
    expect(tried.size).toBeGreaterThan(5);
  });
});
