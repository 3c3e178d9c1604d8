import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { parseJob } from "../formats/job-json/jobSchema";
import { mixById, type Coat, type Job } from "../job";
import { techniqueIds, type TechniqueId } from "../techniques";
import { inMix, mixSuits, withNewCoat } from "./newCoat";

const job = wholeSergeant();
const surface = job.surfaces.find(({ id }) => id === "satchel")!;
const everywhere = { kind: "everywhere" } as const;

function added(id: TechniqueId, to: Job = job, paints = demoShelf) {
  const made = withNewCoat(to, surface, paints, { id, place: everywhere, afterId: surface.coats[0]!.id });
  const coats = made.job.surfaces.find((one) => one.id === surface.id)!.coats;
  return {
    ...made,
    coat: coats.find((one) => one.id === made.coatId)!,
    at: coats.findIndex((one) => one.id === made.coatId),
  };
}

describe("a new coat", () => {
  it.each(techniqueIds)(
    "by %s comes after the chosen one, in a mix that suits it, and the job can be kept",
    (id) => {
      const { job: next, coat, at } = added(id);
      expect(at).toBe(1);
      expect(mixSuits(id, mixById(next, coat.mixId)!, demoShelf)).toBe(true);
      expect(parseJob(next)).toEqual(next);
    },
  );

  it("of varnish is in varnish, not in the first mix; the shelf's pot becomes a mix once", () => {
    const first = added("varnish");
    const mix = mixById(first.job, first.coat.mixId)!;
    expect(mix.parts.map(({ paintId }) => demoShelf.find((paint) => paint.id === paintId)!.kind)).toEqual([
      "varnish",
    ]);
    expect(first.job.mixes.length).toBe(job.mixes.length + 1);
    const second = added("varnish", first.job);
    expect(second.job.mixes.length).toBe(first.job.mixes.length);
    expect(second.coat.mixId).toBe(mix.id);
  });

  it("for which shelf and job have nothing asks for a mix instead of taking any", () => {
    const bare = demoShelf.filter(({ kind }) => kind !== "powder");
    expect(added("powder", job, bare).coat.mixId).toBe("");
  });

  it("of a glaze lies evenly, thinned as its mix says where that is thin", () => {
    const thin = { ...job, mixes: [{ ...job.mixes[0]!, water: 3 }, ...job.mixes.slice(1)] };
    expect(added("glaze").coat).toMatchObject({ technique: { params: { pull: 0 } }, water: 5 });
    expect(added("glaze", thin).coat.water).toBe(3);
    expect(added("base-coat", thin).coat.water).toBe(1);
  });
});

describe("another mix for a coat", () => {
  const [thick, thin] = [
    { ...job.mixes[0]!, water: 1 },
    { ...job.mixes[1]!, water: 4 },
  ];
  const glaze = (water: number): Coat => ({ ...added("glaze").coat, water });

  it("brings its thinning, unless the painter set one", () => {
    expect(inMix(glaze(5), thick, thin)).toMatchObject({ mixId: thin.id, water: 4 });
    expect(inMix(glaze(4), thin, thick)).toMatchObject({ mixId: thick.id, water: 5 });
    expect(inMix(glaze(7), thick, thin)).toMatchObject({ mixId: thin.id, water: 7 });
  });
});
