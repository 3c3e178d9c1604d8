import { lightOf } from "../figure/light";
import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { inZones, type Coat, type Job, type Place, type Surface } from "../job";
import { defaultPainter } from "../painter";
import { FilmLayer } from "../simulate/filmLayer";
import { filmAt } from "../simulate/planes";
import { buildForm } from "../surface/forms/buildForm";
import { forms, type FormId } from "../surface/forms";
import { buildGrid } from "../surface/grid";
import { reliefShares } from "../surface/reliefArea";
import { techniqueIds, techniques, type TechniqueId } from "../techniques";
import type { TechniqueDefinition } from "../techniques/technique";
import { cardsOf } from "./cards";
import { cardFacts } from "./cardText";
import { SOLIDS, paintFormOf } from "./paintForm";

const demo = ferrySergeant();

/** The demo's job with one surface and one coat on it. */
function jobWith(id: TechniqueId, params: Record<string, number>, form: FormId, place?: Place): Job {
  const technique: TechniqueDefinition = techniques[id];
  const coat: Coat = {
    ...demo.surfaces[0]!.coats[0]!,
    ...{ id: "one", name: "One", technique: { id, version: 1, params }, role: null, seed: 5, passes: 2 },
    place: place ?? technique.startPlace ?? { kind: "everywhere" },
    water: technique.startWater ?? 1,
  };
  const surface: Surface = {
    ...demo.surfaces[0]!,
    ...{
      form: { id: form, version: forms[form].version, params: {} },
      pattern: null,
      coats: [coat],
      parked: [],
    },
  };
  return { ...demo, surfaces: [surface] };
}

/** Dry paint that the finely simulated films of the job's first surface hold on the real area, µl, coat by coat. */
function heldUl(job: Job): number[] {
  const surface = job.surfaces[0]!;
  const grid = buildGrid(buildForm(surface), 0.05, lightOf(job, surface));
  const laying = new FilmLayer(1e8).lay(job, surface, grid);
  let step = laying.next();
  while (!step.done) step = laying.next();
  const shares = reliefShares(grid);
  return step.value.map(({ film }) => {
    let sum = 0;
    for (let at = 0; at < shares.length; at++) sum += filmAt(film, at) * shares[at]!;
    return sum * grid.pitchMm ** 2 * 0.001;
  });
}

/** Tufts are counted; everything else is measured out. */
const isCounted = (id: TechniqueId) => paintFormOf({ technique: { id, version: 1, params: {} } }) === "tufts";
const byArea = techniqueIds.filter(
  (id) => techniques[id].lays.some((kind) => kind === "field") && !isCounted(id),
);
const FORMS = ["panel", "bag", "limb"] as const;

describe("paint on the figure", () => {
  it.each(byArea)("by %s is what the simulated film holds, within a tenth, whatever its settings", (id) => {
    const technique: TechniqueDefinition = techniques[id];
    const entries = Object.entries(technique.params);
    const settings = [
      {},
      // Each third of the way from its least to its most.
      Object.fromEntries(entries.map(([name, { range, step }]) => [name, third(range, step, 1)])),
      Object.fromEntries(entries.map(([name, { range, step }]) => [name, third(range, step, 2)])),
    ];
    settings.forEach((params, at) => {
      const job = jobWith(id, params, FORMS[at]!);
      const [card] = cardsOf(job, demoShelf, defaultPainter);
      const told = card!.needs[0]!.paintUl * SOLIDS[paintFormOf(card!.coat)];
      const [held] = heldUl(job) as [number];
      expect(Math.abs(told - held), `${JSON.stringify(params)}: ${told} of ${held} µl`).toBeLessThan(
        0.1 * held + 0.005,
      );
    });
  });

  it("is none for tufts: they are counted one by one", () => {
    const [card] = cardsOf(jobWith("tuft", { count: 4 }, "panel"), demoShelf, defaultPainter);
    expect(card!.needs).toEqual([]);
    expect(card!.batch).toBeNull();
    expect(card!.strokes).toBe(4 * card!.coat.passes);
  });

  it("by the marks of a pattern, too", () => {
    const held = heldUl(demo);
    cardsOf(demo, demoShelf, defaultPainter).forEach((card, at) => {
      const told = card.needs[0]!.paintUl * SOLIDS[paintFormOf(card.coat)];
      expect(Math.abs(told - held[at]!), `${card.title}: ${told} of ${held[at]} µl`).toBeLessThan(
        0.1 * held[at]! + 0.005,
      );
    });
  });

  it("counts the relief: folds take more than the flat panel of their outline", () => {
    const smooth = jobWith("base-coat", {}, "cone-band");
    const folded = {
      ...smooth,
      surfaces: smooth.surfaces.map((surface) => ({
        ...surface,
        form: { ...surface.form, params: { pleats: 16, pleatDepthMm: 0.9 } },
      })),
    };
    const ul = (job: Job) => cardsOf(job, demoShelf, defaultPainter)[0]!.laid.dryUl;
    expect(ul(folded) / ul(smooth)).toBeGreaterThan(1.03);
  });

  it("of paste follows its depth: 0.27 mm over a piece are 0.27 µl on each mm²", () => {
    const job = jobWith("texture-paste", { depth: 0.27, rough: 0 }, "panel", inZones([], 1));
    const [card] = cardsOf(job, demoShelf, defaultPainter);
    const area = buildForm(job.surfaces[0]!).areaMm2;
    expect(card!.laid.dryUl / (0.27 * 2 * area)).toBeCloseTo(1, 1);
    expect(Object.fromEntries(cardFacts(card!, demoShelf)).Drops).toMatch(/^about [\d.]+\s[mµ]l/);
  });

  it("of powder is in pinches and has no water", () => {
    const [card] = cardsOf(jobWith("powder", {}, "panel"), demoShelf, defaultPainter);
    const facts = Object.fromEntries(cardFacts(card!, demoShelf));
    expect(card!.batch).toBeNull();
    expect(facts.Drops).toMatch(/pinch/);
    expect(facts.Drops).not.toMatch(/drop|water/);
  });
});

function third([low, high]: readonly [number, number], step: number, thirds: number): number {
  // Largest sizes are for larger pieces than these.
  return low + Math.round((Math.min(high, low + 40 * step) - low) / 3 / step) * thirds * step;
}
