import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { withCoat, withSurface } from "../edits/surfaces";
import { parseJob } from "../formats/job-json/jobSchema";
import type { Coat, Job } from "../job";
import { defaultPainter } from "../painter";
import { missingOn } from "../plan/fit/missed";
import { isTechniqueId, techniques, type TechniqueId } from "../techniques";
import { DOUBT_IDS, type DoubtId } from "./doubtIds";
import { hasRoutes, isRuledOut } from "./doubts";
import { routeSteps, type RouteInput, type Routes } from "./routes";

const sergeant = wholeSergeant();
const satchel = sergeant.surfaces.find(({ id }) => id === "satchel")!;

function routesOf(job: Job, coatId: string, without: readonly DoubtId[] = []): Routes {
  const input: RouteInput = {
    ...{ job, paints: demoShelf, painter: defaultPainter, surfaceId: "satchel", coatId, without },
  };
  const steps = routeSteps(input);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The satchel with one base coat and one coat over it. */
function twoCoats(id: TechniqueId): { job: Job; coat: Coat } {
  const [base, over] = satchel.coats;
  const [dark, light] = [satchel.coats[0]!.mixId, satchel.coats[2]!.mixId];
  const plain = { held: false, place: { kind: "everywhere" }, event: null } as const;
  const coat: Coat = {
    ...{ ...over!, ...plain, id: "over", mixId: light, water: 1, passes: 2 },
    technique: { id, version: techniques[id].version, params: {} },
  };
  const under: Coat = {
    ...{ ...base!, ...plain, id: "under", mixId: dark, water: 1, passes: 2 },
    technique: { id: "base-coat", version: techniques["base-coat"].version, params: {} },
  };
  const surface = { ...satchel, pattern: null, coats: [under, coat], parked: [] };
  return { job: { ...sergeant, surfaces: [surface], touching: [] }, coat };
}

describe("another route", () => {
  const coat = satchel.coats.find(({ technique, ...one }) => technique.id === "stipple" && hasRoutes(one))!;
  const found = routesOf(sergeant, coat.id);

  it("is each in another technique, nearest first, and tells what is seen of it in the end", () => {
    expect(found.routes.length).toBeGreaterThan(2);
    const missing = missingOn(sergeant, satchel, demoShelf);
    const differences = found.routes.map(({ difference }) => difference);
    expect(differences).toEqual(differences.toSorted((a, b) => a - b));
    expect(new Set(found.routes.map((route) => route.coat.technique.id)).size).toBe(found.routes.length);
    for (const route of found.routes) {
      expect(route.coat).toMatchObject({
        id: coat.id,
        name: coat.name,
        mixId: coat.mixId,
        place: coat.place,
      });
      expect(route.coat.technique.id).not.toBe(coat.technique.id);
      const coats = satchel.coats.map((one) => (one.id === coat.id ? route.coat : one));
      expect(missing.differs(coats)).toBeCloseTo(route.difference);
      const taken = withSurface(sergeant, "satchel", (own) => withCoat(own, coat.id, () => route.coat));
      expect(parseJob(taken)).toEqual(taken);
      expect(route.minutes).toBeGreaterThan(0);
    }
    expect(missing.differs(satchel.coats)).toBeCloseTo(0);
    expect(found.minutes).toBeGreaterThan(0);
  });

  it("is never one that the painter does without", () => {
    for (const without of [["no-blending"], DOUBT_IDS] as const)
      for (const { coat: other } of routesOf(sergeant, coat.id, without).routes) {
        const { id } = other.technique;
        if (!isTechniqueId(id) || isRuledOut(techniques[id], without))
          throw new Error(`${id}: ${without.join()}`);
      }
    expect(isRuledOut(techniques.airbrush, ["no-airbrush"])).toBe(true);
    expect(isRuledOut(techniques["wet-blend"], ["no-blending"])).toBe(true);
    expect(isRuledOut(techniques["edge-line"], ["shaky-hand"])).toBe(true);
    expect(isRuledOut(techniques.glaze, DOUBT_IDS)).toBe(false);
  });

  it("to a coat sprayed all over is one brushed all over, and nearer than to leave it out", () => {
    const { job, coat: sprayed } = twoCoats("airbrush");
    const { routes, leftOut } = routesOf(job, sprayed.id, ["no-airbrush"]);
    expect(routes[0]!.difference).toBeLessThan(leftOut / 3);
    expect(techniques[routes[0]!.coat.technique.id as TechniqueId].lays).toContain("field");
    expect(routes.at(-1)!.difference).toBeGreaterThan(routes[0]!.difference);
  });

  it("there is none for a pattern's own coats, nor for one that is not there", () => {
    const cloth = sergeant.surfaces.find(({ pattern }) => pattern !== null)!;
    expect(cloth.coats.filter(({ role }) => role !== null).some(hasRoutes)).toBe(false);
    expect(() => routesOf(sergeant, "never-was")).toThrow(/no coat "never-was"/);
  });
});
