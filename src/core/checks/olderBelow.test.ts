import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import type { EventId } from "../ageing/events";
import { inZones, type Coat, type Job, type Place, type Surface } from "../job";
import { parseJob } from "../formats/job-json/jobSchema";
import { techniques, type TechniqueId } from "../techniques";
import { checkSurface } from ".";
import { applyRemedy } from "./applyRemedy";
import { olderBelow } from "./olderBelow";

const demo = wholeSergeant();
const satchel = (job: Job): Surface => job.surfaces.find(({ id }) => id === "satchel")!;
const base = satchel(demo).coats[0]!;

const coat = (name: string, event: EventId | null, technique: TechniqueId, place: Place): Coat => ({
  ...base,
  ...{ id: name.toLowerCase().replace(" ", "-"), name, event, place, passes: 1 },
  technique: { id: technique, version: techniques[technique].version, params: {} },
});
const everywhere = { kind: "everywhere" } as const;
const withCoats = (...coats: readonly Coat[]): Job => ({
  ...demo,
  surfaces: demo.surfaces.map((one) => (one.id === "satchel" ? { ...one, coats } : one)),
});
const found = (job: Job) => checkSurface(job, satchel(job), demoShelf, olderBelow.id);

const paint = coat("Red paint", "painted", "base-coat", everywhere);
const chips = coat("Chips", "chipped", "sponge", everywhere);
const dust = coat("Dust", "dusted", "powder", everywhere);

describe("older below newer", () => {
  it("finds nothing where all is in order, and nothing of coats that are no matter of time", () => {
    expect(found(withCoats(paint, chips, dust))).toEqual([]);
    expect(found(withCoats(dust, { ...chips, event: null }, { ...paint, event: null }))).toEqual([]);
  });

  it("names what lies the wrong way round and why, and every remedy cures it", () => {
    const job = withCoats(paint, dust, chips);
    const [finding, ...others] = found(job);
    expect(others).toEqual([]);
    expect(finding!.sentence).toBe("Chips (chips) is painted over Dust (dust and mud of the ground).");
    expect(finding!.reason).toMatch(/^It has to lie below: dust lies down last/);
    expect(finding!.coatId).toBe("chips");
    expect(finding!.remedies.map(({ label }) => label)).toEqual([
      "Paint Chips before Dust",
      "Meant so: Chips is of no time",
    ]);
    for (const remedy of finding!.remedies) {
      const mended = applyRemedy(job, remedy);
      expect(found(mended)).toEqual([]);
      expect(satchel(mended).coats).toHaveLength(3);
    }
    const moved = applyRemedy(job, finding!.remedies[0]!);
    expect(satchel(moved).coats.map(({ id }) => id)).toEqual(["red-paint", "chips", "dust"]);
  });

  it("lets be what never meets, and what is held back", () => {
    const low = inZones([], 0, { span: { along: "height", from: 0, to: 0.3, softMm: 0 } });
    const high = inZones([], 0, { span: { along: "height", from: 0.6, to: 1, softMm: 0 } });
    const apart = withCoats(paint, { ...dust, place: low }, { ...chips, place: high });
    expect(found(apart)).toEqual([]);
    expect(found(withCoats(paint, { ...dust, held: true }, chips))).toEqual([]);
  });

  it("does not offer to paint a coat before the one whose marks it goes by", () => {
    const inside = inZones([], 0, { near: { coatId: "dust", side: "inside", reachMm: 0 } });
    const [finding] = found(withCoats(paint, dust, { ...chips, place: inside }));
    expect(finding!.remedies.map(({ label }) => label)).toEqual(["Meant so: Chips is of no time"]);
  });

  it("is kept in job files, and an event that nobody knows is refused", () => {
    const job = withCoats(paint, dust);
    expect(parseJob(JSON.parse(JSON.stringify(job)))).toEqual(job);
    const odd = withCoats({ ...paint, event: "eaten" as EventId });
    expect(() => parseJob(JSON.parse(JSON.stringify(odd)))).toThrow(/event/);
  });
});
