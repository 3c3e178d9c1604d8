import { describe, expect, it } from "vitest";
import { demoJobs } from "../../data/demo/company";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import type { Coat, Job } from "../job";
import { newPlainSurface } from "../newJob";
import { completeParams, type ParamSpecs } from "../params";
import { createRandom } from "../random";
import { schemeIds, schemes } from "../schemes";
import { AGES } from "../schemes/scheme";
import { planStart, startSurface } from "../schemes/start";
import { marksOf } from "../simulate/layCoat";
import { createFilmBuffer } from "../techniques/technique";
import { coarseGrid } from "../simulate/coarseGrid";
import { buildForm } from "../surface/forms/buildForm";
import { techniqueIds, techniques, type TechniqueId } from "../techniques";
import { cellAt } from "../techniques/scatter";
import { onGround } from "../techniques/testing";
import { applyRemedy } from "./applyRemedy";
import { evenness } from "./evenness";
import { checkSurface } from ".";

const demo = ferrySergeant();
const withSingles = techniqueIds.filter((id) => techniques[id].singles);

/** A job of one plain panel with one coat of single marks over everything. */
function jobOf(id: TechniqueId, params: Readonly<Record<string, number>>, seed = 7): Job {
  const specs: ParamSpecs = techniques[id].params;
  const coat: Coat = {
    ...demo.surfaces[0]!.coats[0]!,
    id: "marks",
    role: "own",
    name: "Marks",
    place: { kind: "everywhere" },
    technique: { id, version: 1, params: completeParams(specs, params) },
    held: false,
    seed,
  };
  const piece = { ...newPlainSurface("piece", "Piece", "panel", []), coats: [coat] };
  return { ...demo, surfaces: [piece] };
}

const toldOf = (job: Job) =>
  job.surfaces.flatMap((surface) => checkSurface(job, surface, demoShelf, evenness.id));
const found = (job: Job) => toldOf(job).filter(({ coatId }) => coatId === "marks");
const faultsOf = (job: Job) => found(job).map(({ id }) => id.split("/").at(-1));

describe.each(withSingles)("single marks of %s", (id) => {
  const { remedies } = techniques[id].singles!;
  const specs: ParamSpecs = techniques[id].params;

  it("as they come are irregular enough, from any seed", () => {
    for (let seed = 1; seed <= 20; seed++) expect(faultsOf(jobOf(id, {}, seed)), `seed ${seed}`).toEqual([]);
  });

  it("are told where a setting makes them all the same, and the remedy cures it", () => {
    for (const [fault, remedy] of Object.entries(remedies)) {
      if (fault === "even") continue;
      const least = specs[remedy.param]!.range[0];
      const job = jobOf(id, { [remedy.param]: least });
      const [finding] = found(job).filter((one) => one.id.endsWith(`/${fault}`));
      expect(finding, `${remedy.param} at ${least} is ${fault}`).toBeDefined();
      expect(finding!.spots!.length).toBeGreaterThan(3);
      expect(faultsOf(applyRemedy(job, finding!.remedies[0]!)), remedy.label).not.toContain(fault);
    }
  });

  it("a remedy can set what a file left out", () => {
    const job = jobOf(id, {});
    const [remedy] = Object.values(remedies);
    const bare = {
      ...job,
      surfaces: job.surfaces.map((surface) => ({
        ...surface,
        coats: surface.coats.map((coat) => ({ ...coat, technique: { ...coat.technique, params: {} } })),
      })),
    };
    const path = ["surfaces", "piece", "coats", "marks", "technique", "params", remedy!.param];
    const mended = applyRemedy(bare, { label: "", changes: [{ path, value: remedy!.value }] });
    expect(mended.surfaces[0]!.coats[0]!.technique.params).toEqual({ [remedy!.param]: remedy!.value });
  });

  it("are the very marks that are painted", () => {
    const job = jobOf(id, {});
    const surface = job.surfaces[0]!;
    const [coat] = surface.coats;
    const form = buildForm(surface);
    const grid = coarseGrid(job, surface);
    const marks = marksOf(job, surface, form, coat!, () => grid);
    const context = onGround({ grid, marks, passUm: 9, passes: 1, water: coat!.water, hand: job.hand });
    const params = completeParams(specs, coat!.technique.params) as never;
    const film = createFilmBuffer(grid.inside.length);
    techniques[id].lay(film, context, params, createRandom(coat!.seed));
    const told = techniques[id].singles!.of(context, params, createRandom(coat!.seed));
    expect(told.length).toBeGreaterThan(8);
    const hit = told.filter(({ xMm, yMm }) => (film.cover[cellAt(grid, xMm, yMm)] ?? 0) > 0).length;
    // Spines bend and stray: a patch's or a stroke's middle may lie just beside its paint.
    expect(hit / told.length).toBeGreaterThan(0.8);
    const area = told.reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
    const covered = film.cover.reduce((sum, share) => sum + share, 0) * grid.pitchMm ** 2;
    expect(area / covered).toBeGreaterThan(0.6);
    expect(area / covered).toBeLessThan(2.2);
  });
});

describe("marks of what is offered", () => {
  it("the demo's coats and those of every scheme are not told for sameness", () => {
    const plain = newPlainSurface("piece", "Piece", "strap", []);
    const bare = { ...demo, mixes: [], surfaces: [{ ...plain, coats: [] }] };
    const started = schemeIds.flatMap((id) =>
      AGES.slice(1, 2).map((age) => {
        const answers = { age, look: "plain" as const, colour: schemes[id].startColour };
        return startSurface(bare, "piece", planStart(bare, plain, schemes[id], answers, demoShelf));
      }),
    );
    for (const job of [...demoJobs(), ...started]) {
      const own = toldOf(job).filter(({ coatId }) =>
        job.surfaces.some(({ coats }) =>
          coats.some(({ id, place }) => id === coatId && place.kind !== "pattern"),
        ),
      );
      expect(own.map(({ sentence }) => sentence)).toEqual([]);
    }
  });
});
