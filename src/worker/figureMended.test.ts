import { describe, expect, it } from "vitest";
import { applyRemedy } from "../core/checks/applyRemedy";
import type { FaultKind } from "../core/figure/judge/faults";
import type { Coat, Job, Surface } from "../core/job";
import { deriveCoats } from "../core/patterns/derive";
import { withSurface } from "../core/edits/surfaces";
import { schemes } from "../core/schemes";
import { planStart, startSurface } from "../core/schemes/start";
import { wholeSergeant } from "../data/demo/company";
import { demoShelf } from "../data/demo/shelf";
import { figureJudged, figureMended } from "./questions/figureJudged";

const demo = wholeSergeant();
const [base] = demo.surfaces[0]!.coats;

/** The demo with some of its pieces, none of them more looked at than another. */
const wearing = (
  ids: readonly string[],
  change: (surface: Surface) => Partial<Surface> = () => ({}),
): Job => ({
  ...demo,
  touching: [],
  surfaces: demo.surfaces
    .filter(({ id }) => ids.includes(id))
    .map((surface) => ({
      ...surface,
      volumes: { ...surface.volumes, importance: "usual" as const },
      ...change(surface),
    })),
});

/** One opaque coat all over. */
const opaque = (mixId: string): Coat[] => [
  { ...base!, id: "all-over", role: null, mixId, passes: 4, water: 0, place: { kind: "everywhere" } },
];

/** Large light dabs on dark, all over: as busy on one piece as on another. */
const dabbed = (mixId: string): Coat[] => {
  const [under] = opaque("deep-tarn");
  const technique = { id: "stipple", version: 1, params: { density: 0.6, size: 0.8 } };
  return [under!, { ...under!, id: "dabs", name: "Dabs", mixId, passes: 3, technique }];
};

/** A surface begun anew in a dark leather. */
function inLeather(job: Job, surfaceId: string): Job {
  const bare = withSurface(job, surfaceId, (surface) => ({ ...surface, coats: [] }));
  const surface = bare.surfaces.find(({ id }) => id === surfaceId)!;
  const answers = { age: "used", look: "plain", colour: "#3a2820" } as const;
  return startSurface(
    bare,
    surfaceId,
    planStart(bare, surface, schemes["leather-stippled"], answers, demoShelf),
  );
}

const PLANTED: readonly (readonly [FaultKind, string, Job])[] = [
  [
    "outshouts",
    "coat-skirt",
    wearing(["coat-skirt", "strap"], ({ id, volumes }) => ({
      volumes: { ...volumes, importance: id === "strap" ? "looked-at" : "usual" },
    })),
  ],
  [
    "run-together",
    "satchel",
    inLeather(inLeather(wearing(["coat-skirt", "satchel", "strap", "gloves"]), "satchel"), "gloves"),
  ],
  [
    "colour-alone",
    "satchel",
    wearing(["coat-skirt", "satchel", "strap", "gloves"], ({ id }) => ({
      ...{ pattern: null, coats: opaque(id === "satchel" ? "rust" : "deep-tarn") },
    })),
  ],
  [
    "equally-busy",
    "satchel",
    wearing(["coat-skirt", "satchel", "gloves"], ({ id }) => ({
      // Small dabs on small hands would be busier in so light a tone.
      ...{ pattern: null, coats: dabbed(id === "gloves" ? "satchel-light" : "straw") },
    })),
  ],
];

const wanted = () => Promise.resolve(true);
const asked = (job: Job) => ({
  ...{ job, paints: demoShelf, figureId: job.figures[0]!.id, painted: [] },
  view: { turnDeg: 0, tiltDeg: 12, viewMm: 600, pxPerMm: 60, mostPx: 360 },
});
const judged = async (job: Job) => (await figureJudged.run(asked(job), { wanted, part: () => undefined }))!;

describe("faults planted on the figure itself", () => {
  it.each(PLANTED)("%s is named, and what is offered does away with it", async (kind, partId, job) => {
    const { faults } = await judged(job);
    const at = faults.findIndex((one) => one.kind === kind && [one.partId, one.otherId].includes(partId));
    expect(at, faults.map(({ sentence }) => sentence).join(" ")).toBeGreaterThanOrEqual(0);
    const mended = (await figureMended.run(asked(job), { wanted, part: () => undefined }))!;
    const remedies = mended[at]!;
    expect(remedies.length).toBeGreaterThan(0);
    for (const remedy of remedies) {
      const after = await judged(deriveCoats(applyRemedy(job, remedy), demoShelf, job));
      const left = after.faults.filter((one) => one.kind === kind && one.partId === faults[at]!.partId);
      expect(left, remedy.label).toEqual([]);
    }
  });

  it("are left alone once nobody waits for what mends them", async () => {
    const [, , job] = PLANTED[0]!;
    const stopped = { wanted: () => Promise.resolve(false), part: () => undefined };
    // Nothing of it was painted before.
    const surfaces = job.surfaces.map((surface) => ({ ...surface, seed: surface.seed + 1 }));
    expect(await figureMended.run(asked({ ...job, surfaces }), stopped)).toBeNull();
  });
});
