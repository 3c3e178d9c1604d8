import { describe, expect, it } from "vitest";
import { mudDrake } from "../../data/demo/mudDrake";
import { demoShelf } from "../../data/demo/shelf";
import { tideHound } from "../../data/demo/tideHound";
import { inZones, type Coat, type Job } from "../job";
import { newJob, newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import { schemes, type SchemeId } from "../schemes";
import { planStart, startSurface } from "../schemes/start";
import { techniques } from "../techniques";
import { applyRemedy } from "./applyRemedy";
import { brushedApart } from "./brushedApart";
import type { Finding } from "./finding";
import { hairLiesEven } from "./hairLiesEven";
import { hairReads } from "./hairReads";
import { platesInLight } from "./platesInLight";
import { unseenMarks } from "./unseenMarks";
import { checkSurface } from ".";

/** A trunk in a scheme. */
function started(schemeId: SchemeId): Job {
  const plain = newPlainSurface("piece", "Piece", "trunk", []);
  const job: Job = { ...newJob("job", "Job", defaultPainter, demoShelf), mixes: [], surfaces: [plain] };
  const scheme = schemes[schemeId];
  const answers = { age: "used", look: "plain", colour: scheme.startColour } as const;
  return startSurface(job, "piece", planStart(job, plain, scheme, answers, demoShelf));
}

const withCoats = (job: Job, id: string, change: (coats: readonly Coat[]) => readonly Coat[]): Job => ({
  ...job,
  surfaces: job.surfaces.map((one) => (one.id === id ? { ...one, coats: change(one.coats) } : one)),
});
const each = (job: Job, id: string, change: (coat: Coat) => Coat): Job =>
  withCoats(job, id, (coats) => coats.map(change));
const withParams = (coat: Coat, params: Record<string, number>): Coat => ({
  ...coat,
  technique: { ...coat.technique, params: { ...coat.technique.params, ...params } },
});
const isHair = ({ technique }: Coat) => technique.id === "hair";

const told = (job: Job, id: string, check: string, key = ""): Finding[] =>
  checkSurface(
    job,
    job.surfaces.find((one) => one.id === id)!,
    demoShelf,
    check,
  ).filter((one) => one.id.endsWith(key));

/** Every remedy that is offered does away with its finding, and there is one. */
function allCure(job: Job, finding: Finding, id: string, check: string): void {
  expect(finding.remedies.length).toBeGreaterThan(0);
  for (const remedy of finding.remedies)
    expect(
      told(applyRemedy(job, remedy), id, check).map((one) => one.id),
      remedy.label,
    ).not.toContain(finding.id);
}

describe("a glaze over hair", () => {
  const hairs = started("hair-overlapped");
  const { coats } = hairs.surfaces[0]!;
  const tieAt = coats.findIndex(({ name }) => /tie|tying|glaze over/i.test(name));

  it("dulls its strokes where no light comes after it, and lights or water bring them back", () => {
    expect(tieAt).toBeGreaterThan(0);
    // As the scheme has it lights come back after the glaze.
    expect(told(hairs, "piece", hairReads.id, "dulls")).toEqual([]);
    // A glaze of a middle tone veils light and dark alike.
    const veil = coats.find(isHair)!.mixId;
    const thick = (coat: Coat): Coat =>
      coat.id === coats[tieAt]!.id ? { ...coat, mixId: veil, water: 3, passes: 4 } : coat;
    const ended = withCoats(hairs, "piece", (all) => all.slice(0, tieAt + 1).map(thick));
    const [finding, ...more] = told(ended, "piece", hairReads.id, "dulls");
    expect(more).toEqual([]);
    expect(finding!.sentence).toMatch(/takes the contrast of the strokes from \d+ to \d+ L\*/);
    expect(finding!.remedies.map(({ label }) => label).join()).toMatch(/once more after it/);
    allCure(ended, finding!, "piece", hairReads.id);
  });
});

describe("hair on a body", () => {
  const hairs = started("hair-overlapped");

  it("is neither bald nor run together as schemes lay it", () => {
    expect(told(hairs, "piece", hairLiesEven.id)).toEqual([]);
    expect(told(started("hair-apart"), "piece", hairLiesEven.id)).toEqual([]);
  });

  it("is bald where no set of strokes comes, shown in place, and the first set all over covers it", () => {
    const all = inZones([], 0, { span: { along: "height", from: 0.2, to: 1, softMm: 0.2 } });
    const bald = each(hairs, "piece", (coat) => (isHair(coat) ? { ...coat, place: all } : coat));
    const [finding] = told(bald, "piece", hairLiesEven.id, "bald");
    expect(finding!.sentence).toMatch(/mm² stay nearly bald/);
    // The bare stretch lies at the lower end, which is down on the flat.
    expect(finding!.spots!.length).toBeGreaterThan(3);
    for (const { yMm } of finding!.spots!) expect(yMm).toBeGreaterThan(-7);
    allCure(bald, finding!, "piece", hairLiesEven.id);
  });

  it("is left out without a word where it is kept to a place of its own", () => {
    const narrow = inZones([], 0, { span: { along: "height", from: 0.7, to: 1, softMm: 0.2 } });
    const mane = each(hairs, "piece", (coat) => (isHair(coat) ? { ...coat, place: narrow } : coat));
    expect(told(mane, "piece", hairLiesEven.id, "bald")).toEqual([]);
  });

  it("is overworked where a set leaves no ground between its strokes", () => {
    const at = hairs.surfaces[0]!.coats.findIndex(isHair);
    const dense = withCoats(hairs, "piece", (all) =>
      all.map((coat, index) => (index === at ? withParams({ ...coat, passes: 3 }, { density: 30 }) : coat)),
    );
    const [finding] = told(dense, "piece", hairLiesEven.id, "solid");
    expect(finding!.sentence).toMatch(/cover \d+ % of their place: they run together/);
    // Fewer strokes are offered than there are, where the number is the usual one too.
    for (const { changes } of finding!.remedies)
      expect(changes[0]!.value).toBeLessThan(changes[0]!.path.at(-1) === "passes" ? 3 : 30);
    allCure(dense, finding!, "piece", hairLiesEven.id);
  });
});

describe("brushed tones", () => {
  const fur = started("fur-drybrushed");
  const brushed = fur.surfaces[0]!.coats.filter(({ technique: { id } }) => id === "dry-brush");

  it("come apart in the scheme, and are told where two after each other are of near mixes", () => {
    expect(told(fur, "piece", brushedApart.id)).toEqual([]);
    const next = brushed[1]!;
    const near = fur.mixes.find(({ id }) => id === brushed[0]!.mixId)!;
    // A mix of its own that is nearly the one before.
    const alike: Job = {
      ...each(fur, "piece", (coat) => (coat.id === next.id ? { ...coat, mixId: "near" } : coat)),
      mixes: [...fur.mixes, { ...near, id: "near", name: "Near" }],
    };
    const [finding] = told(alike, "piece", brushedApart.id);
    expect(finding!.sentence).toContain("differ by 0.0 only: brushed twice, one tone");
    allCure(alike, finding!, "piece", brushedApart.id);
    // One mix brushed across itself is meant so.
    const crossed = each(fur, "piece", (coat) =>
      coat.id === next.id ? { ...coat, mixId: brushed[0]!.mixId } : coat,
    );
    expect(told(crossed, "piece", brushedApart.id)).toEqual([]);
  });
});

describe("scale by scale", () => {
  const drake = mudDrake();
  const filling = drake.surfaces
    .find(({ id }) => id === "body")!
    .coats.filter(({ technique }) => technique.id === "plates" && Number(technique.params.fill) >= 20);
  const asDots = each(drake, "body", (coat) =>
    coat.id === filling[0]!.id
      ? {
          ...coat,
          place: { kind: "everywhere" },
          technique: { id: "stipple", version: techniques.stipple.version, params: {} },
        }
      : coat,
  );

  it("fills scales where the light is, and is told where it fills those in the shade", () => {
    expect(told(drake, "body", platesInLight.id)).toEqual([]);
    const [finding] = told(asDots, "body", platesInLight.id);
    expect(finding!.coatId).toBe(filling[0]!.id);
    expect(finding!.sentence).toMatch(/covers \d+ % of what lies in the shade, and \d+ % of what is lit/);
    allCure(asDots, finding!, "body", platesInLight.id);
    // A light that keeps to a part of the body goes on keeping to it.
    const onBack = each(asDots, "body", (coat) =>
      coat.id === filling[0]!.id ? { ...coat, place: inZones(["off-belly", "shaded"], 0) } : coat,
    );
    const [kept] = told(onBack, "body", platesInLight.id);
    expect(kept!.remedies.map(({ changes }) => changes[0]!.value)).toContainEqual(
      inZones(["off-belly", "lit"], 0),
    );
    allCure(onBack, kept!, "body", platesInLight.id);
  });
});

describe("marks where nobody looks", () => {
  const hound = tideHound();

  it("are counted with their minutes, and a budget keeps them to where one looks", () => {
    const [finding] = told(hound, "forelegs", unseenMarks.id);
    expect(finding!.gravity).toBe("note");
    expect(finding!.sentence).toMatch(/strokes and dots lie where nobody looks: about \d+ min a figure/);
    allCure(hound, finding!, "forelegs", unseenMarks.id);
  });

  it("are all seen on a piece that lies aside, and not told of a surface with a budget", () => {
    const change = (more: object): Job => ({
      ...hound,
      surfaces: hound.surfaces.map((one) => (one.id === "forelegs" ? { ...one, ...more } : one)),
    });
    expect(told(change({ seat: null }), "forelegs", unseenMarks.id)).toEqual([]);
    expect(told(change({ effort: { marks: 500, seen: 0, lit: 0 } }), "forelegs", unseenMarks.id)).toEqual([]);
  });
});
